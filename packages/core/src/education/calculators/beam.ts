import { sectionGeometry } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import {
  cantileverRootStressMPa,
  cantileverShearDeflectionMm,
  cantileverTipDeflectionMm,
  filletConcentration,
  section,
} from '@anvilstone/core/shapes';
import { calculator } from './calculator.ts';
import { above0, forceN, modulusMPa, spanMm } from './fields.ts';

export const sectionProperties = calculator({
  id: 'section-properties',
  title: 'Area and second moment of a section',
  source: 'Roark’s Formulas for Stress and Strain, 7th ed., appendix A',
  example: { section: { kind: 'rectangle', widthMm: 20, depthMm: 6 } },
  input: { section: sectionGeometry },
  output: {
    areaMm2: Type.Number(),
    secondMomentMm4: Type.Number(),
    extremeFibreMm: Type.Number(),
    shearFormFactor: Type.Number(),
    peakShearFactor: Type.Number(),
  },
  run({ section: geometry }) {
    const { areaMm2, secondMomentMm4, extremeFibreMm, shearFormFactor, peakShearFactor } = section(geometry);
    return { areaMm2, secondMomentMm4, extremeFibreMm, shearFormFactor, peakShearFactor };
  },
});

export const cantileverDeflection = calculator({
  id: 'cantilever-deflection',
  title: 'Tip deflection of an end-loaded cantilever, bending and shear',
  source: 'Roark, 7th ed., table 8.1 case 1a and section 8.10',
  example: {
    forceN: 15,
    spanMm: 60,
    modulusMPa: 2400,
    shearModulusMPa: 870,
    section: { kind: 'rectangle', widthMm: 20, depthMm: 6 },
  },
  input: { forceN, spanMm, modulusMPa, shearModulusMPa: above0('Shear modulus, MPa'), section: sectionGeometry },
  output: { bendingMm: Type.Number(), shearMm: Type.Number(), totalMm: Type.Number() },
  run({ section: geometry, ...arm }) {
    const cut = section(geometry);
    const bendingMm = cantileverTipDeflectionMm({ ...arm, secondMomentMm4: cut.secondMomentMm4 });
    const shearMm = cantileverShearDeflectionMm({ ...arm, areaMm2: cut.areaMm2, shearFormFactor: cut.shearFormFactor });
    return { bendingMm, shearMm, totalMm: bendingMm + shearMm };
  },
});

export const cantileverStress = calculator({
  id: 'cantilever-root-stress',
  title: 'Root stress of an end-loaded cantilever with a fillet',
  source: 'σ = F·L·c / I; Kt after Peterson’s charts (Norton, Machine Design, app. C)',
  example: { forceN: 15, spanMm: 60, section: { kind: 'rectangle', widthMm: 20, depthMm: 6 }, filletRadiusMm: 0.6 },
  input: {
    forceN,
    spanMm,
    section: sectionGeometry,
    filletRadiusMm: Type.Number({ minimum: 0, description: 'Fillet radius, mm' }),
  },
  output: {
    nominalMPa: Type.Number(),
    concentration: Type.Number(),
    peakMPa: Type.Number(),
    peakShearMPa: Type.Number(),
  },
  run({ forceN: load, spanMm: span, section: geometry, filletRadiusMm }) {
    const cut = section(geometry);
    const concentration = filletConcentration({ filletRadiusMm, depthMm: cut.depthMm, notch: cut.notch });
    const nominalMPa = cantileverRootStressMPa({ forceN: load, spanMm: span, ...cut });
    return {
      nominalMPa,
      concentration,
      peakMPa: concentration * nominalMPa,
      peakShearMPa: (cut.peakShearFactor * load) / cut.areaMm2,
    };
  },
});
