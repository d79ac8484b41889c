import type { Grade, Statement } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';
import type { Reinforcement } from '../reference/reinforcement.ts';
import { DIMENSIONS, ROOM_C, celsius, say } from '@anvilstone/core/foundations';
import { canonicalValue } from './canonicalValue.ts';
import type { AdjustContext } from './adjustToCondition.ts';
import { acrossRatio, familyEstimate } from './familyEstimate.ts';
import { conditioningRetention } from '../behaviour/moisture.ts';
import { ELASTOMER_TEAR_KJ_PER_M2 } from '../behaviour/notchSensitivity.ts';
import { PROPERTY_DEFINITIONS } from './properties.ts';
import type { DerivationStep, Resolution } from './resolution.ts';
import { ROOM_TOLERANCE_K, temperatureFactor } from '../behaviour/temperatureFactor.ts';

const COV_OF_ESTIMATE = 0.3;

/** The last resort: typical of the family and its filler, brought to the condition by the same factors. Evidence class D. */
export function estimateFromFamily(grade: Grade, context: AdjustContext): Resolution {
  const { property, at, family, filler, explain } = context;
  const { title, kind, directional, dimension } = PROPERTY_DEFINITIONS[property];
  if (!family) {
    return {
      known: false,
      gaps: [`${title}: no observation, and its family “${grade.familyId}” is not in the reference data`],
    };
  }
  if (property === 'charpyNotched' && family.charpyNotched23KjPerM2 === null) return elastomerCharpy(family, context);
  const typical = familyEstimate(family, filler, property);
  if (!typical) return { known: false, gaps: [`${title}: no observation, and the family states none`] };
  const steps: DerivationStep[] = [];
  let value = typical.value;
  const step = (text: () => Statement) => explain && steps.push({ text: text(), value });
  step(() => say`${typical.derivation} (${DIMENSIONS[dimension].metric})`);
  const water = property === 'swellingSaturation' ? ownWaterShare(grade, typicalWater(family, filler)) : undefined;
  if (water !== undefined) {
    value *= water;
    step(() => `× ${water.toFixed(2)}, the grade’s own water at saturation over that of its family: it swells with it`);
  }
  if (directional && at.direction === 'across') {
    if (kind !== 'strength' && kind !== 'modulus' && kind !== 'impact') {
      return {
        known: false,
        gaps: [`${title} across the layers: no observation, and the family states it in plane only`],
      };
    }
    const { ratio, words } = acrossRatio(context, family, kind, at.conditioning);
    value *= ratio;
    step(() => `× ${ratio.toFixed(2)} across the layers, ${words}`);
  }
  if (family.printedAmorphous && at.solidity === 'amorphous' && (kind === 'strength' || kind === 'modulus')) {
    const share = family.printedAmorphous[`${kind}Share`];
    value *= share;
    step(() => `× ${share.toFixed(2)} amorphous, as printed`);
  }
  const retention = conditioningRetention(family, kind, at.conditioning);
  if (retention !== 1) {
    value *= retention;
    step(() => `× ${retention.toFixed(2)} for water taken up (${at.conditioning})`);
  }
  const to = at.temperatureC ?? ROOM_C;
  if (kind !== 'other' && Math.abs(to - ROOM_C) > ROOM_TOLERANCE_K) {
    const factor = context.temperature && temperatureFactor(context.temperature, kind, to);
    if (factor === undefined) return { known: false, gaps: [say`${title}: nothing carries it to ${celsius(to)}`] };
    value *= factor;
    step(() => say`× ${factor.toFixed(2)} from ${celsius(ROOM_C)} to ${celsius(to)}, by the grade’s curve`);
  }
  return { known: true, value, cov: COV_OF_ESTIMATE, evidence: 'D', steps };
}

const typicalWater = (family: Family, filler: Reinforcement | undefined) =>
  familyEstimate(family, filler, 'waterSaturation')?.value;

/** What a grade was found to take up when full, over what is typical; own tests before data sheets. Undefined: nobody states it. */
function ownWaterShare({ observations }: Grade, typicalPct: number | undefined): number | undefined {
  if (!typicalPct) return undefined;
  const stated = observations.filter(({ property, bound }) => property === 'waterSaturation' && bound === undefined);
  const own = stated.filter(({ source }) => source === 'bench');
  const values = (own.length > 0 ? own : stated).flatMap((one) => {
    const reading = canonicalValue(one, 'waterSaturation');
    return reading.ok ? [reading.value] : [];
  });
  return values.length === 0 ? undefined : values.reduce((sum, one) => sum + one, 0) / values.length / typicalPct;
}

/** An elastomer folds without breaking, down to where it turns brittle. Not stated there means unknown, not “no break”. */
function elastomerCharpy(family: Family, context: AdjustContext): Resolution {
  const { at, explain } = context;
  const to = at.temperatureC ?? ROOM_C;
  if (to < family.brittleBelowC) {
    return {
      known: false,
      gaps: [
        say`Charpy impact at ${celsius(to)}: brittle below ${celsius(family.brittleBelowC)}, and no value is known there`,
      ],
    };
  }
  if (at.direction === 'across') {
    // It does not fold there but parts, at its tear energy or less.
    const { ratio, words } = acrossRatio(context, family, 'impact', at.conditioning);
    const value = ELASTOMER_TEAR_KJ_PER_M2 * ratio;
    const text = `${ELASTOMER_TEAR_KJ_PER_M2} kJ/m² to tear an elastomer × ${ratio.toFixed(2)} across the layers, ${words}`;
    return { known: true, value, cov: COV_OF_ESTIMATE, evidence: 'D', steps: explain ? [{ text, value }] : [] };
  }
  const text = say`${family.abbreviation} family, typical: does not break above ${celsius(family.brittleBelowC)}`;
  const steps = explain ? [{ text, value: Infinity }] : [];
  return { known: true, value: Infinity, cov: COV_OF_ESTIMATE, evidence: 'D', steps };
}
