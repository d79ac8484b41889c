import type { SectionGeometry } from '@anvilstone/schema';
import type { BendingDirection } from './section.ts';
import { loopsOf, type Corner } from './outlineBands.ts';
import { rectanglesOf } from './rectangles.ts';

export type Chord = readonly [fromMm: number, toMm: number];

/** A section as what a level line through it meets, from below to above. */
export interface Outline {
  lowMm: number;
  highMm: number;
  widthMm: number;
  /** Heights at which its width may jump or bend. */
  levels: readonly number[];
  /** Its edges between levels are straight; `square`: and run level or upright. */
  edges: 'round' | 'straight' | 'square';
  /** Stretches of material at a height, left to right; none outside. */
  chordsAt(yMm: number): readonly Chord[];
}

/** Undefined: a measured section, whose outline is not known. Bent along its width, it lies on its side. */
export function outlineOf(geometry: SectionGeometry, direction: BendingDirection): Outline | undefined {
  switch (geometry.kind) {
    case 'measured':
      return undefined;
    case 'round':
      return ring(geometry.diameterMm / 2, 0);
    case 'tube':
      return ring(geometry.outerDiameterMm / 2, geometry.outerDiameterMm / 2 - geometry.wallMm);
    case 'polygon':
      return polygon(loopsOf(geometry, direction));
    case 'rectangle':
      return rectangles([[0, geometry.widthMm, 0, geometry.depthMm]], direction);
    default:
      return rectangles(rectanglesOf(geometry), direction);
  }
}

function ring(outerMm: number, innerMm: number): Outline {
  const half = (radius: number, y: number) => Math.sqrt(Math.max(0, radius * radius - y * y));
  return {
    lowMm: -outerMm,
    highMm: outerMm,
    widthMm: 2 * outerMm,
    levels: innerMm > 0 ? [-outerMm, -innerMm, innerMm, outerMm] : [-outerMm, outerMm],
    edges: 'round',
    chordsAt(y) {
      if (Math.abs(y) >= outerMm) return [];
      const outer = half(outerMm, y);
      if (Math.abs(y) >= innerMm) return [[-outer, outer]];
      const inner = half(innerMm, y);
      return [
        [-outer, -inner],
        [inner, outer],
      ];
    },
  };
}

function rectangles(
  given: readonly (readonly [number, number, number, number])[],
  direction: BendingDirection,
): Outline {
  const all = given.map(([left, right, low, high]) =>
    direction === 'depth' ? { left, right, low, high } : { left: low, right: high, low: left, high: right },
  );
  const extent = (values: readonly number[]) => Math.max(...values) - Math.min(...values);
  return {
    lowMm: Math.min(...all.map(({ low }) => low)),
    highMm: Math.max(...all.map(({ high }) => high)),
    widthMm: extent(all.flatMap(({ left, right }) => [left, right])),
    levels: [...new Set(all.flatMap(({ low, high }) => [low, high]))].sort((a, b) => a - b),
    edges: 'square',
    chordsAt: (y) => joined(all.filter(({ low, high }) => low < y && y < high).map(({ left, right }) => [left, right])),
  };
}

/** Chords that touch are one. */
function joined(chords: readonly Chord[]): Chord[] {
  const found: [number, number][] = [];
  for (const [from, to] of [...chords].sort((a, b) => a[0] - b[0])) {
    const last = found.at(-1);
    if (last && from <= last[1] + 1e-9) last[1] = Math.max(last[1], to);
    else found.push([from, to]);
  }
  return found;
}

function polygon(loops: readonly (readonly Corner[])[]): Outline {
  const corners = loops.flat();
  const xs = corners.map(({ xMm }) => xMm);
  const levels = [...new Set(corners.map(({ yMm }) => yMm))].sort((a, b) => a - b);
  const edges = loops.flatMap((loop) => loop.map((a, i) => [a, loop[(i + 1) % loop.length]!] as const));
  return {
    lowMm: levels[0]!,
    highMm: levels.at(-1)!,
    widthMm: Math.max(...xs) - Math.min(...xs),
    levels,
    edges: 'straight',
    chordsAt(y) {
      const crossings: number[] = [];
      for (const [a, b] of edges) {
        if (a.yMm < y === b.yMm < y) continue;
        crossings.push(a.xMm + ((b.xMm - a.xMm) * (y - a.yMm)) / (b.yMm - a.yMm));
      }
      crossings.sort((a, b) => a - b);
      const chords: Chord[] = [];
      for (let i = 0; i + 1 < crossings.length; i += 2) chords.push([crossings[i]!, crossings[i + 1]!]);
      return chords;
    },
  };
}

/** As good as a drawing of this many lines. */
const ROWS = 640;
/** An outline of more corners than this is looked at in rows. */
const MANY_LEVELS = 60;

/** The same outline, its chords worked out once a row where it has very many corners: what reads it reads it thousands of times. */
export function inRows(outline: Outline): Outline {
  if (outline.levels.length <= MANY_LEVELS) return outline;
  const { lowMm, highMm } = outline;
  const step = (highMm - lowMm) / ROWS;
  const rows = new Map<number, readonly Chord[]>();
  return {
    ...outline,
    chordsAt(y) {
      const row = Math.floor((y - lowMm) / step);
      if (row < 0 || row >= ROWS) return [];
      let found = rows.get(row);
      if (!found) rows.set(row, (found = outline.chordsAt(lowMm + (row + 0.5) * step)));
      return found;
    },
  };
}
