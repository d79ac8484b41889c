import {
  inSentence,
  type UnitSystem,
  countWords,
  formatNumber,
  formatQuantity,
  duration,
} from '@anvilstone/core/foundations';
import { findAgent } from '@anvilstone/core/materials';
import { builtAs, findPartModel } from '@anvilstone/core/shapes';
import type { Brief, Feature, LoadCase, LoadCombination, LoadKind } from '@anvilstone/schema';
import { combinationName } from './loadName.ts';
import { surroundingSentences } from './surroundingSentences.ts';

/** What each kind of load is called, and what it means. */
export const LOAD_KIND_WORDS: Record<LoadKind, { title: string; means: string }> = {
  lasting: {
    title: 'Sustained',
    means: 'A load that stays on for hours to years: creep and static fatigue count.',
  },
  short: { title: 'Intermittent', means: 'Seconds to minutes, rarely: only strength and stiffness count.' },
  repeated: { title: 'Cyclic', means: 'Thousands of times: fatigue counts.' },
  knock: { title: 'Impact', means: 'A blow or a fall: its energy counts.' },
  held: { title: 'Imposed displacement', means: 'A displacement is imposed and held: the force relaxes.' },
};

/** How large a load is, in words: “9 N”, “a knock of 2 J”, “bent by 6 mm”. */
export function sizeWords(load: LoadCase, units: UnitSystem): string {
  if (load.kind === 'knock') {
    const speed =
      load.strikeSpeedMPerS === undefined ? '' : ` with ${formatQuantity(load.strikeSpeedMPerS, 'speed', units)}`;
    if (load.energyJ !== undefined) return `a knock of ${formatQuantity(load.energyJ, 'energy', units)}${speed}`;
    return `${formatQuantity(load.fallingMassG ?? 0, 'mass', units)} falling ${formatQuantity(load.dropHeightMm ?? 0, 'length', units)}${speed}`;
  }
  const sizes = [
    load.forceN !== undefined && formatQuantity(load.forceN, 'force', units),
    load.torqueNmm !== undefined && formatQuantity(load.torqueNmm, 'torque', units),
    load.pressureMPa !== undefined && formatQuantity(load.pressureMPa, 'stress', units),
    load.displacementMm !== undefined && `bent by ${formatQuantity(load.displacementMm, 'length', units)}`,
    load.angleDeg !== undefined && `turned by ${formatQuantity(load.angleDeg, 'angle', units)}`,
  ];
  return sizes.find((size) => size !== false) || 'no size stated';
}

/** “10,000 times”, or “180 times an hour through its service life”. */
function cycleWords({ cycles = 1, cyclesPerH, onShare = 1 }: LoadCase): string {
  if (cyclesPerH === undefined) return `${countWords(cycles)} times`;
  const duty = onShare < 1 ? ` for ${formatNumber(100 * onShare, 2)} % of the time` : '';
  return `${formatNumber(cyclesPerH)} times an hour${duty} through its service life`;
}

/** How long or how often, in words. */
export function timeWords(load: LoadCase): string {
  switch (load.kind ?? 'lasting') {
    case 'knock':
      return 'at once';
    case 'repeated':
      return `${cycleWords(load)}, stress ratio R = ${formatNumber(load.stressRatio ?? 0, 2)}`;
    case 'held':
      return `held for ${duration(load.durationH)}`;
    default:
      return load.onShare === undefined || load.onShare >= 1
        ? `for ${duration(load.durationH)}`
        : `for ${formatNumber(100 * load.onShare, 2)} % of ${duration(load.durationH)}`;
  }
}

/** Limits that a load sets, in words; empty when there are none. */
export function limitWords(load: LoadCase, units: UnitSystem): string[] {
  const mm = (value: number) => formatQuantity(value, 'length', units);
  const words: string[] = [];
  if (load.maxDeflectionMm !== undefined) words.push(`at most ${mm(load.maxDeflectionMm)} at once`);
  if (load.maxSagMm !== undefined) words.push(`at most ${mm(load.maxSagMm)} at the end`);
  if (load.maxLeftMm !== undefined)
    words.push(`at most ${mm(load.maxLeftMm)} left ${duration(load.recoveryH ?? 24)} after it has gone`);
  if (load.minHoldN !== undefined) words.push(`still holding ${formatQuantity(load.minHoldN, 'force', units)}`);
  if (load.kind === 'knock' && load.mustStayWhole === 'undamaged') words.push('without damage');
  if (load.kind === 'knock' && load.mustStayWhole === 'unbroken') words.push('without breaking');
  return words;
}

/** A load in one sentence. */
export function loadSentence(load: LoadCase, units: UnitSystem): string {
  return [
    `${load.name}: ${sizeWords(load, units)}${load.shockFactor === undefined ? '' : ` × shock factor ${formatNumber(load.shockFactor)}`}${load.direction === 'width' ? ' sideways' : ''} ${timeWords(load)} at ${formatQuantity(load.temperatureC, 'temperature', units)}`,
    `safety factor ${formatNumber(load.safetyFactor, 3)}`,
    ...limitWords(load, units),
  ].join(', ');
}

export const MOISTURE_WORDS: Record<Brief['moisture'], string> = {
  dry: 'Dry in service',
  conditioned: 'Room air (23 °C, 50 % RH)',
  wet: 'Saturated in service',
};

const featureSentence = ({ name, part, lengthAlong, depthAlong }: Feature) =>
  `${name}: ${inSentence(findPartModel(part.model).title)} of the same part, its length along the ${lengthAlong} and its depth along the ${depthAlong} of the part`;

function combinationSentence(combination: LoadCombination, brief: Pick<Brief, 'loadCases'>, units: UnitSystem): string {
  const { maxMovementMm } = combination;
  const limit =
    maxMovementMm === undefined ? '' : `, moving by at most ${formatQuantity(maxMovementMm, 'length', units)}`;
  return `Simultaneous:  ${combinationName(combination, brief)}${limit}`;
}

function lotSentence(
  { quantity, readyBy, setupUsd, supportG }: NonNullable<Brief['asks']['lot']>,
  units: UnitSystem,
): string {
  return [
    `Lot of ${countWords(quantity)} good part${quantity === 1 ? '' : 's'}`,
    ...(readyBy === undefined ? [] : [`ready by ${readyBy}`]),
    ...(setupUsd === undefined ? [] : [`set-up ${setupUsd.toFixed(2)} USD`]),
    ...(supportG === undefined ? [] : [`${formatQuantity(supportG, 'mass', units)} of support each`]),
  ].join(', ');
}

/** Everything asked besides the loads, one line each. `machine` names a machine by its id. */
export function askSentences(
  brief: Brief,
  units: UnitSystem,
  machine: (id: string) => string = (id) => id,
  agentName: (id: string) => string = (id) => findAgent(id)?.name ?? id,
): string[] {
  const { asks, moisture, annealed, crystallisedInChamber, foamNozzleC, layup, failureCouldHurt } = brief;
  const degrees = (value: number) => formatQuantity(value, 'temperature', units);
  const lines: string[] = [
    ...(brief.features ?? []).map(featureSentence),
    ...[brief, ...(brief.features ?? [])].flatMap((model) =>
      (model.combinations ?? []).map((one) => combinationSentence(one, model, units)),
    ),
    MOISTURE_WORDS[moisture],
  ];
  if (annealed) lines.push('Annealed after printing, where its family gains by it');
  if (crystallisedInChamber)
    lines.push('Printed in a chamber so hot that slow crystallisers crystallise as they are laid');
  if (foamNozzleC !== undefined) lines.push(`Grades that foam printed at ${degrees(foamNozzleC)}`);
  if (layup) lines.push(`Layup “${layup.name}” goes with it: judged by itself, not by the checks`);
  const { heat, thermalFit, sliding } = asks;
  if (heat?.steadyC !== undefined) {
    const long = heat.steadyH === undefined ? '' : ` for ${duration(heat.steadyH)} altogether`;
    lines.push(`Sits in ${degrees(heat.steadyC)}${long}`);
  }
  if (heat?.peak) lines.push(`Peaks at ${degrees(heat.peak.temperatureC)} for ${duration(heat.peak.durationH)}`);
  if (heat?.coldestC !== undefined) lines.push(`Tough down to ${degrees(heat.coldestC)}`);
  if (thermalFit) {
    lines.push(
      `Fixed to ${thermalFit.fixedTo.replace('-', ' ')} over ${formatQuantity(thermalFit.lengthMm, 'length', units)}, ${degrees(thermalFit.coldestC)} to ${degrees(thermalFit.hottestC)}: expansion mismatch at most ${formatQuantity(thermalFit.allowedMm, 'length', units)}`,
    );
  }
  if (sliding) {
    const { contactForceN, contactAreaMm2 } = sliding;
    const contact =
      contactForceN === undefined || contactAreaMm2 === undefined
        ? ''
        : ` (${formatQuantity(contactForceN, 'force', units)} on ${formatQuantity(contactAreaMm2, 'area', units)})`;
    const friction =
      sliding.maxFriction === undefined ? '' : `, friction at most ${formatNumber(sliding.maxFriction, 2)}`;
    const wear =
      sliding.distanceKm === undefined || sliding.maxWearMm === undefined
        ? ''
        : `, wearing at most ${formatQuantity(sliding.maxWearMm, 'length', units)} in ${formatNumber(sliding.distanceKm)} km`;
    lines.push(
      `Slides ${sliding.running === 'greased' ? 'greased ' : ''}under ${formatQuantity(sliding.pressureMPa, 'stress', units)}${contact} at ${formatQuantity(sliding.speedMPerS, 'speed', units)}${friction}${wear}`,
    );
  }
  lines.push(...surroundingSentences(asks, units, agentName));
  if (asks.lifeYears !== undefined) lines.push(`Service life ${formatNumber(asks.lifeYears)} years`);
  if (asks.lot) lines.push(lotSentence(asks.lot, units));
  if (asks.consumable)
    lines.push(
      `Consumable: ${countWords(asks.consumable.uses)} uses; changing it costs ${asks.consumable.changeOverUsd.toFixed(2)} USD`,
    );
  if (asks.mustWarn) lines.push('Must warn before failure');
  if (asks.maxMassG !== undefined) lines.push(`Weighs at most ${formatQuantity(asks.maxMassG, 'mass', units)}`);
  if (asks.maxCostUsd !== undefined) lines.push(`Costs at most ${asks.maxCostUsd.toFixed(2)} USD`);
  if (asks.machineIds) lines.push(`Printed only on: ${asks.machineIds.map(machine).join(', ')}`);
  if (asks.orientations)
    lines.push(
      `Built only: ${asks.orientations
        .map((one) => builtAs(brief.part, one))
        .sort()
        .join(', ')}`,
    );
  if (failureCouldHurt === 'no') lines.push('No injury by failure, as stated in the brief');
  if (failureCouldHurt === 'yes') lines.push('A failure could hurt someone');
  return lines;
}
