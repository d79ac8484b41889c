import type { Brief, Grade, CompanyRules, Library } from '@anvilstone/schema';
import { InputError, type Dimension } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { contextsFor, materialFor } from '../evaluating/context.ts';
import { evaluateContexts, evaluateGrade, prepareJob, type EvaluationJob } from '../evaluating/evaluate.ts';
import type { RankingInputs } from '../ranking/ranking.ts';
import type { RankedCandidate } from '../ranking/rankedCandidate.ts';
import { scaledContext } from '../probability/scatter.ts';
import { screen, candidateOf } from '../evaluating/screen.ts';
import { contendersOf, winnerOf } from './contenders.ts';
import { sensitiveInputs, warmedBy, type Change, type SensitiveInput } from './inputs.ts';

/** What the leading grade and the ranking make of one value of an input. */
export interface AtValue {
  /** Canonical unit. */
  value: number;
  /** Of the grade that leads now. */
  reserve: number | null;
  governingCheckId: string | null;
  status: RankedCandidate['best']['status'];
  /** Null: nobody passes. */
  winnerId: string | null;
}

/** The nearest value at which another grade wins. */
export interface Turn {
  value: number;
  winnerId: string | null;
}

/** How much one input decides. */
export interface Sensitivity {
  id: string;
  title: string;
  dimension: Dimension;
  now: number;
  low: AtValue;
  high: AtValue;
  below: Turn | null;
  above: Turn | null;
}

export interface SensitivityJob {
  leaderId: string;
  inputs: readonly Pick<SensitiveInput, 'id' | 'title'>[];
  /** One input; each costs some tens of evaluations of the contenders. */
  at(index: number): Sensitivity;
}

/** Steps outward in which a turn is sought on each side, and halvings that place it. */
const STEPS = 10;
const HALVINGS = 9;

/**
 * What would change the answer: the leading grade’s minimum reserve for one coefficient of variation down and up of each
 * input, all else as it is, and the nearest value at which another grade wins. Loads, times, temperatures and the free
 * dimension change for every grade; properties and price only for the one that leads. Undefined: nobody leads.
 * `chosenId` stands in the leader’s place: for one that was chosen though another leads, there is no turn to look for.
 * @throws InputError when the brief cannot be evaluated
 */
export function prepareSensitivity(
  brief: Brief,
  library: Library,
  schoolId: string,
  rules: CompanyRules = defaultCompanyRules,
  grounds: RankingInputs = {},
  chosenId?: string,
): SensitivityJob | undefined {
  const { grades: candidates } = screen(brief, library, { rules });
  const first = winnerOf(candidates, schoolId, grounds);
  const leaderId = chosenId ?? first;
  const leader = library.grades.find(({ id }) => id === leaderId);
  if (leaderId === null || !leader) return undefined;
  const likely = contendersOf(library, candidates, schoolId, grounds);
  const contenders = likely.includes(leader) ? likely : [...likely, leader];
  const leads = leaderId === first;
  const held = { ...library, grades: contenders };
  const job = prepareJob(brief, held, { rules });
  const now = contenders.map((grade) => candidateOf(evaluateGrade(job, grade)));
  const material = materialFor(job.prepared, leader);
  const inputs = sensitiveInputs(brief, leader, material);
  const candidatesWith = (change: Change): RankedCandidate[] => {
    if (change.of === 'brief') return [...screen(change.brief, held, { rules }).grades];
    const changed = leaderWith(change, { brief, job, library: held, leader, rules });
    return now.map((one) => (one.gradeId === leaderId ? changed : one));
  };
  const look = (input: SensitiveInput, value: number): AtValue => {
    const found = candidatesWith(input.changeTo(value));
    const { best } = found.find(({ gradeId }) => gradeId === leaderId)!;
    return {
      value,
      reserve: best.minimumReserve,
      governingCheckId: best.governingCheckId,
      status: best.status,
      winnerId: winnerOf(found, schoolId, grounds),
    };
  };
  return {
    leaderId,
    inputs: inputs.map(({ id, title }) => ({ id, title })),
    at(index) {
      const input = inputs[index];
      if (!input) throw new InputError('input', index, `0 to ${inputs.length - 1}`);
      const { id, title, dimension } = input;
      const winnerAt = (value: number) => winnerWithin(() => look(input, value).winnerId);
      return {
        id,
        title,
        dimension,
        now: input.now,
        low: look(input, input.low),
        high: look(input, input.high),
        below: leads ? turn(input, input.bounds[0], leaderId, winnerAt) : null,
        above: leads ? turn(input, input.bounds[1], leaderId, winnerAt) : null,
      };
    },
  };
}

/** A size that cannot be drawn ends the search: undefined. */
function winnerWithin(ask: () => string | null): string | null | undefined {
  try {
    return ask();
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return undefined;
  }
}

function leaderWith(
  change: Exclude<Change, { of: 'brief' }>,
  where: { brief: Brief; job: EvaluationJob; library: Library; leader: Grade; rules: CompanyRules },
): RankedCandidate {
  const { brief, job, library, leader, rules } = where;
  switch (change.of) {
    case 'value': {
      const contexts = contextsFor(job.prepared, materialFor(job.prepared, leader), job.orientations);
      return candidateOf(
        evaluateContexts(
          job,
          leader.id,
          contexts.map((context) => scaledContext(context, change.factor, change.by)),
        ),
      );
    }
    // A curve that lies some kelvin higher is as a part that stays that much cooler.
    case 'heat':
      return candidateOf(evaluateGrade(prepareJob(warmedBy(brief, -change.shiftK), library, { rules }), leader));
    case 'price':
      return candidateOf(evaluateGrade(job, { ...leader, pricePerKgUsd: change.pricePerKgUsd }));
  }
}

/** Outwards in steps until another wins, then halved between; null: nobody else does within the bounds. */
function turn(
  { now, byRatio }: SensitiveInput,
  bound: number,
  leaderId: string,
  winnerAt: (value: number) => string | null | undefined,
): Turn | null {
  const between = (share: number) => (byRatio ? now * (bound / now) ** share : now + (bound - now) * share);
  let [inside, outside] = [0, 0];
  let winnerId: string | null | undefined;
  for (let step = 1; step <= STEPS && outside === 0; step++) {
    winnerId = winnerAt(between(step / STEPS));
    if (winnerId === undefined) return null;
    if (winnerId === leaderId) inside = step / STEPS;
    else outside = step / STEPS;
  }
  if (outside === 0 || winnerId === undefined) return null;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (inside + outside) / 2;
    const found = winnerAt(between(middle));
    if (found === leaderId) inside = middle;
    else {
      outside = middle;
      winnerId = found ?? null;
    }
  }
  return { value: between(outside), winnerId };
}

/** How far the minimum reserve moves over one coefficient of variation either way, as a ratio ≥ 1; unknown counts as most. */
export function spanOf({ low, high }: Sensitivity): number {
  if (low.reserve === null || high.reserve === null || low.reserve <= 0 || high.reserve <= 0) return Infinity;
  return Math.exp(Math.abs(Math.log(high.reserve / low.reserve)));
}
