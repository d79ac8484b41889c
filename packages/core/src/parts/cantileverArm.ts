import type { PartGeometry } from '@anvilstone/schema';
import { filletConcentration } from '../sections/filletConcentration.ts';
import { section } from '../sections/section.ts';
import { formatNumber as f } from '../units/formatQuantity.ts';
import { cantileverRootStressMPa, cantileverShearDeflectionMm, cantileverTipDeflectionMm } from './cantilever.ts';
import type { PartModel, StressPlace } from './partModel.ts';

/** An arm held at its root that carries a load at its end. Layers: XY stacked along the load, XZ sideways, ZX along the arm. */
export const cantileverArm: PartModel<PartGeometry> = {
  id: 'cantilever-arm',
  title: 'Cantilever arm',
  does: 'holds out a load',
  body(geometry) {
    const { spanMm, filletRadiusMm } = geometry;
    const cut = section(geometry.section);
    const concentration = filletConcentration({ filletRadiusMm, depthMm: cut.depthMm, notch: cut.notch });
    const nominalPerN = cantileverRootStressMPa({
      forceN: 1,
      spanMm,
      secondMomentMm4: cut.secondMomentMm4,
      extremeFibreMm: cut.extremeFibreMm,
    });
    const root: StressPlace = {
      id: 'root-fibre',
      title: 'Outer tension fibre at the root',
      normalPerN: concentration * nominalPerN,
      axis: 'length',
      shearPerN: 0,
      shearPlanes: ['length', 'depth'],
    };
    const middle: StressPlace = {
      id: 'neutral-axis',
      title: 'Shear at mid-depth',
      normalPerN: 0,
      axis: 'length',
      shearPerN: cut.peakShearFactor / cut.areaMm2,
      shearPlanes: ['length', 'depth'],
    };
    const bending = (forceN: number, modulusMPa: number) =>
      cantileverTipDeflectionMm({ forceN, spanMm, modulusMPa, secondMomentMm4: cut.secondMomentMm4 });
    const shear = (forceN: number, shearModulusMPa: number) =>
      cantileverShearDeflectionMm({
        forceN,
        spanMm,
        shearModulusMPa,
        areaMm2: cut.areaMm2,
        shearFormFactor: cut.shearFormFactor,
      });
    // Checked once here; the inner loops multiply these.
    const bendingPerNMPa = bending(1, 1);
    const shearPerNMPa = shear(1, 1);
    return {
      volumeMm3: cut.areaMm2 * spanMm,
      extentMm: { length: spanMm, depth: cut.depthMm, width: cut.widthMm },
      places: [root, middle],
      deflectionMm: (forceN, modulusMPa, shearModulusMPa) =>
        forceN * (bendingPerNMPa / modulusMPa + shearPerNMPa / shearModulusMPa),
      showStress(working, place, forceN) {
        if (place.id === middle.id) {
          working.add('τ', 'Shear stress at mid-depth', place.shearPerN * forceN, 'MPa', {
            expression: `${f(cut.peakShearFactor)} · ${f(forceN)} N / ${f(cut.areaMm2)} mm²`,
            source: 'V·Q/(I·b) at the neutral axis',
          });
          return;
        }
        working.add('I', 'Second moment of area', cut.secondMomentMm4, 'mm⁴', { source: 'Roark, 7th ed., appendix A' });
        working.add('σ₀', 'Bending stress at the root, without the fillet', nominalPerN * forceN, 'MPa', {
          expression: `${f(forceN)} N · ${f(spanMm)} mm · ${f(cut.extremeFibreMm)} mm / ${f(cut.secondMomentMm4)} mm⁴`,
          source: 'σ = F·L·c / I',
        });
        working.add('Kt', 'Stress concentration of the root fillet', concentration, '×', {
          expression: `r/d = ${f(filletRadiusMm)} / ${f(cut.depthMm)}`,
          source: 'Peterson’s charts, fit in Norton, Machine Design, app. C',
        });
        working.add('σ', 'Largest tension at the root', place.normalPerN * forceN, 'MPa', {
          expression: `${f(concentration)} · ${f(nominalPerN * forceN)} MPa`,
        });
      },
      showDeflection(working, forceN, modulusMPa, shearModulusMPa) {
        working.add('δb', 'Bending part', bending(forceN, modulusMPa), 'mm', {
          expression: `${f(forceN)} · ${f(spanMm)}³ / (3 · ${f(modulusMPa)} · ${f(cut.secondMomentMm4)})`,
          source: 'Roark, 7th ed., table 8.1, case 1a',
        });
        working.add('δs', 'Shear part', shear(forceN, shearModulusMPa), 'mm', {
          expression: `${f(cut.shearFormFactor)} · ${f(forceN)} · ${f(spanMm)} / (${f(shearModulusMPa)} · ${f(cut.areaMm2)})`,
          source: 'Roark, 7th ed., section 8.10',
        });
      },
    };
  },
};
