import { requirePositive, say, mm2, bare, mm } from '@anvilstone/core/foundations';
import { filletConcentration } from '../sections/filletConcentration.ts';
import { filledSection } from '../sections/filledSection.ts';
import { thinnestOf } from './cantileverArm.ts';
import { type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import { concentrationFormula, stretchedCore } from './bending.ts';
import { FORCE_LOADS, place, response } from './pieces.ts';
import { printedVolumeMm3, thinnestWithin } from './printedVolume.ts';

/** A bar pulled along its length: σ = Kt·F/A, δ = F·L/(E·A). */
export const tie: PartModel<'tie'> = {
  id: 'tie',
  title: 'Tie',
  does: 'is pulled',
  examples: 'pull rod, strap, tension link, hanger rod',
  axes: { length: 'along the pull', depth: 'through its depth', width: 'sideways' },
  takes: () => FORCE_LOADS,
  start: { model: 'tie', lengthMm: 80, section: { kind: 'rectangle', widthMm: 12, depthMm: 6 }, filletRadiusMm: 3 },
  freeDimension: '/section',
  takesFill: true,
  body(geometry, fill) {
    requirePositive(geometry, ['lengthMm']);
    const { lengthMm, filletRadiusMm, shoulder } = geometry;
    const cut = filledSection(geometry.section, 'depth', fill);
    const narrowMm = Math.min(cut.depthMm, cut.widthMm);
    const concentration = filletConcentration({
      filletRadiusMm,
      shoulder,
      depthMm: narrowMm,
      notch: cut.notch,
      load: 'pull',
    });
    return {
      volumeMm3: printedVolumeMm3(cut, lengthMm, fill),
      extentMm: { length: lengthMm, depth: cut.depthMm, width: cut.widthMm },
      action: 'force',
      holdNPerUnit: 1,
      movement: { title: 'Elongation', unit: 'mm' },
      thinnestMm: thinnestWithin(thinnestOf(geometry.section, cut), fill),
      responses: {
        depth: response({
          tearAreaMm2: cut.areaMm2,
          places: [
            place({
              id: 'shoulder',
              title: 'Fillet at the end of the bar',
              direction: ALONG.length,
              tensionPerUnit: concentration / cut.areaMm2,
              concentration,
              lines: [
                {
                  symbol: 'σ₀',
                  meaning: 'Mean tension',
                  value: 1 / cut.areaMm2,
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F / ${mm2(cut.areaMm2)}`,
                  source: 'σ = F / A',
                },
                {
                  symbol: 'Kt',
                  meaning: 'Stress concentration of the fillet',
                  value: concentration,
                  unit: '×',
                  formula: concentrationFormula(filletRadiusMm, narrowMm, shoulder),
                  source: 'Peterson’s charts, fit in Norton, Machine Design, app. C',
                },
                {
                  symbol: 'σ',
                  meaning: 'Largest tension',
                  value: concentration / cut.areaMm2,
                  perUnit: true,
                  unit: 'MPa',
                  formula: 'Kt · σ₀',
                },
              ],
            }),
            ...stretchedCore(cut).map((core) => ({ ...core, compressionPerUnit: 0 })),
          ],
          complianceTerms: [
            {
              title: 'Elongation',
              direction: ALONG.length,
              perModulus: lengthMm / cut.areaMm2,
              formula: say`F · ${bare(mm(lengthMm))} / (E · ${bare(mm2(cut.areaMm2))})`,
              source: 'δ = F·L / (E·A)',
            },
          ],
        }),
      },
    };
  },
};
