import type { LoadCase } from '@anvilstone/schema';
import { formatNumber as f } from '../units/formatQuantity.ts';
import type { CaseCheck, CaseOutcome, CheckContext } from './check.ts';
import { showModulusRatio, showResolved } from './showMaterial.ts';
import { weakest } from './outcome.ts';
import { evidenceAt } from './temperatureEvidence.ts';

/** Elastic movement at the load, at temperature, against the movement allowed. No safety factor: the limit is the limit. */
export const deflectionAtLoad: CaseCheck = {
  id: 'deflection-at-load',
  title: 'Deflection at load',
  asks: 'Does it stay within the movement allowed as the load comes on?',
  unit: 'mm',
  appliesTo: (loadCase) => loadCase.maxDeflectionMm !== undefined,
  at: (context, loadCase, temperatureC) => movement(context, loadCase, temperatureC, 1, loadCase.maxDeflectionMm!),
  show(context, loadCase, temperatureC, _durationH, working) {
    showElastic(context, loadCase, temperatureC, working);
  },
};

/** Movement after the load has stayed on for its duration: elastic deflection × creep growth. */
export const sagAfterDuration: CaseCheck = {
  id: 'sag-after-duration',
  title: 'Sag after duration',
  asks: 'Does it stay within the movement allowed at the end of the load’s duration?',
  unit: 'mm',
  appliesTo: (loadCase) => loadCase.maxSagMm !== undefined,
  at(context, loadCase, temperatureC, durationH) {
    if (!context.material.behaviour) return { kind: 'unknown', gaps: context.material.behaviourGaps };
    const growth = context.material.creepGrowth(temperatureC, durationH);
    const outcome = movement(context, loadCase, temperatureC, growth, loadCase.maxSagMm!);
    if (outcome.kind !== 'known') return outcome;
    return { ...outcome, evidence: weakest(outcome.evidence, context.material.behaviour.creepEvidence) };
  },
  show(context, loadCase, temperatureC, durationH, working) {
    showElastic(context, loadCase, temperatureC, working);
    const { creep, creepEvidence } = context.material.behaviour!;
    const { creepA, creepN, activationKjPerMol } = creep;
    const whose =
      creepEvidence === 'D'
        ? 'parameters typical of the family (evidence D)'
        : 'fitted to the grade’s own creep readings';
    working.add(
      'D·E',
      `Growth by creep in ${f(durationH)} h at ${f(temperatureC)} °C`,
      context.material.creepGrowth(temperatureC, durationH),
      '×',
      {
        expression: `1 + a·(t/a_T)^n, a = ${f(creepA)}, n = ${f(creepN)}, activation energy ${f(activationKjPerMol)} kJ/mol`,
        source: `power law with time–temperature shift; ${whose}`,
      },
    );
  },
};

function movement(
  context: CheckContext,
  loadCase: LoadCase,
  temperatureC: number,
  growth: number,
  limitMm: number,
): CaseOutcome {
  const { stiffness, material, body } = context;
  if (!stiffness.modulus.known) return { kind: 'unknown', gaps: stiffness.modulus.gaps };
  if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
  const ratio = material.modulusRatio(temperatureC) / growth;
  return {
    kind: 'known',
    demand: body.deflectionMm(loadCase.forceN, stiffness.modulus.value * ratio, stiffness.shearModulusMPa * ratio),
    capacity: limitMm,
    evidence: evidenceAt(material, stiffness.modulus.evidence, temperatureC),
  };
}

function showElastic(
  context: CheckContext,
  loadCase: LoadCase,
  temperatureC: number,
  working: Parameters<CaseCheck['show']>[4],
): void {
  const { stiffness, material, body } = context;
  if (!stiffness.modulus.known) return;
  showResolved(working, 'E₂₃', 'Modulus along the part, 23 °C', stiffness.modulus, 'MPa');
  showModulusRatio(working, material, temperatureC);
  const ratio = material.modulusRatio(temperatureC);
  const modulusMPa = stiffness.modulus.value * ratio;
  working.add('E', `Modulus at ${f(temperatureC)} °C`, modulusMPa, 'MPa', {
    expression: `${f(stiffness.modulus.value)} · ${f(ratio)}`,
  });
  body.showDeflection(working, loadCase.forceN, modulusMPa, stiffness.shearModulusMPa * ratio);
}
