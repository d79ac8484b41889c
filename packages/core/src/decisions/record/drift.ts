import type {
  Brief,
  ChoiceStatus,
  Decision,
  FieldChange,
  Grade,
  CompanyRules,
  Library,
  DecisionDrift,
} from '@anvilstone/schema';
import {
  choose,
  ENGINE_VERSION,
  rank,
  findRankingMethod,
  type RankedCandidate,
  screen,
  usualPreferences,
} from '@anvilstone/core/evaluation';
import { rankedThen } from './rankedThen.ts';
import { gradeChanges, ruleFieldChanges } from './differences.ts';
import { documentChanges } from './documentChanges.ts';

/** Everything a decision is computed from, as it is today. */
export interface Today {
  /** Undefined: the part is gone. */
  brief: Brief | undefined;
  library: Library;
  rules: CompanyRules;
}

/** By less than this a reserve is the same to the eye. */
const SAME_RESERVE = 0.005;
const MOST_CHANGES = 40;

interface World {
  brief: Brief;
  library: Library;
  rules: CompanyRules;
}

type Cause = DecisionDrift['causes'][number];

/**
 * What a frozen decision would be today: each thing that is not as it was, by itself in the world of that day and what it alone would do to the
 * choice, and then all of them together. Who comes first is read from the candidates of that day, and with “others” from today’s library.
 * @throws InputError when a brief cannot be evaluated
 */
export function driftOf(decision: Decision, today: Today): DecisionDrift {
  const { brief, rules, grades, machines, agents = [], engineVersion } = decision;
  const then: World = { brief, rules, library: { grades, machines, agents } };
  const chosenBy = decision.grounds?.schoolId ?? rules.rankingSchool ?? 'cheapest-that-passes';
  // Sizes are not at hand here: that ranking method is answered by the lowest cost as drawn.
  const schoolId = findRankingMethod(chosenBy).needsSizes ? 'cheapest-that-passes' : chosenBy;
  const statusIn = (world: World) => choiceStatusIn(world, decision, schoolId);
  const frozen = frozenStatus(decision, schoolId);
  const asComputedNow = statusIn(then);
  const now = statusIn({ brief: today.brief ?? brief, rules: today.rules, library: today.library });
  const causes: Cause[] = [];
  const add = (id: Cause['id'], title: string, changes: FieldChange[], world: World) => {
    if (changes.length === 0) return;
    const alone = statusIn(world);
    const from = id === 'engine' ? frozen : asComputedNow;
    causes.push({ id, title, changes: changes.slice(0, MOST_CHANGES), alone, matters: moved(from, alone) });
  };
  if (engineVersion !== ENGINE_VERSION)
    add(
      'engine',
      'The engine has changed',
      [{ area: 'Engine', field: 'Version', before: engineVersion, after: ENGINE_VERSION }],
      then,
    );
  if (today.brief)
    add('brief', 'The brief was changed', documentChanges('Brief', brief, today.brief), {
      ...then,
      brief: today.brief,
    });
  add('rules', 'The company rules were changed', ruleFieldChanges(rules, today.rules), { ...then, rules: today.rules });
  const evidence = evidenceOf(grades, today.library.grades);
  add('evidence', 'New evidence on the candidates', evidence.changes, {
    ...then,
    library: { ...then.library, grades: evidence.grades },
  });
  add('machines', 'The machines were changed', documentChanges('Machines', machines, today.library.machines), {
    ...then,
    library: { ...then.library, machines: today.library.machines },
  });
  add('agents', 'The fluids were changed', documentChanges('Fluids', agents, today.library.agents ?? []), {
    ...then,
    library: { ...then.library, agents: today.library.agents ?? [] },
  });
  const others = otherGrades(decision, today.library.grades);
  add('others', 'New grades beyond the candidates', others.changes, {
    ...then,
    library: { ...then.library, grades: [...grades, ...others.grades] },
  });
  return { frozen, now, causes };
}

/** As it was written down: no engine of today has a say in it. */
function frozenStatus(decision: Decision, schoolId: string): ChoiceStatus {
  const { result, grades, gradeId, orientation } = decision;
  const entry = result.grades
    .find((one) => one.gradeId === gradeId)
    ?.entries.find((one) => one.orientation === orientation);
  return {
    status: entry?.status ?? 'gone',
    reserve: entry?.minimumReserve ?? null,
    governingCheckId: entry?.governingCheckId ?? null,
    costUsd: entry?.costUsd ?? null,
    ...named(rankedThen(decision, schoolId)[0], grades),
  };
}

function choiceStatusIn(world: World, decision: Decision, schoolId: string): ChoiceStatus {
  const { brief, library, rules } = world;
  const { grades } = screen(brief, library, { rules });
  const own = library.grades.filter(({ id }) => id === decision.gradeId);
  const held: Brief = { ...brief, asks: { ...brief.asks, orientations: [decision.orientation] } };
  const best = screen(held, { ...library, grades: own }, { rules }).grades[0]?.best;
  const ranked =
    decision.grounds?.leastChance === undefined
      ? rank(grades, schoolId)
      : choose(world, grades, { preferences: { ...usualPreferences(rules), schoolId }, places: 1 });
  return {
    status: best?.status ?? 'gone',
    reserve: best?.minimumReserve ?? null,
    governingCheckId: best?.governingCheckId ?? null,
    costUsd: best?.costUsd ?? null,
    ...named(ranked[0], library.grades),
  };
}

function named(
  first: RankedCandidate | undefined,
  grades: readonly Grade[],
): Pick<ChoiceStatus, 'leaderId' | 'leaderName'> {
  if (first?.best.status !== 'pass') return { leaderId: null, leaderName: null };
  return { leaderId: first.gradeId, leaderName: grades.find(({ id }) => id === first.gradeId)?.name ?? first.gradeId };
}

function moved(a: ChoiceStatus, b: ChoiceStatus): boolean {
  return (
    a.status !== b.status ||
    a.leaderId !== b.leaderId ||
    (a.reserve === null) !== (b.reserve === null) ||
    Math.abs((a.reserve ?? 0) - (b.reserve ?? 0)) > SAME_RESERVE
  );
}

/** The candidates of that day as they are known today; one that is gone stays as it was, and is named. */
function evidenceOf(then: readonly Grade[], now: readonly Grade[]): { grades: Grade[]; changes: FieldChange[] } {
  const byId = new Map(now.map((grade) => [grade.id, grade]));
  const changes: FieldChange[] = [];
  const grades = then.map((was) => {
    const is = byId.get(was.id);
    if (!is) changes.push({ area: 'Library', field: was.name, before: 'in the library', after: null });
    else changes.push(...gradeChanges(was, is));
    return is ?? was;
  });
  return { grades, changes };
}

/** Undecided, when more grades were looked at than were kept: those left out then are no news. */
function otherGrades(
  { grades, grounds }: Decision,
  now: readonly Grade[],
): { grades: Grade[]; changes: FieldChange[] } {
  const known = new Set(grades.map(({ id }) => id));
  const newer = now.filter(({ id }) => !known.has(id));
  const leftOut = grounds ? grounds.screened.grades - grounds.screened.kept : 0;
  if (newer.length <= leftOut) return { grades: [], changes: [] };
  return {
    grades: newer,
    changes: newer
      .slice(0, MOST_CHANGES)
      .map(({ name }) => ({ area: 'Library', field: name, before: null, after: 'new' })),
  };
}
