import { boxOf, type BoxOnBed } from '@anvilstone/core/machines';
import { ALONG, dot, type Direction, type PartAxis } from '@anvilstone/core/shapes';

/** What has to be held up while it is printed, seen from the box around the part. */
export interface SupportNeed {
  /** Faces that lean out by more than the overhang limit, mm². */
  heldMm2: number;
  /** Room between them and the bed, to be filled with support, mm³. */
  beneathMm3: number;
  /** Area that stands on the bed, mm²; 0: it stands on an edge. */
  footMm2: number;
}

/** A face that leans out from upright by more than this does not carry itself. Usual; it depends on grade and fan. */
export const OVERHANG_LIMIT_DEG = 45;
const AXES: readonly PartAxis[] = ['length', 'depth', 'width'];

/**
 * Support of a part that is built up along `up`, taken for the box around it: what its hollows and ledges need comes on top
 * (an imported mesh tells). A level face on the bed is its foot; other faces that look down are held when they lie within 45°
 * of level. Deterministic; lengths in mm.
 */
export function supportsUnder(extentMm: Readonly<Record<PartAxis, number>>, up: Direction): SupportNeed {
  const { heightMm } = boxOf(extentMm, up);
  const need: SupportNeed = { heldMm2: 0, beneathMm3: 0, footMm2: 0 };
  const steepest = Math.cos((OVERHANG_LIMIT_DEG * Math.PI) / 180) + 1e-9;
  for (const axis of AXES) {
    const level = Math.abs(dot(ALONG[axis], up));
    const areaMm2 = AXES.filter((one) => one !== axis).reduce((area, one) => area * extentMm[one], 1);
    if (level > 1 - 1e-9) need.footMm2 = areaMm2;
    else if (level > steepest) {
      const middleMm = heightMm / 2 - (level * extentMm[axis]) / 2;
      need.heldMm2 += areaMm2;
      need.beneathMm3 += areaMm2 * level * middleMm;
    }
  }
  return need;
}

/** So many times as high as its foot is deep, a part shakes loose without a brim. Ours. */
const SLENDER = 6;

/** What the footprint means for the print, in plain sentences; none when it has no issue. */
export function footWarnings(box: BoxOnBed, need: SupportNeed): string[] {
  if (need.footMm2 === 0) return ['Stands on an edge: it needs support over its full height'];
  return box.heightMm > SLENDER * box.shortMm
    ? [`${(box.heightMm / box.shortMm).toFixed(1)} times as high as its foot is deep: give it a brim`]
    : [];
}
