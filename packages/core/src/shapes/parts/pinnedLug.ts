import { InputError, requirePositive, requireWithin, say, bare, mm, mm2 } from '@anvilstone/core/foundations';
import { type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import { place, response } from './pieces.ts';

/**
 * Stress concentration of a close-fitting pin in a lug, on the net section: a cubic in hole over width.
 * Source: Pilkey, Peterson's Stress Concentration Factors, 3rd ed., chart 4.67 (square end, edge distance at least the
 * width). Range: 0.15 … 0.75, the nearest end is used outside of it.
 * @throws InputError ratio not within 0 … 1
 */
export function lugConcentration(holeOverWidth: number): number {
  requireWithin('holeOverWidth', holeOverWidth, 0, 1);
  const x = Math.min(0.75, Math.max(0.15, holeOverWidth));
  return 12.882 - 52.714 * x + 89.762 * x ** 2 - 51.667 * x ** 3;
}

/** An eye on a pin: tears across its net section, is crushed by the pin, or shears out towards its end. */
export const pinnedLug: PartModel<'pinned-lug'> = {
  id: 'pinned-lug',
  title: 'Lug on a pin',
  does: 'is pulled by a pin through a hole',
  examples: 'ratchet pawl, clevis link, eye, hinge leaf',
  axes: { length: 'along the pull', depth: 'along the pin', width: 'across the pull' },
  takes: () => ({ lasting: 'forceN', short: 'forceN', repeated: 'forceN', knock: 'knock' }),
  start: {
    model: 'pinned-lug',
    lengthMm: 50,
    widthMm: 24,
    thicknessMm: 10,
    holeDiameterMm: 8,
    edgeDistanceMm: 16,
  },
  freeDimension: '/thicknessMm',
  body(geometry) {
    requirePositive(geometry, ['lengthMm', 'widthMm', 'thicknessMm', 'holeDiameterMm', 'edgeDistanceMm']);
    const { lengthMm, widthMm, thicknessMm, holeDiameterMm, edgeDistanceMm } = geometry;
    if (holeDiameterMm >= widthMm)
      throw new InputError('holeDiameterMm', holeDiameterMm, `less than the width, ${widthMm} mm, is needed`);
    if (edgeDistanceMm <= holeDiameterMm / 2)
      throw new InputError(
        'edgeDistanceMm',
        edgeDistanceMm,
        `more than half of the hole, ${holeDiameterMm / 2} mm, is needed`,
      );
    const netMm2 = (widthMm - holeDiameterMm) * thicknessMm;
    const concentration = lugConcentration(holeDiameterMm / widthMm);
    const shearMm2 = 2 * (edgeDistanceMm - holeDiameterMm / 2) * thicknessMm;
    return {
      volumeMm3: (widthMm * (lengthMm + edgeDistanceMm) - (Math.PI / 4) * holeDiameterMm ** 2) * thicknessMm,
      extentMm: { length: lengthMm + edgeDistanceMm, depth: thicknessMm, width: widthMm },
      action: 'force',
      movement: { title: 'Elongation', unit: 'mm' },
      thinnestMm: Math.min(thicknessMm, (widthMm - holeDiameterMm) / 2),
      responses: {
        depth: response({
          tearAreaMm2: netMm2,
          places: [
            place({
              id: 'net-section',
              title: 'Net section beside the hole',
              direction: ALONG.length,
              tensionPerUnit: concentration / netMm2,
              concentration,
              lines: [
                {
                  symbol: 'σ₀',
                  meaning: 'Tension over the net section',
                  value: 1 / netMm2,
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F / ((${bare(mm(widthMm))} − ${bare(mm(holeDiameterMm))}) · ${bare(mm(thicknessMm))})`,
                  source: 'Shigley, 10th ed., section 8-12',
                },
                {
                  symbol: 'Kt',
                  meaning: 'Stress concentration of the pin in its hole',
                  value: concentration,
                  unit: '×',
                  formula: say`d/w = ${bare(mm(holeDiameterMm))} / ${bare(mm(widthMm))}`,
                  source: 'Pilkey, Peterson’s, 3rd ed., chart 4.67',
                },
                {
                  symbol: 'σ',
                  meaning: 'Largest tension beside the hole',
                  value: concentration / netMm2,
                  perUnit: true,
                  unit: 'MPa',
                  formula: 'Kt · σ₀',
                },
              ],
            }),
            place({
              id: 'bearing',
              title: 'Bearing at the pin',
              direction: ALONG.length,
              compressionPerUnit: 1 / (holeDiameterMm * thicknessMm),
              lines: [
                {
                  symbol: 'σb',
                  meaning: 'Bearing pressure of the pin',
                  value: 1 / (holeDiameterMm * thicknessMm),
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F / (${bare(mm(holeDiameterMm))} · ${bare(mm(thicknessMm))})`,
                  source: 'Shigley, 10th ed., section 8-12',
                },
              ],
            }),
            place({
              id: 'shear-out',
              title: 'Shear-out behind the pin',
              direction: ALONG.length,
              shearPerUnit: 1 / shearMm2,
              shearPlanes: ['length', 'width'],
              lines: [
                {
                  symbol: 'τ',
                  meaning: 'Shear on the two planes behind the pin',
                  value: 1 / shearMm2,
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F / (2 · (${bare(mm(edgeDistanceMm))} − ${bare(mm(holeDiameterMm / 2))}) · ${bare(mm(thicknessMm))})`,
                  source: 'Shigley, 10th ed., section 8-12',
                },
              ],
            }),
          ],
          complianceTerms: [
            {
              title: 'Elongation',
              direction: ALONG.length,
              perModulus: lengthMm / (widthMm * thicknessMm),
              formula: say`F · ${bare(mm(lengthMm))} / (E · ${bare(mm2(widthMm * thicknessMm))})`,
              source: 'δ = F·L / (E·A); the hole’s own stretch is left out',
            },
          ],
        }),
      },
    };
  },
};
