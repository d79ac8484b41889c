import type { Brief, Statement } from '@anvilstone/schema';
import type { EvaluationEntry } from '@anvilstone/schema';
import type { Library } from '@anvilstone/schema';

/** A change of the brief with which a grade passes every check, and what it costs. */
export interface Fix {
  kind:
    | 'size'
    | 'walls'
    | 'infill'
    | 'fillet'
    | 'way-up'
    | 'machine'
    | 'anneal'
    | 'chamber'
    | 'conditioning'
    | 'upgrade'
    | 'movement'
    | 'safety-factor';
  /** What to do, in a few words: “Depth along the load 30 → 34.2 mm”. */
  title: Statement;
  /** Lowering a safety factor, or letting it move more than is usual, is no fix: somebody has to decide and sign it. */
  isDecision: boolean;
  /** What else it takes: an oven, a change of the machine; absent: nothing but the new drawing. */
  takes?: string;
  /** It changes a machine and not the part, so that it cannot be written into the brief. */
  outsideBrief?: true;
  brief: Brief;
  /** The grade with it. */
  entry: EvaluationEntry;
  massDeltaG: number | null;
  costDeltaUsd: number | null;
}

/** Keeps a change if the grade passes with it; false: it does not. */
export type Offer = (
  kind: Fix['kind'],
  title: Statement,
  changed: Brief,
  more?: Pick<Fix, 'takes' | 'outsideBrief'> & { machines?: Library['machines'] },
) => boolean;
