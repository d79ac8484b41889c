import {
  requirePositive,
  requireWithin,
  InputError,
  formatNumber as f,
  say,
  mm,
  bare,
} from '@anvilstone/core/foundations';
import { filletConcentration } from '../sections/filletConcentration.ts';
import { section } from '../sections/section.ts';
import { bentFibre, neutralAxis } from './bending.ts';
import { type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import { response } from './pieces.ts';

/** δ·E·w·h³/(F·L³) of a cantilever: 4 when even; 24·(4·ln 2 − 5/2) = 6.542 when its thickness falls evenly to half. */
export const SNAP_COMPLIANCE = { even: 4, half: 24 * (4 * Math.LN2 - 2.5) } as const;

/**
 * Largest strain at the root of a snap hook bent by `travelMm`, a fraction: 6·h·y / (c·L²), c = 4 (1.5·h·y/L²) for an
 * even hook and 6.542 (0.917·h·y/L²) for one that falls to half its thickness.
 * Source: beam theory; the two values are the usual ones of snap-fit design. Range: L above about 5·h.
 * @throws InputError a length not finite and above 0
 */
export function snapStrain(hook: {
  travelMm: number;
  lengthMm: number;
  thicknessMm: number;
  taper: 'even' | 'half';
}): number {
  requirePositive(hook, ['travelMm', 'lengthMm', 'thicknessMm']);
  return (6 * hook.thicknessMm * hook.travelMm) / (SNAP_COMPLIANCE[hook.taper] * hook.lengthMm ** 2);
}

/**
 * Push needed to close a snap hook, N: P·(µ + tan α)/(1 − µ·tan α) with the force P that bends it.
 * Source: wedge with friction. @throws InputError angle outside 0 … 89°, friction below 0, or so steep that it locks
 */
export function matingForceN(hook: { bendingForceN: number; leadAngleDeg: number; friction: number }): number {
  requireWithin('leadAngleDeg', hook.leadAngleDeg, 0, 89);
  requireWithin('friction', hook.friction, 0, 2);
  const slope = Math.tan((hook.leadAngleDeg * Math.PI) / 180);
  if (hook.friction * slope >= 1)
    throw new InputError('leadAngleDeg', hook.leadAngleDeg, 'a flatter slope is needed: this one locks by friction');
  return (hook.bendingForceN * (hook.friction + slope)) / (1 - hook.friction * slope);
}

/** A hook that bends over an edge and springs back: what it can stand is a strain. */
export const snapHook: PartModel<'snap-hook'> = {
  id: 'snap-hook',
  title: 'Snap hook',
  does: 'snaps over an edge',
  examples: 'cover clip, latch tongue, battery-lid catch',
  axes: { length: 'along the hook', depth: 'in the direction it bends', width: 'sideways' },
  takes: () => ({ short: 'displacementMm', repeated: 'displacementMm', held: 'displacementMm' }),
  start: {
    model: 'snap-hook',
    lengthMm: 18,
    thicknessMm: 2,
    widthMm: 6,
    taper: 'half',
    leadAngleDeg: 30,
    filletRadiusMm: 0.8,
  },
  freeDimension: '/lengthMm',
  bends: true,
  body(geometry) {
    const { lengthMm, thicknessMm, widthMm, filletRadiusMm, taper } = geometry;
    requirePositive(geometry, ['lengthMm', 'thicknessMm', 'widthMm']);
    const cut = section({ kind: 'rectangle', widthMm, depthMm: thicknessMm });
    const compliance = SNAP_COMPLIANCE[taper];
    return {
      volumeMm3: cut.areaMm2 * lengthMm * (taper === 'half' ? 0.75 : 1),
      extentMm: { length: lengthMm, depth: thicknessMm, width: widthMm },
      action: 'force',
      holdNPerUnit: 1,
      leadAngleDeg: geometry.leadAngleDeg,
      movement: { title: 'Hook deflection', unit: 'mm' },
      thinnestMm: taper === 'half' ? thicknessMm / 2 : thicknessMm,
      responses: {
        depth: response({
          tearAreaMm2: cut.areaMm2,
          places: [
            bentFibre({
              id: 'root-fibre',
              title: 'Outer fibre at the root',
              cut,
              momentPerUnit: lengthMm,
              momentFormula: say`F · ${mm(lengthMm)}`,
              source: 'Roark, 7th ed., table 8.1, case 1a',
              concentration: filletConcentration({ filletRadiusMm, depthMm: thicknessMm, notch: 'flat' }),
              concentrationFormula: say`r/d = ${bare(mm(filletRadiusMm))} / ${bare(mm(thicknessMm))}`,
            }),
            neutralAxis(cut, 1, 'F'),
          ],
          complianceTerms: [
            {
              title: 'Hook deflection',
              direction: ALONG.length,
              perModulus: (compliance * lengthMm ** 3) / (widthMm * thicknessMm ** 3),
              formula: say`F · ${f(compliance)} · ${bare(mm(lengthMm))}³ / (E · ${bare(mm(widthMm))} · ${bare(mm(thicknessMm))}³)`,
              source: taper === 'even' ? 'Roark, 7th ed., table 8.1, case 1a' : 'the same, integrated over the taper',
            },
          ],
        }),
      },
    };
  },
};
