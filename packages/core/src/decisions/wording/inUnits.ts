import { type Dimension, type UnitSystem, formatQuantity } from '@anvilstone/core/foundations';

const DIMENSIONS: Readonly<Record<string, Dimension>> = {
  mm: 'length',
  MPa: 'stress',
  '°C': 'temperature',
  N: 'force',
  'N·mm': 'torque',
  g: 'mass',
  J: 'energy',
  'm/s': 'speed',
};

const NUMBER = String.raw`[−-]?\d+(?:\.\d+)?`;
/** “10 to 35 °C” and “200 × 100 mm” are one amount each: their first numbers have the unit of the last. */
const AMOUNT = new RegExp(
  String.raw`(?:(?<![\w.])(${NUMBER}) (to|and|×) )?(?<![\w.])(${NUMBER}) (mm|MPa|°C|N·mm|N|g|J|m/s)(?![\w/·²³])`,
  'g',
);

const valueOf = (text: string) => Number(text.replace('−', '-'));

/**
 * A finished sentence of the engine, whose numbers are in its own units, with its amounts in the reader’s. Kelvins, shares
 * and what is measured in other units stay as they are.
 */
export function inUnits(sentence: string, units: UnitSystem): string {
  if (units === 'metric') return sentence;
  return sentence.replace(
    AMOUNT,
    (all: string, first: string | undefined, between: string | undefined, last: string, unit: string) => {
      // “4 × 25 N” is four loads, and no size.
      if (between === '×' && unit !== 'mm') return all.replace(`${last} ${unit}`, inUnits(`${last} ${unit}`, units));
      const shown = (text: string) => formatQuantity(valueOf(text), DIMENSIONS[unit]!, units);
      if (first === undefined) return shown(last);
      const alone = shown(first).split(' ')[0]!;
      return `${alone} ${between} ${shown(last)}`;
    },
  );
}
