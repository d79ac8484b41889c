import { InputError } from '@anvilstone/core/foundations';

/** Force over movement as it was read. NaN: not read. */
export interface ForceCurve {
  /** N, on the specimen. */
  forceN: Float64Array;
  /** mm. */
  movedMm: Float64Array;
  /** Not 0: the gauge was past its range, and its number is only a bound. */
  over?: Uint8Array;
}

export interface CurveFindings {
  peakN: number;
  peakAt: number;
  /** The gauge was past its range: the peak is at least this. */
  peakIsBound: boolean;
  /** First give before the peak; null: none was seen. */
  firstCrackN: number | null;
  crackAt: number | null;
  /** Null: too few readings on the straight part. */
  stiffnessNPerMm: number | null;
  /** Where the straight part meets no force, mm: slack of the rig before it. */
  toeMm: number | null;
  /** Work from the toe until it broke, or to the end; null: no movement was read. */
  energyJ: number | null;
  brokeAt: number | null;
  /** Scatter of the force from reading to reading, N. */
  noiseN: number;
}

/** A drop is a give when it is larger than both: so much of the force, and so many times the noise. */
const GIVE_SHARE = 0.02;
const GIVE_NOISE = 6;
/** The straight part, as shares of the first give or the peak. */
const STRAIGHT = [0.1, 0.4] as const;
const FEWEST_STRAIGHT = 5;
/** Below this share of the peak it has broken. */
const BROKEN_SHARE = 0.4;
/** A second difference of independent noise has √6 times its standard deviation; 0.6745 is the median of |z|. */
const NOISE_OF_SECOND_DIFFERENCE = 0.6745 * Math.sqrt(6);
const MOST_FOR_NOISE = 20_000;

/**
 * Peak, first give, stiffness, energy and break of force over movement, in one pass each. The straight part is fitted by least squares
 * between 10 and 40 % of the first give (or the peak), so that slack at the start and yielding before the peak do not count.
 * @throws InputError columns of different length, or no force at all
 */
export function analyseCurve({ forceN, movedMm, over }: ForceCurve): CurveFindings {
  if (movedMm.length !== forceN.length)
    throw new InputError('movedMm', movedMm.length, `as many readings as the force, ${forceN.length}`);
  const noiseN = noiseOf(forceN);
  let peakAt = -1;
  for (let i = 0; i < forceN.length; i++) if (forceN[i]! > (peakAt < 0 ? -Infinity : forceN[peakAt]!)) peakAt = i;
  if (peakAt < 0) throw new InputError('forceN', forceN.length, 'at least one reading of the force is needed');
  const peakN = forceN[peakAt]!;
  const crackAt = firstGive(forceN, peakAt, noiseN);
  const top = crackAt === null ? peakN : forceN[crackAt]!;
  const line = straightPart(forceN, movedMm, crackAt ?? peakAt, top);
  const brokeAt = breakAfter(forceN, peakAt);
  const peakIsBound = over !== undefined && over.some((one) => one !== 0);
  return {
    peakN,
    peakAt,
    peakIsBound,
    firstCrackN: crackAt === null ? null : top,
    crackAt,
    stiffnessNPerMm: line?.slope ?? null,
    toeMm: line?.toeMm ?? null,
    energyJ: energyTo(forceN, movedMm, line?.toeMm ?? -Infinity, brokeAt ?? forceN.length - 1),
    brokeAt,
    noiseN,
  };
}

/** Robust against the curve itself and against breaks: the median of the second difference. */
function noiseOf(force: Float64Array): number {
  const step = Math.max(1, Math.floor(force.length / MOST_FOR_NOISE));
  const found: number[] = [];
  for (let i = 2; i < force.length; i += step) {
    const second = Math.abs(force[i]! - 2 * force[i - 1]! + force[i - 2]!);
    if (second >= 0) found.push(second);
  }
  if (found.length === 0) return 0;
  const sorted = Float64Array.from(found).sort();
  return sorted[sorted.length >> 1]! / NOISE_OF_SECOND_DIFFERENCE;
}

/**
 * The reading before the first drop that is no noise. A stray reading is none: the next one is back where the curve was heading, while
 * after a give it stays below that, however soon the force has risen past its last height.
 */
function firstGive(force: Float64Array, peakAt: number, noiseN: number): number | null {
  const least = force[peakAt]! * STRAIGHT[0];
  let highest = -1;
  for (let i = 0; i < peakAt; i++) {
    const value = force[i]!;
    if (Number.isNaN(value)) continue;
    if (highest < 0 || value > force[highest]!) {
      highest = i;
      continue;
    }
    const top = force[highest]!;
    const give = Math.max(GIVE_SHARE * top, GIVE_NOISE * noiseN);
    if (top <= least || top - value <= give) continue;
    const next = nextRead(force, i + 1, peakAt);
    if (next < 0) return null;
    const heading = top + risePerReading(force, highest) * (next - highest);
    if (heading - force[next]! > give) return highest;
  }
  return null;
}

/** Over this many readings the slope is taken. */
const SLOPE_READINGS = 5;

function risePerReading(force: Float64Array, at: number): number {
  let from = Math.max(0, at - SLOPE_READINGS);
  while (from < at && Number.isNaN(force[from]!)) from++;
  return from === at ? 0 : Math.max(0, (force[at]! - force[from]!) / (at - from));
}

function nextRead(force: Float64Array, from: number, to: number): number {
  for (let i = from; i <= to; i++) if (!Number.isNaN(force[i]!)) return i;
  return -1;
}

function straightPart(
  force: Float64Array,
  moved: Float64Array,
  to: number,
  top: number,
): { slope: number; toeMm: number } | undefined {
  const [low, high] = [STRAIGHT[0] * top, STRAIGHT[1] * top];
  let end = 0;
  while (end < to && !(force[end]! >= high)) end++;
  let start = end;
  while (start > 0 && !(force[start - 1]! < low)) start--;
  let [n, sx, sy, sxx, sxy] = [0, 0, 0, 0, 0];
  for (let i = start; i <= end; i++) {
    const [x, y] = [moved[i]!, force[i]!];
    if (Number.isNaN(x) || Number.isNaN(y)) continue;
    n += 1;
    sx += x;
    sy += y;
    sxx += x * x;
    sxy += x * y;
  }
  const spread = sxx - (sx * sx) / n;
  if (n < FEWEST_STRAIGHT || !(spread > 0)) return undefined;
  const slope = (sxy - (sx * sy) / n) / spread;
  return slope > 0 ? { slope, toeMm: (sx - sy / slope) / n } : undefined;
}

function breakAfter(force: Float64Array, peakAt: number): number | null {
  const limit = BROKEN_SHARE * force[peakAt]!;
  for (let i = peakAt + 1; i < force.length; i++) if (force[i]! < limit) return i;
  return null;
}

function energyTo(force: Float64Array, moved: Float64Array, toeMm: number, to: number): number | null {
  let [sum, steps, last] = [0, 0, -1];
  for (let i = 0; i <= to; i++) {
    if (Number.isNaN(force[i]!) || Number.isNaN(moved[i]!) || moved[i]! < toeMm) continue;
    if (last >= 0) {
      sum += ((force[i]! + force[last]!) / 2) * (moved[i]! - moved[last]!);
      steps += 1;
    }
    last = i;
  }
  return steps === 0 ? null : sum / 1000;
}

/**
 * Which readings to draw so that a curve looks as it would with all of them: of each of so many stretches the first, the least and the
 * largest. In rising order, each once.
 */
export function readingsToDraw(force: Float64Array, complianceTerms: number): number[] {
  if (force.length <= 3 * complianceTerms) return Array.from(force, (_, i) => i);
  const kept: number[] = [];
  for (let stretch = 0; stretch < complianceTerms; stretch++) {
    const from = Math.floor((stretch * force.length) / complianceTerms);
    const to = Math.floor(((stretch + 1) * force.length) / complianceTerms);
    let [least, most] = [from, from];
    for (let i = from; i < to; i++) {
      if (force[i]! < force[least]! || Number.isNaN(force[least]!)) least = i;
      if (force[i]! > force[most]! || Number.isNaN(force[most]!)) most = i;
    }
    for (const i of [from, Math.min(least, most), Math.max(least, most)]) if (i !== kept.at(-1)) kept.push(i);
  }
  if (kept.at(-1) !== force.length - 1) kept.push(force.length - 1);
  return [...new Set(kept)].sort((a, b) => a - b);
}
