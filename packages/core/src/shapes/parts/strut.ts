import type { GeometryOf } from '@anvilstone/schema';
import { requireFinite, requirePositive, formatNumber as f, say, mm2, bare, mm } from '@anvilstone/core/foundations';
import { filledSection } from '../sections/filledSection.ts';
import { thinnestOf } from './cantileverArm.ts';
import { type Buckling, type PartModel } from './partModel.ts';
import { ALONG, type Direction } from './direction.ts';
import { place, response } from './pieces.ts';
import { stretchedCore } from './bending.ts';
import { printedVolumeMm3, thinnestWithin } from './printedVolume.ts';

/**
 * Load at which a straight strut buckles, N: Euler π²·E·I/(K·L)² while the stress stays below half of the compressive
 * strength, J. B. Johnson's parabola A·S·(1 − A·S/(4·P_Euler)) above it; the two meet at half the strength.
 * Source: Shigley's Mechanical Engineering Design, 10th ed., sections 4-12 and 4-13. Range: straight, centred load.
 * @throws InputError Euler load or crushing load not finite and above 0
 */
export function bucklingLoad(eulerLoad: number, crushingLoad: number): number {
  // Asked at each temperature of a search: the object is only made for the message.
  if (!(eulerLoad > 0 && eulerLoad < Infinity && crushingLoad > 0 && crushingLoad < Infinity))
    requirePositive({ eulerLoad, crushingLoad }, ['eulerLoad', 'crushingLoad']);
  return eulerLoad <= crushingLoad / 2 ? eulerLoad : crushingLoad * (1 - crushingLoad / (4 * eulerLoad));
}

/**
 * Euler load per modulus, N/MPa: π²·I/(K·L)². K: pinned 1, clamped 0.65, clamped and pinned 0.8, clamped and free 2.1
 * (recommended for real joints), or the ideal 0.5, 0.7 and 2. Source: Shigley, 10th ed., table 4-2; AISC commentary.
 * @throws InputError length or second moment not finite and above 0
 */
export function eulerPerModulus(strut: {
  lengthMm: number;
  secondMomentMm4: number;
  effectiveLengthFactor: number;
}): number {
  requireFinite(strut, ['lengthMm']);
  requirePositive(strut, ['lengthMm', 'secondMomentMm4', 'effectiveLengthFactor']);
  return (Math.PI ** 2 * strut.secondMomentMm4) / (strut.effectiveLengthFactor * strut.lengthMm) ** 2;
}

const EFFECTIVE_LENGTH: Record<
  NonNullable<GeometryOf<'strut'>['endFit']>,
  Record<GeometryOf<'strut'>['ends'], number>
> = {
  practical: { pinned: 1, clamped: 0.65, 'clamped-pinned': 0.8, 'clamped-free': 2.1 },
  ideal: { pinned: 1, clamped: 0.5, 'clamped-pinned': 0.7, 'clamped-free': 2 },
};

/** K of a strut whose ends hold as real joints do, or as in theory. @param endFit @default 'practical' */
export const effectiveLengthFactor = ({ ends, endFit = 'practical' }: Pick<GeometryOf<'strut'>, 'ends' | 'endFit'>) =>
  EFFECTIVE_LENGTH[endFit][ends];

/** A bar that buckles about its weaker axis, squeezed by `forcePerUnit` N per unit of the action. */
export function barBuckling(bar: {
  id: string;
  title: string;
  direction: Direction;
  lengthMm: number;
  effectiveLengthFactor: number;
  weakSecondMomentMm4: number;
  areaMm2: number;
  forcePerUnit: number;
}): Buckling {
  const euler = eulerPerModulus({ ...bar, secondMomentMm4: bar.weakSecondMomentMm4 });
  const radiusMm = Math.sqrt(bar.weakSecondMomentMm4 / bar.areaMm2);
  return {
    id: bar.id,
    title: bar.title,
    direction: bar.direction,
    criticalPerModulus: euler / bar.forcePerUnit,
    actionPerStress: bar.areaMm2 / bar.forcePerUnit,
    lines: [
      {
        symbol: 'I_min',
        meaning: 'Second moment about the weaker axis',
        value: bar.weakSecondMomentMm4,
        unit: 'mm⁴',
        source: 'Roark, 7th ed., appendix A',
      },
      {
        symbol: 'K·L/r',
        meaning: 'Slenderness',
        value: (bar.effectiveLengthFactor * bar.lengthMm) / radiusMm,
        unit: '×',
        formula: say`${f(bar.effectiveLengthFactor)} · ${bare(mm(bar.lengthMm))} / ${bare(mm(radiusMm))}`,
        source: 'end condition K, Shigley, table 4-2: recommended for real joints unless the strut asks for ideal ends',
      },
      {
        symbol: 'C',
        meaning: 'Compression in the bar',
        value: bar.forcePerUnit,
        perUnit: true,
        unit: 'N',
      },
    ],
  };
}

/** A slender bar that is squeezed along its length. */
export const strut: PartModel<'strut'> = {
  id: 'strut',
  title: 'Strut',
  does: 'is squeezed and slender',
  examples: 'prop, leg, spacer post, push rod',
  axes: { length: 'along the strut', depth: 'through its depth', width: 'sideways' },
  takes: () => ({ lasting: 'forceN', short: 'forceN', repeated: 'forceN', knock: 'knock' }),
  start: { model: 'strut', lengthMm: 140, section: { kind: 'rectangle', widthMm: 14, depthMm: 10 }, ends: 'pinned' },
  freeDimension: '/section',
  takesFill: true,
  body(geometry, fill) {
    requirePositive(geometry, ['lengthMm']);
    const { lengthMm } = geometry;
    const cut = filledSection(geometry.section, 'depth', fill);
    const sideways = filledSection(geometry.section, 'width', fill);
    const weak = Math.min(cut.secondMomentMm4, sideways.secondMomentMm4);
    return {
      volumeMm3: printedVolumeMm3(cut, lengthMm, fill),
      extentMm: { length: lengthMm, depth: cut.depthMm, width: cut.widthMm },
      action: 'force',
      movement: { title: 'Shortening', unit: 'mm' },
      thinnestMm: thinnestWithin(thinnestOf(geometry.section, cut), fill),
      responses: {
        depth: response({
          tearAreaMm2: cut.areaMm2,
          places: [
            place({
              id: 'shaft',
              title: 'Section in compression',
              direction: ALONG.length,
              compressionPerUnit: 1 / cut.areaMm2,
              lines: [
                {
                  symbol: 'σ',
                  meaning: 'Mean compression',
                  value: 1 / cut.areaMm2,
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F / ${mm2(cut.areaMm2)}`,
                  source: 'σ = F / A',
                },
              ],
            }),
            ...stretchedCore(cut).map((core) => ({ ...core, tensionPerUnit: 0 })),
          ],
          complianceTerms: [
            {
              title: 'Shortening',
              direction: ALONG.length,
              perModulus: lengthMm / cut.areaMm2,
              formula: say`F · ${bare(mm(lengthMm))} / (E · ${bare(mm2(cut.areaMm2))})`,
              source: 'δ = F·L / (E·A)',
            },
          ],
          buckling: [
            barBuckling({
              id: 'bows',
              title: 'Strut buckles',
              direction: ALONG.length,
              lengthMm,
              effectiveLengthFactor: effectiveLengthFactor(geometry),
              weakSecondMomentMm4: weak,
              areaMm2: cut.areaMm2,
              forcePerUnit: 1,
            }),
          ],
        }),
      },
    };
  },
};
