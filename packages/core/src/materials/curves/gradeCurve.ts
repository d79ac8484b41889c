import type { EvidenceClass, Statement } from '@anvilstone/schema';
import type { Dimension } from '@anvilstone/core/foundations';

export interface CurvePoint {
  x: number;
  y: number;
}
/** A point that somebody measured or reported, marked apart from what the model draws between. */
export interface MarkedPoint extends CurvePoint {
  kind: 'measured' | 'reported' | 'typical';
  label: Statement;
}
export interface Axis {
  title: string;
  dimension: Dimension;
  logarithmic?: boolean;
}
/** One diagram of how a grade behaves. Values in canonical units. */
export interface GradeCurve {
  id: string;
  title: string;
  x: Axis;
  y: Axis;
  lines: readonly { label: Statement; points: readonly CurvePoint[] }[];
  marks: readonly MarkedPoint[];
  evidence: EvidenceClass;
  /** Where the shape comes from, and what was left out of it. */
  notes: readonly Statement[];
}
