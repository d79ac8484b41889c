import { ROOM_C } from '@anvilstone/core/foundations';
import type { RankedCandidate } from './rankedCandidate.ts';

/** What may be weighed against each other. */
export const MERIT_CRITERIA = [
  { id: 'cost', title: 'Cost', asks: 'Cost of one good part: the cheapest scores 1, one twice as dear 0.5' },
  { id: 'mass', title: 'Mass', asks: 'Mass of the part as drawn: the lightest scores 1, one twice as heavy 0.5' },
  {
    id: 'reserve',
    title: 'Minimum reserve',
    asks: 'Minimum reserve factor: the largest scores 1; beyond 3 more is worth nothing',
  },
  {
    id: 'heat',
    title: 'Service temperature limit',
    asks: 'Room above 23 °C that the loads leave: the largest scores 1, half of it 0.5',
  },
  {
    id: 'evidence',
    title: 'Own evidence',
    asks: 'Share of the checks that own tests or a printed data sheet decide (classes A and B)',
  },
] as const;
export type MeritCriterion = (typeof MERIT_CRITERIA)[number]['id'];

/** Weights from 0 on; only their ratio counts. */
export type MeritWeights = Record<MeritCriterion, number>;

export const EQUAL_WEIGHTS: MeritWeights = { cost: 20, mass: 20, reserve: 20, heat: 20, evidence: 20 };

/** A reserve beyond this is worth no more: the part is strong enough. */
const RESERVE_ENOUGH = 3;

export interface Merit {
  /** Weighted mean of the scores, 0 to 1. */
  total: number;
  /** 0 to 1 by criterion; what is not known scores 0, so that ignorance never wins. */
  scores: MeritWeights;
}

/**
 * Weighted merit by ratio to the best of those that pass (or of all, when none does): adding a poor grade changes nobody's
 * score, as it would if scores ran from worst to best.
 */
export function meritsOf(grades: readonly RankedCandidate[], weights: MeritWeights): Map<string, Merit> {
  const passing = grades.filter(({ best }) => best.status === 'pass');
  const field = passing.length > 0 ? passing : grades;
  const leastCost = least(field, costOf);
  const leastMass = least(field, massOf);
  const most = (of: (one: RankedCandidate) => number) => Math.max(0, ...field.map(of));
  const mostReserve = most(reserveOf);
  const mostHeat = most(heatOf);
  const sum = MERIT_CRITERIA.reduce((total, { id }) => total + weights[id], 0);
  return new Map(
    grades.map((one) => {
      const scores: MeritWeights = {
        cost: share(leastCost, costOf(one)),
        mass: share(leastMass, massOf(one)),
        reserve: share(reserveOf(one), mostReserve),
        heat: share(heatOf(one), mostHeat),
        evidence: one.ownEvidenceShare ?? 0,
      };
      const total = MERIT_CRITERIA.reduce((found, { id }) => found + weights[id] * scores[id], 0);
      return [one.gradeId, { total: sum > 0 ? total / sum : 0, scores }];
    }),
  );
}

const costOf = ({ best }: RankedCandidate) => best.costUsd ?? Infinity;
const massOf = ({ best }: RankedCandidate) => best.massG ?? Infinity;
const reserveOf = ({ best }: RankedCandidate) => Math.min(RESERVE_ENOUGH, best.minimumReserve ?? 0);
const heatOf = ({ best }: RankedCandidate) => Math.max(0, (best.ownHeatLimitC ?? ROOM_C) - ROOM_C);

function least(field: readonly RankedCandidate[], of: (one: RankedCandidate) => number): number {
  return field.reduce((found, one) => Math.min(found, of(one)), Infinity);
}

function share(part: number, whole: number): number {
  if (!(whole > 0) || !Number.isFinite(whole) || !Number.isFinite(part)) return 0;
  return Math.min(1, part / whole);
}
