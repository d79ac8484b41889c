import { requireFinite, requirePositive } from '@anvilstone/core/foundations';

export interface EndLoadedCantilever {
  forceN: number;
  spanMm: number;
  modulusMPa: number;
  secondMomentMm4: number;
}

/**
 * Bending part of the tip deflection of an end-loaded cantilever, mm: δ = F·L³ / (3·E·I). Its sign is the load's.
 * Source: Roark's Formulas for Stress and Strain, 7th ed., table 8.1, case 1a with a = 0.
 * Range: small slopes (δ up to about L/10). Shear is left out: see cantileverShearDeflectionMm.
 * @throws InputError (field, value, what is accepted): load not finite; span, modulus or second moment not finite and above 0
 */
export function cantileverTipDeflectionMm(arm: EndLoadedCantilever): number {
  requireFinite(arm, ['forceN']);
  requirePositive(arm, ['spanMm', 'modulusMPa', 'secondMomentMm4']);
  return (arm.forceN * arm.spanMm ** 3) / (3 * arm.modulusMPa * arm.secondMomentMm4);
}

/**
 * Shear part of the tip deflection of an end-loaded cantilever, mm: δ = F_s·F·L / (G·A), F_s the form factor (6/5, 10/9, 2).
 * Source: Roark, 7th ed., section 8.10. For a solid rectangle with E/G = 2.7 it is 1 % of bending at L = 9·depth.
 * @throws InputError load not finite; the rest not finite and above 0
 */
export function cantileverShearDeflectionMm(arm: {
  forceN: number;
  spanMm: number;
  shearModulusMPa: number;
  areaMm2: number;
  shearFormFactor: number;
}): number {
  requireFinite(arm, ['forceN']);
  requirePositive(arm, ['spanMm', 'shearModulusMPa', 'areaMm2', 'shearFormFactor']);
  return (arm.shearFormFactor * arm.forceN * arm.spanMm) / (arm.shearModulusMPa * arm.areaMm2);
}

/**
 * Bending stress at the root of an end-loaded cantilever, MPa: σ = F·L·c / I, without stress concentration.
 * @throws InputError load not finite; the rest not finite and above 0
 */
export function cantileverRootStressMPa(arm: {
  forceN: number;
  spanMm: number;
  secondMomentMm4: number;
  extremeFibreMm: number;
}): number {
  requireFinite(arm, ['forceN']);
  requirePositive(arm, ['spanMm', 'secondMomentMm4', 'extremeFibreMm']);
  return (arm.forceN * arm.spanMm * arm.extremeFibreMm) / arm.secondMomentMm4;
}
