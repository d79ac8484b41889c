import type { BuildOrientation, Brief, Grade, HouseRules, Library } from '@anvilstone/schema';
import { reserveOf } from '../checks/caseCheck.ts';
import { caseChecks } from '../checks/caseChecks.ts';
import type { CaseCheck, CheckContext, PreparedLoad } from '../checks/check.ts';
import { heatAsks } from '../checks/heatAsks.ts';
import { checks } from '../checks/index.ts';
import { defaultHouseRules } from '../rules/houseRules.ts';
import { contextFor, materialFor, prepareBrief } from './context.ts';
import { normals, wilsonInterval } from './random.ts';
import { covOf, HEAT_SCATTER_K, logSpread, MATERIAL_FACTORS, scaledContext, scaledLoad } from './scatter.ts';

export interface ChanceOptions {
  rules?: HouseRules;
  /** @default 10000 */
  draws?: number;
  /** The same seed gives the same numbers everywhere, and all grades the same luck. @default 1 */
  seed?: number;
  /** Coefficient of variation of every load. @default 0.1 */
  loadCov?: number;
}

/** The share of draws in which a grade meets every check, with Wilson’s interval at 95 %. */
export interface Chance {
  draws: number;
  all: number;
  low: number;
  high: number;
  /** Share of draws that meet each check that scatters; the one met least often first. */
  byCheck: readonly { checkId: string; met: number }[];
  /** What was taken to scatter, and by how much: coefficient of variation, or K for heat. */
  scatter: { modulus: number; strength: number; across: number; heatK: number; load: number };
}

/** Something that has to hold: the logarithm of its reserve, and how that moves with each factor. */
interface Condition {
  checkId: string;
  logReserve: number;
  slopes: Float64Array;
}

const STEP = 0.02;
const HEAT_STEP_K = 0.5;
const ROOM_C = 23;
const HEAT = MATERIAL_FACTORS.length;
const FIRST_LOAD = HEAT + 1;

/**
 * Seeded Monte Carlo over log-normal properties and loads. Each check of each load is taken as a power law around the expected
 * values (exact for strength, stiffness and buckling alone; the exponents are found by small steps), so that ten thousand
 * draws cost as much as a few evaluations. What does not scatter either holds or does not. Properties keep their mean.
 * Undefined: a check is not known, so neither is the chance.
 * @throws InputError when the brief cannot be evaluated
 */
export function chanceOfMeetingAll(
  brief: Brief,
  library: Pick<Library, 'machines' | 'agents'>,
  grade: Grade,
  orientation: BuildOrientation,
  options: ChanceOptions = {},
): Chance | undefined {
  const { rules = defaultHouseRules, draws = 10000, seed = 1, loadCov = 0.1 } = options;
  const prepared = prepareBrief(brief, library, rules);
  const context = contextFor(prepared, materialFor(prepared, grade), orientation);
  const scattering = new Set(['heat-steady', 'heat-peak', ...caseChecks.map(({ id }) => id)]);
  let holds = true;
  for (const check of checks) {
    if (!check.applies(prepared)) continue;
    const { status } = check.evaluate(context);
    if (status === 'unknown') return undefined;
    if (status === 'fail' && !scattering.has(check.id)) holds = false;
  }
  const { material } = context;
  const heatK = material.behaviour?.hdtEvidence === 'C' ? HEAT_SCATTER_K.own : HEAT_SCATTER_K.family;
  const covs = MATERIAL_FACTORS.map((factor) => covOf(material, factor));
  const conditions = conditionsOf(context);
  const spreads = [...covs.map(logSpread), heatK, ...prepared.loads.map(() => logSpread(loadCov))];
  const drift = spreads.map((spread, i) => (i === HEAT ? 0 : (-spread * spread) / 2));
  const { all, met } = count(conditions, spreads, drift, draws, seed);
  const hits = holds ? all : 0;
  const ids = [...new Set(conditions.map(({ checkId }) => checkId))];
  return {
    draws,
    all: hits / draws,
    ...wilsonInterval(hits, draws),
    byCheck: ids.map((checkId) => ({ checkId, met: (met.get(checkId) ?? 0) / draws })).sort((a, b) => a.met - b.met),
    scatter: { modulus: covs[0]!, strength: covs[1]!, across: covs[2]!, heatK, load: loadCov },
  };
}

function count(
  conditions: readonly Condition[],
  spreads: readonly number[],
  drift: readonly number[],
  draws: number,
  seed: number,
): { all: number; met: Map<string, number> } {
  const width = spreads.length;
  const luck = normals(seed, draws, width);
  const ids = [...new Set(conditions.map(({ checkId }) => checkId))];
  const indexOf = conditions.map(({ checkId }) => ids.indexOf(checkId));
  const met = new Int32Array(ids.length);
  const failed = new Uint8Array(ids.length);
  let all = 0;
  for (let draw = 0; draw < draws; draw++) {
    failed.fill(0);
    for (let c = 0; c < conditions.length; c++) {
      const { logReserve, slopes } = conditions[c]!;
      let reserve = logReserve;
      for (let k = 0; k < width; k++) reserve += slopes[k]! * (drift[k]! + spreads[k]! * luck[draw * width + k]!);
      if (reserve < 0) failed[indexOf[c]!] = 1;
    }
    let every = true;
    for (let i = 0; i < ids.length; i++) {
      if (failed[i] === 0) met[i]! += 1;
      else every = false;
    }
    if (every) all += 1;
  }
  return { all, met: new Map(ids.map((id, i) => [id, met[i]!])) };
}

/** Every check of every load, and again at the temperatures that the part has to stand. */
function conditionsOf(context: CheckContext): Condition[] {
  const { part, brief } = context;
  const found: Condition[] = [];
  const add = (checkId: string, check: CaseCheck, load: PreparedLoad, temperatureC: number, durationH: number) => {
    const condition = conditionOf(context, checkId, check, load, temperatureC, durationH);
    if (condition) found.push(condition);
  };
  for (const check of caseChecks)
    for (const load of part.loads)
      if (check.appliesTo(load, part.body))
        add(check.id, check, load, load.loadCase.temperatureC, load.loadCase.durationH);
  const { heat } = brief.asks;
  const hot = (checkId: string, temperatureC: number | undefined, longestH: number) => {
    if (temperatureC === undefined) return;
    for (const { check, load, durationH } of heatAsks(part, longestH))
      add(checkId, check, load, temperatureC, durationH);
  };
  hot('heat-steady', heat?.steadyC, heat?.steadyH ?? Infinity);
  hot('heat-peak', heat?.peak?.temperatureC, heat?.peak?.durationH ?? Infinity);
  return found;
}

function conditionOf(
  context: CheckContext,
  checkId: string,
  check: CaseCheck,
  load: PreparedLoad,
  temperatureC: number,
  durationH: number,
): Condition | undefined {
  const logAt = (where: CheckContext, what: PreparedLoad, atC: number): number | undefined => {
    const outcome = check.at(where, what, atC, durationH);
    return outcome.kind === 'known' ? Math.log(Math.max(1e-9, reserveOf(outcome))) : undefined;
  };
  const logReserve = logAt(context, load, temperatureC);
  if (logReserve === undefined) return undefined;
  const slopes = new Float64Array(FIRST_LOAD + context.part.loads.length);
  const step = Math.log1p(STEP);
  const slope = (moved: number | undefined, by: number) => (moved === undefined ? 0 : (moved - logReserve) / by);
  MATERIAL_FACTORS.forEach((factor, k) => {
    slopes[k] = slope(logAt(scaledContext(context, factor, 1 + STEP), load, temperatureC), step);
  });
  // A grade whose curve lies higher is as one that is cooler; below room temperature its heat points say nothing.
  if (temperatureC > ROOM_C) slopes[HEAT] = slope(logAt(context, load, temperatureC - HEAT_STEP_K), HEAT_STEP_K);
  slopes[FIRST_LOAD + context.part.loads.indexOf(load)] = slope(
    logAt(context, scaledLoad(load, 1 + STEP), temperatureC),
    step,
  );
  return { checkId, logReserve, slopes };
}
