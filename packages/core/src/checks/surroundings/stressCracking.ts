import type { EvidenceClass, FluidContact, Statement } from '@anvilstone/schema';
import { formatNumber as f, say, celsius, megapascals } from '@anvilstone/core/foundations';
import { ratingAt } from '@anvilstone/core/materials';
import { actingAt } from '../engine/action.ts';
import type { Check, CheckContext, PreparedLoad } from '../engine/check.ts';
import { judged, known, unknown, weakest } from '../engine/outcome.ts';
import { showModulusRatio, showResolved } from '../engine/showMaterial.ts';
import { LASTING_SOAK_H, soakTest } from './fluidVerdict.ts';
import { ratingOf } from './ratingOf.ts';

/**
 * Cracking under stress in a fluid that leaves the unloaded polymer alone: the largest lasting tension of this part against
 * the stress of the strain at which crazing starts, σ = ε_c·E(T). The strain is a company rule (0.3 %, the usual lower bound
 * for amorphous polymers in mild agents; aggressive ones start lower). Evidence D: a bent strip in the fluid settles it.
 */
export const stressCracking: Check = {
  id: 'stress-cracking',
  title: 'Stress cracking',
  asks: 'Does it stay free of cracks under sustained tension in a fluid?',
  failsAs: 'crazed',
  testedBy: ['soak', 'soak-fluid', 'leave-out'],
  words: ['Sustained tension', 'cracks from'],
  applies: ({ brief }) => brief.asks.fluids !== undefined,
  evaluate(context, working) {
    const { material, rules, brief } = context;
    const gaps: Statement[] = [];
    const cracking: { name: string; temperatureC: number }[] = [];
    let provenMPa = Infinity;
    for (const fluid of brief.asks.fluids!) {
      const agent = context.agent(fluid.agentId);
      if (!agent) {
        gaps.push(`“${fluid.agentId}” is not in the chemicals table: add it under Chemicals`);
        continue;
      }
      const proven = bentSoakMPa(context, fluid);
      if (proven !== undefined) {
        provenMPa = Math.min(provenMPa, proven);
        continue;
      }
      const row = ratingOf(material, agent);
      // A rating for cooler or weaker fluid says nothing of cracking in this one, but what cracks there cracks here.
      if (ratingAt(row, agent, fluid) === 'unknown')
        gaps.push(say`${agent.name}: nothing known of cracking under stress. ${soakTest(agent, fluid)}`);
      if (row?.stressCrack) cracking.push({ name: agent.name, temperatureC: fluid.temperatureC });
    }
    const pull = lastingPull(context);
    if ('gaps' in pull) return unknown('MPa', [...gaps, ...pull.gaps]);
    if (cracking.length > 0 && pull.stressMPa > 0) {
      if (!material.modulus.inPlane.known || !material.behaviour) return unknown('MPa', material.behaviourGaps);
      const hottest = cracking.reduce((a, b) => (b.temperatureC > a.temperatureC ? b : a));
      const modulusMPa = material.modulus.inPlane.value * material.modulusRatio(hottest.temperatureC);
      const capacity = (rules.stressCrackStrainPct / 100) * modulusMPa;
      if (working) {
        showResolved(working, 'E', 'Modulus in the layers, 23 °C', material.modulus.inPlane, 'MPa');
        showModulusRatio(working, material, hottest.temperatureC);
        working.add('ε_c', 'Strain at which stress cracking starts', rules.stressCrackStrainPct, '%', {
          source: 'company rule; usual lower bound in mild agents, evidence D',
        });
        working.add('σ_c', say`Stress of that strain at ${celsius(hottest.temperatureC)}`, capacity, 'MPa', {
          expression: say`${f(rules.stressCrackStrainPct)} % · ${megapascals(modulusMPa)}`,
        });
      }
      const names = cracking.map(({ name }) => name.toLowerCase()).join(', ');
      const reserve = Math.min(capacity, provenMPa) / pull.stressMPa;
      if (reserve < 1 || gaps.length === 0)
        return known({
          demand: pull.stressMPa,
          capacity: Math.min(capacity, provenMPa),
          unit: 'MPa',
          evidence: weakest('D', pull.evidence),
          reason: `${material.family!.abbreviation} crazes and cracks in ${names} where it is pulled for long`,
          ...(pull.loadCaseId === undefined ? {} : { loadCaseId: pull.loadCaseId }),
        });
    }
    if (gaps.length > 0) return unknown('MPa', gaps);
    if (Number.isFinite(provenMPa) && pull.stressMPa > 0)
      return known({
        demand: pull.stressMPa,
        capacity: provenMPa,
        unit: 'MPa',
        evidence: 'B',
        reason: 'Own soak of a bent specimen: no crack at this stress',
      });
    return judged(
      'pass',
      'D',
      pull.stressMPa > 0
        ? `${material.family?.abbreviation ?? 'It'} is not known to crack under stress in what touches it`
        : 'Nothing pulls at it for long, so nothing opens a crack; printed-in stress aside',
    );
  },
};

/**
 * Stress that a bent specimen of the grade bore in this fluid without a crack, MPa: as warm, as strong, and for a week or as
 * long as it is touched. Undefined: none was soaked so.
 */
function bentSoakMPa({ material }: CheckContext, fluid: FluidContact): number | undefined {
  if (fluid.strength === 'stronger') return undefined;
  const bent = material.grade.observations.filter(
    (one) =>
      one.property === 'chemicalResistance' &&
      one.source === 'bench' &&
      one.agentId === fluid.agentId &&
      one.classValue === 'resistant' &&
      one.creepStressMPa !== undefined &&
      (one.durationH ?? 0) >= Math.min(LASTING_SOAK_H, fluid.hours) &&
      (one.temperatureC ?? 23) >= fluid.temperatureC - 5,
  );
  return bent.length === 0 ? undefined : Math.max(...bent.map((one) => one.creepStressMPa!));
}

type Pull =
  | { stressMPa: number; loadCaseId: string | undefined; evidence: EvidenceClass }
  | { gaps: readonly Statement[] };

/** The largest tension, within the layers or across them, of what stays on, repeats or is held; MPa. */
function lastingPull(context: CheckContext): Pull {
  let stressMPa = 0;
  let loadCaseId: string | undefined;
  let evidence: EvidenceClass = 'A';
  for (const load of context.part.loads) {
    if (load.kind === 'short' || load.kind === 'knock') continue;
    const acting = actingAt(context, load, load.loadCase.temperatureC);
    if (!acting.known) return { gaps: acting.gaps };
    const stress = tensionPerUnit(load) * acting.action;
    if (stress <= stressMPa) continue;
    stressMPa = stress;
    loadCaseId = load.loadCase.id;
    evidence = acting.evidence;
  }
  return { stressMPa, loadCaseId, evidence };
}

function tensionPerUnit(load: PreparedLoad): number {
  let largest = 0;
  for (const place of load.response.places) largest = Math.max(largest, place.tensionPerUnit);
  return largest;
}
