/** Classical lamination theory by general matrices, as a first course writes it on the board. */
import type { Ply } from '@anvilstone/core/shapes';

type M = number[][];
const times = (a: M, b: M): M =>
  a.map((row) => b[0]!.map((_, c) => row.reduce((sum, value, k) => sum + value * b[k]![c]!, 0)));

/** By Gauss and Jordan, with the largest pivot. */
export function inverted(matrix: M): M {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...row.map((_, k) => (k === i ? 1 : 0))]);
  for (let c = 0; c < n; c++) {
    const pivot = rows
      .slice(c)
      .reduce((best, row, i) => (Math.abs(row[c]!) > Math.abs(rows[best]![c]!) ? c + i : best), c);
    [rows[c], rows[pivot]] = [rows[pivot]!, rows[c]!];
    rows[c] = rows[c]!.map((value) => value / rows[c]![c]!);
    for (let r = 0; r < n; r++) if (r !== c) rows[r] = rows[r]!.map((value, k) => value - rows[r]![c]! * rows[c]![k]!);
  }
  return rows.map((row) => row.slice(n));
}

/** Q̄ = T⁻¹·Q·R·T·R⁻¹ (Jones, eq. 2.84). */
function turned({ lamina, angleDeg }: Ply): M {
  const { e1MPa: e1, e2MPa: e2, g12MPa: g, nu12 } = lamina;
  const nu21 = (nu12 * e2) / e1;
  const q: M = [
    [e1 / (1 - nu12 * nu21), (nu12 * e2) / (1 - nu12 * nu21), 0],
    [(nu12 * e2) / (1 - nu12 * nu21), e2 / (1 - nu12 * nu21), 0],
    [0, 0, g],
  ];
  const [c, s] = [Math.cos((angleDeg * Math.PI) / 180), Math.sin((angleDeg * Math.PI) / 180)];
  const t: M = [
    [c * c, s * s, 2 * c * s],
    [s * s, c * c, -2 * c * s],
    [-c * s, c * s, c * c - s * s],
  ];
  const r: M = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 2],
  ];
  return times(times(times(times(inverted(t), q), r), t), inverted(r));
}

/** Modulus along x of the whole, free to bend, MPa. */
export function modulusAlongX(plies: readonly Ply[]): number {
  const thickness = plies.reduce((sum, ply) => sum + ply.thicknessMm, 0);
  const abd: M = Array.from({ length: 6 }, () => [0, 0, 0, 0, 0, 0]);
  let z = -thickness / 2;
  for (const ply of plies) {
    const top = z + ply.thicknessMm;
    const q = turned(ply);
    for (let r = 0; r < 3; r++)
      for (let c = 0; c < 3; c++) {
        abd[r]![c]! += q[r]![c]! * (top - z);
        abd[r]![c + 3]! += (q[r]![c]! * (top ** 2 - z ** 2)) / 2;
        abd[r + 3]![c]! += (q[r]![c]! * (top ** 2 - z ** 2)) / 2;
        abd[r + 3]![c + 3]! += (q[r]![c]! * (top ** 3 - z ** 3)) / 3;
      }
    z = top;
  }
  return 1 / (thickness * inverted(abd)[0]![0]!);
}
