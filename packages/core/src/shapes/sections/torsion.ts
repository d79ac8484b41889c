import type { SectionGeometry } from '@anvilstone/schema';
import { InputError } from '@anvilstone/core/foundations';
import { section } from './section.ts';

export interface TorsionSection {
  /** K in θ = T·L/(K·G), mm⁴. */
  torsionConstantMm4: number;
  /** Largest shear stress per torque, 1/mm³. */
  peakShearPerTorque: number;
  source: string;
}

/**
 * Twisting stiffness and largest shear stress of a section.
 * Source: Roark's Formulas for Stress and Strain, 7th ed., table 10.1 (rounds, solid rectangle) and section 10.2
 * (closed thin wall after Bredt; open thin walls as the sum of their parts, largest stress at mid-side).
 * Range: walls of open sections thinner than about a fifth of their length.
 * @throws InputError for an outline or measured section, whose torsion cannot be told from what is given
 */
export function torsionSection(geometry: SectionGeometry): TorsionSection {
  section(geometry); // refuses impossible dimensions by name
  switch (geometry.kind) {
    case 'round':
      return polar(geometry.diameterMm, 0);
    case 'tube':
      return polar(geometry.outerDiameterMm, geometry.outerDiameterMm - 2 * geometry.wallMm);
    case 'rectangle':
      return rectangle(geometry.widthMm, geometry.depthMm);
    case 'box': {
      const a = geometry.widthMm - geometry.wallMm;
      const b = geometry.depthMm - geometry.wallMm;
      return {
        torsionConstantMm4: (4 * (a * b) ** 2 * geometry.wallMm) / (2 * (a + b)),
        peakShearPerTorque: 1 / (2 * a * b * geometry.wallMm),
        source: 'closed thin wall after Bredt, Roark, 7th ed., section 10.2',
      };
    }
    case 'angle':
      return open([
        [geometry.widthMm, geometry.thicknessMm],
        [geometry.depthMm - geometry.thicknessMm, geometry.thicknessMm],
      ]);
    case 't':
      return open([
        [geometry.widthMm, geometry.flangeMm],
        [geometry.depthMm - geometry.flangeMm, geometry.webMm],
      ]);
    case 'i':
    case 'channel':
      return open([
        [geometry.widthMm, geometry.flangeMm],
        [geometry.widthMm, geometry.flangeMm],
        [geometry.depthMm - 2 * geometry.flangeMm, geometry.webMm],
      ]);
    default:
      throw new InputError(
        'section',
        geometry.kind,
        'for twisting, a round, tube, rectangle, box, I, T, channel or L section is needed',
      );
  }
}

function polar(outerMm: number, innerMm: number): TorsionSection {
  const polarMm4 = (Math.PI / 32) * (outerMm ** 4 - innerMm ** 4);
  return {
    torsionConstantMm4: polarMm4,
    peakShearPerTorque: outerMm / 2 / polarMm4,
    source: 'τ = T·r/J, Roark, 7th ed., table 10.1, cases 1 and 10',
  };
}

function rectangle(one: number, other: number): TorsionSection {
  const a = Math.max(one, other) / 2;
  const b = Math.min(one, other) / 2;
  const k = b / a;
  return {
    torsionConstantMm4: a * b ** 3 * (16 / 3 - 3.36 * k * (1 - k ** 4 / 12)),
    peakShearPerTorque: (3 / (8 * a * b ** 2)) * (1 + 0.6095 * k + 0.8865 * k ** 2 - 1.8023 * k ** 3 + 0.91 * k ** 4),
    source: 'Roark, 7th ed., table 10.1, case 4',
  };
}

function open(walls: readonly (readonly [lengthMm: number, thicknessMm: number])[]): TorsionSection {
  const torsionConstantMm4 = walls.reduce((total, [length, thickness]) => total + (length * thickness ** 3) / 3, 0);
  return {
    torsionConstantMm4,
    peakShearPerTorque: Math.max(...walls.map(([, thickness]) => thickness)) / torsionConstantMm4,
    source: 'open thin walls, Σ b·t³/3, Roark, 7th ed., section 10.2',
  };
}
