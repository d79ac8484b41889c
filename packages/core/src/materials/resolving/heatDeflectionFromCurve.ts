import type { Grade } from '@anvilstone/schema';
import { bisect, ROOM_C, say, megapascals } from '@anvilstone/core/foundations';
import { behaviourOf, reportsCrystals } from '../behaviour/behaviour.ts';
import type { AdjustContext } from './adjustToCondition.ts';
import { modulusAtHdtMPa } from '../behaviour/modulusAtHdt.ts';
import type { ModulusCurve } from '../behaviour/modulusCurve.ts';
import type { Resolution, Resolved } from './resolution.ts';

const TOLERANCE_K = 0.01;

/**
 * Heat deflection at a stress nobody tested: where the grade's modulus curve reaches the modulus that test ends at. `modulus` is the dry one in the layer plane at 23 °C. From the
 * grade's own points it is carried over (class C), from the family's it is an estimate (D). Undefined without a stress, a
 * family or a modulus.
 */
export function heatDeflectionFromCurve(
  grade: Grade,
  context: AdjustContext,
  modulus: Resolution,
  hasOwnPoints: boolean,
): Resolved | undefined {
  const { at, family, filler, explain } = context;
  const stressMPa = at.parameters?.hdtStressMPa;
  if (!family || typeof stressMPa !== 'number' || family.hdt180C === null || !modulus.known) return undefined;
  // Of bars as the grade's own were: amorphous, or crystallised.
  const crystallised = reportsCrystals(grade, family);
  const { curve, hdtEvidence, hdtNote } = behaviourOf(grade, family, filler, modulus, null, 'dry', {
    annealed: crystallised,
  });
  const endMPa = modulusAtHdtMPa({ modulus23MPa: modulus.value, hdtStressMPa: stressMPa });
  const value = temperatureAtRatioC(curve, endMPa / modulus.value);
  if (value === undefined) return undefined;
  const evidence = hasOwnPoints && hdtEvidence === 'C' ? 'C' : 'D';
  const text = say`${megapascals(endMPa)} is left when a bar under ${megapascals(stressMPa)} has bent by 0.2 %; the modulus curve through ${hdtNote} reaches it there`;
  return { known: true, value, cov: evidence === 'C' ? 0.2 : 0.3, evidence, steps: explain ? [{ text, value }] : [] };
}

/** By bisection: the curve falls all the way. Undefined: softer than that from the start. */
function temperatureAtRatioC(curve: ModulusCurve, ratio: number): number | undefined {
  if (curve.ratio(ROOM_C) < ratio || curve.ratio(curve.endC) > ratio) return undefined;
  const [low, high] = bisect((c) => curve.ratio(c) > ratio, ROOM_C, curve.endC, { within: TOLERANCE_K });
  return (low + high) / 2;
}
