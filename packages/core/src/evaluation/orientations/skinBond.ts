import type { CheckContext } from '@anvilstone/core/checks';
import type { Material } from '@anvilstone/core/materials';
import { section, type BendingDirection, filledSection } from '@anvilstone/core/shapes';

/** Shear between a skin and the core it is printed on. */
export interface SkinBond {
  /** With the safety factor of the load, MPa. */
  needMPa: number;
  /** What the weaker one’s layers bear, where both are of one family and fuse; null: nobody has stated it. */
  hasMPa: number | null;
}

/**
 * Largest shear that bending brings on the face between skin and core, τ = V·Q/(I·b): Q of the skin outside of it, taken as
 * wide as the section, b the width of the core. Two grades of one family fuse as their own layers do (typical, class D);
 * of others nothing is known: interlock them, or measure it.
 */
export function skinBond({ brief, part, material }: CheckContext, core: Material, skinMm: number): SkinBond {
  const needs = part.loads.map(({ loadCase, amount, size, response }) => {
    if (size !== 'forceN') return 0;
    const perUnit = shearPerForce(brief.part, loadCase.direction ?? 'depth', skinMm, part.fill);
    return response.shearForcePerUnit * amount * perUnit * loadCase.safetyFactor;
  });
  const fuses = material.family !== undefined && material.family.id === core.family?.id;
  const shears = [material.layerShear, core.layerShear];
  const strengths = shears.flatMap((one) => (one.known ? [one.value] : []));
  return {
    needMPa: Math.max(0, ...needs),
    hasMPa: fuses && strengths.length === shears.length ? Math.min(...strengths) : null,
  };
}

function shearPerForce(
  part: CheckContext['brief']['part'],
  direction: BendingDirection,
  skinMm: number,
  fill: CheckContext['part']['fill'],
): number {
  if (!('section' in part)) return 0;
  const cut = filledSection(part.section, direction, fill);
  const { widthMm } = section(part.section, direction);
  const outsideMm3 = widthMm * skinMm * (cut.extremeFibreMm - skinMm / 2);
  return outsideMm3 / (cut.secondMomentMm4 * Math.max(1e-6, widthMm - 2 * skinMm));
}
