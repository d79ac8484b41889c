import type { Brief, CompanyRules, Library } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { conditionsOf, HEAT, heatMove, type Condition } from '../evaluating/conditions.ts';
import { contextFor, materialFor } from '../evaluating/context.ts';
import { evaluateGrade, prepareJob } from '../evaluating/evaluate.ts';
import type { RankingInputs } from '../ranking/ranking.ts';
import type { RankedCandidate } from '../ranking/rankedCandidate.ts';
import { covOf, heatScatterK, logSpread, MATERIAL_FACTORS, type MaterialFactor } from '../probability/scatter.ts';
import { screen, candidateOf } from '../evaluating/screen.ts';
import { contendersOf, winnerOf } from './contenders.ts';

/** What a measurement would tell, and how likely it is to change the choice. */
export interface Measurement {
  gradeId: string;
  /** A property of the grade, its heat curve, or what is not known at all. */
  of: MaterialFactor | 'heat' | 'unknown';
  /** Check that it bears on most; for what is unknown, the one it would settle. */
  checkId: string;
  /** Coefficient of variation now; K for heat; null where nothing is known. */
  scatter: number | null;
  /** Chance, 0 to 1, that knowing it exactly changes the winner; null: cannot be said, since nothing is known. */
  changes: number | null;
  /** Who would most likely win then; null: nobody. */
  thenId: string | null;
}

/** Equal shares of a normal distribution, each at its middle: its quantiles at 1/22, 3/22 … 21/22. */
const QUANTILES = [-1.691, -1.097, -0.748, -0.473, -0.229, 0, 0.229, 0.473, 0.748, 1.097, 1.691];
const MOST_CONTENDERS = 24;
const MOST_SHOWN = 8;

interface Contender {
  candidate: RankedCandidate;
  conditions: readonly Condition[];
  /** Some check fails or is unknown whatever the scattering values are. */
  stuck: boolean;
  spreads: readonly { of: Measurement['of']; place: number; spread: number; scatter: number }[];
}

/**
 * Which one measurement would help most: for each uncertain value of each contender, the chance that knowing it would make
 * another grade win. Each value is set to eleven equally likely places of its own scatter, all else as expected, with the
 * power laws of the chance. Then what is not known at all and stands in the way of a grade that would otherwise win.
 * @throws InputError when the brief cannot be evaluated
 */
export function helpfulMeasurements(
  brief: Brief,
  library: Library,
  schoolId: string,
  rules: CompanyRules = defaultCompanyRules,
  grounds: RankingInputs = {},
): Measurement[] {
  const { grades: candidates } = screen(brief, library, { rules });
  const winnerId = winnerOf(candidates, schoolId, grounds);
  const grades = contendersOf(library, candidates, schoolId, grounds).slice(0, MOST_CONTENDERS * 2);
  const job = prepareJob(brief, { ...library, grades: [] }, { rules });
  const contenders = grades.map((grade): Contender => {
    const { best } = evaluateGrade(job, grade);
    const material = materialFor(job.prepared, grade);
    const context = contextFor(job.prepared, material, best.orientation);
    const spreads = MATERIAL_FACTORS.map((of, place) => {
      const scatter = covOf(material, of);
      return { of, place, scatter, spread: logSpread(scatter) };
    });
    const heatK = heatScatterK(material);
    return {
      candidate: candidateOf({ gradeId: grade.id, best, entries: [] }),
      conditions: conditionsOf(context),
      stuck: best.checks.some(
        (check) =>
          check.status === 'unknown' || (check.status === 'fail' && findCheck(check.checkId)?.scatter !== 'loads'),
      ),
      spreads: [...spreads, { of: 'heat' as const, place: HEAT, spread: heatK, scatter: heatK }],
    };
  });
  const found = contenders
    .filter(({ stuck }) => !stuck)
    .flatMap((contender) =>
      contender.spreads.map((spread) => valueOf(contender, spread, contenders, schoolId, winnerId, grounds)),
    )
    .filter(({ changes }) => changes !== null && changes > 0)
    .sort((a, b) => b.changes! - a.changes!)
    .slice(0, MOST_SHOWN);
  return [...found, ...unknowns(contenders, schoolId, winnerId, grounds)];
}

function valueOf(
  contender: Contender,
  { of, place, spread, scatter }: Contender['spreads'][number],
  all: readonly Contender[],
  schoolId: string,
  winnerId: string | null,
  grounds: RankingInputs,
): Measurement {
  const { gradeId } = contender.candidate;
  const others = all.map(({ candidate }) => candidate);
  const thens = new Map<string | null, number>();
  let changed = 0;
  for (const z of QUANTILES) {
    const moved = candidateAt(contender, place, z * spread);
    const winner = winnerOf(
      others.map((one) => (one.gradeId === gradeId ? moved : one)),
      schoolId,
      grounds,
    );
    if (winner === winnerId) continue;
    changed += 1;
    thens.set(winner, (thens.get(winner) ?? 0) + 1);
  }
  const [then] = [...thens].sort((a, b) => b[1] - a[1]);
  return {
    gradeId,
    of,
    checkId: bearsMostOn(contender, place),
    scatter,
    changes: changed / QUANTILES.length,
    thenId: then ? then[0] : winnerId,
  };
}

/** Where the grade would stand with one value off by so much (logarithm, or K). */
function candidateAt({ candidate, conditions, spreads }: Contender, place: number, by: number): RankedCandidate {
  const heatSpreadK = spreads.find((one) => one.place === HEAT)!.spread;
  let smallest = Infinity;
  let governing: string | null = null;
  let smallestNow = Infinity;
  for (const condition of conditions) {
    const { checkId, logReserve, slopes } = condition;
    const reserve = logReserve + (place === HEAT ? heatMove(condition, by / heatSpreadK) : slopes[place]! * by);
    if (reserve < smallest) [smallest, governing] = [reserve, checkId];
    smallestNow = Math.min(smallestNow, logReserve);
  }
  if (!Number.isFinite(smallest)) return candidate;
  const { best } = candidate;
  // Checks that do not scatter keep their say in the minimum reserve.
  const fixed =
    best.minimumReserve !== null && best.minimumReserve < Math.exp(smallestNow) - 1e-9 ? best.minimumReserve : Infinity;
  const minimumReserve = Math.min(Math.exp(smallest), fixed);
  return {
    ...candidate,
    best: {
      ...best,
      status: minimumReserve >= 1 ? 'pass' : 'fail',
      minimumReserve,
      governingCheckId: fixed < Math.exp(smallest) ? best.governingCheckId : governing,
    },
  };
}

/** Of the checks that move with a value, the one with the least reserve. */
function bearsMostOn({ conditions }: Contender, place: number): string {
  let best: Condition | undefined;
  for (const condition of conditions) {
    if (Math.abs(condition.slopes[place]!) < 1e-3) continue;
    if (!best || condition.logReserve < best.logReserve) best = condition;
  }
  return best?.checkId ?? conditions[0]?.checkId ?? '';
}

/** Grades that would win if only what is unknown about them turned out well. */
function unknowns(
  all: readonly Contender[],
  schoolId: string,
  winnerId: string | null,
  grounds: RankingInputs,
): Measurement[] {
  const others = all.map(({ candidate }) => candidate);
  return all
    .filter(({ candidate }) => candidate.best.status === 'unknown' && candidate.best.governingCheckId !== null)
    .filter(({ candidate }) => {
      const proven: RankedCandidate = { ...candidate, best: { ...candidate.best, status: 'pass' } };
      const winner = winnerOf(
        others.map((one) => (one.gradeId === candidate.gradeId ? proven : one)),
        schoolId,
        grounds,
      );
      return winner === candidate.gradeId && winner !== winnerId;
    })
    .map(({ candidate }) => ({
      gradeId: candidate.gradeId,
      of: 'unknown' as const,
      checkId: candidate.best.governingCheckId!,
      scatter: null,
      changes: null,
      thenId: candidate.gradeId,
    }));
}
