import type { FieldChange } from '@anvilstone/schema';
import { formatNumber } from '@anvilstone/core/foundations';

/** Units as they end the names of fields, the longest first. */
const UNITS: readonly [suffix: string, unit: string][] = [
  ['NPerMm', 'N/mm'],
  ['MPerS', 'm/s'],
  ['Nmm', 'N·mm'],
  ['MPa', 'MPa'],
  ['Deg', '°'],
  ['Usd', 'USD'],
  ['Pct', '%'],
  ['Mm', 'mm'],
  ['Km', 'km'],
  ['KV', 'kV'],
  ['C', '°C'],
  ['H', 'h'],
  ['N', 'N'],
  ['J', 'J'],
  ['G', 'g'],
  ['S', 's'],
];

/** A field’s name in words, with the unit that it ends with: `maxSagMm` → “max sag” and “mm”. */
export function fieldWords(name: string): { words: string; unit: string } {
  const found = UNITS.find(([suffix]) => name.endsWith(suffix) && /[a-z]/.test(name.at(-suffix.length - 1) ?? ''));
  const bare = found ? name.slice(0, -found[0].length) : name;
  return { words: spaced(bare), unit: found?.[1] ?? '' };
}

const spaced = (name: string) =>
  name
    .replaceAll(/([a-z0-9])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .trim();

type Document = Record<string, unknown>;
const isRecord = (value: unknown): value is Document =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isKeyed = (value: unknown): value is readonly (Document & { id: string })[] =>
  Array.isArray(value) && value.length > 0 && value.every((one) => isRecord(one) && typeof one.id === 'string');

const keyed = (list: unknown) => new Map<string, Document>(isKeyed(list) ? list.map((one) => [one.id, one]) : []);

/** Every field in which two documents differ, in words; records in lists are matched by their id, so that one left out shifts nothing. */
export function documentChanges(
  area: string,
  before: unknown,
  after: unknown,
  at: readonly string[] = [],
): FieldChange[] {
  if (Object.is(before, after)) return [];
  if (isRecord(before) && isRecord(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => documentChanges(area, before[key], after[key], [...at, key]));
  }
  if (isKeyed(before) || isKeyed(after)) {
    const [was, is] = [keyed(before), keyed(after)];
    return [...new Set([...was.keys(), ...is.keys()])].flatMap((id) => {
      const name = (is.get(id) ?? was.get(id))!.name;
      return documentChanges(area, was.get(id), is.get(id), [...at, `“${typeof name === 'string' ? name : id}”`]);
    });
  }
  const [from, to] = [show(before, at), show(after, at)];
  return from === to ? [] : [{ area, field: title(at), before: from, after: to }];
}

function title(path: readonly string[]): string {
  const words = path.map((key) => (key.startsWith('“') ? key : fieldWords(key).words));
  const text = words.join(' · ').replaceAll(' · “', ' “');
  return text === '' ? 'all of it' : text[0]!.toUpperCase() + text.slice(1);
}

/** Null: not there. A record that came or went whole is named by what it is called. */
function show(value: unknown, path: readonly string[]): string | null {
  if (value === undefined || value === null) return null;
  if (typeof value === 'number') {
    const last = path.findLast((key) => !key.startsWith('“'));
    const unit = last === undefined ? '' : fieldWords(last).unit;
    return `${formatNumber(value, 6)}${unit === '' ? '' : ` ${unit}`}`;
  }
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (Array.isArray(value)) return value.map((one) => show(one, path)).join(', ');
  return Object.entries(value as Document)
    .filter(([key]) => key !== 'id')
    .map(([key, one]) => `${fieldWords(key).words} ${show(one, [...path, key]) ?? 'none'}`)
    .join(', ');
}
