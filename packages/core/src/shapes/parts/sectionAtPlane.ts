import {
  requirePositive,
  requireWithin,
  formatNumber as f,
  say,
  bare,
  mm2,
  mm,
  mm4,
} from '@anvilstone/core/foundations';
import { filledSection } from '../sections/filledSection.ts';
import { section } from '../sections/section.ts';
import { bentCore, neutralAxis } from './bending.ts';
import { thinnestOf } from './cantileverArm.ts';
import { type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import { place, response } from './pieces.ts';
import { thinnestWithin } from './printedVolume.ts';

/** A part of any shape, judged at one cut: the load pulls on it, bends it by its lever and shears it. */
export const sectionAtPlane: PartModel<'section-at-plane'> = {
  id: 'section-at-plane',
  title: 'Any shape, at one cut',
  does: 'has another shape: judged at its weakest cut',
  examples: 'housing, casting-like part, anything measured on a drawing',
  axes: { length: 'straight through the cut', depth: 'in the direction of the load', width: 'sideways' },
  takes: () => ({ lasting: 'forceN', short: 'forceN', repeated: 'forceN' }),
  start: {
    model: 'section-at-plane',
    section: { kind: 'box', widthMm: 30, depthMm: 24, wallMm: 4 },
    leverMm: 60,
    pullShare: 0,
    volumeMm3: 40000,
    lengthMm: 120,
  },
  freeDimension: '/section',
  takesFill: true,
  body(geometry, fill) {
    requirePositive(geometry, ['leverMm', 'volumeMm3', 'lengthMm']);
    requireWithin('pullShare', geometry.pullShare, 0, 1);
    const { leverMm, pullShare } = geometry;
    const cut = filledSection(geometry.section, 'depth', fill);
    const pulled = pullShare / cut.areaMm2;
    const bent = (leverMm * cut.extremeFibreMm) / cut.secondMomentMm4;
    return {
      // The whole part is taken to be as hollow as its weakest cut.
      volumeMm3: geometry.volumeMm3 * (cut.materialMm2 / section(geometry.section).areaMm2),
      extentMm: { length: geometry.lengthMm, depth: cut.depthMm, width: cut.widthMm },
      action: 'force',
      movement: { title: 'Deflection', unit: 'mm' },
      thinnestMm: thinnestWithin(thinnestOf(geometry.section, cut), fill),
      responses: {
        depth: response({
          tearAreaMm2: cut.areaMm2,
          shearForcePerUnit: 1 - pullShare,
          places: [
            place({
              id: 'cut-fibre',
              title: 'Outer fibre of the cut',
              direction: ALONG.length,
              tensionPerUnit: pulled + bent,
              compressionPerUnit: Math.max(0, bent - pulled),
              bentShare: bent / (pulled + bent),
              lines: [
                {
                  symbol: 'σ',
                  meaning: 'Tension and bending at the outer fibre',
                  value: pulled + bent,
                  perUnit: true,
                  unit: 'MPa',
                  formula: say`F · (${f(pullShare)} / ${bare(mm2(cut.areaMm2))} + ${bare(mm(leverMm))} · ${bare(mm(cut.extremeFibreMm))} / ${bare(mm4(cut.secondMomentMm4))})`,
                  source: 'σ = N/A + M·c/I; no stress concentration is known',
                },
              ],
            }),
            ...bentCore(cut, leverMm),
            ...(pullShare < 1 ? [neutralAxis(cut, 1 - pullShare, `${f(1 - pullShare)} · F`)] : []),
          ],
        }),
      },
    };
  },
};
