import type { Agent, EvidenceClass, FluidContact, Observation, Statement } from '@anvilstone/schema';
import { duration, say, celsius } from '@anvilstone/core/foundations';
import type { CheckContext } from '../engine/check.ts';
import { ratingOf } from './ratingOf.ts';

/** What is known of a grade in one fluid of the brief. */
export type FluidVerdict =
  | { kind: 'unknown'; gap: Statement }
  | {
      kind: 'known';
      rating: 'resistant' | 'limited' | 'unsuitable';
      evidence: EvidenceClass;
      /** Contact that it stands, h; infinite where the rating is for lasting contact. */
      standsH: number;
      reason: Statement;
      note: string | undefined;
    };

/** A soak this long counts as lasting contact: one week is a preferred period of ISO 175. h */
export const LASTING_SOAK_H = 168;
/** A fluid may be this much warmer than the rating before the rating no longer speaks of it, K. */
const TEMPERATURE_TOLERANCE_K = 5;

/**
 * The grade's own soak results come first, then what its maker states, then what is typical of its family. A rating for a
 * cooler or weaker fluid says nothing of a warmer or stronger one, unless it is already bad.
 */
export function fluidVerdict(context: CheckContext, fluid: FluidContact): FluidVerdict {
  const agent = context.agent(fluid.agentId);
  if (!agent)
    return { kind: 'unknown', gap: `“${fluid.agentId}” is not in the chemicals table: add it under Chemicals` };
  return reported(context, fluid, agent) ?? typical(context, fluid, agent);
}

/** The test that would settle it, in one sentence, in the way the fluid meets the part. */
export function soakTest(agent: Agent, fluid: FluidContact): Statement {
  const name = agent.name.toLowerCase();
  const time = fluid.hours >= LASTING_SOAK_H ? 'a week' : duration(fluid.hours);
  const at = say`at ${celsius(fluid.temperatureC)}`;
  const how = {
    immersion: say`Soak three printed specimens for ${time} in ${name} ${at}`,
    vapour: say`Hang three printed specimens for ${time} above ${name} ${at} in a closed vessel`,
    splash: say`Keep three printed specimens wet with ${name} ${at} for ${time}`,
    wipe: say`Wipe three printed specimens with ${name} ${at} until they were wet for ${time} altogether`,
  }[fluid.contact];
  return say`${how}, one of them held bent as the part is; weigh, measure and break them against three dry ones (ISO 175, ISO 22088-3)`;
}

function reported({ material }: CheckContext, fluid: FluidContact, agent: Agent): FluidVerdict | undefined {
  const covering = material.grade.observations.filter(
    (one) => one.property === 'chemicalResistance' && one.agentId === fluid.agentId && covers(one, fluid, agent),
  );
  const bench = covering.filter((one) => one.source === 'bench');
  const found = worstOf(bench.length > 0 ? bench : covering);
  if (!found) return undefined;
  const rating = found.classValue as 'resistant' | 'limited' | 'unsuitable';
  const soakH = found.durationH ?? 0;
  const own = found.source === 'bench';
  const family = agent.ratings[material.grade.familyId]?.rating;
  const overrides = own && family && family !== rating ? `; overrides “${family}”, typical of the family` : '';
  const where = say`${own ? 'own immersion test' : found.reference}${soakH > 0 ? `, ${duration(soakH)}` : ''} at ${celsius(found.temperatureC ?? 23)}`;
  return {
    kind: 'known',
    rating,
    evidence: own ? 'B' : 'C',
    standsH: rating === 'unsuitable' ? 0 : rating === 'resistant' && soakH >= LASTING_SOAK_H ? Infinity : soakH,
    reason: say`${agent.name}: ${rating} (${where}${overrides})`,
    note: found.note,
  };
}

/** A good result must have been at least as warm; a bad one at no more than the asked temperature is bad enough. */
function covers(one: Observation, fluid: FluidContact, agent: Agent): boolean {
  const at = one.temperatureC ?? agent.referenceTemperatureC;
  if (one.classValue === 'unsuitable') return at <= fluid.temperatureC + TEMPERATURE_TOLERANCE_K;
  return at >= fluid.temperatureC - TEMPERATURE_TOLERANCE_K && fluid.strength !== 'stronger';
}

const ORDER = ['resistant', 'limited', 'unsuitable'];
function worstOf(observations: readonly Observation[]): Observation | undefined {
  return [...observations]
    .filter((one) => ORDER.includes(one.classValue ?? ''))
    .sort((a, b) => ORDER.indexOf(b.classValue!) - ORDER.indexOf(a.classValue!))[0];
}

function typical({ material, rules }: CheckContext, fluid: FluidContact, agent: Agent): FluidVerdict {
  const { family, filler } = material;
  const nothing = (why: Statement): FluidVerdict => ({
    kind: 'unknown',
    gap: say`${agent.name}: ${why}. ${soakTest(agent, fluid)}`,
  });
  const row = ratingOf(material, agent);
  if (!family || !row || row.rating === 'unknown') {
    return nothing(`nothing known of it on ${family?.abbreviation ?? 'a polymer that is not stated'}`);
  }
  if (row.rating !== 'unsuitable') {
    const warmest = row.maxTemperatureC ?? agent.referenceTemperatureC;
    if (fluid.temperatureC > warmest + TEMPERATURE_TOLERANCE_K)
      return nothing(
        say`${family.abbreviation} is ${row.rating} up to ${celsius(warmest)}; nothing known at ${celsius(fluid.temperatureC)}`,
      );
    if (fluid.strength === 'stronger')
      return nothing(`${family.abbreviation} is ${row.rating} in the usual strength; nothing known of a stronger one`);
  }
  const standsH = { resistant: Infinity, limited: rules.limitedContactH, unsuitable: 0 }[row.rating];
  const glass = filler?.filler.includes('glass') && agent.id === 'base-strong' ? '; strong bases attack its glass' : '';
  return {
    kind: 'known',
    rating: row.rating,
    evidence: 'D',
    standsH,
    reason: `${agent.name}: ${row.rating}, typical of ${family.abbreviation}, not tested${glass}`,
    note: row.note,
  };
}
