import { requirePositive, formatNumber as f, say, mm, bare, mm4 } from '@anvilstone/core/foundations';
import { filletConcentration } from '../sections/filletConcentration.ts';
import { section } from '../sections/section.ts';
import { torsionSection } from '../sections/torsion.ts';
import { thinnestOf } from './cantileverArm.ts';
import { concentrationFormula } from './bending.ts';
import type { PartModel, ShownLine } from './partModel.ts';
import { place, response } from './pieces.ts';

const HALF = Math.SQRT1_2;

/** A shaft that is twisted: shear on its sections and along it, and tension at 45° of the same size. */
export const torsionShaft: PartModel<'torsion-shaft'> = {
  id: 'torsion-shaft',
  title: 'Shaft',
  does: 'twists',
  examples: 'knob shaft, drive pin, hand crank spindle',
  axes: { length: 'along the shaft', depth: 'through its depth', width: 'sideways' },
  takes: () => ({ lasting: 'torqueNmm', short: 'torqueNmm', repeated: 'torqueNmm' }),
  start: {
    model: 'torsion-shaft',
    lengthMm: 60,
    section: { kind: 'round', diameterMm: 12 },
    leverMm: 20,
    filletRadiusMm: 1.5,
  },
  freeDimension: '/section',
  body(geometry) {
    requirePositive(geometry, ['lengthMm', 'leverMm']);
    const { lengthMm, leverMm, filletRadiusMm, shoulder } = geometry;
    const cut = section(geometry.section);
    const twist = torsionSection(geometry.section);
    const concentration = filletConcentration({
      filletRadiusMm,
      shoulder,
      depthMm: Math.min(cut.depthMm, cut.widthMm),
      notch: cut.notch,
      load: 'twist',
    });
    const shear = concentration * twist.peakShearPerTorque;
    const lines: ShownLine[] = [
      {
        symbol: 'τ₀',
        meaning: 'Largest shear stress of the section',
        value: twist.peakShearPerTorque,
        perUnit: true,
        unit: 'MPa',
        formula: `T · ${f(twist.peakShearPerTorque)} /mm³`,
        source: twist.source,
      },
      {
        symbol: 'Kt',
        meaning: 'Stress concentration of the shoulder',
        value: concentration,
        unit: '×',
        formula: concentrationFormula(filletRadiusMm, Math.min(cut.depthMm, cut.widthMm), shoulder),
        source: 'Peterson’s charts, fit in Norton, Machine Design, app. C',
      },
      { symbol: 'τ', meaning: 'Largest shear', value: shear, perUnit: true, unit: 'MPa', formula: 'Kt · τ₀' },
    ];
    return {
      volumeMm3: cut.areaMm2 * lengthMm,
      extentMm: { length: lengthMm, depth: cut.depthMm, width: cut.widthMm },
      action: 'torque',
      movement: { title: say`Movement at a radius of ${mm(leverMm)}`, unit: 'mm' },
      movementRadiusMm: leverMm,
      thinnestMm: thinnestOf(geometry.section, cut),
      responses: {
        depth: response({
          tearAreaMm2: cut.areaMm2,
          places: [
            place({
              id: 'skin',
              title: 'Skin of the shaft, sheared',
              direction: [1, 0, 0],
              shearPerUnit: shear,
              shearPlanes: ['length', 'depth', 'width'],
              concentration,
              lines,
            }),
            ...(['depth', 'width'] as const).map((axis) =>
              place({
                id: `helix-${axis}`,
                title: 'Tension at 45° in the skin',
                direction: axis === 'depth' ? ([HALF, HALF, 0] as const) : ([HALF, 0, HALF] as const),
                tensionPerUnit: shear,
                compressionPerUnit: shear,
                concentration,
                lines: [
                  ...lines,
                  {
                    symbol: 'σ',
                    meaning: 'Tension at 45° to the axis, as large as the shear',
                    value: shear,
                    perUnit: true,
                    unit: 'MPa',
                    source: 'Mohr’s circle of pure shear',
                  },
                ],
              }),
            ),
          ],
          shear: {
            perModulus: (lengthMm * leverMm) / twist.torsionConstantMm4,
            planes: ['length', 'depth'],
            formula: say`T · ${bare(mm(lengthMm))} · ${bare(mm(leverMm))} / (G · ${bare(mm4(twist.torsionConstantMm4))})`,
            source: 'θ = T·L / (K·G), Roark, 7th ed., section 10.1',
          },
        }),
      },
    };
  },
};
