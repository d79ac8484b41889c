import type { Conditioning, EvidenceClass, Grade, HouseRules } from '@anvilstone/schema';
import type { Dimension } from '../units/dimensions.ts';
import { fatigueCurves } from './curves/fatigueCurves.ts';
import { creepCurves, modulusCurves } from './curves/heatAndTime.ts';
import { waterCurves } from './curves/waterCurves.ts';
import { prepareMaterial } from './material.ts';

export interface CurvePoint {
  x: number;
  y: number;
}
/** A point that somebody measured or reported, marked apart from what the model draws between. */
export interface MarkedPoint extends CurvePoint {
  kind: 'measured' | 'reported' | 'typical';
  label: string;
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
  lines: readonly { label: string; points: readonly CurvePoint[] }[];
  marks: readonly MarkedPoint[];
  evidence: EvidenceClass;
  /** Where the shape comes from, and what was left out of it. */
  notes: readonly string[];
}

/** Modulus and strength over temperature, creep and relaxation over time, fatigue and water: each with its marked points. */
export function gradeCurves(grade: Grade, conditioning: Conditioning, rules: HouseRules): GradeCurve[] {
  const material = prepareMaterial(grade, conditioning, rules);
  return [...modulusCurves(material), ...creepCurves(material), ...fatigueCurves(material), ...waterCurves(material)];
}
