import { LAYER_NORMAL } from '../parts/partModel.ts';
import type { CaseCheck } from './check.ts';
import { showResolved, showStrengthFactor } from './showMaterial.ts';
import { evidenceAt } from './temperatureEvidence.ts';

/** Tension within the layers at the worst place against the in-plane strength at temperature and under lasting load. */
export const strengthInPlane: CaseCheck = {
  id: 'strength-in-plane',
  title: 'Strength in plane',
  asks: 'Does the tension that runs within the layers stay below what the material bears there?',
  unit: 'MPa',
  appliesTo: () => true,
  at({ material, body, orientation }, loadCase, temperatureC, durationH) {
    const tensionPerN = inPlaneTensionPerN(body, LAYER_NORMAL[orientation]);
    if (tensionPerN === 0) return { kind: 'not-loaded' };
    const strength = material.strength.inPlane;
    if (!strength.known) return { kind: 'unknown', gaps: strength.gaps };
    if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
    return {
      kind: 'known',
      demand: tensionPerN * loadCase.forceN,
      capacity: (strength.value * material.strengthFactor(temperatureC, durationH)) / loadCase.safetyFactor,
      evidence: evidenceAt(material, strength.evidence, temperatureC),
    };
  },
  show({ material, body, orientation }, loadCase, temperatureC, durationH, working) {
    const place = body.places.find((one) => one.normalPerN > 0 && one.axis !== LAYER_NORMAL[orientation])!;
    body.showStress(working, place, loadCase.forceN);
    const strength = material.strength.inPlane;
    if (!strength.known) return;
    showResolved(working, 'σxy', 'In-plane strength, 23 °C', strength, 'MPa');
    showStrengthFactor(working, material, temperatureC, durationH);
    working.add('SF', 'Safety factor of the load case', loadCase.safetyFactor, '÷');
  },
};

function inPlaneTensionPerN(body: Parameters<CaseCheck['at']>[0]['body'], normal: string): number {
  let worst = 0;
  for (const place of body.places) if (place.axis !== normal && place.normalPerN > worst) worst = place.normalPerN;
  return worst;
}
