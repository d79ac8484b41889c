import { requireFinite, requirePositive, requireWithin } from '@anvilstone/core/foundations';

export interface LayerStrengths {
  /** In the layer plane, MPa. */
  inPlaneMPa: number;
  /** Straight across the layers, MPa. */
  acrossMPa: number;
  /** Shear between layers, MPa. */
  shearMPa: number;
}

/** Layer shear strength where none is known, MPa: 0.5 · σxy · (σz/σxy)^½. */
export function defaultLayerShearMPa(inPlaneMPa: number, acrossMPa: number): number {
  requirePositive({ inPlaneMPa, acrossMPa }, ['inPlaneMPa', 'acrossMPa']);
  return 0.5 * inPlaneMPa * Math.sqrt(acrossMPa / inPlaneMPa);
}

/**
 * Strength of a stress at φ to the layer plane, MPa (0° in plane, 90° straight across the layers):
 * 1/σ(φ)² = cos⁴φ/σxy² + (1/τ² − 1/σxy²)·sin²φ·cos²φ + sin⁴φ/σz².
 * Source: R. M. Jones, Mechanics of Composite Materials, 2nd ed., eq. 2.127 (Tsai–Hill), transversely isotropic.
 * @throws InputError strengths not above 0, angle outside 0 … 90°
 */
export function offAxisStrengthMPa(strengths: LayerStrengths, angleDeg: number): number {
  requirePositive(strengths, ['inPlaneMPa', 'acrossMPa', 'shearMPa']);
  requireWithin('angleDeg', angleDeg, 0, 90);
  const { c2, s2 } = squares(angleDeg);
  const inPlane = 1 / strengths.inPlaneMPa ** 2;
  return (
    1 /
    Math.sqrt(
      c2 * c2 * inPlane + (1 / strengths.shearMPa ** 2 - inPlane) * s2 * c2 + s2 ** 2 / strengths.acrossMPa ** 2,
    )
  );
}

export interface LayerModuli {
  inPlaneMPa: number;
  acrossMPa: number;
  shearMPa: number;
  poisson: number;
}

/**
 * Modulus along φ to the layer plane, MPa: 1/E(φ) = cos⁴φ/Exy + (1/G − 2ν/Exy)·sin²φ·cos²φ + sin⁴φ/Ez.
 * Source: Jones, eq. 2.97. @throws InputError moduli not above 0, Poisson ratio not finite, angle outside 0 … 90°
 */
export function offAxisModulusMPa(moduli: LayerModuli, angleDeg: number): number {
  requirePositive(moduli, ['inPlaneMPa', 'acrossMPa', 'shearMPa']);
  requireFinite(moduli, ['poisson']);
  requireWithin('angleDeg', angleDeg, 0, 90);
  const { c2, s2 } = squares(angleDeg);
  const mixed = 1 / moduli.shearMPa - (2 * moduli.poisson) / moduli.inPlaneMPa;
  return 1 / ((c2 * c2) / moduli.inPlaneMPa + mixed * s2 * c2 + (s2 * s2) / moduli.acrossMPa);
}

function squares(angleDeg: number) {
  // 0° and 90° exactly: cos(90°) is 6e-17 in floating point, which a strength near zero would notice.
  if (angleDeg === 0) return { c2: 1, s2: 0 };
  if (angleDeg === 90) return { c2: 0, s2: 1 };
  const s2 = Math.sin((angleDeg * Math.PI) / 180) ** 2;
  return { c2: 1 - s2, s2 };
}
