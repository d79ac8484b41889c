import type { Conditioning, Grade, CompanyRules } from '@anvilstone/schema';
import { fatigueCurves } from '../curves/fatigueCurves.ts';
import type { GradeCurve } from '../curves/gradeCurve.ts';
import { creepCurves, modulusCurves } from '../curves/heatAndTime.ts';
import { waterCurves } from '../curves/waterCurves.ts';
import { prepareMaterial } from './material.ts';

/** Modulus and strength over temperature, creep and relaxation over time, fatigue and water: each with its marked points. */
export function gradeCurves(grade: Grade, conditioning: Conditioning, rules: CompanyRules): GradeCurve[] {
  const material = prepareMaterial(grade, conditioning, rules);
  return [...modulusCurves(material), ...creepCurves(material), ...fatigueCurves(material), ...waterCurves(material)];
}

export type { Axis, CurvePoint, GradeCurve, MarkedPoint } from '../curves/gradeCurve.ts';
