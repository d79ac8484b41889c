import { formatNumber as f, say, mm, bare } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { builtAs, freeSize } from '@anvilstone/core/shapes';
import type { Brief, EvaluationEntry, Grade, CompanyRules, Library, LoadCase } from '@anvilstone/schema';
import { evaluateGrade, prepareJob } from '../evaluating/evaluate.ts';
import { offerTreatments, offerUpgrades } from './fixesOfProcess.ts';
import { prepareSizing } from './sizing.ts';
import type { Fix, Offer } from './fix.ts';

const FILLET_STEPS = [1.5, 2, 3, 4];
/** A load that may be exceeded by less than this is no safety factor any more. */
const LEAST_SAFETY_FACTOR = 1.05;

/**
 * The nearest changes with which a grade that does not pass would: a larger free dimension, a larger fillet, another orientation
 * or machine than the brief allows, an oven or a bath after printing, an upgrade of a machine, and last a lower safety
 * factor, said to be a decision. Each one is evaluated; what does
 * not pass by itself is left out. Cheapest first, decisions last. Empty for what passes already.
 * @throws InputError when the brief cannot be evaluated
 */
export function nearestFixes(
  brief: Brief,
  library: Pick<Library, 'machines' | 'agents'>,
  grade: Grade,
  rules: CompanyRules = defaultCompanyRules,
): Fix[] {
  const bestOn = (machines: Library['machines'], changed: Brief) =>
    evaluateGrade(prepareJob(changed, { ...library, machines, grades: [] }, { rules }), grade).best;
  const bestOf = (changed: Brief) => bestOn(library.machines, changed);
  const now = bestOf(brief);
  if (now.status === 'pass') return [];
  const fixes: Fix[] = [];
  const offer: Offer = (kind, title, changed, more = {}) => {
    const { machines = library.machines, ...rest } = more;
    const entry = bestOn(machines, changed);
    if (entry.status !== 'pass') return false;
    const delta = (after: number | null, before: number | null) =>
      after === null || before === null ? null : after - before;
    fixes.push({
      kind,
      title,
      isDecision: kind === 'safety-factor' || kind === 'movement',
      ...rest,
      brief: changed,
      entry,
      massDeltaG: delta(entry.massG, now.massG),
      costDeltaUsd: delta(entry.costUsd, now.costUsd),
    });
    return true;
  };
  offerSize(brief, library, grade, rules, offer);
  offerFilling(brief, offer);
  offerFillet(brief, offer);
  const { orientations, machineIds, ...asks } = brief.asks;
  if (orientations) {
    const changed = { ...brief, asks: { ...asks, ...(machineIds ? { machineIds } : {}) } };
    offer(
      'way-up',
      `Build it ${builtAs(brief.part, bestOf(changed).orientation)}: the brief allows only ${orientations.map((one) => builtAs(brief.part, one)).join(', ')}`,
      changed,
    );
  }
  if (machineIds) {
    const changed = { ...brief, asks: { ...asks, ...(orientations ? { orientations } : {}) } };
    const name = library.machines.find(({ id }) => id === bestOf(changed).machineId)?.name;
    offer('machine', `Print it on ${name ?? 'another machine'}: the brief leaves it out`, changed);
  }
  offerTreatments(brief, grade, offer);
  offerUpgrades(brief, library.machines, now, offer);
  offerMovement(brief, now, offer);
  offerSafetyFactor(brief, now, offer);
  return fixes.sort(
    (a, b) =>
      Number(a.isDecision) - Number(b.isDecision) || (a.costDeltaUsd ?? Infinity) - (b.costDeltaUsd ?? Infinity),
  );
}

function offerSize(
  brief: Brief,
  library: Pick<Library, 'machines' | 'agents'>,
  grade: Grade,
  rules: CompanyRules,
  offer: Offer,
): void {
  const free = freeSize(brief.part);
  const sized = prepareSizing(brief, library, rules)?.size(grade);
  if (!free || !sized?.ok) return;
  // In steps that can be drawn, and never back to what is drawn already.
  const sizeMm = Math.ceil(sized.sizeMm * 10) / 10;
  if (sizeMm === free.valueMm) return;
  offer('size', say`${free.title} ${bare(mm(free.valueMm))} → ${mm(sizeMm)}`, { ...brief, part: free.with(sizeMm) });
}

const MORE_WALLS = [1, 2, 3, 4, 6, 8, 12];
const MORE_INFILL = [0.4, 0.6, 0.8, 1];

/** Of a part that is not solid: more walls at first, then a fuller core. */
function offerFilling(brief: Brief, offer: Offer): void {
  const { filled } = brief;
  if (!filled) return;
  for (const more of MORE_WALLS) {
    const walls = filled.walls + more;
    if (offer('walls', `Walls ${filled.walls} → ${walls}`, { ...brief, filled: { ...filled, walls } })) break;
  }
  for (const infillShare of MORE_INFILL) {
    if (infillShare <= filled.infillShare) continue;
    const title = `Infill ${f(100 * filled.infillShare)} → ${f(100 * infillShare)} %${infillShare === 1 ? ', solid' : ''}`;
    if (offer('infill', title, { ...brief, filled: { ...filled, infillShare } })) break;
  }
}

function offerFillet(brief: Brief, offer: Offer): void {
  const { part } = brief;
  if (!('filletRadiusMm' in part) || part.filletRadiusMm <= 0) return;
  for (const step of FILLET_STEPS) {
    const filletRadiusMm = part.filletRadiusMm * step;
    const title = say`Fillet ${bare(mm(part.filletRadiusMm))} → ${mm(filletRadiusMm)}`;
    if (offer('fillet', title, { ...brief, part: { ...part, filletRadiusMm } })) return;
  }
}

/** Where only the usual limit is in the way: how far it moves, said as what it may. */
function offerMovement(brief: Brief, now: EvaluationEntry, offer: Offer): void {
  const usual = now.checks.find(({ checkId, status }) => checkId === 'usual-movement' && status === 'fail');
  if (!usual || usual.demand === null || usual.capacity === null) return;
  const mayMm = Math.ceil(usual.demand * 10.5) / 10;
  const loadCases = brief.loadCases.map((load): LoadCase => {
    const limited = load.maxDeflectionMm !== undefined || load.maxSagMm !== undefined;
    if (limited) return load;
    return load.kind === undefined || load.kind === 'lasting'
      ? { ...load, maxSagMm: mayMm }
      : { ...load, maxDeflectionMm: mayMm };
  });
  offer('movement', say`Let it move by ${mm(mayMm)}, if it may`, { ...brief, loadCases });
}

/** The loads whose checks fail by a little: their factor times the reserve that is there, rounded down. */
function offerSafetyFactor(brief: Brief, now: EvaluationEntry, offer: Offer): void {
  const lowered: string[] = [];
  const loadCases = brief.loadCases.map((load): LoadCase => {
    const worst = Math.min(
      ...now.checks
        .filter((check) => check.loadCaseId === load.id && check.reserve !== null)
        .map((one) => one.reserve!),
    );
    if (worst >= 1) return load;
    const safetyFactor = Math.floor(load.safetyFactor * worst * 100) / 100;
    lowered.push(`${load.name} ${f(load.safetyFactor)} → ${f(safetyFactor)}`);
    return { ...load, safetyFactor };
  });
  if (lowered.length === 0 || loadCases.some((load) => load.safetyFactor < LEAST_SAFETY_FACTOR)) return;
  offer('safety-factor', `Safety factor: ${lowered.join('; ')}`, { ...brief, loadCases });
}
