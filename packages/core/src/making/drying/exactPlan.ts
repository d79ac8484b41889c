import { dutiesOf, isBetterPlan, runTemperatureC, scoreOf, type Duty, type Score } from './duties.ts';
import type { Dryer, SpoolToDry } from './dryer.ts';

/**
 * Every way to share the spools out over the dryers and their runs, less what can no longer be better than the best found:
 * lateness and readiness only grow. `start` is a plan to beat.
 */
export function exactPlan(spools: readonly SpoolToDry[], dryers: readonly Dryer[], start: readonly Duty[]): Duty[] {
  let best = [...start];
  let bestScore: Score = start.some(({ runs }) => runs.length > 0) ? scoreOf(start) : NOTHING;
  if (spools.length === 0) return best;
  const look = (left: readonly SpoolToDry[], duties: readonly Duty[], open: readonly boolean[]): void => {
    const score = scoreOf(duties);
    if (left.length === 0) {
      if (isBetterPlan(score, bestScore)) [best, bestScore] = [[...duties], score];
      return;
    }
    const next = earliestFree(duties, open);
    if (next < 0) return;
    if (!isBetterPlan(atLeast(score, left, freeAt(duties[next]!)), bestScore)) return;
    for (const chosen of subsetsOf(left, duties[next]!.dryer.slots)) {
      if (runTemperatureC(duties[next]!.dryer, chosen) === undefined) continue;
      const duty: Duty = { ...duties[next]!, runs: [...duties[next]!.runs, chosen] };
      look(
        left.filter((one) => !chosen.includes(one)),
        duties.map((one, i) => (i === next ? duty : one)),
        open,
      );
    }
    // Or this dryer does no more.
    look(
      left,
      duties,
      open.map((one, i) => one && i !== next),
    );
  };
  look(
    spools,
    dryers.map((dryer) => ({ dryer, runs: [] })),
    dryers.map(() => true),
  );
  return best;
}

const NOTHING: Score = { lateH: Infinity, readyH: Infinity, runs: Infinity };

const freeAt = (duty: Duty) => dutiesOf(duty).at(-1)?.endH ?? duty.dryer.freeH ?? 0;

/** What is left cannot be ready before the first dryer is free and its own hours are over, and takes one run at least. */
function atLeast(score: Score, left: readonly SpoolToDry[], soonestH: number): Score {
  const found = { ...score, runs: score.runs + 1 };
  for (const { fromH = 0, hours, needByH } of left) {
    const readyH = Math.max(soonestH, fromH) + hours;
    found.readyH += readyH;
    found.lateH += Math.max(0, readyH - needByH);
  }
  return found;
}

function earliestFree(duties: readonly Duty[], open: readonly boolean[]): number {
  let found = -1;
  let soonest = Infinity;
  duties.forEach((duty, i) => {
    if (!open[i]) return;
    const free = freeAt(duty);
    if (free < soonest) [found, soonest] = [i, free];
  });
  return found;
}

function* subsetsOf(spools: readonly SpoolToDry[], most: number): Generator<SpoolToDry[]> {
  for (let bits = 1; bits < 1 << spools.length; bits++) {
    const chosen = spools.filter((_, i) => (bits >> i) & 1);
    if (chosen.length <= most) yield chosen;
  }
}
