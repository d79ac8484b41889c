import type { Dimension } from './dimensions.ts';

/** How names of fields end, the longest first: the unit they hold, and what they measure where that can be typed in. */
const SUFFIXES: readonly [suffix: string, unit: string, dimension?: Dimension][] = [
  ['MmPerN', 'mm/N'],
  ['NPerMm', 'N/mm'],
  ['MPerS', 'm/s', 'speed'],
  ['Mm4', 'mm⁴', 'secondMoment'],
  ['Mm3', 'mm³', 'volume'],
  ['Mm2', 'mm²', 'area'],
  ['Nmm', 'N·mm', 'torque'],
  ['MPa', 'MPa', 'stress'],
  ['Deg', '°', 'angle'],
  ['PerKgUsd', 'USD/kg', 'price'],
  ['Usd', 'USD', 'money'],
  ['Pct', '%', 'fraction'],
  ['Mm', 'mm', 'length'],
  ['Km', 'km'],
  ['KV', 'kV'],
  ['C', '°C', 'temperature'],
  ['H', 'h', 'time'],
  ['N', 'N', 'force'],
  ['J', 'J', 'energy'],
  ['G', 'g', 'mass'],
  ['S', 's', 'shortTime'],
];

/** What the name of a field says: names carry their units, in documents, calculators and code alike. */
export interface FieldMeaning {
  /** In lower case: `maxSagMm` is “max sag”. */
  words: string;
  /** Empty: the name says none. */
  unit: string;
  /** Undefined: none, or a unit that nobody types in. */
  dimension: Dimension | undefined;
}

export function fieldMeaning(name: string): FieldMeaning {
  const found = SUFFIXES.find(
    ([suffix]) => name.endsWith(suffix) && /[a-z0-9]/.test(name.at(-suffix.length - 1) ?? ''),
  );
  const [suffix = '', unit = '', dimension] = found ?? [];
  const words = name
    .slice(0, name.length - suffix.length)
    .replaceAll(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .trim();
  return { words, unit, dimension };
}
