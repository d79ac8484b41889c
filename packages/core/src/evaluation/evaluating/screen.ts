import { findCheck } from '@anvilstone/core/checks';
import type { Brief, EvaluationEntry, GradeEvaluation, Library } from '@anvilstone/schema';
import { ENGINE_VERSION, evaluateGrade, prepareJob, type EvaluateOptions } from './evaluate.ts';
import type { FunnelStep } from './funnel.ts';
import type { RankedCandidate } from '../ranking/rankedCandidate.ts';

/** A whole library held against a brief, without the single results: what ranking, counting and the funnel need. */
export interface Screening {
  engineVersion: string;
  checkIds: readonly string[];
  /** In the library's order. */
  grades: readonly RankedCandidate[];
  /** Reserve of each check of each best entry, grade by grade; NaN where there is none. */
  reserves: Float64Array;
  funnel: readonly FunnelStep[];
}

/**
 * Evaluates as `evaluate` does and keeps of each grade only where it stands. In a library of thousands, keeping every
 * result would cost more than working it out; the few rows that are looked at are evaluated again.
 * @throws InputError as `evaluate` does
 */
export function screen(brief: Brief, library: Library, options: EvaluateOptions = {}): Screening {
  const job = prepareJob(brief, library, options);
  const checkIds = job.applicable.map((check) => check.id);
  const fallenAt = new Array<number>(checkIds.length).fill(0);
  const reserves = new Float64Array(library.grades.length * checkIds.length);
  let at = 0;
  const grades = library.grades.map((grade): RankedCandidate => {
    const evaluation = evaluateGrade(job, grade);
    for (const { reserve } of evaluation.best.checks) reserves[at++] = reserve ?? Number.NaN;
    const passed = checksPassed(evaluation);
    if (passed < checkIds.length) fallenAt[passed]! += 1;
    return candidateOf(evaluation);
  });
  let remaining = grades.length;
  const funnel = checkIds.map((checkId, i): FunnelStep => {
    const removed = fallenAt[i]!;
    remaining -= removed;
    return { checkId, remaining, removed };
  });
  return { engineVersion: ENGINE_VERSION, checkIds, grades, reserves, funnel };
}

/** How many checks in a row, from the first, the orientation that gets furthest passes. */
function checksPassed({ entries }: GradeEvaluation): number {
  let furthest = 0;
  for (const { checks } of entries) {
    let passed = 0;
    while (passed < checks.length && stands(checks[passed]!.status)) passed += 1;
    if (passed > furthest) furthest = passed;
  }
  return furthest;
}

function stands(status: string): boolean {
  return status === 'pass' || status === 'not-loaded';
}

/** What is kept of an evaluation. */
export function candidateOf({ gradeId, best }: GradeEvaluation): RankedCandidate {
  const typicalReserve = typicalReserveOf(best);
  return {
    gradeId,
    best: withoutChecks(best),
    ownEvidenceShare: ownEvidenceShare(best),
    ...(typicalReserve === undefined ? {} : { typicalReserve }),
  };
}

/** The minimum reserve among checks that rest on typical values alone; undefined: none does. */
export function typicalReserveOf({ checks }: Pick<EvaluationEntry, 'checks'>): number | undefined {
  let smallest: number | undefined;
  for (const { checkId, evidence, reserve } of checks) {
    if (evidence !== 'D' || reserve === null || findCheck(checkId)?.isBudget) continue;
    if (smallest === undefined || reserve < smallest) smallest = reserve;
  }
  return smallest;
}

/** Share of the checks decided on classes A and B; 0 where there are none. */
export function ownEvidenceShare({ checks }: EvaluationEntry): number {
  if (checks.length === 0) return 0;
  let own = 0;
  for (const { evidence } of checks) if (evidence === 'A' || evidence === 'B') own += 1;
  return own / checks.length;
}

function withoutChecks(entry: EvaluationEntry): RankedCandidate['best'] {
  return {
    orientation: entry.orientation,
    machineId: entry.machineId,
    status: entry.status,
    minimumReserve: entry.minimumReserve,
    governingCheckId: entry.governingCheckId,
    massG: entry.massG,
    costUsd: entry.costUsd,
    printTimeH: entry.printTimeH ?? null,
    ownHeatLimitC: entry.ownHeatLimitC,
    ...(entry.ownHeatLimitBy ? { ownHeatLimitBy: entry.ownHeatLimitBy } : {}),
  };
}
