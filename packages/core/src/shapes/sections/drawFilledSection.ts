import type { SectionGeometry } from '@anvilstone/schema';
import type { Fill } from '../infill/fill.ts';
import { coreChordsAt } from './filledSection.ts';
import { outlineOf, type Chord } from './outline.ts';

/** A section as two SVG paths in mm, seen along the part, the load downwards; x is centred on the width. */
export interface SectionDrawing {
  widthMm: number;
  depthMm: number;
  solid: string;
  core: string;
  /** Share of the section’s area within the walls, rounded, %. */
  corePercent: number;
}

const LINES = 160;

/** Shell and core of a filled section, in level strips. Undefined: a measured section has no outline to draw. */
export function drawFilledSection(geometry: SectionGeometry, fill: Fill): SectionDrawing | undefined {
  const outline = outlineOf(geometry, 'depth');
  if (!outline) return undefined;
  const { lowMm, highMm, widthMm } = outline;
  const stepMm = (highMm - lowMm) / LINES;
  const coreAt = coreChordsAt(outline, fill, 'depth');
  let [solid, core] = ['', ''];
  let [all, filled] = [0, 0];
  // Sections are drawn from their left edge, or around their middle; both are shown around the middle.
  const chords = Array.from({ length: LINES }, (_, i) => outline.chordsAt(lowMm + (i + 0.5) * stepMm));
  const middle = middleOf(chords.flat());
  chords.forEach((whole, i) => {
    const y = highMm - lowMm - (i + 1) * stepMm;
    const within = coreAt(lowMm + (i + 0.5) * stepMm);
    solid += strips(whole, y, stepMm, middle);
    core += strips(within, y, stepMm, middle);
    all += lengthOf(whole);
    filled += lengthOf(within);
  });
  return { widthMm, depthMm: highMm - lowMm, solid, core, corePercent: Math.round((100 * filled) / all) };
}

const lengthOf = (chords: readonly Chord[]) => chords.reduce((total, [from, to]) => total + to - from, 0);
const middleOf = (chords: readonly Chord[]) =>
  (Math.min(...chords.map(([from]) => from)) + Math.max(...chords.map(([, to]) => to))) / 2;
const r = (mm: number) => Number(mm.toFixed(3));

/** Strips overlap by a hair, so that no seams show. */
const strips = (chords: readonly Chord[], y: number, stepMm: number, middle: number) =>
  chords
    .map(([from, to]) => `M${r(from - middle)} ${r(y)}h${r(to - from)}v${r(stepMm * 1.05)}h${r(from - to)}z`)
    .join('');
