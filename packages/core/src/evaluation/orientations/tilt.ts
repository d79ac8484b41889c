import type { EvaluationEntry, Grade } from '@anvilstone/schema';
import { requireWithin } from '@anvilstone/core/foundations';
import { BUILT_UP, type Direction } from '@anvilstone/core/shapes';
import { materialFor, tiltedContext } from '../evaluating/context.ts';
import { evaluateContexts, type EvaluationJob } from '../evaluating/evaluate.ts';

/** How far a part that lies flat is tipped: onto its end (ZX) or onto its edge (XZ). */
export interface Tilt {
  towards: 'ZX' | 'XZ';
  /** 0 … 90: flat, and standing. */
  degrees: number;
}

/** The direction in which a tilted part is built up. @throws InputError outside 0 … 90° */
export function tiltOf({ towards, degrees }: Tilt): Direction {
  requireWithin('degrees', degrees, 0, 90);
  if (degrees === 0) return BUILT_UP.XY;
  if (degrees === 90) return BUILT_UP[towards];
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return towards === 'ZX' ? [s, c, 0] : [0, c, s];
}

/** One grade in a part built up along any direction, held against every check; it goes by its nearest orientation. */
export function evaluateTilted(job: EvaluationJob, grade: Grade, up: Direction): EvaluationEntry {
  const context = tiltedContext(job.prepared, materialFor(job.prepared, grade, job.showWorking), up);
  return evaluateContexts(job, grade.id, [context]).best;
}
