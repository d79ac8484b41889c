import type {
  Brief,
  BuildOrientation,
  CheckResult,
  EvaluationEntry,
  EvidenceClass,
  Grade,
  CompanyRules,
  Library,
  RigSetUp,
  Statement,
} from '@anvilstone/schema';
import { findCheck } from '../../checks/index.ts';
import { prepareMaterial } from '../../materials/behaviour/material.ts';
import { printTimeH } from '../../machines/cost/cost.ts';
import { completeRules } from '../../materials/companyRules/companyRules.ts';
import { specimensFor } from './comparisons.ts';
import { bearsOn, findMethod, testMethods } from './methods/index.ts';
import { SPECIMEN_COV, type Predicted, type TestMethod } from './methods/testMethod.ts';
import { benchLoads, predictPart } from './partPrediction.ts';
import { rangeOf, type RangeFinding } from './range.ts';

/** A test that a part’s answer would gain from. */
export interface TestProposal {
  checkId: string;
  method: TestMethod;
  orientation: BuildOrientation;
  /** Why it is proposed: the weakest first, then what is known worst. */
  why: Statement;
  reserve: number | null;
  evidence: EvidenceClass | null;
  loadCaseId?: string;
  setUp: RigSetUp;
  perArm: number;
  effort: TestEffort | undefined;
  predicted: Predicted & { unit?: string };
  range: RangeFinding | undefined;
}

export interface TestEffort {
  filamentG: number;
  printH: number;
  handsOnMin: number;
}

export interface PlanOptions {
  /** Each mean within ± so much of itself, with 95 % confidence. */
  halfWidth?: number;
  gaugeCapacityN?: number;
}

/** Class A asks for five. */
const FEWEST_SPECIMENS = 5;
const MOST_PROPOSALS = 8;
const COV_OF_CLASS: Record<EvidenceClass, number> = { A: 0.05, B: 0.1, C: 0.2, D: 0.3 };
/** A reserve so many standard deviations above 1 needs no test. */
const CLEAR_SPREADS = 3;
export const DEFAULT_HALF_WIDTH = 0.1;

/**
 * Tests for a part in one grade and build orientation, the most telling first: what is not known, then the checks whose reserve lies fewest standard
 * deviations from 1. A check that is far on the safe side on good evidence is left out, and so is what no bench can settle.
 * @throws InputError when the brief cannot be evaluated
 */
export function planTests(
  brief: Brief,
  library: Pick<Library, 'machines' | 'agents'>,
  grade: Grade,
  entry: EvaluationEntry,
  rules: CompanyRules,
  options: PlanOptions = {},
): TestProposal[] {
  const ranked = entry.checks
    .filter((check) => check.status !== 'not-loaded' && testMethods.some(({ id }) => bearsOn(id, check.checkId)))
    .map((check) => ({ check, spreads: spreadsFromOne(check) }))
    .filter(({ spreads }) => spreads < CLEAR_SPREADS)
    .sort((a, b) => a.spreads - b.spreads);
  const proposals: TestProposal[] = [];
  for (const { check } of ranked) {
    const method = methodFor(check, brief, proposals);
    if (!method || proposals.length >= MOST_PROPOSALS) continue;
    proposals.push(propose(check, method, whyOf(check)));
  }
  const itself = theRealPart();
  if (itself && brief.failureCouldHurt === 'yes') return [itself, ...proposals];
  return itself ? [...proposals, itself] : proposals;

  /** Coupons settle the material; only the part settles its model and its print. Where it could hurt someone it comes first. */
  function theRealPart(): TestProposal | undefined {
    if (proposals.some(({ method }) => method.id === 'break-part')) return undefined;
    const loaded = entry.checks.filter(
      ({ checkId, reserve }) => reserve !== null && ['strength-in-plane', 'strength-across-layers'].includes(checkId),
    );
    const [weakest] = [...loaded].sort((a, b) => a.reserve! - b.reserve!);
    const method = findMethod('break-part');
    if (!weakest || !method || !benchLoads(brief).some(({ unit }) => unit === 'N')) return undefined;
    return propose(
      weakest,
      method,
      'The real part under its own load: settles the model and the print as well as the material',
    );
  }

  function propose(check: CheckResult, method: TestMethod, why: Statement): TestProposal {
    const across = check.checkId === 'strength-across-layers';
    const orientation: BuildOrientation = method.tests === 'part' ? entry.orientation : across ? 'ZX' : 'XY';
    // A blow cannot be pulled, nor a pull struck.
    const loads = benchLoads(brief).filter(({ unit }) => (unit === 'J') === (method.capture === 'number'));
    const load = loads.find(({ loadCase }) => loadCase.id === check.loadCaseId) ?? loads[0];
    const setUp = typicalSetUp(method, brief, options.gaugeCapacityN);
    const predicted: TestProposal['predicted'] =
      method.tests === 'part'
        ? load
          ? predictPart(brief, load.loadCase.id, library, grade, orientation, rules)
          : { known: false, gaps: ['The brief has no load that a bench can put on'] }
        : predictCoupon(method, grade, orientation, setUp, brief, rules);
    const { perArm } = specimensNeeded(method, orientation, options.halfWidth ?? DEFAULT_HALF_WIDTH);
    return {
      checkId: check.checkId,
      method,
      orientation,
      why,
      reserve: check.reserve,
      evidence: check.evidence,
      ...(method.tests === 'part' && load ? { loadCaseId: load.loadCase.id } : {}),
      setUp,
      perArm,
      effort: effortOf(method, setUp, perArm, grade, library, rules, entry.massG),
      predicted,
      range:
        predicted.known && predicted.forceN !== undefined && method.capture === 'force'
          ? rangeOf({ forceN: predicted.forceN, cov: predicted.cov }, setUp, method.resize)
          : undefined,
    };
  }
}

/** A coupon’s prediction in the moisture state of the brief. */
export function predictCoupon(
  method: TestMethod,
  grade: Grade,
  orientation: BuildOrientation,
  setUp: RigSetUp,
  { moisture }: Pick<Brief, 'moisture'>,
  rules: CompanyRules,
): Predicted {
  const { agentId: _fluid, ...sizes } = setUp;
  const material = prepareMaterial(grade, moisture, { ...completeRules(rules), strengthBasis: 'mean' }, false);
  return method.predict({ material, orientation, sizes });
}

/** How many for a mean within ± the half-width, by the scatter usual of such specimens, and never fewer than class A asks for. */
export function specimensNeeded(
  method: TestMethod,
  orientation: BuildOrientation,
  halfWidth: number,
): { perArm: number; cov: number; enough: boolean } {
  const cov = scatterOf(method, orientation);
  const found = specimensFor(cov, halfWidth);
  return { perArm: Math.max(FEWEST_SPECIMENS, found ?? 30), cov, enough: found !== null };
}

export function scatterOf(method: TestMethod, orientation: BuildOrientation): number {
  if (['pendulum', 'pendulum-notched', 'drop-part'].includes(method.id)) return SPECIMEN_COV.impact;
  if (method.capture === 'time') return SPECIMEN_COV.time;
  return orientation === 'ZX' ? SPECIMEN_COV.across : SPECIMEN_COV.inPlane;
}

/** The sizes a method is usually done with, at the temperature of the brief where the method is about heat. */
export function typicalSetUp(method: TestMethod, brief?: Brief, gaugeCapacityN?: number): RigSetUp {
  const sizes = Object.fromEntries(method.sizes.map(({ id, typical }) => [id, typical]));
  const hot = method.id === 'creep-hot' ? brief?.asks.heat?.steadyC : undefined;
  const gauge = method.capture === 'force' && gaugeCapacityN !== undefined ? { gaugeCapacityN } : {};
  return { ...sizes, ...gauge, ...(hot === undefined ? {} : { temperatureC: hot }) };
}

/** Filament, machine and hands for all specimens; undefined: its density or the part’s mass is not known. */
export function effortOf(
  method: TestMethod,
  setUp: RigSetUp,
  specimens: number,
  grade: Grade,
  { machines }: Pick<Library, 'machines'>,
  rules: CompanyRules,
  partMassG: number | null,
): TestEffort | undefined {
  const complete = completeRules(rules);
  const density = prepareMaterial(grade, 'dry', complete, false).density;
  if (!density.known) return undefined;
  const { agentId: _fluid, ...sizes } = setUp;
  const volumeMm3 = method.volumeMm3?.(sizes) ?? (partMassG === null ? undefined : (1000 * partMassG) / density.value);
  const machine = machines[0];
  if (volumeMm3 === undefined || !machine) return undefined;
  const massG = (volumeMm3 * density.value) / 1000;
  return {
    filamentG: specimens * massG * (1 + complete.purgeShare),
    printH: specimens * printTimeH({ volumeMm3, machine, rules: complete }),
    handsOnMin: specimens * method.handsOnMin,
  };
}

/** ln R over its scatter: how many standard deviations it lies above 1. What is not known comes before everything. */
function spreadsFromOne({ status, reserve, evidence }: CheckResult): number {
  if (status === 'unknown') return -Infinity;
  if (reserve === null || !(reserve > 0)) return Infinity;
  return Math.abs(Math.log(reserve)) / COV_OF_CLASS[evidence ?? 'D'];
}

function whyOf({ status, reserve, evidence, checkId }: CheckResult): string {
  const title = findCheck(checkId)?.title ?? checkId;
  if (status === 'unknown') return `${title} is not known`;
  const side = reserve! < 1 ? 'fails' : 'passes';
  return `${title} ${side} on ${evidence === 'D' ? 'a family estimate' : evidence === 'C' ? 'carried-over numbers' : 'measured numbers'}, close enough to 1 to come out otherwise`;
}

/** Hot creep where it works hot; a part before a coupon only where no coupon settles it; none twice. */
function methodFor(check: CheckResult, brief: Brief, taken: readonly TestProposal[]): TestMethod | undefined {
  const across = check.checkId === 'strength-across-layers';
  const fitting = testMethods.filter(({ id }) => bearsOn(id, check.checkId));
  const hot = (brief.asks.heat?.steadyC ?? 23) > 35;
  const fluids = (brief.asks as { fluids?: readonly unknown[] }).fluids;
  const preferred = fitting.filter(
    ({ id }) => (id !== 'creep-hot' || hot) && (id !== 'soak' || check.checkId !== 'chemical' || fluids !== undefined),
  );
  const free = preferred.filter(
    (method) =>
      !taken.some(
        (one) => one.method === method && (method.tests === 'part' || one.orientation === (across ? 'ZX' : 'XY')),
      ),
  );
  return hot ? (free.find(({ id }) => id === 'creep-hot') ?? free[0]) : free[0];
}

/** Undefined: a method of a newer version. */
export const methodOf = ({ methodId }: { methodId: string }): TestMethod | undefined => findMethod(methodId);
