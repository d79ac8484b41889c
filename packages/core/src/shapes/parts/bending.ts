import type { Statement } from '@anvilstone/schema';
import type { FilledSection } from '../sections/filledSection.ts';
import type { Section } from '../sections/section.ts';
import { formatNumber as f, say, mm, mm2, bare, mm4 } from '@anvilstone/core/foundations';
import { type StressPlace } from './partModel.ts';
import { ALONG } from './direction.ts';
import { place } from './pieces.ts';

/** What the stress concentration comes from, as the working shows it. */
export const concentrationFormula = (
  filletRadiusMm: number,
  depthMm: number,
  shoulder?: 'fillet' | 'runs-on',
): Statement =>
  shoulder === 'runs-on'
    ? 'no shoulder: the section runs on'
    : say`r/d = ${bare(mm(filletRadiusMm))} / ${bare(mm(depthMm))}`;

/** A place bent by `momentPerUnit` (N·mm per unit of the action) at the outermost fibre of a section. */
export function bentFibre(given: {
  id: string;
  title: string;
  cut: Section;
  momentPerUnit: number;
  /** How the moment comes about, with its numbers. */
  momentFormula: Statement;
  source: string;
  /** @default 1 */
  concentration?: number;
  concentrationFormula?: Statement;
}): StressPlace {
  const { cut, momentPerUnit, concentration = 1 } = given;
  const nominal = (momentPerUnit * cut.extremeFibreMm) / cut.secondMomentMm4;
  return place({
    id: given.id,
    title: given.title,
    direction: ALONG.length,
    tensionPerUnit: concentration * nominal,
    compressionPerUnit: nominal,
    bentShare: 1,
    concentration,
    lines: [
      {
        symbol: 'I',
        meaning: 'Second moment of area',
        value: cut.secondMomentMm4,
        unit: 'mm⁴',
        source: 'Roark, 7th ed., appendix A',
      },
      {
        symbol: 'M',
        meaning: 'Bending moment there',
        value: momentPerUnit,
        perUnit: true,
        unit: 'N·mm',
        formula: given.momentFormula,
        source: given.source,
      },
      {
        symbol: 'σ₀',
        meaning: 'Bending stress without concentration',
        value: nominal,
        perUnit: true,
        unit: 'MPa',
        formula: say`M · ${mm(cut.extremeFibreMm)} / ${mm4(cut.secondMomentMm4)}`,
        source: 'σ = M·c / I',
      },
      ...(given.concentrationFormula === undefined
        ? []
        : [
            {
              symbol: 'Kt',
              meaning: 'Stress concentration of the fillet',
              value: concentration,
              unit: '×',
              formula: given.concentrationFormula,
              source: 'Peterson’s charts, fit in Norton, Machine Design, app. C',
            },
          ]),
      {
        symbol: 'σ',
        meaning: 'Largest tension',
        value: concentration * nominal,
        perUnit: true,
        unit: 'MPa',
        formula: given.concentrationFormula === undefined ? 'σ₀' : 'Kt · σ₀',
      },
    ],
  });
}

/** Shear at the neutral axis from a transverse force, N per unit of the action. */
export function neutralAxis(cut: Section, forcePerUnit: number, forceFormula: Statement): StressPlace {
  return place({
    id: 'neutral-axis',
    title: 'Shear at mid-depth',
    direction: ALONG.length,
    shearPerUnit: (cut.peakShearFactor * forcePerUnit) / cut.areaMm2,
    shearPlanes: ['length', 'depth'],
    lines: [
      {
        symbol: 'τ',
        meaning: 'Shear stress at mid-depth',
        value: (cut.peakShearFactor * forcePerUnit) / cut.areaMm2,
        perUnit: true,
        unit: 'MPa',
        formula: say`${f(cut.peakShearFactor)} · ${forceFormula} / ${mm2(cut.areaMm2)}`,
        source: 'V·Q/(I·b) at the neutral axis',
      },
    ],
  });
}

/** A sideways load bends about the other axis: the planes that its shear slides face width and not depth. */
export function turnedSideways(places: readonly StressPlace[]): StressPlace[] {
  return places.map((one) => ({
    ...one,
    shearPlanes: one.shearPlanes.map((axis) => (axis === 'depth' ? 'width' : axis)),
  }));
}

/**
 * The core where it is bent most: it takes the strain of its place with its own modulus and bears with its own strength. Said
 * as the stress that the solid material would have to bear with the same reserve. None in a solid section.
 */
export function bentCore(cut: FilledSection, momentPerUnit: number): StressPlace[] {
  if (!cut.core) return [];
  const { extremeFibreMm, stiffness, strength } = cut.core;
  const strained = (momentPerUnit * extremeFibreMm) / cut.secondMomentMm4;
  return [
    {
      ...corePlace(strained, stiffness, strength, say`M · ${mm(extremeFibreMm)} / ${f(cut.secondMomentMm4)} mm⁴`),
      bentShare: 1,
    },
  ];
}

/** The core of a bar that is pulled or squeezed evenly, as `bentCore`. */
export function stretchedCore(cut: FilledSection): StressPlace[] {
  if (!cut.core) return [];
  return [corePlace(1 / cut.areaMm2, cut.core.stiffness, cut.core.strength, say`F / ${mm2(cut.areaMm2)}`)];
}

function corePlace(shellPerUnit: number, stiffness: number, strength: number, formula: Statement): StressPlace {
  const perUnit = (shellPerUnit * stiffness) / strength;
  return place({
    id: 'core',
    title: 'Infill where it is strained most',
    direction: ALONG.length,
    tensionPerUnit: perUnit,
    compressionPerUnit: perUnit,
    lines: [
      {
        symbol: 'σₛ',
        meaning: 'Stress that the solid material would have there',
        value: shellPerUnit,
        perUnit: true,
        unit: 'MPa',
        formula,
        source: 'transformed section',
      },
      { symbol: 'E_c/E', meaning: 'Modulus of the infill over that of the material', value: stiffness, unit: '×' },
      { symbol: 'σ_c/σ', meaning: 'Strength of the infill over that of the material', value: strength, unit: '×' },
      {
        symbol: 'σ',
        meaning: 'Stress that asks as much of the material as this asks of the infill',
        value: perUnit,
        perUnit: true,
        unit: 'MPa',
        formula: 'σₛ · (E_c/E) / (σ_c/σ)',
      },
    ],
  });
}
