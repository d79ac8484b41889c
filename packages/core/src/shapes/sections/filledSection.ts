import type { SectionGeometry } from '@anvilstone/schema';
import { isSolid, type Fill } from '../infill/fill.ts';
import { InputError } from '@anvilstone/core/foundations';
import { bandProperties, type Band } from './bands.ts';
import { inRows, outlineOf, type Chord, type Outline } from './outline.ts';
import { section, type BendingDirection, type Section } from './section.ts';

/** The part of a section that is infill. */
export interface Core {
  areaMm2: number;
  /** From the neutral axis to the farthest fibre of the core, mm. */
  extremeFibreMm: number;
  /** Modulus of the core over that of the material. */
  stiffness: number;
  /** Strength of the core over that of the material. */
  strength: number;
}

export interface FilledSection extends Section {
  /** Area that is material: the shell, and of the core its share, mm². */
  materialMm2: number;
  /** Absent: solid throughout, or its walls meet. */
  core?: Core;
}

/** Slices between two levels where edges are curved: enough for a round to come out to about 1 in 10,000. */
const SLICES = 64;
const MOST_BREAKS = 400;
const EVEN_SLICES = 320;

/**
 * A section as a shell around a core, by the transformed section: every width counts as the width of shell plus the core’s
 * modular ratio times the width of core. Area, second moment and shear factors are those of the transformed section, so that
 * a stress worked out from them is that of the shell. Without a fill it is the plain section.
 * Source: Gere & Timoshenko, Mechanics of Materials, 4th ed., section 6.3. The core’s shear modulus is taken to be as much
 * smaller as its modulus; a core that crushes under a point load, and walls that buckle one by one, are not covered.
 * @throws InputError as `section` does; a measured section, whose outline is not known
 */
export function filledSection(
  geometry: SectionGeometry,
  direction: BendingDirection = 'depth',
  fill?: Fill,
): FilledSection {
  const solid = section(geometry, direction);
  if (!fill || isSolid(fill)) return { ...solid, materialMm2: solid.areaMm2 };
  const drawn = outlineOf(geometry, direction);
  if (!drawn) throw new InputError('filled', 'a measured section', 'a section with an outline is needed');
  const outline = inRows(drawn);
  const reaches = reachesIn(fill, direction, outline);
  const coreAt = coreChordsAt(outline, fill, direction);
  const core = slicesOf(outline, reaches, coreAt);
  const coreAreaMm2 = areaOf(core);
  if (coreAreaMm2 < 1e-9 * solid.areaMm2) return { ...solid, materialMm2: solid.areaMm2 };
  const ratio = fill.stiffness.length;
  const all = slicesOf(outline, reaches, (y) => outline.chordsAt(y));
  const transformed = all.map((band, i): Band => ({
    ...band,
    fromWidthMm: band.fromWidthMm - (1 - ratio) * core[i]!.fromWidthMm,
    toWidthMm: band.toWidthMm - (1 - ratio) * core[i]!.toWidthMm,
  }));
  const found = bandProperties(transformed);
  const depthMm = outline.highMm - outline.lowMm;
  const axisMm = outline.lowMm + found.centroidMm;
  const filled = core.filter(({ fromWidthMm, toWidthMm }) => fromWidthMm + toWidthMm > 0);
  return {
    areaMm2: found.areaMm2,
    secondMomentMm4: found.secondMomentMm4,
    extremeFibreMm: Math.max(found.centroidMm, depthMm - found.centroidMm),
    shearFormFactor: found.shearFormFactor,
    peakShearFactor: found.peakShearFactor,
    widthMm: solid.widthMm,
    depthMm: solid.depthMm,
    notch: solid.notch,
    materialMm2: solid.areaMm2 - (1 - fill.share) * coreAreaMm2,
    core: {
      areaMm2: coreAreaMm2,
      extremeFibreMm: Math.max(...filled.flatMap(({ fromMm, toMm }) => [axisMm - fromMm, toMm - axisMm])),
      stiffness: ratio,
      strength: fill.strength.length,
    },
  };
}

/** Stretches of core at a height of a section. */
export function coreChordsAt(
  outline: Outline,
  fill: Fill,
  direction: BendingDirection,
): (yMm: number) => readonly Chord[] {
  const reaches = reachesIn(fill, direction, outline);
  return (y) => coreChords(outline, y, reaches);
}

/** How the shell reaches in the section: along its level lines, and elsewhere as [along, upwards]. */
interface Reaches {
  alongMm: number;
  others: readonly (readonly [alongMm: number, upMm: number])[];
}

/** Around square corners only what lies level and upright decides. */
function reachesIn({ reaches }: Fill, direction: BendingDirection, { edges }: Outline): Reaches {
  const seen = reaches.map(([, depth, width]): readonly [number, number] =>
    direction === 'depth' ? [width, depth] : [depth, width],
  );
  const upright = seen.filter(([, up]) => Math.abs(up) > 1e-9);
  const topMm = Math.max(0, ...upright.map(([, up]) => up));
  return {
    alongMm: Math.max(0, ...seen.filter(([, up]) => Math.abs(up) <= 1e-9).map(([x]) => Math.abs(x))),
    others:
      edges === 'square' && topMm > 0
        ? [
            [0, topMm],
            [0, -topMm],
          ]
        : upright,
  };
}

/** Where everything that the shell reaches is inside: there, and only there, is core. */
function coreChords(outline: Outline, y: number, { alongMm, others }: Reaches): readonly Chord[] {
  let left: Chord[] = [];
  for (const [from, to] of outline.chordsAt(y)) if (to - from > 2 * alongMm) left.push([from + alongMm, to - alongMm]);
  for (const [x, up] of others) {
    if (left.length === 0) return left;
    left = meet(
      left,
      outline.chordsAt(y + up).map(([from, to]): Chord => [from - x, to - x]),
    );
  }
  return left;
}

function meet(a: readonly Chord[], b: readonly Chord[]): Chord[] {
  const found: Chord[] = [];
  for (const [from, to] of a)
    for (const [low, high] of b) {
      const [start, end] = [Math.max(from, low), Math.min(to, high)];
      if (end > start) found.push([start, end]);
    }
  return found;
}

/** Level slices whose widths are those of the chords just inside their ends. */
function slicesOf(outline: Outline, reaches: Reaches, chordsAt: (yMm: number) => readonly Chord[]): Band[] {
  const { lowMm, highMm, levels, edges } = outline;
  const depth = highMm - lowMm;
  const shifted = levels.flatMap((level) => [level, ...reaches.others.flatMap(([, up]) => [level - up, level + up])]);
  const exact = distinct(shifted, depth * 1e-9).filter((y) => y >= lowMm - 1e-12 && y <= highMm + 1e-12);
  // An outline of hundreds of corners is as good as curved: even slices do, and cost a hundredth.
  const many = exact.length > MOST_BREAKS;
  const breaks = many ? Array.from({ length: EVEN_SLICES + 1 }, (_, i) => lowMm + (depth * i) / EVEN_SLICES) : exact;
  const inside = depth * 1e-8;
  const curved = edges === 'round' || reaches.others.some(([x]) => Math.abs(x) > 1e-9);
  const width = (y: number) => chordsAt(y).reduce((total, [from, to]) => total + to - from, 0);
  const bands: Band[] = [];
  for (let i = 0; i + 1 < breaks.length; i++) {
    const [from, to] = [breaks[i]!, breaks[i + 1]!];
    const pieces = curved && !many ? Math.max(4, Math.ceil((SLICES * (to - from)) / depth)) : 1;
    // Closer towards the ends, where a round grows fastest.
    const at = (k: number) => (from + to) / 2 - ((to - from) / 2) * Math.cos((Math.PI * k) / pieces);
    for (let k = 0; k < pieces; k++) {
      const [fromMm, toMm] = [at(k), at(k + 1)];
      bands.push({ fromMm, toMm, fromWidthMm: width(fromMm + inside), toWidthMm: width(toMm - inside) });
    }
  }
  return bands;
}

function distinct(values: readonly number[], apart: number): number[] {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted.filter((value, i) => i === 0 || value - sorted[i - 1]! > apart);
}

const areaOf = (bands: readonly Band[]) =>
  bands.reduce(
    (total, { fromMm, toMm, fromWidthMm, toWidthMm }) => total + ((fromWidthMm + toWidthMm) / 2) * (toMm - fromMm),
    0,
  );
