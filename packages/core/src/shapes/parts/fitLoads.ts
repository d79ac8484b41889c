import type { Brief, LoadCase, LoadKind, PartGeometry } from '@anvilstone/schema';
import { takesFibre } from '../fibre/layFibre.ts';
import { fitCombinations } from './fitCombinations.ts';
import { findPartModel, partBody, takesFill } from './models.ts';
import type { SizeField, SizeKind } from './partModel.ts';

/** A first size of each sort, to be corrected by the engineer. */
const FIRST_SIZE: Record<SizeField, number> = {
  forceN: 20,
  torqueNmm: 500,
  pressureMPa: 0.01,
  displacementMm: 1,
  angleDeg: 90,
};
/** First times on the part, h, where the one it had cannot be meant for the new kind: a minute for a short load. */
const FIRST_SHORT_H = 1 / 60;
const FIRST_LASTING_H = 1000;
/** A short load is one of seconds to minutes; above an hour its time was another kind's. */
const LONGEST_SHORT_H = 1;
const SIZE_FIELDS = Object.keys(FIRST_SIZE) as SizeField[];

/**
 * A brief with another part model: loads keep their names, times, temperatures and safety factors; a kind that the model
 * cannot bear becomes one that it can, and a size it does not know is replaced by a first one of the right sort. A part
 * that cannot be filled is solid again, one that has no faces for strands has none.
 */
export function withPart(brief: Brief, part: PartGeometry): Brief {
  const { filled, fibre, ...rest } = brief;
  return fitCombinations({
    ...rest,
    part,
    ...(filled && takesFill(part) ? { filled } : {}),
    ...(fibre && takesFibre(part) ? { fibre } : {}),
    loadCases: brief.loadCases.map((loadCase) => fitLoad(loadCase, part)),
  });
}

/** One load made to fit a part model. What fits already comes back as it was. */
export function fitLoad(loadCase: LoadCase, part: PartGeometry): LoadCase {
  const takes = findPartModel(part.model).takes(part);
  const wanted = loadCase.kind ?? 'lasting';
  const kind = takes[wanted] ? wanted : (Object.keys(takes)[0] as LoadKind);
  const fitted = withKind(keepDirection(loadCase, part), kind, takes[kind]!);
  return tellsMovement(part) ? fitted : withoutLimits(fitted);
}

/**
 * The same load as another kind: only the fields that the kind uses stay. A time that cannot be meant for the new kind
 * becomes a first one of the right sort, so that weeks do not stay on a knock of the hand, nor a minute on a dead load.
 */
export function withKind(loadCase: LoadCase, kind: LoadKind, size: SizeKind): LoadCase {
  const next: LoadCase = { ...loadCase, kind, durationH: timeFor(loadCase, kind) };
  if (kind === 'lasting' && loadCase.kind === undefined) delete next.kind;
  for (const field of SIZE_FIELDS) if (field !== size) delete next[field];
  if (size === 'knock') {
    if (next.energyJ === undefined && next.fallingMassG === undefined) next.energyJ = 1;
  } else {
    delete next.energyJ;
    delete next.fallingMassG;
    delete next.dropHeightMm;
    delete next.strikeSpeedMPerS;
    delete next.mustStayWhole;
    next[size] ??= FIRST_SIZE[size];
  }
  if (kind === 'repeated') {
    if (next.cyclesPerH === undefined) next.cycles ??= 10000;
    next.stressRatio ??= 0;
  } else {
    delete next.cycles;
    delete next.cyclesPerH;
    delete next.stressRatio;
  }
  if (kind !== 'lasting')
    for (const field of ['maxSagMm', 'maxLeftMm', 'recoveryH', 'onEachH'] as const) delete next[field];
  if (kind !== 'lasting' && kind !== 'repeated') delete next.onShare;
  if (size !== 'forceN' && size !== 'torqueNmm' && size !== 'pressureMPa') delete next.shockFactor;
  if (kind !== 'held') delete next.minHoldN;
  if (size === 'displacementMm' || size === 'angleDeg') delete next.maxDeflectionMm;
  return next;
}

function timeFor({ kind: was = 'lasting', durationH }: LoadCase, kind: LoadKind): number {
  if (kind === was) return durationH;
  if (kind === 'short') return durationH > LONGEST_SHORT_H ? FIRST_SHORT_H : durationH;
  if (was === 'short' && durationH <= LONGEST_SHORT_H) return FIRST_LASTING_H;
  return durationH;
}

function tellsMovement(part: PartGeometry): boolean {
  const { complianceTerms, shear } = partBody(part).responses.depth;
  return complianceTerms.length > 0 || shear !== undefined;
}

/** A limit on a movement that the model cannot tell would leave every grade unknown. */
function withoutLimits({
  maxDeflectionMm: _a,
  maxSagMm: _b,
  maxLeftMm: _c,
  recoveryH: _d,
  ...rest
}: LoadCase): LoadCase {
  return rest;
}

function keepDirection(loadCase: LoadCase, part: PartGeometry): LoadCase {
  if (loadCase.direction === undefined || partBody(part).responses[loadCase.direction]) return loadCase;
  const { direction: _gone, ...rest } = loadCase;
  return rest;
}
