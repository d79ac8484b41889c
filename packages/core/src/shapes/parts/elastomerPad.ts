import { requirePositive, formatNumber as f, say, mm2, bare, mm } from '@anvilstone/core/foundations';
import { type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import type { Fill } from '../infill/fill.ts';
import { FORCE_LOADS, place, response } from './pieces.ts';
import { thinnestWithin } from './printedVolume.ts';

/**
 * How much stiffer a pad is than a free column of the same area: 1 + 2·S² when its faces are held, 1 when they slip; shape
 * factor S = loaded area over free area. Source: Gent & Lindley, Proc. Inst. Mech. Eng. 173 (1959) 111.
 * @throws InputError a size not above 0
 */
export function padStiffening(pad: {
  shape: 'block' | 'disc';
  lengthMm: number;
  widthMm: number;
  heightMm: number;
  faces: 'bonded' | 'slipping';
}): { areaMm2: number; shapeFactor: number; factor: number } {
  requirePositive(pad, ['lengthMm', 'heightMm', 'widthMm']);
  const { lengthMm: a, widthMm: b, heightMm: h } = pad;
  const areaMm2 = pad.shape === 'disc' ? (Math.PI / 4) * a ** 2 : a * b;
  const shapeFactor = pad.shape === 'disc' ? a / (4 * h) : (a * b) / (2 * h * (a + b));
  return { areaMm2, shapeFactor, factor: pad.faces === 'bonded' ? 1 + 2 * shapeFactor ** 2 : 1 };
}

/** A pad that is squeezed: stiffness from its shape, and a limit on how far it is squeezed. */
export const elastomerPad: PartModel<'elastomer-pad'> = {
  id: 'elastomer-pad',
  title: 'Pad or bumper',
  does: 'cushions',
  examples: 'roller guard bumper, foot, isolating mount, end stop',
  axes: { length: 'along its length', depth: 'in the direction of the squeeze', width: 'sideways' },
  takes: () => FORCE_LOADS,
  start: { model: 'elastomer-pad', shape: 'disc', lengthMm: 40, widthMm: 40, heightMm: 20, faces: 'bonded' },
  freeDimension: '/heightMm',
  takesFill: true,
  body(geometry, fill) {
    const { areaMm2, shapeFactor, factor } = padStiffening(geometry);
    const { lengthMm, heightMm } = geometry;
    const column = columnOf(geometry, areaMm2, fill);
    return {
      volumeMm3: areaMm2 * heightMm * column.material,
      extentMm: { length: lengthMm, depth: heightMm, width: geometry.shape === 'disc' ? lengthMm : geometry.widthMm },
      action: 'force',
      holdNPerUnit: 1,
      movement: { title: 'Compression', unit: 'mm' },
      thinnestMm: thinnestWithin(Math.min(heightMm, lengthMm), fill),
      squeezedHeightMm: heightMm,
      responses: {
        depth: response({
          tearAreaMm2: areaMm2,
          places: [
            place({
              id: 'pad',
              title: 'Body of the pad',
              direction: ALONG.depth,
              compressionPerUnit: 1 / (areaMm2 * column.bears),
              lines: [
                {
                  symbol: 'σ',
                  meaning: 'Mean compressive strain',
                  value: 1 / (areaMm2 * column.bears),
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F / ${mm2(areaMm2 * column.bears)}`,
                },
              ],
            }),
          ],
          complianceTerms: [
            {
              title: 'Compression',
              direction: ALONG.depth,
              perModulus: (heightMm * column.gives) / (areaMm2 * factor),
              formula: say`F · ${bare(mm(heightMm * column.gives))} / (E · (1 + 2·S²) · ${bare(mm2(areaMm2))}), shape factor S = ${f(shapeFactor)}${geometry.faces === 'slipping' ? ', faces slip: S taken as 0' : ''}`,
              source: 'Gent & Lindley 1959',
            },
          ],
        }),
      },
    };
  },
};

/**
 * A pad that is a shell around an infill: its side walls stand beside the core and bear together with it, its end faces lie
 * above and below. `bears`: area that bears, over the whole, at the stress of the walls; `gives`: squeeze over that of the
 * solid; `material`: share that is material. Bulging is taken from the solid pad, on the stiff side for an open infill.
 * Source: columns side by side and end to end (Gibson & Ashby, section 4.3, for the core).
 */
function columnOf(
  geometry: { shape: 'block' | 'disc'; lengthMm: number; widthMm: number; heightMm: number },
  areaMm2: number,
  fill: Fill | undefined,
): { bears: number; gives: number; material: number } {
  if (!fill || fill.share >= 1) return { bears: 1, gives: 1, material: 1 };
  const { length, width, depth } = fill.shellMm;
  const [a, b] = [
    Math.max(0, geometry.lengthMm - 2 * length),
    Math.max(0, (geometry.shape === 'disc' ? geometry.lengthMm : geometry.widthMm) - 2 * width),
  ];
  const core = (geometry.shape === 'disc' ? (Math.PI / 4) * a * b : a * b) / areaMm2;
  const coreHeight = Math.max(0, geometry.heightMm - 2 * depth) / geometry.heightMm;
  const bears = 1 - core * (1 - fill.stiffness.depth);
  return {
    bears,
    gives: 1 - coreHeight + coreHeight / bears,
    material: 1 - core * coreHeight * (1 - fill.share),
  };
}
