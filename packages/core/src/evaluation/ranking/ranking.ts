import type { Chance } from '../probability/chance.ts';
import { EQUAL_WEIGHTS, meritsOf, type MeritWeights } from './merit.ts';
import { compareNumbers, STATUS_ORDER } from './order.ts';
import type { Sized } from '../sizing/sizing.ts';
import type { RankedCandidate } from './rankedCandidate.ts';

/** What a ranking method may read beside where the grades stand. */
export interface RankingInputs {
  /** For the weighted merit. @default all criteria alike */
  weights?: MeritWeights;
  /** Grades that have been sized to pass so far, by id. */
  sized?: ReadonlyMap<string, Sized>;
  /**
   * Only who meets every check with at least this chance, and has this reserve where typical values alone speak, counts as passing
   * surely; what is not known yet does not.
   */
  confidence?: {
    least: number;
    typicalReserve?: number;
    chances: ReadonlyMap<string, Pick<Chance, 'all'> | null | undefined>;
  };
}

type Compare = (a: RankedCandidate, b: RankedCandidate) => number;

export interface RankingMethod {
  id: string;
  title: string;
  sentence: string;
  /** Reads what each grade is at its smallest passing size, which takes its time to find. */
  needsSizes?: boolean;
  /** The order of these grades; it must not leave two of them undecided. */
  order(grades: readonly RankedCandidate[], grounds: RankingInputs): Compare;
  /** Whether a grade holds a place in this ranking method, rather than only coming after those that do. */
  holdsPlace(grade: RankedCandidate, grounds: RankingInputs): boolean;
}

const byStatus: Compare = (a, b) => STATUS_ORDER[a.best.status] - STATUS_ORDER[b.best.status];
const byReserve: Compare = (a, b) =>
  compareNumbers(b.best.minimumReserve ?? -Infinity, a.best.minimumReserve ?? -Infinity);
const byCost: Compare = (a, b) => compareNumbers(a.best.costUsd ?? Infinity, b.best.costUsd ?? Infinity);
const byId: Compare = (a, b) => (a.gradeId < b.gradeId ? -1 : a.gradeId > b.gradeId ? 1 : 0);
const passes = ({ best }: RankedCandidate) => best.status === 'pass';

/** Ways to choose. Whatever the ranking method, what passes comes before what is unknown, and that before what fails. */
export const rankingMethods: readonly RankingMethod[] = [
  {
    id: 'cheapest-that-passes',
    title: 'Lowest cost',
    sentence:
      'Lowest cost of one good part among the grades that pass every check with the required confidence, and with the required reserve on typical values.',
    order: (_all, grounds) => {
      const byConfidence: Compare = (a, b) => Number(isSure(b, grounds)) - Number(isSure(a, grounds));
      return (a, b) =>
        byStatus(a, b) ||
        (passes(a) ? byConfidence(a, b) || (isSure(a, grounds) ? byCost(a, b) : byReserve(a, b)) : byReserve(a, b)) ||
        byCost(a, b) ||
        byId(a, b);
    },
    holdsPlace: passes,
  },
  {
    id: 'weakest-link',
    title: 'Highest minimum reserve',
    sentence: 'The highest minimum reserve factor, whatever the cost.',
    order: () => (a, b) => byStatus(a, b) || byReserve(a, b) || byCost(a, b) || byId(a, b),
    holdsPlace: passes,
  },
  {
    id: 'lightest-when-sized',
    title: 'Lowest mass when sized',
    sentence: 'Lowest mass, with each grade at the smallest size at which it passes.',
    needsSizes: true,
    order: (_all, { sized }) => {
      const massOf = sizedMasses(sized);
      return (a, b) => compareNumbers(massOf(a), massOf(b)) || byStatus(a, b) || byCost(a, b) || byId(a, b);
    },
    holdsPlace: ({ gradeId }, { sized }) => sized?.get(gradeId)?.ok === true,
  },
  {
    id: 'weighted-merit',
    title: 'Weighted merit',
    sentence: 'Highest weighted sum among the grades that pass; each criterion relative to its best value.',
    order: (all, { weights = EQUAL_WEIGHTS }) => {
      const merits = meritsOf(all, weights);
      const byMerit: Compare = (a, b) =>
        compareNumbers(merits.get(b.gradeId)?.total ?? 0, merits.get(a.gradeId)?.total ?? 0);
      return (a, b) => byStatus(a, b) || (passes(a) ? byMerit(a, b) : byReserve(a, b)) || byCost(a, b) || byId(a, b);
    },
    holdsPlace: passes,
  },
];

/** Met with the confidence asked; whoever asks for nothing is content with every grade. */
export function isSure(grade: RankedCandidate, { confidence }: RankingInputs): boolean {
  if (!confidence) return true;
  const { gradeId, best } = grade;
  if (!hasRoom(grade, confidence.typicalReserve)) return false;
  const chance = confidence.chances.get(`${gradeId} ${best.orientation}`);
  return !!chance && chance.all >= confidence.least;
}

/** It has the reserve asked for wherever only typical values speak for it. */
export const hasRoom = ({ typicalReserve = Infinity }: RankedCandidate, asked = 1): boolean => typicalReserve >= asked;

/** Rounded to a tenth of a milligram, so that the search for the size decides nothing. Not sized yet before not to be sized. */
function sizedMasses(sized: RankingInputs['sized']): (one: RankedCandidate) => number {
  return ({ gradeId }) => {
    const found = sized?.get(gradeId);
    if (!found) return Number.MAX_VALUE;
    return found.ok && found.entry.massG !== null ? Math.round(found.entry.massG * 1e4) / 1e4 : Infinity;
  };
}

export type RankingMethodId = (typeof rankingMethods)[number]['id'];

/** The ranking method of this name, or the first. */
export function findRankingMethod(schoolId: string | null | undefined): RankingMethod {
  return rankingMethods.find((one) => one.id === schoolId) ?? rankingMethods[0]!;
}

/** A new, ranked list; ties are broken by cost, then by id, so the order is stable. */
export function rank<G extends RankedCandidate>(
  grades: readonly G[],
  schoolId: string,
  grounds: RankingInputs = {},
): G[] {
  return [...grades].sort(findRankingMethod(schoolId).order(grades, grounds));
}
