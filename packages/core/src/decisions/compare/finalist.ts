import type { Brief, EvaluationEntry, Grade, CompanyRules, Library, Statement } from '@anvilstone/schema';
import { failureManner, type CheckContext } from '@anvilstone/core/checks';
import { contextFor, materialFor, evaluateGrade, prepareJob, type EvaluationJob } from '@anvilstone/core/evaluation';
import type { Cost } from '@anvilstone/core/machines';
import { printNeeds, type PrintNeeds } from './printNeeds.ts';

/** One of the few that are left: where it stands as it would be printed, and what goes with it. */
export interface Finalist {
  gradeId: string;
  /** “A”, “B” …: how it is named in charts and tables. */
  letter: string;
  name: string;
  maker: string;
  familyId: string | null;
  reinforcementId: string | null;
  sampleData: boolean;
  /** In the build orientation and on the machine that suit it best. */
  entry: EvaluationEntry;
  machineName: string | null;
  cost: Cost | null;
  priceIsFamilyEstimate: boolean;
  /** How it fails, in a sentence; null: not known. */
  failureManner: Statement | null;
  warns: boolean | null;
  printing: PrintNeeds | null;
}

/** A finalist with the place of its checks, for whoever draws its curves. */
export interface FinalistInPlace {
  finalist: Finalist;
  context: CheckContext;
}

export function finalistJob(brief: Brief, library: Library, rules: CompanyRules): EvaluationJob {
  return prepareJob(brief, { ...library, grades: [] }, { rules });
}

export function finalistOf(job: EvaluationJob, grade: Grade, letter: string): FinalistInPlace {
  const { best } = evaluateGrade(job, grade);
  const material = materialFor(job.prepared, grade);
  const context = contextFor(job.prepared, material, best.orientation);
  const manner = failureManner.evaluate(context);
  return {
    context,
    finalist: {
      gradeId: grade.id,
      letter,
      name: grade.name,
      maker: grade.maker,
      familyId: grade.familyId,
      reinforcementId: grade.reinforcementId,
      sampleData: grade.sampleData === true,
      entry: best,
      machineName: context.fit?.machine.name ?? null,
      cost: context.cost,
      priceIsFamilyEstimate: context.priceIsFamilyEstimate,
      failureManner: manner.status === 'unknown' ? null : manner.reason,
      warns: manner.status === 'unknown' ? null : manner.status === 'pass',
      printing: printNeeds(context),
    },
  };
}
