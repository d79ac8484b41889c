import { hoursAt, isBetterPlan, runTemperatureC, scoreOf, type Duty, type Score } from './duties.ts';
import type { Dryer, SpoolToDry } from './dryer.ts';

const MOST_PASSES = 30;

/** By urgency, each spool into the run that makes the whole least late; then moved and exchanged while that helps. */
export function quickPlan(spools: readonly SpoolToDry[], dryers: readonly Dryer[]): Duty[] {
  const urgent = [...spools].sort(
    (a, b) => latestStart(a) - latestStart(b) || a.dryingC - b.dryingC || (a.id < b.id ? -1 : 1),
  );
  let plan: Duty[] = dryers.map((dryer) => ({ dryer, runs: [] }));
  for (const spool of urgent) plan = best(placements(plan, spool)) ?? plan;
  for (let pass = 0; pass < MOST_PASSES; pass++) {
    const improved = improve(plan, urgent);
    if (!improved) return plan;
    plan = improved;
  }
  return plan;
}

const latestStart = (spool: SpoolToDry) => spool.needByH - hoursAt(spool, spool.dryingC);

/** One pass over all spools, each taken out and put where it does best. Undefined: nothing got better. */
function improve(plan: readonly Duty[], spools: readonly SpoolToDry[]): Duty[] | undefined {
  let now = [...plan];
  let score = scoreOf(now);
  let changed = false;
  for (const spool of spools) {
    const moved = best(placements(without(now, spool), spool));
    if (!moved) continue;
    const then = scoreOf(moved);
    if (isBetterPlan(then, score)) [now, score, changed] = [moved, then, true];
  }
  return changed ? now : undefined;
}

const without = (plan: readonly Duty[], spool: SpoolToDry): Duty[] =>
  plan.map((duty) => ({
    ...duty,
    runs: duty.runs.map((run) => run.filter((one) => one !== spool)).filter((run) => run.length > 0),
  }));

/** Every plan with the spool in one of the runs, or in a new run of its own before, between or after them. */
function* placements(plan: readonly Duty[], spool: SpoolToDry): Generator<Duty[]> {
  for (let d = 0; d < plan.length; d++) {
    const duty = plan[d]!;
    const withRuns = (runs: Duty['runs']) => plan.map((one, i) => (i === d ? { ...duty, runs } : one));
    for (let r = 0; r < duty.runs.length; r++) {
      const joined = [...duty.runs[r]!, spool];
      if (runTemperatureC(duty.dryer, joined) !== undefined)
        yield withRuns(duty.runs.map((run, i) => (i === r ? joined : run)));
    }
    if (runTemperatureC(duty.dryer, [spool]) === undefined) continue;
    for (let r = 0; r <= duty.runs.length; r++)
      yield withRuns([...duty.runs.slice(0, r), [spool], ...duty.runs.slice(r)]);
  }
}

function best(plans: Iterable<Duty[]>): Duty[] | undefined {
  let found: Duty[] | undefined;
  let score: Score | undefined;
  for (const plan of plans) {
    const then = scoreOf(plan);
    if (!score || isBetterPlan(then, score)) [found, score] = [plan, then];
  }
  return found;
}
