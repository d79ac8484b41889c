import { PROPERTIES, type Grade, type Observation, type PropertyComparison, type PropertyId } from '@anvilstone/schema';
import { bestPair, differenceOf, type BestPair } from './comparable.ts';
import { isClass } from '../resolving/properties.ts';

/** Properties that are easily taken for each other. Where one grade reports one and the other the other, that is said. */
const MISTAKEN_FOR: Partial<Record<PropertyId, PropertyId>> = {
  charpyNotched: 'izodNotched',
  charpyUnnotched: 'izodUnnotched',
  tensileStrength: 'yieldStrength',
  tensileModulus: 'flexuralModulus',
  hardnessShoreA: 'hardnessShoreD',
  meltFlowRate: 'meltVolumeRate',
};
const LOOK_ALIKE = { ...MISTAKEN_FOR, ...Object.fromEntries(Object.entries(MISTAKEN_FOR).map(([a, b]) => [b, a])) };

/**
 * Every property that either grade reports, like for like: the percentage of the second over the first where a pair may be
 * compared, the reasons where none may. Nothing is carried over here; two numbers are held against each other as reported.
 */
export function compareGrades(first: Grade, second: Grade): PropertyComparison[] {
  const paired = new Set<Observation>();
  return PROPERTIES.flatMap((property): PropertyComparison[] => {
    const [a, b] = [reports(first, property), reports(second, property)];
    if (a.length + b.length === 0) return [];
    const pair = bestPair(a, b) ?? lookAlikePair(first, second, property, a, b);
    if (pair) {
      // The other row of a look-alike pair would say the same again.
      if (paired.has(pair.a) && paired.has(pair.b)) return [];
      paired.add(pair.a).add(pair.b);
      return [comparisonOf(property, pair)];
    }
    const nothing = { percent: null, differences: [], remarks: [] };
    return [{ property, verdict: 'missing', first: a[0] ?? null, second: b[0] ?? null, ...nothing }];
  });
}

const reports = (grade: Grade, property: PropertyId): Observation[] =>
  grade.observations.filter((one) => one.property === property);

/** Charpy here and Izod there: a pair that is refused, rather than two rows that each lack one side. */
function lookAlikePair(
  first: Grade,
  second: Grade,
  property: PropertyId,
  a: readonly Observation[],
  b: readonly Observation[],
): BestPair | undefined {
  const other = LOOK_ALIKE[property];
  // Only where neither grade reports the other one as well: then the like pair speaks for itself.
  if (!other || (a.length > 0 ? reports(first, other) : reports(second, other)).length > 0) return undefined;
  return a.length > 0 ? bestPair(a, reports(second, other)) : bestPair(reports(first, other), b);
}

function comparisonOf(property: PropertyId, { a, b, comparability }: BestPair): PropertyComparison {
  const { comparable, differences, remarks } = comparability;
  return {
    property,
    verdict: comparable ? 'compared' : 'refused',
    first: a,
    second: b,
    percent: comparable && !isClass(property) ? differenceOf(a, b).percent : null,
    differences: differences.map(({ text }) => text),
    remarks: comparable ? [...remarks] : [],
  };
}
