import { PROPERTIES, type Grade, type Observation, type PropertyComparison, type PropertyId } from '@anvilstone/schema';
import { bestPair, differenceOf } from './comparable.ts';
import { isClass } from './properties.ts';

/**
 * Every property that either grade reports, like for like: the percentage of the second over the first where a pair may be
 * compared, the reasons where none may. Nothing is carried over here; two numbers are held against each other as reported.
 */
export function compareGrades(first: Grade, second: Grade): PropertyComparison[] {
  return PROPERTIES.flatMap((property): PropertyComparison[] => {
    const [a, b] = [reports(first, property), reports(second, property)];
    if (a.length + b.length === 0) return [];
    const pair = bestPair(a, b);
    if (!pair) {
      const nothing = { percent: null, differences: [], remarks: [] };
      return [{ property, verdict: 'missing', first: a[0] ?? null, second: b[0] ?? null, ...nothing }];
    }
    const { comparable, differences, remarks } = pair.comparability;
    return [
      {
        property,
        verdict: comparable ? 'compared' : 'refused',
        first: pair.a,
        second: pair.b,
        percent: comparable && !isClass(property) ? differenceOf(pair.a, pair.b).percent : null,
        differences: differences.map(({ text }) => text),
        remarks: [...remarks],
      },
    ];
  });
}

const reports = (grade: Grade, property: PropertyId): Observation[] =>
  grade.observations.filter((one) => one.property === property);
