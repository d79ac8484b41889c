import { isPulledApart, findCheck } from '@anvilstone/core/checks';
import { evaluate, preparePart } from '@anvilstone/core/evaluation';
import { inSentence } from '@anvilstone/core/foundations';
import { briefWithLoad, everyLoadCase, featureOfLoad, partBody, BUILT_UP } from '@anvilstone/core/shapes';
import type { Brief, BuildOrientation, Grade, CompanyRules, Library, LoadCase } from '@anvilstone/schema';
import type { Predicted } from './methods/testMethod.ts';

/** A hand-loaded test, h. */
const BENCH_H = 1 / 60;
const BENCH_C = 23;
const SHOWN_COV = { A: 0.05, B: 0.1, C: 0.2, D: 0.3 };

/** A load that a bench can put on: a pull or a push at one place, or a blow. */
export interface BenchLoad {
  loadCase: LoadCase;
  amount: number;
  unit: 'N' | 'J';
}

/** Loads of a brief that a bench can put on until the part breaks. Torques and pressures want a rig of their own. */
export function benchLoads(brief: Brief): BenchLoad[] {
  return everyLoadCase(brief).flatMap((loadCase): BenchLoad[] => {
    const { forceN, energyJ } = loadCase;
    if (loadCase.kind === 'knock') return energyJ === undefined ? [] : [{ loadCase, amount: energyJ, unit: 'J' }];
    return forceN === undefined ? [] : [{ loadCase, amount: forceN, unit: 'N' }];
  });
}

/**
 * The load at which the part is expected to break on the bench, once, slowly, at 23 °C: the brief with that one load, without safety
 * factors and with average strengths. Not the load that it may bear in service.
 * @throws InputError as `evaluate` does
 */
export function predictPart(
  brief: Brief,
  loadCaseId: string,
  library: Pick<Library, 'machines' | 'agents'>,
  grade: Grade,
  orientation: BuildOrientation,
  rules: CompanyRules,
): Predicted & { unit?: BenchLoad['unit']; checkId?: string; across?: boolean } {
  const load = benchLoads(brief).find(({ loadCase }) => loadCase.id === loadCaseId);
  if (!load) return { known: false, gaps: ['The brief has no such load, or one that a bench cannot put on'] };
  const knock = load.unit === 'J';
  const alone = onTheBench(brief, load, orientation);
  const result = evaluate(
    alone,
    { ...library, grades: [grade] },
    {
      rules: { ...rules, safetyFactorHarm: 1, safetyFactorHarmless: 1, strengthBasis: 'mean' },
    },
  );
  const { checks } = result.grades[0]!.best;
  // The first of the checks that end in a break to reach 1 is where the part goes.
  const breaks = checks.filter(({ checkId }) => findCheck(checkId)?.breaksUnder === (knock ? 'blow' : 'force'));
  const unknown = breaks.filter(({ status }) => status === 'unknown');
  if (unknown.length > 0) return { known: false, gaps: unknown.flatMap(({ gaps }) => gaps) };
  const first = breaks.filter(({ reserve }) => reserve !== null).sort((a, b) => a.reserve! - b.reserve!)[0];
  if (!first) return { known: false, gaps: ['Nothing of it is expected to break under this load'] };
  const value = load.amount * first.reserve!;
  return {
    known: true,
    value,
    cov: first.evidence ? SHOWN_COV[first.evidence] : SHOWN_COV.D,
    unit: load.unit,
    checkId: first.checkId,
    across: knock ? tearsAcross(alone) : first.checkId === 'strength-across-layers',
    place: placeOf(featureOfLoad(brief, loadCaseId)?.part ?? brief.part, first.checkId, first.placeId ?? null),
    ...(load.unit === 'N' ? { forceN: value } : {}),
  };
}

/** Whether a blow on the one load of a brief tears between the layers. */
function tearsAcross(alone: Brief): boolean {
  const part = preparePart(alone, BUILT_UP[alone.asks.orientations![0]!]);
  return isPulledApart(part.layerStresses, part.loads[0]!);
}

function onTheBench(brief: Brief, { loadCase }: BenchLoad, orientation: BuildOrientation): Brief {
  const {
    cycles: _n,
    cyclesPerH: _p,
    // A gauge shows the force itself, however suddenly it comes.
    shockFactor: _f,
    stressRatio: _r,
    maxDeflectionMm: _d,
    maxSagMm: _s,
    maxLeftMm: _l,
    onShare: _o,
    onEachH: _e,
    ...load
  } = loadCase;
  return briefWithLoad(
    brief,
    loadCase.id,
    {
      ...load,
      kind: loadCase.kind === 'knock' ? 'knock' : 'short',
      temperatureC: BENCH_C,
      durationH: BENCH_H,
      safetyFactor: 1,
      actsWhenHot: false,
    },
    orientation,
  );
}

function placeOf(part: Brief['part'], checkId: string, placeId: string | null): string {
  const { places, buckling } = partBody(part).responses.depth;
  const place = [...places, ...buckling].find(({ id }) => id === placeId);
  const how = inSentence(findCheck(checkId)?.title) ?? checkId;
  return place ? `${inSentence(place.title)}, ${how} first` : `${how} first`;
}
