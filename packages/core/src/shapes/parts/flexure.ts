import { requirePositive, say, mm, bare, mm4 } from '@anvilstone/core/foundations';
import { section } from '../sections/section.ts';
import { bentFibre } from './bending.ts';
import { type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import { response } from './pieces.ts';

/** Strain of a thin hinge bent through an angle, a fraction: t·θ/(2·L), θ in rad. Pure bending. @throws InputError not above 0 */
export function hingeStrain(hinge: { thicknessMm: number; lengthMm: number; angleDeg: number }): number {
  requirePositive(hinge, ['thicknessMm', 'lengthMm', 'angleDeg']);
  return (hinge.thicknessMm * ((hinge.angleDeg * Math.PI) / 180)) / (2 * hinge.lengthMm);
}

/** Strain of a leaf whose end shifts sideways without turning, a fraction: 3·t·δ/L². @throws InputError not above 0 */
export function parallelLeafStrain(leaf: { thicknessMm: number; lengthMm: number; travelMm: number }): number {
  requirePositive(leaf, ['thicknessMm', 'lengthMm', 'travelMm']);
  return (3 * leaf.thicknessMm * leaf.travelMm) / leaf.lengthMm ** 2;
}

/** A thin place that bends on purpose: what it can stand is a strain, over and over. */
export const flexure: PartModel<'flexure'> = {
  id: 'flexure',
  title: 'Flexure or living hinge',
  does: 'bends on purpose at a thin place',
  examples: 'lid hinge, leaf spring, parallel guide, spring finger',
  axes: { length: 'along the leaf', depth: 'in the direction it bends', width: 'sideways' },
  takes({ motion }) {
    const size = motion === 'turns' ? 'angleDeg' : 'displacementMm';
    return { short: size, repeated: size, held: size };
  },
  start: { model: 'flexure', lengthMm: 6, thicknessMm: 0.5, widthMm: 30, motion: 'turns' },
  freeDimension: '/lengthMm',
  bends: true,
  body(geometry) {
    const { lengthMm, thicknessMm, widthMm, motion } = geometry;
    requirePositive(geometry, ['lengthMm', 'thicknessMm', 'widthMm']);
    const cut = section({ kind: 'rectangle', widthMm, depthMm: thicknessMm });
    const turns = motion === 'turns';
    const degrees = 180 / Math.PI;
    return {
      volumeMm3: cut.areaMm2 * lengthMm,
      extentMm: { length: lengthMm, depth: thicknessMm, width: widthMm },
      action: turns ? 'torque' : 'force',
      ...(turns ? {} : { holdNPerUnit: 1 }),
      movement: turns ? { title: 'Turn', unit: '°' } : { title: 'Shift', unit: 'mm' },
      thinnestMm: thicknessMm,
      responses: {
        depth: response({
          tearAreaMm2: cut.areaMm2,
          places: [
            bentFibre({
              id: 'leaf-fibre',
              title: turns ? 'Skin of the leaf' : 'Skin of the leaf at its ends',
              cut,
              momentPerUnit: turns ? 1 : lengthMm / 2,
              momentFormula: turns ? 'T' : say`F · ${mm(lengthMm)} / 2`,
              source: turns ? 'pure bending' : 'clamped and guided, Roark, 7th ed., table 8.1, case 1b',
            }),
          ],
          complianceTerms: [
            {
              title: turns ? 'Turn' : 'Shift',
              direction: ALONG.length,
              perModulus: turns
                ? (degrees * lengthMm) / cut.secondMomentMm4
                : lengthMm ** 3 / (12 * cut.secondMomentMm4),
              formula: turns
                ? say`T · ${bare(mm(lengthMm))} / (E · ${bare(mm4(cut.secondMomentMm4))})`
                : say`F · ${bare(mm(lengthMm))}³ / (12 · E · ${bare(mm4(cut.secondMomentMm4))})`,
              source: turns ? 'θ = M·L / (E·I)' : 'Roark, 7th ed., table 8.1, case 1b',
            },
          ],
        }),
      },
    };
  },
};
