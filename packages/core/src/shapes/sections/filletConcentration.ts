import { requireFinite, requirePositive } from '@anvilstone/core/foundations';

/** A printed inner corner is never sharper than about half a line, so this is the least radius used, mm. */
export const LEAST_PRINTED_RADIUS_MM = 0.2;

// Kt = A·(r/d)^b, the fits to Peterson's charts in R. L. Norton, Machine Design, appendix C: shoulder fillets, for the
// largest step given there (bending: flat bar D/d = 3, round bar D/d = 6; pull: D/d = 2; twist: D/d = 2), which stands for
// a root at a wall.
const FIT = {
  bending: { flat: { a: 0.9072, b: -0.33333 }, round: { a: 0.87868, b: -0.33243 } },
  pull: { flat: { a: 1.0996, b: -0.32077 }, round: { a: 1.0147, b: -0.30035 } },
  twist: { flat: { a: 0.86331, b: -0.23865 }, round: { a: 0.86331, b: -0.23865 } },
};
const RANGE = { low: 0.02, high: 0.3 };

/**
 * Elastic stress concentration of a root fillet, at least 1, for bending, a pull or a twist. Fillet radius over depth.
 * Range: 0.02 ≤ r/d ≤ 0.3 (outside, the nearest end is used: a larger fillet gains nothing more, a smaller one is
 * sharper than the charts). The radius itself is never taken below 0.2 mm.
 * @throws InputError radius not finite or below 0, depth not above 0
 */
export function filletConcentration(input: {
  filletRadiusMm: number;
  /** `runs-on`: the section runs on as it is, and nothing concentrates. @default fillet */
  shoulder?: 'fillet' | 'runs-on' | undefined;
  depthMm: number;
  notch: 'flat' | 'round';
  /** @default bending */
  load?: keyof typeof FIT;
}): number {
  requireFinite(input, ['filletRadiusMm']);
  requirePositive(input, ['depthMm']);
  if (input.filletRadiusMm < 0) requirePositive(input, ['filletRadiusMm']);
  if (input.shoulder === 'runs-on') return 1;
  const radiusMm = Math.max(input.filletRadiusMm, LEAST_PRINTED_RADIUS_MM);
  const ratio = Math.min(RANGE.high, Math.max(RANGE.low, radiusMm / input.depthMm));
  const { a, b } = FIT[input.load ?? 'bending'][input.notch];
  return Math.max(1, a * ratio ** b);
}
