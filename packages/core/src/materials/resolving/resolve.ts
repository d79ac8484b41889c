import type { EvidenceClass, Grade, CompanyRules, Observation, PropertyId } from '@anvilstone/schema';
import { findFamily, type Family } from '../reference/family.ts';
import { findReinforcement, type Reinforcement } from '../reference/reinforcement.ts';
import { formatNumber, ROOM_C, say } from '@anvilstone/core/foundations';
import { behaviourOf } from '../behaviour/behaviour.ts';
import {
  adjustToCondition,
  reportedText,
  type AdjustContext,
  type Adjusted,
  type Unusable,
} from './adjustToCondition.ts';
import { estimateFromFamily } from './estimateFromFamily.ts';
import { acrossRatio } from './familyEstimate.ts';
import { heatDeflectionFromCurve } from './heatDeflectionFromCurve.ts';
import { layerShearFromStrengths } from './layerShearFromStrengths.ts';
import { PROPERTY_DEFINITIONS } from './properties.ts';
import type { Resolution, ResolveAt, Resolved } from './resolution.ts';
import { ROOM_TOLERANCE_K, type TemperatureModel } from '../behaviour/temperatureFactor.ts';

const COV_FLOOR = 0.05;
export const COV_BY_CLASS: Record<EvidenceClass, number> = { A: COV_FLOOR, B: 0.1, C: 0.2, D: 0.3 };
const DRY: ResolveAt = { direction: 'in-plane', conditioning: 'dry' };
/** Ends of a reported range are taken as plus and minus two standard deviations. */
const RANGE_STANDARD_DEVIATIONS = 4;
/** Reports of equal rank further apart than this are said to disagree, and the lower is used. */
const DISAGREEMENT = 0.02;

/**
 * The value of a property at a direction, moisture state and temperature, with how it was derived. Order: bench at the
 * condition → data sheet at the condition → carried over by documented factors → bench of fewer than three → family
 * estimate. Company rules decide whose numbers lead; the two kinds are never averaged. Unknown is a result, not an error.
 * `explain` writes down the derivation; without it `steps` is empty and no text is made.
 */
export function resolve(
  grade: Grade,
  property: PropertyId,
  at: ResolveAt,
  rules: CompanyRules,
  explain = true,
): Resolution {
  const family = findFamily(grade.familyId);
  const filler = findReinforcement(grade.reinforcementId);
  const temperature = temperatureModel(grade, at, rules, family, filler);
  const context: AdjustContext = { property, at, rules, family, filler, temperature, explain };
  const candidates: Adjusted[] = [];
  const unusable: Unusable[] = [];
  for (const observation of grade.observations) {
    if (observation.property !== property) continue;
    const brought = adjustToCondition(observation, context);
    if (brought.usable) candidates.push(brought);
    else unusable.push(brought);
  }
  const chosen = choose(candidates, rules, explain);
  if (chosen) return chosen;
  return withRefusals(fallback(grade, context, unusable.length > 0), unusable, explain);
}

/** No report can be used: from other properties of the grade where there is a formula, else from the family. */
function fallback(grade: Grade, context: AdjustContext, hasOwnReports: boolean): Resolution {
  const { property, at, rules, explain } = context;
  const other = (name: PropertyId, where: ResolveAt) => resolve(grade, name, where, rules, false);
  if (property === 'layerShearStrength') {
    const strength = (direction: ResolveAt['direction']) => other('tensileStrength', { ...at, direction });
    return layerShearFromStrengths(strength('in-plane'), strength('across'), explain);
  }
  if (property === 'heatDeflectionTemperature') {
    const found = heatDeflectionFromCurve(grade, context, other('tensileModulus', DRY), hasOwnReports);
    if (found) return found;
  }
  const estimate = estimateFromFamily(grade, context);
  if (property !== 'charpyNotched' || at.direction !== 'across') return estimate;
  return notAboveOwn(estimate, other(property, { ...at, direction: 'in-plane' }), context);
}

/** A flat bar tells little of an upright one, but a grade that is brittle lying is no tougher standing. */
function notAboveOwn(estimate: Resolution, lying: Resolution, context: AdjustContext): Resolution {
  if (!estimate.known || !lying.known || !context.family) return estimate;
  const { ratio } = acrossRatio(context, context.family, 'impact', context.at.conditioning);
  const value = lying.value * ratio;
  if (value >= estimate.value) return estimate;
  const text = `no more than ${ratio.toFixed(2)} × its own value in plane`;
  return { ...estimate, value, steps: context.explain ? [...estimate.steps, { text, value }] : [] };
}

/** The grade's own curve, where another temperature than 23 °C is asked for. */
function temperatureModel(
  grade: Grade,
  at: ResolveAt,
  rules: CompanyRules,
  family: Family | undefined,
  filler: Reinforcement | undefined,
): TemperatureModel | undefined {
  const to = at.temperatureC ?? ROOM_C;
  if (Math.abs(to - ROOM_C) <= ROOM_TOLERANCE_K || !family) return undefined;
  const room = { direction: 'in-plane', conditioning: at.conditioning } as const;
  const modulus = resolve(grade, 'tensileModulus', room, rules, false);
  if (!modulus.known) return undefined;
  const { curve, strengthExponent } = behaviourOf(grade, family, filler, modulus, null, at.conditioning);
  return { curve, strengthExponent, family };
}

function choose(candidates: readonly Adjusted[], rules: CompanyRules, explain: boolean): Resolved | null {
  if (candidates.length === 0) return null;
  const ordered = [...candidates].sort((a, b) => rank(a, rules) - rank(b, rules) || tieBreak(a, b));
  const first = ordered[0]!;
  if (rules.evidenceSchool === 'lower-of-both') {
    const other = ordered.find((one) => one.observation.source !== first.observation.source && isOwnSource(one, rules));
    if (other && other.value < first.value) {
      return finish(other, explain ? `lower of both: ${describe(first)} is higher` : undefined);
    }
  }
  if (!explain) return finish(first);
  const peers = ordered.filter(
    (one) => rank(one, rules) === rank(first, rules) && one.adjustments === first.adjustments,
  );
  const conflict = peers.find((one) => Math.abs(one.value - first.value) > DISAGREEMENT * Math.abs(first.value));
  return finish(
    first,
    conflict ? `${describe(conflict)} says otherwise; the lower of equal evidence is used` : undefined,
  );
}

const TOO_FEW_RANK = 8;
const ESTIMATE_RANK = 9;

/**
 * Lower is better. Bench first: the condition counts before the source. Data sheet: the sheet leads even where it has to
 * be carried over, since that is what the rule asks for.
 */
function rank({ observation, adjustments }: Adjusted, rules: CompanyRules): number {
  if (observation.source === 'estimate') return ESTIMATE_RANK;
  const bench = observation.source === 'bench';
  if (bench && (observation.count ?? 1) < 3) return TOO_FEW_RANK;
  const adjusted = adjustments > 0 ? 1 : 0;
  if (rules.evidenceSchool === 'datasheet') return (bench ? 2 : 0) + adjusted;
  return adjusted * 2 + (bench ? 0 : 1);
}

const isOwnSource = (one: Adjusted, rules: CompanyRules) => rank(one, rules) < TOO_FEW_RANK;

function tieBreak(a: Adjusted, b: Adjusted): number {
  return (
    a.adjustments - b.adjustments ||
    (b.observation.count ?? 1) - (a.observation.count ?? 1) ||
    a.value - b.value ||
    a.observation.id.localeCompare(b.observation.id)
  );
}

function finish(adjusted: Adjusted, remark?: string): Resolved {
  const { observation, value } = adjusted;
  const evidence = classOf(adjusted);
  const steps = remark ? [...adjusted.steps, { text: remark, value }] : adjusted.steps;
  return { known: true, value, cov: covOf(observation, evidence), evidence, steps, observationId: observation.id };
}

function classOf({ observation, adjustments }: Adjusted): EvidenceClass {
  const count = observation.count ?? 1;
  if (observation.source === 'estimate') return 'D';
  if (adjustments > 0) return 'C';
  if (observation.source === 'bench') return count >= 5 ? 'A' : count >= 3 ? 'B' : 'C';
  // What does not depend on the specimen (a melting point) is at its condition whatever it was measured on.
  const anySpecimen = !PROPERTY_DEFINITIONS[observation.property].conditions.includes('specimen');
  return observation.specimen === 'printed' || anySpecimen ? 'B' : 'C';
}

function covOf(observation: Observation, evidence: EvidenceClass): number {
  const { low, high, value: mean } = observation;
  const measured = (observation.count ?? 1) >= 3 && observation.standardDeviation !== undefined && mean;
  if (measured) {
    const own = Math.max(COV_FLOOR, Math.abs(observation.standardDeviation! / mean));
    return evidence === 'A' || evidence === 'B' ? own : Math.max(own, COV_BY_CLASS[evidence]);
  }
  const classCov = COV_BY_CLASS[evidence];
  if (mean !== undefined || low === undefined || high === undefined || low + high === 0) return classCov;
  return Math.max(classCov, Math.abs((2 * (high - low)) / (RANGE_STANDARD_DEVIATIONS * (high + low))));
}

function describe({ observation, value }: Adjusted): string {
  return `${observation.reference} (${formatNumber(value)} after the same steps)`;
}

/** Says which of the grade's own reports could not be used, so that nobody wonders why they were passed over. */
function withRefusals(resolution: Resolution, unusable: readonly Unusable[], explain: boolean): Resolution {
  if (!explain || unusable.length === 0) return resolution;
  const refusals = unusable.map(
    ({ observation, reason }) => say`${reportedText(observation)} from ${observation.reference}: not used, ${reason}`,
  );
  if (!resolution.known) return { known: false, gaps: [...resolution.gaps, ...refusals] };
  const { value } = resolution;
  return { ...resolution, steps: [...refusals.map((text) => ({ text, value })), ...resolution.steps] };
}
