import type { GeometryOf } from '@anvilstone/schema';
import {
  InputError,
  requirePositive,
  formatNumber as f,
  say,
  mm,
  mm3,
  mm4,
  bare,
  mm2,
} from '@anvilstone/core/foundations';
import { filletConcentration } from '../sections/filletConcentration.ts';
import type { Fill } from '../infill/fill.ts';
import { filledSection } from '../sections/filledSection.ts';
import type { BendingDirection, Section } from '../sections/section.ts';
import { bentCore, bentFibre, concentrationFormula, neutralAxis, turnedSideways } from './bending.ts';
import { thinnestOf } from './cantileverArm.ts';
import { SMALL_SHARE, type PartModel, type PartResponse } from './partModel.ts';
import { ALONG } from './direction.ts';
import { FORCE_LOADS, response } from './pieces.ts';
import { printedVolumeMm3, thinnestWithin } from './printedVolume.ts';

export interface BeamFactors {
  /** Largest bending moment in the span and at the ends, N·mm per N. */
  spanMomentMm: number;
  endMomentMm: number;
  /** Largest transverse force, N per N. */
  shear: number;
  /** Deflection at the load (at mid-span when it is spread) is `bendingMm3`·F/(E·I) + `shearMm`·F_s·F/(G·A). */
  bendingMm3: number;
  shearMm: number;
  source: string;
}

/**
 * Moments and movement per newton of a beam of span L, with a load at `positionMm` from its left end or spread evenly.
 * Source: Roark's Formulas for Stress and Strain, 7th ed., table 8.1: case 1e (supported, point), 2e (supported, spread),
 * 1d (clamped, point), 2d (clamped, spread). The shear part takes the supported beam's shear force for both.
 * @throws InputError span not above 0; position not within the span
 */
export function beamFactors(beam: {
  spanMm: number;
  positionMm?: number | undefined;
  ends: 'supported' | 'clamped';
  loading: 'point' | 'spread';
}): BeamFactors {
  requirePositive(beam, ['spanMm']);
  const l = beam.spanMm;
  const a = beam.positionMm ?? l / 2;
  if (!(a > 0 && a < l)) throw new InputError('positionMm', a, `a place within the span, 0 to ${l} mm, is needed`);
  const b = l - a;
  if (beam.loading === 'spread') {
    return beam.ends === 'supported'
      ? {
          spanMomentMm: l / 8,
          endMomentMm: 0,
          shear: 0.5,
          bendingMm3: (5 * l ** 3) / 384,
          shearMm: l / 8,
          source: 'Roark, 7th ed., table 8.1, case 2e',
        }
      : {
          spanMomentMm: l / 24,
          endMomentMm: l / 12,
          shear: 0.5,
          bendingMm3: l ** 3 / 384,
          shearMm: l / 8,
          source: 'Roark, 7th ed., table 8.1, case 2d',
        };
  }
  const shearMm = (a * b) / l;
  if (beam.ends === 'supported') {
    return {
      spanMomentMm: (a * b) / l,
      endMomentMm: 0,
      shear: Math.max(a, b) / l,
      bendingMm3: (a * b) ** 2 / (3 * l),
      shearMm,
      source: 'Roark, 7th ed., table 8.1, case 1e',
    };
  }
  const near = Math.min(a, b);
  const far = l - near;
  return {
    spanMomentMm: (2 * (a * b) ** 2) / l ** 3,
    endMomentMm: (near * far ** 2) / l ** 2,
    shear: (far ** 2 * (far + 3 * near)) / l ** 3,
    bendingMm3: (a * b) ** 3 / (3 * l ** 3),
    shearMm,
    source: 'Roark, 7th ed., table 8.1, case 1d',
  };
}

/** A beam on two supports, pushed at one place or all along. */
export const beam: PartModel<'beam'> = {
  id: 'beam',
  title: 'Beam',
  does: 'spans and is pushed',
  examples: 'tray, cross-bar, cover strip, bend-test bar',
  axes: { length: 'along the beam', depth: 'in the direction of the load', width: 'sideways' },
  takes: () => FORCE_LOADS,
  start: {
    model: 'beam',
    spanMm: 160,
    section: { kind: 'rectangle', widthMm: 20, depthMm: 8 },
    ends: 'supported',
    loading: 'point',
    filletRadiusMm: 2,
  },
  freeDimension: '/section',
  bends: true,
  takesFill: true,
  body(geometry, fill) {
    const cut = filledSection(geometry.section, 'depth', fill);
    return {
      volumeMm3: printedVolumeMm3(cut, geometry.spanMm, fill),
      extentMm: { length: geometry.spanMm, depth: cut.depthMm, width: cut.widthMm },
      action: 'force',
      holdNPerUnit: 1,
      movement: {
        title: geometry.loading === 'point' ? 'Deflection at the load' : 'Deflection at mid-span',
        unit: 'mm',
      },
      movementRangeMm: SMALL_SHARE * geometry.spanMm,
      thinnestMm: thinnestWithin(thinnestOf(geometry.section, cut), fill),
      responses: { depth: respond(geometry, 'depth', fill), width: respond(geometry, 'width', fill) },
    };
  },
};

function respond(geometry: GeometryOf<'beam'>, direction: BendingDirection, fill?: Fill): PartResponse {
  const cut = filledSection(geometry.section, direction, fill);
  const factors = beamFactors(geometry);
  const places = [
    bentFibre({
      id: 'span-fibre',
      title: geometry.loading === 'point' ? 'Outer tension fibre under the load' : 'Outer tension fibre at mid-span',
      cut,
      momentPerUnit: factors.spanMomentMm,
      momentFormula: say`F · ${mm(factors.spanMomentMm)}`,
      source: factors.source,
    }),
    ...(factors.endMomentMm > 0 ? [clampedEnd(geometry, cut, factors)] : []),
    ...bentCore(cut, Math.max(factors.spanMomentMm, factors.endMomentMm)),
    neutralAxis(cut, factors.shear, `${f(factors.shear)} · F`),
  ];
  return response({
    places: direction === 'depth' ? places : turnedSideways(places),
    tearAreaMm2: cut.areaMm2,
    shearForcePerUnit: factors.shear,
    complianceTerms: [
      {
        title: 'Bending part',
        direction: ALONG.length,
        perModulus: factors.bendingMm3 / cut.secondMomentMm4,
        formula: say`F · ${mm3(factors.bendingMm3)} / (E · ${mm4(cut.secondMomentMm4)})`,
        source: factors.source,
      },
    ],
    shear: {
      perModulus: (cut.shearFormFactor * factors.shearMm) / cut.areaMm2,
      planes: ['length', direction],
      formula: say`${f(cut.shearFormFactor)} · F · ${bare(mm(factors.shearMm))} / (G · ${bare(mm2(cut.areaMm2))})`,
      source: 'Roark, 7th ed., section 8.10',
    },
  });
}

function clampedEnd({ filletRadiusMm, shoulder }: GeometryOf<'beam'>, cut: Section, factors: BeamFactors) {
  return bentFibre({
    id: 'end-fibre',
    title: 'Outer tension fibre at the clamped end',
    cut,
    momentPerUnit: factors.endMomentMm,
    momentFormula: say`F · ${mm(factors.endMomentMm)}`,
    source: factors.source,
    concentration: filletConcentration({ filletRadiusMm, shoulder, depthMm: cut.depthMm, notch: cut.notch }),
    concentrationFormula: concentrationFormula(filletRadiusMm, cut.depthMm, shoulder),
  });
}
