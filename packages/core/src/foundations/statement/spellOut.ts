import type { Phrase } from '@anvilstone/schema';
import type { UnitSystem } from '../units/dimensions.ts';
import { inWords } from './statement.ts';

/** The same with every phrase in it as text. */
export type SpelledOut<T> = T extends Phrase
  ? string
  : T extends readonly (infer Item)[]
    ? SpelledOut<Item>[]
    : T extends object
      ? { [K in keyof T]: SpelledOut<T[K]> }
      : T;

/** Plain data, such as a result on its way out of the program, with every phrase in it as text in the given units. */
export function spellOut<T>(data: T, units: UnitSystem = 'metric'): SpelledOut<T> {
  return spelled(data, units) as SpelledOut<T>;
}

function spelled(data: unknown, units: UnitSystem): unknown {
  if (typeof data !== 'object' || data === null) return data;
  if (Array.isArray(data)) return data.map((item) => spelled(item, units));
  if ('says' in data && 'values' in data) return inWords(data as Phrase, units);
  return Object.fromEntries(Object.entries(data).map(([name, value]) => [name, spelled(value, units)]));
}
