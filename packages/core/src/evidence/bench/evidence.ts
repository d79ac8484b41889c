import type { Campaign, CampaignArm, Observation, Trial } from '@anvilstone/schema';
import { InputError, definitionOf, ROOM_C } from '@anvilstone/core/foundations';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import { findMethod, sizesOf, type Outcome } from './methods/index.ts';
import type { PredictionInputs } from './campaignPrediction.ts';
import { armResult, foundIn, type ArmResult } from './results.ts';
import { valueFromPart } from './valueFromPart.ts';

/** Rounded so that no digit is shown that the scatter does not bear out. */
const digits = (value: number, count: number) => Number(value.toPrecision(count));

/** The same result is the same observation: taken again, it takes the place of what was taken before. */
export const observationIdOf = (campaign: Pick<Campaign, 'id'>, armId: string, outcomeId: string): string =>
  `bench-${campaign.id}-${armId}-${outcomeId}`;

/**
 * A result as an observation of its grade, with the method and every condition it was tested under. `grounds` are needed where the part
 * itself was tested.
 * @throws InputError the outcome is no property, fewer than three readings count, a reading past the gauge’s range is neither corrected nor
 * left out, or the specimens were in different moisture states
 */
export function observationOf(
  campaign: Campaign,
  result: ArmResult,
  date: string,
  grounds?: PredictionInputs,
): Observation {
  const { outcome, arm, summary, replicates, claim } = result;
  const method = findMethod(campaign.methodId);
  if (!method || !outcome.property)
    throw new InputError('outcomeId', outcome.id, 'a result that is a property of the library');
  if (!summary || claim === 'none')
    throw new InputError('n', result.values.length, 'three readings that count are the least a result can rest on');
  const bound = replicates.find(({ trial }) => trial.overRange && !trial.corrected && !trial.excluded);
  if (bound)
    throw new InputError(
      bound.specimen.id,
      'past the gauge’s range',
      'a reading that is corrected, or left out with a reason: a bound is no value',
    );
  const counted = replicates.filter(({ counts }) => counts);
  const states = new Set(counted.map(({ specimen }) => specimen.conditioning));
  if (states.size > 1)
    throw new InputError(
      'conditioning',
      [...states].join(', '),
      'specimens in one moisture state: means of different states are no mean',
    );
  const sizes = sizesOf(campaign.setUp, {});
  const temperatureC = testedTemperatureC(
    campaign,
    counted.map(({ trial }) => trial),
  );
  const left = replicates.filter(({ counts, trial }) => !counts && trial.state === 'done');
  const { agentId } = campaign.setUp;
  if (method.asksFluid && agentId === undefined)
    throw new InputError('setUp/agentId', agentId, 'the fluid it was soaked in');
  const worked = outcome.throughModel ? valueFromPart(campaign, result, needed(grounds)) : undefined;
  const { dimension, directional } = PROPERTY_DEFINITIONS[outcome.property];
  const unit = definitionOf(dimension).metric || '-';
  const sd = worked ? worked.sd : summary.sd;
  const harmed = counted.find(({ trial }) => trial.broke !== undefined);
  const notes = [
    ...(outcome.classOf
      ? [
          `${outcome.title} ${digits(summary.mean, 3)} % on the mean${harmed ? `; ${harmed.specimen.id}: ${harmed.trial.broke}` : ''}.`,
        ]
      : []),
    ...(worked ? [worked.note] : []),
    ...(left.length > 0
      ? [`Excluded, with reasons: ${left.map(({ specimen, whyNot }) => `${specimen.id} (${whyNot})`).join('; ')}`]
      : []),
  ];
  return {
    id: observationIdOf(campaign, arm.id, outcome.id),
    property: outcome.property,
    unit,
    ...(outcome.classOf
      ? { classValue: harmed ? outcome.classOf.harmed : outcome.classOf.of(summary.mean) }
      : {
          value: digits(worked?.mean ?? summary.mean, 4),
          ...(sd === null ? {} : { standardDeviation: digits(sd, 3) }),
        }),
    ...(method.asksFluid ? { agentId: agentId! } : {}),
    count: summary.n,
    source: 'bench',
    method: `${method.title}${method.after ? ` (${method.after})` : ''}`.slice(0, 80),
    specimen: 'printed',
    ...(directional ? { orientation: worked?.orientation ?? arm.orientation } : {}),
    conditioning: counted[0]!.specimen.conditioning,
    ...(temperatureC === undefined || method.id === 'heat-ladder' ? {} : { temperatureC }),
    ...outcome.conditions?.(sizes, foundIn(counted[0]!.trial)),
    reference: `Campaign ${campaign.id}, arm ${arm.id}: ${campaign.title}`.slice(0, 200),
    date,
    ...(notes.length > 0 ? { note: notes.join(' ').slice(0, 4000) } : {}),
  };
}

/**
 * Everything that is taken in with a result: a modulus after a time goes with those after the other times and with the one at the start,
 * since growth is read from all of them; anything else goes alone.
 * @throws InputError as `observationOf`
 */
export function observationsOf(
  campaign: Campaign,
  arm: CampaignArm,
  outcome: Outcome,
  trials: readonly Trial[],
  date: string,
  grounds?: PredictionInputs,
): Observation[] {
  const resultOf = (one: Outcome) => armResult(campaign, arm, one, trials);
  const asked = observationOf(campaign, resultOf(outcome), date, grounds);
  if (outcome.property !== 'creepModulus') return [asked];
  const others = (findMethod(campaign.methodId)?.outcomes ?? [])
    .filter((one) => one !== outcome && (one.property === 'creepModulus' || one.property === 'flexuralModulus'))
    .map(resultOf)
    .filter(({ claim }) => claim !== 'none');
  return [asked, ...others.map((result) => observationOf(campaign, result, date, grounds))];
}

/** Readings of a thermometer about the planned temperature are that temperature, K. */
const PLANNED_WITHIN_K = 3;

/** As planned where the thermometer bears it out or nobody measured; else as measured. Undefined: neither is stated. */
function testedTemperatureC({ setUp }: Campaign, trials: readonly Trial[]): number | undefined {
  const measured = trials.flatMap(({ temperatureC }) => temperatureC ?? []);
  if (measured.length === 0) return setUp.temperatureC;
  const mean = measured.reduce((sum, one) => sum + one, 0) / measured.length;
  const planned = setUp.temperatureC ?? ROOM_C;
  return Math.abs(mean - planned) <= PLANNED_WITHIN_K ? setUp.temperatureC : Number(mean.toFixed(1));
}

function needed(grounds: PredictionInputs | undefined): PredictionInputs {
  if (!grounds) throw new InputError('grounds', undefined, 'grade, rules and brief, to work back through the model');
  return grounds;
}
