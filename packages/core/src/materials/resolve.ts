import type { EvidenceClass, Grade, HouseRules, Observation, PropertyId } from '@anvilstone/schema';
import { findFamily, type Family } from '../reference/family.ts';
import { findReinforcement, type Reinforcement } from '../reference/reinforcement.ts';
import { formatNumber } from '../units/formatQuantity.ts';
import { DIMENSIONS } from '../units/dimensions.ts';
import { carry, type CarryContext, type Carried } from './carry.ts';
import { familyEstimate, layerRatio } from './familyEstimate.ts';
import { conditioningRetention } from './moisture.ts';
import { PROPERTY_DEFINITIONS } from './properties.ts';
import type { DerivationStep, Resolution, ResolveAt, Resolved } from './resolution.ts';

const COV_FLOOR = 0.05;
const COV_BY_CLASS: Record<EvidenceClass, number> = { A: COV_FLOOR, B: 0.1, C: 0.2, D: 0.3 };

/**
 * The value of a property at a direction and moisture state, 23 °C, with how it was derived. Order: bench at the condition
 * → data sheet at the condition → carried over by documented factors → bench of fewer than three → family estimate.
 * `explain` writes down the derivation; without it `steps` is empty and no text is made.
 * House rules decide whose numbers lead; the two kinds are never averaged. Unknown is a result, not an error.
 */
export function resolve(
  grade: Grade,
  property: PropertyId,
  at: ResolveAt,
  rules: HouseRules,
  explain = true,
): Resolution {
  const family = findFamily(grade.familyId);
  const filler = findReinforcement(grade.reinforcementId);
  const context: CarryContext = { property, at, rules, family, filler, explain };
  const candidates = grade.observations
    .filter((observation) => observation.property === property)
    .map((observation) => carry(observation, context))
    .filter((carried) => carried !== null);
  const chosen = choose(candidates, rules, explain);
  if (chosen) return chosen;
  return estimate(grade, property, at, family, filler, explain);
}

function choose(candidates: Carried[], rules: HouseRules, explain: boolean): Resolved | null {
  if (candidates.length === 0) return null;
  const ordered = [...candidates].sort((a, b) => rank(a, rules) - rank(b, rules) || tieBreak(a, b));
  const first = ordered[0]!;
  if (rules.evidenceSchool === 'lower-of-both') {
    const other = ordered.find((one) => one.observation.source !== first.observation.source);
    if (other && other.value < first.value) {
      return finish(other, explain ? `lower of both: ${describe(first)} is higher` : undefined);
    }
  }
  if (!explain) return finish(first);
  const peers = ordered.filter((one) => rank(one, rules) === rank(first, rules) && one.carries === first.carries);
  const conflict = peers.find((one) => one !== first && Math.abs(one.value - first.value) > 0.02 * first.value);
  return finish(
    first,
    conflict ? `${describe(conflict)} says otherwise; the lower of equal evidence is used` : undefined,
  );
}

/** Lower is better. */
function rank({ observation, carries }: Carried, rules: HouseRules): number {
  const bench = observation.source === 'bench';
  if (observation.source === 'estimate') return 9;
  if (bench && (observation.count ?? 1) < 3) return 8;
  const carried = carries > 0 ? 4 : 0;
  const sheetFirst = rules.evidenceSchool === 'datasheet';
  return carried + (bench === sheetFirst ? 1 : 0);
}

function tieBreak(a: Carried, b: Carried): number {
  return (
    a.carries - b.carries ||
    (b.observation.count ?? 1) - (a.observation.count ?? 1) ||
    a.value - b.value ||
    a.observation.id.localeCompare(b.observation.id)
  );
}

function finish(carried: Carried, remark?: string): Resolved {
  const { observation, value } = carried;
  const evidence = classOf(carried);
  const steps = remark ? [...carried.steps, { text: remark, value }] : carried.steps;
  return { known: true, value, cov: covOf(observation, evidence), evidence, steps };
}

function classOf({ observation, carries }: Carried): EvidenceClass {
  const count = observation.count ?? 1;
  if (observation.source === 'estimate') return 'D';
  if (carries > 0) return 'C';
  if (observation.source === 'bench') return count >= 5 ? 'A' : count >= 3 ? 'B' : 'C';
  return observation.specimen === 'printed' ? 'B' : 'C';
}

function covOf(observation: Observation, evidence: EvidenceClass): number {
  const mean = observation.value;
  const measured = (observation.count ?? 1) >= 3 && observation.standardDeviation !== undefined && mean;
  if (measured && (evidence === 'A' || evidence === 'B')) {
    return Math.max(COV_FLOOR, observation.standardDeviation! / mean);
  }
  return COV_BY_CLASS[evidence];
}

function describe({ observation, value }: Carried): string {
  return `${observation.reference} (${formatNumber(value)} after the same steps)`;
}

function estimate(
  grade: Grade,
  property: PropertyId,
  at: ResolveAt,
  family: Family | undefined,
  filler: Reinforcement | undefined,
  explain: boolean,
): Resolution {
  const { title, kind, directional, dimension } = PROPERTY_DEFINITIONS[property];
  const unit = DIMENSIONS[dimension].metric;
  const typical = family && familyEstimate(family, filler, property);
  if (!family || !typical) {
    const why = family ? 'the family states none' : `its family “${grade.familyId}” is not in the reference data`;
    return { known: false, gaps: [`${title}: no observation, and ${why}`] };
  }
  const steps: DerivationStep[] = [];
  const note = (text: () => string, now: number) => explain && steps.push({ text: text(), value: now });
  note(() => `${typical.derivation} (${unit})`, typical.value);
  let value = typical.value;
  if (directional && at.direction === 'across' && kind !== 'other') {
    const ratio = layerRatio(family, filler, kind);
    value *= ratio;
    note(() => `× ${ratio.toFixed(2)} across the layers, typical of the family`, value);
  }
  const retention = conditioningRetention(family, kind, at.conditioning);
  if (retention !== 1) {
    value *= retention;
    note(() => `× ${retention.toFixed(2)} for water taken up (${at.conditioning})`, value);
  }
  return { known: true, value, cov: COV_BY_CLASS.D, evidence: 'D', steps };
}
