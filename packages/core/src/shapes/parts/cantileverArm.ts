import type { GeometryOf } from '@anvilstone/schema';
import { filletConcentration } from '../sections/filletConcentration.ts';
import { filledSection } from '../sections/filledSection.ts';
import type { BendingDirection, Section } from '../sections/section.ts';
import type { Fill } from '../infill/fill.ts';
import { printedVolumeMm3, thinnestWithin } from './printedVolume.ts';
import { formatNumber as f, say, mm, bare, mm4, mm2 } from '@anvilstone/core/foundations';
import { bentCore, bentFibre, concentrationFormula, neutralAxis, turnedSideways } from './bending.ts';
import { ROOT_TURN } from './bracketFrame.ts';
import { cantileverShearDeflectionMm, cantileverTipDeflectionMm } from './cantilever.ts';
import { SMALL_SHARE, type PartModel, type PartResponse, type ComplianceTerm } from './partModel.ts';
import { ALONG } from './direction.ts';
import { FORCE_LOADS, response } from './pieces.ts';

/** An arm held at its root that carries a load at its end. */
export const cantileverArm: PartModel<'cantilever-arm'> = {
  id: 'cantilever-arm',
  title: 'Arm',
  does: 'holds out a load',
  examples: 'lamp arm, hook, lever, shelf-like bracket',
  axes: { length: 'along the arm', depth: 'in the direction of the load', width: 'sideways' },
  takes: () => FORCE_LOADS,
  start: {
    model: 'cantilever-arm',
    spanMm: 120,
    section: { kind: 'rectangle', widthMm: 16, depthMm: 20 },
    filletRadiusMm: 4,
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
      movement: { title: 'Deflection at the load', unit: 'mm' },
      movementRangeMm: SMALL_SHARE * geometry.spanMm,
      thinnestMm: thinnestWithin(thinnestOf(geometry.section, cut), fill),
      responses: { depth: respond(geometry, 'depth', fill), width: respond(geometry, 'width', fill) },
    };
  },
};

function respond(geometry: GeometryOf<'cantilever-arm'>, direction: BendingDirection, fill?: Fill): PartResponse {
  const { spanMm, filletRadiusMm, shoulder } = geometry;
  const cut = filledSection(geometry.section, direction, fill);
  const concentration = filletConcentration({ filletRadiusMm, shoulder, depthMm: cut.depthMm, notch: cut.notch });
  const places = [
    bentFibre({
      id: 'root-fibre',
      title: 'Outer tension fibre at the root',
      cut,
      momentPerUnit: spanMm,
      momentFormula: say`F · ${mm(spanMm)}`,
      source: 'Roark, 7th ed., table 8.1, case 1a',
      concentration,
      concentrationFormula: concentrationFormula(filletRadiusMm, cut.depthMm, shoulder),
    }),
    ...bentCore(cut, spanMm),
    neutralAxis(cut, 1, 'F'),
  ];
  return response({
    places: direction === 'depth' ? places : turnedSideways(places),
    tearAreaMm2: cut.areaMm2,
    shearForcePerUnit: 1,
    complianceTerms: [
      {
        title: 'Bending part',
        direction: ALONG.length,
        perModulus: cantileverTipDeflectionMm({
          forceN: 1,
          spanMm,
          modulusMPa: 1,
          secondMomentMm4: cut.secondMomentMm4,
        }),
        formula: say`F · ${bare(mm(spanMm))}³ / (3 · E · ${bare(mm4(cut.secondMomentMm4))})`,
        source: 'Roark, 7th ed., table 8.1, case 1a',
      },
      ...(geometry.root === 'printed-wall' ? [rootTurn(spanMm, cut)] : []),
    ],
    shear: {
      perModulus: cantileverShearDeflectionMm({ forceN: 1, spanMm, shearModulusMPa: 1, ...cut }),
      planes: ['length', direction],
      formula: say`${f(cut.shearFormFactor)} · F · ${bare(mm(spanMm))} / (G · ${bare(mm2(cut.areaMm2))})`,
      source: 'Roark, 7th ed., section 8.10',
    },
  });
}

/**
 * What the turn of a root in a wall of the same material adds at the load: θ = k·M/(E·b·d²), with b·d² = 12·I/d, so that it serves
 * any section. Range: the wall about as thick as the arm is deep, or thicker.
 */
function rootTurn(spanMm: number, { secondMomentMm4, depthMm }: Section): ComplianceTerm {
  return {
    title: 'Rotation of the root in its wall',
    direction: ALONG.length,
    perModulus: (ROOT_TURN * spanMm ** 2 * depthMm) / (12 * secondMomentMm4),
    formula: say`${f(ROOT_TURN)} · F · ${bare(mm(spanMm))}² · ${bare(mm(depthMm))} / (12 · E · ${bare(mm4(secondMomentMm4))})`,
    source: 'O’Donnell, J. Appl. Mech. 27 (1960) 461',
  };
}

/** Thinnest wall of a section, mm. */
export function thinnestOf(
  geometry: GeometryOf<'cantilever-arm'>['section'],
  cut: { widthMm: number; depthMm: number },
): number {
  switch (geometry.kind) {
    case 'tube':
    case 'box':
      return geometry.wallMm;
    case 'angle':
      return geometry.thicknessMm;
    case 'i':
    case 't':
    case 'channel':
      return Math.min(geometry.webMm, geometry.flangeMm);
    default:
      return Math.min(cut.widthMm, cut.depthMm);
  }
}
