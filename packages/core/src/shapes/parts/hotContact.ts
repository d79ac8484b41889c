import type { GeometryOf } from '@anvilstone/schema';
import { requireFinite, requirePositive, say, mm2, bare, mm } from '@anvilstone/core/foundations';
import { type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import { place, response } from './pieces.ts';

/** Thermal effusivity √(k·ρ·c) of common bodies, W·√s/(m²·K), rounded: Incropera, Fundamentals of Heat and Mass Transfer, app. A. */
export const EFFUSIVITY: Record<GeometryOf<'hot-contact'>['otherBody'], number> = {
  steel: 14000,
  aluminium: 23500,
  brass: 19500,
  glass: 1500,
  leather: 450,
  wood: 400,
  water: 1600,
  thermoplastic: 600,
};

/** √(k·ρ·c), W·√s/(m²·K), from W/(m·K), g/cm³ and J/(g·K). @throws InputError not above 0 */
export function effusivity(body: { conductivityWPerMK: number; densityGPerCm3: number; heatJPerGK: number }): number {
  requirePositive(body, ['conductivityWPerMK', 'densityGPerCm3', 'heatJPerGK']);
  return Math.sqrt(body.conductivityWPerMK * body.densityGPerCm3 * 1000 * body.heatJPerGK * 1000);
}

/**
 * Temperature where two thick bodies touch, °C: (e₁·T₁ + e₂·T₂)/(e₁ + e₂); it holds until the heat has gone through one of
 * them. Source: Carslaw & Jaeger, Conduction of Heat in Solids, 2nd ed., section 2.15.
 * @throws InputError temperatures not finite; effusivities not above 0
 */
export function contactTemperatureC(pair: {
  ownEffusivity: number;
  ownTemperatureC: number;
  otherEffusivity: number;
  otherTemperatureC: number;
}): number {
  requireFinite(pair, ['ownTemperatureC', 'otherTemperatureC']);
  requirePositive(pair, ['ownEffusivity', 'otherEffusivity']);
  const { ownEffusivity: e1, otherEffusivity: e2 } = pair;
  return (e1 * pair.ownTemperatureC + e2 * pair.otherTemperatureC) / (e1 + e2);
}

/**
 * The same after many touches, when heat has built up: between them the face does not cool to `ownTemperatureC` but to that plus the
 * share of the time it is touched × its rise (the mean over a cycle, which a thick body keeps below its face). `duty` from 0, it
 * cools all the way, to below 1. @throws InputError as `contactTemperatureC`
 */
export function builtUpTemperatureC(pair: Parameters<typeof contactTemperatureC>[0] & { duty: number }): number {
  // T₁ = T_own + d·(T − T_own) in the formula above, solved for T: the own body counts for (1 − d) of its effusivity.
  return contactTemperatureC({ ...pair, ownEffusivity: pair.ownEffusivity * Math.max(1e-9, 1 - pair.duty) });
}

/** A part that is pressed on something hot, over and over, until it has given too much. */
export const hotContact: PartModel<'hot-contact'> = {
  id: 'hot-contact',
  title: 'Hot contact',
  does: 'touches something hot',
  examples: 'hot-stamp pad, forming insert, pan foot, heat-staking nest',
  axes: { length: 'along the face', depth: 'straight into the face', width: 'across the face' },
  takes: () => ({ lasting: 'forceN', short: 'forceN' }),
  start: {
    model: 'hot-contact',
    areaMm2: 600,
    thicknessMm: 8,
    otherBody: 'brass',
    otherTemperatureC: 110,
    ownTemperatureC: 23,
    contactS: 4,
    touches: 2000,
  },
  freeDimension: '/thicknessMm',
  body(geometry) {
    requirePositive(geometry, ['areaMm2', 'thicknessMm', 'contactS', 'touches']);
    const { areaMm2, thicknessMm } = geometry;
    const sideMm = Math.sqrt(areaMm2);
    return {
      volumeMm3: areaMm2 * thicknessMm,
      extentMm: { length: sideMm, depth: thicknessMm, width: sideMm },
      action: 'force',
      movement: { title: 'Indentation', unit: 'mm' },
      thinnestMm: thicknessMm,
      contact: {
        otherEffusivity: EFFUSIVITY[geometry.otherBody],
        otherTemperatureC: geometry.otherTemperatureC,
        ownTemperatureC: geometry.ownTemperatureC,
        touchH: geometry.contactS / 3600,
        touches: geometry.touches,
        duty: geometry.pauseS === undefined ? 0 : geometry.contactS / (geometry.contactS + geometry.pauseS),
        totalH: (geometry.contactS * geometry.touches) / 3600,
      },
      responses: {
        depth: response({
          tearAreaMm2: areaMm2,
          places: [
            place({
              id: 'face',
              title: 'Hot face',
              direction: ALONG.depth,
              compressionPerUnit: 1 / areaMm2,
              lines: [
                {
                  symbol: 'σ',
                  meaning: 'Pressure on the face',
                  value: 1 / areaMm2,
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F / ${mm2(areaMm2)}`,
                },
              ],
            }),
          ],
          complianceTerms: [
            {
              title: 'Indentation, hot all through',
              direction: ALONG.depth,
              perModulus: thicknessMm / areaMm2,
              formula: say`F · ${bare(mm(thicknessMm))} / (E · ${bare(mm2(areaMm2))})`,
              source: 'δ = F·L / (E·A), the whole thickness taken at the contact temperature',
            },
          ],
        }),
      },
    };
  },
};
