import type { BuildOrientation, Brief, Grade, CompanyRules, Library } from '@anvilstone/schema';
import { everyLoad, checks } from '@anvilstone/core/checks';
import { keptNormals, wilsonInterval } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { strandStrength } from '@anvilstone/core/shapes';
import { conditionsOf, HEAT, heatMove, widthOf, type Condition } from '../evaluating/conditions.ts';
import { contextFor, materialFor, prepareBrief } from '../evaluating/context.ts';
import { otherCondition } from '../evaluating/otherConditions.ts';
import { covOf, heatScatterK, logSpread, MATERIAL_FACTORS } from './scatter.ts';
import { BRITTLE_LUCK, tableAt } from './scatterTables.ts';

export interface ChanceOptions {
  rules?: CompanyRules;
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
  scatter: { modulus: number; strength: number; across: number; heatK: number; load: number; strand?: number };
}

/**
 * Seeded Monte Carlo over log-normal properties and loads. Each check of each load is taken as a power law around the expected
 * values (exact for strength, stiffness and buckling alone; the exponents are found by small steps) and as looked up over
 * where the heat curve may lie, so that ten thousand draws cost as much as a few evaluations. What does not scatter either holds or does not. Properties keep their mean.
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
  const { rules = defaultCompanyRules, draws = 10000, seed = 1, loadCov = 0.1 } = options;
  const prepared = prepareBrief(brief, library, rules);
  const context = contextFor(prepared, materialFor(prepared, grade), orientation);
  let holds = true;
  const width = widthOf(prepared);
  const others: Condition[] = [];
  // One column of luck for each check of the brief, whatever the grade: all grades have the same luck.
  let luck = BRITTLE_LUCK;
  for (const check of checks) {
    if (!check.applies(prepared)) continue;
    luck += 1;
    const result = check.evaluate(context);
    if (result.status === 'unknown') return undefined;
    if (check.scatter === 'loads') continue;
    const other = otherCondition(context, check, result, width, luck);
    if (other) others.push(other);
    else if (result.status === 'fail') holds = false;
  }
  const { material } = context;
  const heatK = heatScatterK(material);
  const covs = MATERIAL_FACTORS.map((factor) => covOf(material, factor));
  const conditions = [...conditionsOf(context), ...others];
  const { fibre } = context.part;
  const strandCov = fibre && strandStrength(fibre.tow).cov;
  const spreads = [
    ...covs.map(logSpread),
    heatK,
    ...everyLoad(prepared).map(() => logSpread(loadCov)),
    ...(strandCov === undefined ? [] : [logSpread(strandCov)]),
  ];
  const drift = spreads.map((spread, i) => (i === HEAT ? 0 : (-spread * spread) / 2));
  const { all, met } = count(conditions, { spreads, drift, draws, seed, ownWidth: luck + 1 });
  const hits = holds ? all : 0;
  const ids = [...new Set(conditions.map(({ checkId }) => checkId))];
  return {
    draws,
    all: hits / draws,
    ...wilsonInterval(hits, draws),
    byCheck: ids.map((checkId) => ({ checkId, met: (met.get(checkId) ?? 0) / draws })).sort((a, b) => a.met - b.met),
    scatter: {
      modulus: covs[0]!,
      strength: covs[1]!,
      across: covs[2]!,
      heatK,
      load: loadCov,
      ...(strandCov === undefined ? {} : { strand: strandCov }),
    },
  };
}

interface Draws {
  spreads: readonly number[];
  drift: readonly number[];
  draws: number;
  seed: number;
  /** Columns of luck of checks by themselves. */
  ownWidth: number;
}
/** So that what scatters by itself has luck of its own. */
const OWN_SEED = 0x51ed27;

function count(
  conditions: readonly Condition[],
  { spreads, drift, draws, seed, ownWidth }: Draws,
): { all: number; met: Map<string, number> } {
  const width = spreads.length;
  const luck = keptNormals(seed, draws, width);
  const ownLuck = keptNormals(seed + OWN_SEED, draws, ownWidth);
  const ids = [...new Set(conditions.map(({ checkId }) => checkId))];
  const indexOf = conditions.map(({ checkId }) => ids.indexOf(checkId));
  const met = new Int32Array(ids.length);
  const failed = new Uint8Array(ids.length);
  let all = 0;
  for (let draw = 0; draw < draws; draw++) {
    failed.fill(0);
    for (let c = 0; c < conditions.length; c++) {
      const condition = conditions[c]!;
      const { logReserve, slopes, own } = condition;
      let reserve = logReserve + heatMove(condition, luck[draw * width + HEAT]!);
      for (let k = 0; k < width; k++)
        if (k !== HEAT) reserve += slopes[k]! * (drift[k]! + spreads[k]! * luck[draw * width + k]!);
      if (own) reserve += ownMove(own, ownLuck[draw * ownWidth + own.luck]!);
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

/** What a check’s own scatter adds to the logarithm of its reserve; its mean is kept. */
const ownMove = (own: NonNullable<Condition['own']>, deviations: number): number =>
  'table' in own ? tableAt(own.table, deviations) : own.spread * (deviations - own.spread / 2);
