import { isSolid, type Fill } from '../infill/fill.ts';
import type { FilledSection } from '../sections/filledSection.ts';

/** Material in a bar of one section, mm³: its shell closes both ends, where nothing of the core is left out. */
export function printedVolumeMm3(cut: FilledSection, lengthMm: number, fill?: Fill): number {
  const coreMm2 = cut.core?.areaMm2 ?? 0;
  if (!fill || coreMm2 === 0) return cut.materialMm2 * lengthMm;
  const closedMm = Math.min(lengthMm, 2 * fill.shellMm.length);
  return cut.materialMm2 * lengthMm + (1 - fill.share) * coreMm2 * closedMm;
}

/** Ratings by thickness are judged at the shell, which is thinner than the part. */
export function thinnestWithin(solidMm: number, fill?: Fill): number {
  if (!fill || isSolid(fill)) return solidMm;
  const shells = Object.values(fill.shellMm).filter((mm) => mm > 0);
  return Math.min(solidMm, ...shells);
}
