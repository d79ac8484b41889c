import type { SectionGeometry } from '@anvilstone/schema';
import { InputError } from '@anvilstone/core/foundations';
import { section, type Section } from '../sections/section.ts';
import { MeshError, type Mesh } from './mesh.ts';
import type { MeshProperties } from './properties.ts';
import { sectionOf, type MeshSection } from './section.ts';
import { simplifyLoop } from './simplifyLoop.ts';

export type SpaceAxis = 0 | 1 | 2;
export const SPACE_AXES = ['x', 'y', 'z'] as const;

/** How a part of any shape is looked at: along which axis it runs, which way the load pushes it, and where. */
export interface MeshLoad {
  /** Cuts are made across this axis. */
  along: SpaceAxis;
  /** The load acts along this one. */
  push: SpaceAxis;
  /** Where along the part it acts, mm in the mesh’s own measure. */
  loadAtMm: number;
  /** Which end is held. */
  held: 'low' | 'high';
}

/** A cut as the part model of any shape takes it. */
export interface MeshCut {
  atMm: number;
  /** From the cut to the load, mm. */
  leverMm: number;
  section: MeshSection;
  /** The outline with its holes, x across the load and y along it. */
  geometry: Extract<SectionGeometry, { kind: 'polygon' }>;
  /** Of that outline, bent along the load: what the checks will use. */
  beam: Section;
  /** Bending stress at its outer fibre per newton of load, MPa/N; 0 where no load bends it. */
  stressPerN: number;
}

const MOST_CORNERS = 150;
const MOST_HOLES = 24;
/** A corner that takes away less of the section than this share is no corner. */
const NO_CORNER_SHARE = 1e-5;

/**
 * Cuts a mesh across its length. The outline keeps 150 corners of each loop at the most.
 * @throws MeshError the plane misses it, it does not close there, or it falls into several pieces
 */
export function cutAcross(mesh: Mesh, load: MeshLoad, atMm: number): MeshCut {
  if (load.along === load.push)
    throw new MeshError('A load along the part does not bend it: choose another direction.');
  const at: [number, number, number] = [0, 0, 0];
  at[load.along] = atMm;
  const normal: [number, number, number] = [0, 0, 0];
  normal[load.along] = 1;
  const cut = sectionOf(mesh, { at, normal });
  const isU = Math.abs(cut.u[load.push]) > 0.5;
  const loops = cut.loops.map((loop) =>
    simplifyLoop(loop, MOST_CORNERS, NO_CORNER_SHARE * cut.areaMm2).map(([u, v]) => ({
      xMm: rounded(isU ? v : u),
      yMm: rounded(isU ? u : v),
    })),
  );
  const outer = cut.loops.map((loop, i) => ({ area: signedArea(loop), corners: loops[i]! }));
  const bodies = outer.filter(({ area }) => area > 0).sort((a, b) => b.area - a.area);
  if (bodies.length > 1)
    throw new MeshError(
      `The plane cuts it into ${bodies.length} separate pieces: each bears for itself. Cut where it is one.`,
    );
  const holes = outer.filter(({ area }) => area < 0).sort((a, b) => a.area - b.area);
  if (holes.length > MOST_HOLES)
    throw new MeshError(`The section has ${holes.length} holes; up to ${MOST_HOLES} are taken.`);
  const geometry: MeshCut['geometry'] = {
    kind: 'polygon',
    corners: bodies[0]!.corners,
    ...(holes.length > 0 ? { holes: holes.map(({ corners }) => corners) } : {}),
  };
  const beam = section(geometry);
  const leverMm = load.held === 'low' ? load.loadAtMm - atMm : atMm - load.loadAtMm;
  return {
    atMm,
    leverMm,
    section: cut,
    geometry,
    beam,
    stressPerN: leverMm > 0 ? (leverMm * beam.extremeFibreMm) / beam.secondMomentMm4 : 0,
  };
}

/** Outlines turn left, holes turn right; mm². */
function signedArea(loop: readonly (readonly [number, number])[]): number {
  let area = 0;
  for (let i = 0; i < loop.length; i++) {
    const [a, b] = loop[i]!;
    const [c, d] = loop[(i + 1) % loop.length]!;
    area += (a * d - c * b) / 2;
  }
  return area;
}

/** To a hundredth of a micrometre: the file knows less. */
const rounded = (mm: number) => Math.round(mm * 1e5) / 1e5;

/** A place along the part that was looked at; where it could not be cut, why. */
export interface StressedCut {
  atMm: number;
  stressPerN: number;
  areaMm2: number;
  secondMomentMm4: number;
}
export type CutSummary = StressedCut | { atMm: number; why: string };

/** A section of less than a hundredth of the largest is a pointed or rounded end: its stress grows beyond all bounds. */
const LEAST_SHARE = 0.01;
const unlessPointed = (one: CutSummary, leastMm2: number): CutSummary =>
  'areaMm2' in one && one.areaMm2 < leastMm2
    ? { atMm: one.atMm, why: 'the shape runs out to nothing there; hold it farther in' }
    : one;

/** So many narrowings place the worst cut to a ten-thousandth of the gap between two cuts. */
const NARROWINGS = 20;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** What a run of cuts found so far, and how much of it is done, 0 to 1. */
export interface CutsAlong {
  cuts: CutSummary[];
  /** Undefined: none is bent. */
  worst: StressedCut | undefined;
}

/**
 * Cuts from end to end, evenly and just off round numbers, so that no plane lies in a face; then around the most stressed of
 * them by golden section to the top of its peak, which may be sharp. The largest stress per newton is where the part would
 * give first if it were of one material and its layers bore alike. In order along the part. After each cut it can be paused
 * or left: it yields the share that is done.
 */
export function* cutSteps(
  mesh: Mesh,
  { lowMm, highMm }: Pick<MeshProperties, 'lowMm' | 'highMm'>,
  load: MeshLoad,
  count = 60,
): Generator<number, CutsAlong> {
  const [low, high] = [lowMm[load.along]!, highMm[load.along]!];
  const step = (high - low) / (count + 0.03);
  const all = count + NARROWINGS + 2;
  const cuts: CutSummary[] = [];
  for (let i = 0; i < count; i++) {
    cuts.push(summaryAt(mesh, load, low + step * (i + 0.5 + 0.0137)));
    yield cuts.length / all;
  }
  const leastMm2 = LEAST_SHARE * Math.max(0, ...cuts.map((one) => ('areaMm2' in one ? one.areaMm2 : 0)));
  cuts.forEach((one, i) => (cuts[i] = unlessPointed(one, leastMm2)));
  const stressed = cuts.filter((one): one is StressedCut => 'stressPerN' in one && one.stressPerN > 0);
  let worst = stressed.reduce<StressedCut | undefined>(
    (a, b) => (a && a.stressPerN >= b.stressPerN ? a : b),
    undefined,
  );
  if (!worst) return { cuts, worst };
  let [from, to] = [Math.max(low, worst.atMm - step), Math.min(high, worst.atMm + step)];
  const stressAt = (atMm: number) => {
    const found = unlessPointed(summaryAt(mesh, load, atMm), leastMm2);
    if (!('stressPerN' in found)) return -Infinity;
    cuts.push(found);
    if (found.stressPerN > worst!.stressPerN) worst = found;
    return found.stressPerN;
  };
  let [a, b] = [to - GOLDEN * (to - from), from + GOLDEN * (to - from)];
  let [stressA, stressB] = [stressAt(a), stressAt(b)];
  for (let i = 0; i < NARROWINGS; i++) {
    if (stressA >= stressB) {
      [to, b, stressB] = [b, a, stressA];
      a = to - GOLDEN * (to - from);
      stressA = stressAt(a);
    } else {
      [from, a, stressA] = [a, b, stressB];
      b = from + GOLDEN * (to - from);
      stressB = stressAt(b);
    }
    yield Math.min(1, cuts.length / all);
  }
  return { cuts: cuts.sort((one, other) => one.atMm - other.atMm), worst };
}

/** The same in one go. */
export function cutsAlong(...given: Parameters<typeof cutSteps>): CutsAlong {
  const steps = cutSteps(...given);
  for (let next = steps.next(); ; next = steps.next()) if (next.done) return next.value;
}

function summaryAt(mesh: Mesh, load: MeshLoad, atMm: number): CutSummary {
  try {
    const { stressPerN, beam } = cutAcross(mesh, load, atMm);
    return { atMm, stressPerN, areaMm2: beam.areaMm2, secondMomentMm4: beam.secondMomentMm4 };
  } catch (error) {
    if (!(error instanceof MeshError) && !(error instanceof InputError)) throw error;
    return { atMm, why: error.message };
  }
}
