import type { Observation, PropertyId } from '@anvilstone/schema';
import { InputError, ROOM_C } from '@anvilstone/core/foundations';
import { canonicalValue, reportedNumber } from '../resolving/canonicalValue.ts';
import {
  CONDITION_TITLES,
  conditionText,
  TEST_PARAMETERS,
  type Condition,
  type TestParameter,
} from '../resolving/conditions.ts';
import { PROPERTY_DEFINITIONS } from '../resolving/properties.ts';
import { ROOM_TOLERANCE_K } from '../behaviour/temperatureFactor.ts';

/** One reason why two values may not be held against each other. */
export interface ConditionDifference {
  condition: Condition | 'property' | 'unit' | 'result';
  /** What the two say; null: not stated. */
  a: string | null;
  b: string | null;
  /** “0.45 MPa against 1.8 MPa”, for people. */
  text: string;
}

export interface Comparability {
  comparable: boolean;
  differences: readonly ConditionDifference[];
  /** Worth knowing, but no reason to refuse: another standard of the same kind, another kind of source. */
  remarks: readonly string[];
}

/** Specimen conditions matter only for what they change: a condition is in the property's list or it is not compared. */
const SAME_WITHIN = 0.02;

/**
 * Whether two reported values may be compared: same property, and every condition its method needs is stated and the same.
 * A condition that one of them does not state is a difference: without it nobody knows what the number means.
 */
export function comparable(a: Observation, b: Observation): Comparability {
  if (a.property !== b.property) return refused(otherProperty(a.property, b.property));
  const { conditions } = PROPERTY_DEFINITIONS[a.property];
  const differences = [
    ...resultDifference(a, b),
    ...conditions.flatMap((condition) => conditionDifference(a, b, condition)),
    // Of most polymers nobody states it; where both do, it has to be the same.
    ...(a.crystallinity && b.crystallinity ? conditionDifference(a, b, 'crystallinity') : []),
  ];
  return { comparable: differences.length === 0, differences, remarks: remarksOn(a, b) };
}

const refused = (difference: ConditionDifference): Comparability => ({
  comparable: false,
  differences: [difference],
  remarks: [],
});

function otherProperty(a: PropertyId, b: PropertyId): ConditionDifference {
  const [first, second] = [PROPERTY_DEFINITIONS[a].title, PROPERTY_DEFINITIONS[b].title];
  return { condition: 'property', a: first, b: second, text: `${first} against ${second}: two different tests` };
}

function resultDifference(a: Observation, b: Observation): ConditionDifference[] {
  const { classes } = PROPERTY_DEFINITIONS[a.property];
  if (classes) return [];
  const differences: ConditionDifference[] = [];
  const [first, second] = [canonicalValue(a, a.property), canonicalValue(b, b.property)];
  for (const [reading, one, side] of [
    [first, a, 'first'],
    [second, b, 'second'],
  ] as const) {
    if (!reading.ok) {
      differences.push({
        condition: 'unit',
        a: a.unit,
        b: b.unit,
        text: `the ${side} (${one.unit}) is no number here: ${reading.reason}`,
      });
    } else if (one.bound) {
      differences.push({
        condition: 'result',
        a: a.bound ?? 'a value',
        b: b.bound ?? 'a value',
        text: `the ${side} is only a bound`,
      });
    } else if (!Number.isFinite(reading.value)) {
      differences.push({
        condition: 'result',
        a: a.classValue ?? 'a value',
        b: b.classValue ?? 'a value',
        text: `the ${side} bar did not break: that is no number`,
      });
    }
  }
  return differences;
}

function conditionDifference(a: Observation, b: Observation, condition: Condition): ConditionDifference[] {
  const [first, second] = [conditionText(a, condition), conditionText(b, condition)];
  if (first !== null && second !== null && same(a, b, condition)) return [];
  const title = CONDITION_TITLES[condition];
  const said = (text: string | null) => text ?? 'not stated';
  return [{ condition, a: first, b: second, text: `${title}: ${said(first)} against ${said(second)}` }];
}

function same(a: Observation, b: Observation, condition: Condition): boolean {
  if (condition === 'temperatureC') {
    return Math.abs((a.temperatureC ?? ROOM_C) - (b.temperatureC ?? ROOM_C)) <= ROOM_TOLERANCE_K;
  }
  // Flat and on edge both load the layer plane, but not the same beads: only like for like is like for like.
  const [first, second] = [a[condition], b[condition]];
  if (!(condition in TEST_PARAMETERS) || TEST_PARAMETERS[condition as TestParameter].dimension === null)
    return first === second;
  const [x, y] = [Number(first), Number(second)];
  return Math.abs(x - y) <= SAME_WITHIN * Math.max(Math.abs(x), Math.abs(y));
}

/**
 * Why two resolved values may not be held against each other although both were brought to one condition: what resolving
 * does not carry over, such as a test voltage or the radius of a notch, must be stated and the same. `a` and `b` are the
 * reports the values rest on, undefined for an estimate; `asked` are the parameters the values were asked at.
 */
export function uncarriedDifferences(
  property: PropertyId,
  a: Observation | undefined,
  b: Observation | undefined,
  asked: Partial<Record<TestParameter, unknown>> = {},
): readonly ConditionDifference[] {
  const { conditions, kind } = PROPERTY_DEFINITIONS[property];
  const adjusted = (condition: Condition) =>
    condition in TEST_PARAMETERS ? asked[condition as TestParameter] !== undefined : kind !== 'other';
  const uncarried = conditions.filter((condition) => !adjusted(condition));
  if (uncarried.length === 0 || (!a && !b)) return [];
  if (a && b) return uncarried.flatMap((condition) => conditionDifference(a, b, condition));
  const title = CONDITION_TITLES[uncarried[0]!];
  const text = `${title}: one is typical of the family, at conditions of its own`;
  return [{ condition: uncarried[0]!, a: null, b: null, text }];
}

const STANDARD = /\b(ISO|ASTM|IEC|DIN|JIS|UL)\s*(?:EN\s*)?([A-Z]?\s?\d+)/i;

function remarksOn(a: Observation, b: Observation): string[] {
  const remarks: string[] = [];
  const [first, second] = [standardOf(a), standardOf(b)];
  if (first !== second)
    remarks.push(
      `Methods differ (${first ?? 'not stated'}, ${second ?? 'not stated'}): read small differences with care.`,
    );
  if (a.source !== b.source)
    remarks.push(`One is from ${SOURCE_WORDS[a.source]}, the other from ${SOURCE_WORDS[b.source]}.`);
  const few = [a, b].find((one) => one.source === 'bench' && (one.count ?? 1) < 3);
  if (few) remarks.push(`${few.reference}: fewer than three specimens say little.`);
  return remarks;
}
const SOURCE_WORDS = { bench: 'an own bench', datasheet: 'a data sheet', estimate: 'an estimate' };

function standardOf({ method }: Observation): string | undefined {
  const match = method && STANDARD.exec(method);
  return match ? `${match[1]!.toUpperCase()} ${match[2]!.replace(/\s/g, '').toUpperCase()}` : method;
}

export interface ValueDifference {
  /** Of the second over the first, canonical units. */
  ratio: number;
  /** Of the first: 100·(second/first − 1). */
  percent: number;
  /** What 100 % is. */
  base: string;
}

/**
 * How much the second differs from the first, which is the base.
 * @throws InputError the two may not be compared; the message names the differences
 */
export function differenceOf(a: Observation, b: Observation): ValueDifference {
  const { comparable: may, differences } = comparable(a, b);
  if (!may) {
    throw new InputError(
      'observations',
      `${a.id}, ${b.id}`,
      `two values under the same conditions; here ${differences.map(({ text }) => text).join('; ')}`,
    );
  }
  const [first, second] = [canonicalValue(a, a.property), canonicalValue(b, b.property)];
  if (!first.ok || !second.ok || first.value === 0 || reportedNumber(a) === undefined) {
    throw new InputError('observations', `${a.id}, ${b.id}`, 'two numbers of which the first is not zero');
  }
  const ratio = second.value / first.value;
  return { ratio, percent: 100 * (ratio - 1), base: a.reference };
}

export interface BestPair {
  a: Observation;
  b: Observation;
  comparability: Comparability;
}

/**
 * Of two grades' reports of a property, the pair to hold against each other: one that may be compared if there is any, own
 * bench before data sheets; else the pair with the fewest differences, so that the refusal names what is missing.
 */
export function bestPair(first: readonly Observation[], second: readonly Observation[]): BestPair | undefined {
  let best: (BestPair & { score: number }) | undefined;
  for (const a of first) {
    for (const b of second) {
      const comparability = comparable(a, b);
      const score = comparability.differences.length * 10 + SOURCE_RANK[a.source] + SOURCE_RANK[b.source];
      if (!best || score < best.score) best = { a, b, comparability, score };
    }
  }
  return best && { a: best.a, b: best.b, comparability: best.comparability };
}
const SOURCE_RANK = { bench: 0, datasheet: 1, estimate: 4 };
