import { GRAVITY_M_PER_S2 } from '@anvilstone/core/foundations';
import type { EvidenceClass, LoadCase, Statement } from '@anvilstone/schema';
import type { CheckContext, PreparedLoad } from './check.ts';
import { stiffened } from '@anvilstone/core/shapes';
import type { Compliance } from './compliance.ts';

/** A short-term strength is wanted where a load comes and goes: no longer than a test takes, h. */
export const SHORT_H = 1 / 60;

/** Movement is forced on it, so its stiffness sets the load and not the other way round. */
export function isDriven(load: PreparedLoad): boolean {
  return load.size === 'displacementMm' || load.size === 'angleDeg';
}

/** What acts, in the model's own action; unknown where the stiffness decides it and is not known. */
export type Acting =
  | { known: true; action: number; evidence: EvidenceClass }
  | { known: false; gaps: readonly Statement[] };

/** The action of a load as it comes on at a temperature: forced movements and knocks through the part's own stiffness. */
export function actingAt(context: CheckContext, load: PreparedLoad, temperatureC: number): Acting {
  if (load.size !== 'knock' && !isDriven(load)) return { known: true, action: load.amount, evidence: 'A' };
  const compliance = context.compliances[load.directionIndex]!;
  if (!compliance.known) return compliance;
  const perUnit = movementPerUnit(context, compliance, temperatureC);
  const action = load.size === 'knock' ? knockForceN(load.loadCase, perUnit) : load.amount / perUnit;
  return { known: true, action, evidence: compliance.evidence };
}

/** Movement per unit of the action at a temperature, at once. */
export function movementPerUnit(
  { material }: CheckContext,
  compliance: Extract<Compliance, { known: true }>,
  temperatureC: number,
  growth = 1,
): number {
  const share = material.modulusRatio(temperatureC) / growth;
  const { perUnit, seriesPerUnit, reinforced } = compliance;
  if (!reinforced) return perUnit / share + seriesPerUnit;
  // The print softens and creeps, the strands do not.
  const { bendingPerUnit, otherPerUnit, by } = reinforced;
  return bendingPerUnit / stiffened(by, share) + otherPerUnit / share + seriesPerUnit;
}

/**
 * The static force that bends a part as far as a knock does, N. An energy U: √(2·U/c). A mass m from a height h:
 * m·g·(1 + √(1 + 2·h/(m·g·c))), c the movement per newton. All of the energy goes into the part, which responds elastically.
 * Source: Roark's Formulas for Stress and Strain, 7th ed., section 16.4 (impact of a falling body).
 */
export function knockForceN(
  loadCase: Pick<LoadCase, 'energyJ' | 'fallingMassG' | 'dropHeightMm'>,
  mmPerN: number,
): number {
  if (loadCase.energyJ !== undefined) return Math.sqrt((2 * loadCase.energyJ * 1000) / mmPerN);
  const weightN = ((loadCase.fallingMassG ?? 0) / 1000) * GRAVITY_M_PER_S2;
  return weightN * (1 + Math.sqrt(1 + (2 * (loadCase.dropHeightMm ?? 0)) / (weightN * mmPerN)));
}

/** Share of the time that a load is on. */
export function onShareOf({ loadCase }: PreparedLoad): number {
  return loadCase.onShare ?? 1;
}

/**
 * Growth of deflection of a load that is on for a share of the time, at the end of an on-period: 1 + d·(g(t) − 1) +
 * (1 − d)·(g(t_on) − 1), g the growth under a steady load. Boltzmann superposition: the mean load creeps for the whole
 * time, and the rest of the load since it last came on. Exact for d = 1 and for a single on-period.
 */
export function growthOf(context: CheckContext, load: PreparedLoad, temperatureC: number, durationH: number): number {
  const { material } = context;
  const steady = material.creepGrowth(temperatureC, durationH);
  const share = onShareOf(load);
  if (share >= 1) return steady;
  const onH = Math.min(durationH, load.loadCase.onEachH ?? durationH * share);
  return 1 + share * (steady - 1) + (1 - share) * (material.creepGrowth(temperatureC, onH) - 1);
}

/** How long the strength has to last under a load, h: a knock or a cycle is short, the rest is the time it is on. */
export function strengthHours(load: PreparedLoad, durationH: number): number {
  if (load.kind === 'lasting') return Math.max(SHORT_H, durationH * onShareOf(load));
  return load.kind === 'short' ? durationH : SHORT_H;
}

/** What temperature, time under load, weather and the safety factor leave of a short-term strength at 23 °C. */
export function allowableShare(context: CheckContext, load: PreparedLoad, temperatureC: number, hours: number): number {
  return (context.material.strengthFactor(temperatureC, hours) * weatheredShare(context)) / load.loadCase.safetyFactor;
}

/** Share of the strength that sun and weather leave; 1 where nothing is asked or known of it. */
export function weatheredShare({ weathering }: CheckContext): number {
  return weathering?.kept ?? 1;
}
