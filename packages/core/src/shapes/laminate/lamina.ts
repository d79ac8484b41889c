import { requirePositive, requireFinite, InputError } from '@anvilstone/core/foundations';

/** One ply's constants in its own axes, MPa: 1 along the fibre, 2 across it in the layer. */
export interface Lamina {
  name: string;
  e1MPa: number;
  e2MPa: number;
  g12MPa: number;
  nu12: number;
  /** Strengths, MPa, all positive: tension and compression along and across, and shear. */
  xtMPa: number;
  xcMPa: number;
  ytMPa: number;
  ycMPa: number;
  sMPa: number;
  /** Tsai–Wu interaction F12/√(F11·F22), −1 … 1; it takes a test in two directions to know it. @default -0.5 */
  interaction?: number;
  /** Thermal expansion along and across, 1/K. */
  alpha1PerK: number;
  alpha2PerK: number;
  /** Coefficient of variation of its strengths, 0 to 1. */
  cov: number;
  /** Tows part before matrix plies do: what is left when the matrix has cracked differs. */
  kind: 'tow' | 'matrix';
}

/** Three by three, symmetric, as rows. */
export type Stiffness3 = readonly [Row3, Row3, Row3];
export type Row3 = readonly [number, number, number];

/**
 * Reduced stiffness of a ply in plane stress, MPa. Source: R. M. Jones, Mechanics of Composite Materials, 2nd ed., eq. 2.61.
 * @throws InputError constants not above 0, or a Poisson ratio that no orthotropic material has (ν12² ≥ E1/E2)
 */
export function reducedStiffness(lamina: Lamina): Stiffness3 {
  requirePositive(lamina, ['e1MPa', 'e2MPa', 'g12MPa']);
  requireFinite(lamina, ['nu12']);
  const { e1MPa: e1, e2MPa: e2, g12MPa, nu12 } = lamina;
  if (nu12 * nu12 >= e1 / e2)
    throw new InputError('nu12', nu12, `below ${Math.sqrt(e1 / e2).toPrecision(3)}, the root of E1 over E2`);
  const nu21 = (nu12 * e2) / e1;
  const over = 1 - nu12 * nu21;
  const q12 = (nu12 * e2) / over;
  return [
    [e1 / over, q12, 0],
    [q12, e2 / over, 0],
    [0, 0, g12MPa],
  ];
}

/**
 * The same for a ply turned by θ from the laminate's x-axis, counter-clockwise, MPa. Source: Jones, eq. 2.85.
 */
export function turnedStiffness(q: Stiffness3, angleDeg: number): Stiffness3 {
  const { c, s } = turn(angleDeg);
  const [q11, q12, q22, q66] = [q[0][0], q[0][1], q[1][1], q[2][2]];
  const [c2, s2] = [c * c, s * s];
  const [c4, s4, c2s2] = [c2 * c2, s2 * s2, c2 * s2];
  const t11 = q11 * c4 + 2 * (q12 + 2 * q66) * c2s2 + q22 * s4;
  const t12 = (q11 + q22 - 4 * q66) * c2s2 + q12 * (c4 + s4);
  const t22 = q11 * s4 + 2 * (q12 + 2 * q66) * c2s2 + q22 * c4;
  const t16 = (q11 - q12 - 2 * q66) * c2 * c * s + (q12 - q22 + 2 * q66) * c * s2 * s;
  const t26 = (q11 - q12 - 2 * q66) * c * s2 * s + (q12 - q22 + 2 * q66) * c2 * c * s;
  const t66 = (q11 + q22 - 2 * q12 - 2 * q66) * c2s2 + q66 * (c4 + s4);
  return [
    [t11, t12, t16],
    [t12, t22, t26],
    [t16, t26, t66],
  ];
}

/** Stress in laminate axes turned into a ply's own: σ1, σ2, τ12. */
export function stressInPly([x, y, xy]: Row3, angleDeg: number): Row3 {
  const { c, s } = turn(angleDeg);
  return [
    x * c * c + y * s * s + 2 * xy * c * s,
    x * s * s + y * c * c - 2 * xy * c * s,
    (y - x) * c * s + xy * (c * c - s * s),
  ];
}

/** Thermal expansion of a turned ply in laminate axes, 1/K: αx, αy, αxy (engineering shear). */
export function turnedExpansion({ alpha1PerK: a1, alpha2PerK: a2 }: Lamina, angleDeg: number): Row3 {
  const { c, s } = turn(angleDeg);
  return [a1 * c * c + a2 * s * s, a1 * s * s + a2 * c * c, 2 * (a1 - a2) * c * s];
}

/** Cosine and sine, exact at the right angles, which layups are full of. */
function turn(angleDeg: number): { c: number; s: number } {
  const quarter = ((angleDeg % 360) + 360) % 360;
  if (quarter === 90) return { c: 0, s: 1 };
  if (quarter === 180) return { c: -1, s: 0 };
  if (quarter === 270) return { c: 0, s: -1 };
  const radians = (angleDeg * Math.PI) / 180;
  return { c: Math.cos(radians), s: Math.sin(radians) };
}

export function apply(m: Stiffness3, [a, b, c]: Row3): Row3 {
  const row = ([x, y, z]: Row3) => x * a + y * b + z * c;
  return [row(m[0]), row(m[1]), row(m[2])];
}
