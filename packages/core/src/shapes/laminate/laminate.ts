import { inverse, Matrix } from 'ml-matrix';
import { InputError, requirePositiveValue } from '@anvilstone/core/foundations';
import {
  apply,
  reducedStiffness,
  turnedExpansion,
  turnedStiffness,
  type Lamina,
  type Row3,
  type Stiffness3,
} from './lamina.ts';

export interface Ply {
  lamina: Lamina;
  /** From the laminate's x-axis, counter-clockwise seen from above. */
  angleDeg: number;
  thicknessMm: number;
}

/** Loads on a unit width, and a change of temperature from where nothing is stressed. */
export interface LaminateLoad {
  /** N/mm */
  nx: number;
  ny: number;
  nxy: number;
  /** N·mm/mm */
  mx: number;
  my: number;
  mxy: number;
  /** K; negative when it has cooled since it was laid. */
  deltaTK: number;
}

export const NO_LOAD: LaminateLoad = { nx: 0, ny: 0, nxy: 0, mx: 0, my: 0, mxy: 0, deltaTK: 0 };

export interface Laminate {
  plies: readonly Ply[];
  thicknessMm: number;
  /** Lower face of each ply above the middle plane, mm, then the upper face of the last. */
  zMm: readonly number[];
  /** Stiffness of each ply in laminate axes, MPa. */
  stiffness: readonly Stiffness3[];
  /** N/mm, N and N·mm. */
  a: Stiffness3;
  b: Stiffness3;
  d: Stiffness3;
  /** Inverse of all six by six. */
  compliance: Matrix;
}

/**
 * Classical lamination theory: plies bonded, thin, plane sections stay plane. Plies are counted from below.
 * Source: Jones, eqs. 4.22 to 4.25.
 * @throws InputError no ply, a thickness not above 0, constants that no material has
 */
export function laminateOf(plies: readonly Ply[]): Laminate {
  if (plies.length === 0) throw new InputError('plies', plies.length, 'one ply at least');
  plies.forEach(({ thicknessMm }, i) => requirePositiveValue(`plies/${i}/thicknessMm`, thicknessMm));
  const stiffness = plies.map(({ lamina, angleDeg }) => turnedStiffness(reducedStiffness(lamina), angleDeg));
  return assemble(plies, stiffness);
}

/** A laminate of plies whose stiffness is given, as when some of them have failed. */
export function assemble(plies: readonly Ply[], stiffness: readonly Stiffness3[]): Laminate {
  const thicknessMm = plies.reduce((sum, ply) => sum + ply.thicknessMm, 0);
  const zMm = [-thicknessMm / 2];
  for (const ply of plies) zMm.push(zMm.at(-1)! + ply.thicknessMm);
  const sum = (power: 1 | 2 | 3): Stiffness3 => {
    const weight = zMm.slice(1).map((top, i) => (top ** power - zMm[i]! ** power) / power);
    const at = (r: number, c: number) => stiffness.reduce((total, q, i) => total + q[r]![c]! * weight[i]!, 0);
    const row = (r: number): Row3 => [at(r, 0), at(r, 1), at(r, 2)];
    return [row(0), row(1), row(2)];
  };
  const [a, b, d] = [sum(1), sum(2), sum(3)];
  const rows = [0, 1, 2, 3, 4, 5].map((r) => (r < 3 ? [...a[r]!, ...b[r]!] : [...b[r - 3]!, ...d[r - 3]!]));
  return { plies, thicknessMm, zMm, stiffness, a, b, d, compliance: inverse(new Matrix(rows)) };
}

/** Strain of the middle plane and curvature, 1/mm. */
export interface Deformation {
  strain: Row3;
  curvature: Row3;
}

/** How the laminate deforms under loads and a change of temperature. */
export function deformationOf(laminate: Laminate, load: LaminateLoad): Deformation {
  const thermal = thermalLoads(laminate, load.deltaTK);
  const loads = [load.nx, load.ny, load.nxy, load.mx, load.my, load.mxy].map((value, i) => value + thermal[i]!);
  const found = laminate.compliance.mmul(Matrix.columnVector(loads)).to1DArray() as number[];
  return { strain: [found[0]!, found[1]!, found[2]!], curvature: [found[3]!, found[4]!, found[5]!] };
}

/** Loads that would hold the laminate flat and unchanged at another temperature, reversed. Source: Jones, eqs. 4.108, 4.109. */
export function thermalLoads({ plies, stiffness, zMm }: Laminate, deltaTK: number): number[] {
  const total = [0, 0, 0, 0, 0, 0];
  plies.forEach(({ lamina, angleDeg }, i) => {
    const stress = apply(stiffness[i]!, turnedExpansion(lamina, angleDeg));
    const [low, high] = [zMm[i]!, zMm[i + 1]!];
    stress.forEach((value, k) => {
      total[k]! += value * deltaTK * (high - low);
      total[k + 3]! += (value * deltaTK * (high ** 2 - low ** 2)) / 2;
    });
  });
  return total;
}

/** What a laminate is as if it were one material, MPa. */
export interface EngineeringConstants {
  exMPa: number;
  eyMPa: number;
  gxyMPa: number;
  nuxy: number;
}

/** In plane, free to bend if it couples: from the compliance of the whole. */
export function inPlaneConstants({ compliance, thicknessMm: t }: Laminate): EngineeringConstants {
  const at = (r: number, c: number) => compliance.get(r, c);
  return {
    exMPa: 1 / (t * at(0, 0)),
    eyMPa: 1 / (t * at(1, 1)),
    gxyMPa: 1 / (t * at(2, 2)),
    nuxy: -at(0, 1) / at(0, 0),
  };
}

/** In bending: the modulus that a plain strip of the same thickness would have. Source: Jones, section 4.4. */
export function bendingConstants({ compliance, thicknessMm: t }: Laminate): EngineeringConstants {
  const at = (r: number, c: number) => compliance.get(r, c);
  const scale = 12 / t ** 3;
  return {
    exMPa: scale / at(3, 3),
    eyMPa: scale / at(4, 4),
    gxyMPa: scale / at(5, 5),
    nuxy: -at(3, 4) / at(3, 3),
  };
}

/** The same laminate looked at from an axis turned by φ: its plies are turned the other way. */
export function turnedLaminate({ plies }: Laminate, angleDeg: number): Laminate {
  return laminateOf(plies.map((ply) => ({ ...ply, angleDeg: ply.angleDeg - angleDeg })));
}
