import { findCheck } from '@anvilstone/core/checks';
import {
  choose,
  findRankingMethod,
  screen,
  usualPreferences,
  type RankedCandidate,
  type Screening,
} from '@anvilstone/core/evaluation';
import { formatReserve, inSentence } from '@anvilstone/core/foundations';
import { builtAs } from '@anvilstone/core/shapes';
import type {
  Brief,
  BuildOrientation,
  EvidenceImpact,
  Grade,
  CompanyRules,
  Library,
  LeaderSummary,
} from '@anvilstone/schema';
import type { Knex } from 'knex';
import { companyRulesInForce } from '../companyRules/repository.ts';
import { listParts } from '../parts/repository.ts';
import { workshopLibrary } from '../evaluation/service.ts';

/** By less than this a reserve is the same to the eye. */
const SAME_RESERVE = 0.005;

/** What a changed grade would change in the answer of every part; nothing is saved. */
export async function impactOf(db: Knex, changed: Grade): Promise<EvidenceImpact> {
  const [library, { rules }, parts] = await Promise.all([workshopLibrary(db), companyRulesInForce(db), listParts(db)]);
  const names = new Map(library.grades.map(({ id, name }) => [id, name]));
  return {
    parts: parts.map(({ id, brief }) => {
      const [now, then] = beforeAndAfter(brief, library, changed, rules);
      return {
        partId: id,
        title: brief.title,
        now: now.summary,
        then: then.summary,
        changes: changesOf(brief, now, then, changed, names),
      };
    }),
  };
}

interface Standing {
  summary: LeaderSummary;
  /** Of the grade whose evidence changed. */
  own: RankedCandidate | undefined;
}

/** Everything is evaluated once; after it only the grade that changed. */
function beforeAndAfter(brief: Brief, library: Library, changed: Grade, rules: CompanyRules): [Standing, Standing] {
  const now = screen(brief, library, { rules });
  const [own] = screen(brief, { ...library, grades: [changed] }, { rules }).grades;
  const then = now.grades.map((one) => (one.gradeId === changed.id && own ? own : one));
  const changedLibrary = {
    ...library,
    grades: library.grades.map((one) => (one.id === changed.id ? changed : one)),
  };
  return [
    candidateOf({ brief, library, rules }, now.grades, changed.id),
    candidateOf({ brief, library: changedLibrary, rules }, then, changed.id),
  ];
}

function candidateOf(
  world: { brief: Brief; library: Library; rules: CompanyRules },
  grades: Screening['grades'],
  gradeId: string,
): Standing {
  const usual = usualPreferences(world.rules);
  const schoolId = findRankingMethod(usual.schoolId).needsSizes ? 'cheapest-that-passes' : usual.schoolId;
  const [first] = choose(world, grades, { preferences: { ...usual, schoolId }, places: 1 });
  const count = (status: string) => grades.filter(({ best }) => best.status === status).length;
  return {
    own: grades.find((one) => one.gradeId === gradeId),
    summary: {
      gradeId: first?.gradeId ?? null,
      orientation: first?.best.orientation ?? null,
      status: first?.best.status ?? null,
      reserve: first?.best.minimumReserve ?? null,
      governingCheckId: first?.best.governingCheckId ?? null,
      pass: count('pass'),
      unknown: count('unknown'),
      fail: count('fail'),
    },
  };
}

function changesOf(
  { part }: Brief,
  now: Standing,
  then: Standing,
  changed: Grade,
  names: ReadonlyMap<string, string>,
): string[] {
  const changes: string[] = [];
  const [a, b] = [now.summary, then.summary];
  const name = (id: string | null) => (id === null ? 'nobody' : (names.get(id) ?? id));
  const called = ({ orientation }: LeaderSummary) => orientation && builtAs(part, orientation as BuildOrientation);
  if (a.gradeId !== b.gradeId) changes.push(`${name(b.gradeId)} leads in place of ${name(a.gradeId)}`);
  else if (a.orientation !== b.orientation)
    changes.push(`${name(b.gradeId)} is best ${called(b)} in place of ${called(a)}`);
  const [was, is] = [now.own?.best, then.own?.best];
  if (was && is && was.status !== is.status)
    changes.push(`${changed.name}: ${WORDS[was.status]} before, ${WORDS[is.status]} now`);
  if (was && is && Math.abs((was.minimumReserve ?? 0) - (is.minimumReserve ?? 0)) > SAME_RESERVE)
    changes.push(
      `Minimum reserve of ${changed.name} ${shown(was.minimumReserve)} → ${shown(is.minimumReserve)}${is.governingCheckId ? `, ${inSentence(findCheck(is.governingCheckId)?.title)}` : ''}`,
    );
  return changes;
}

const WORDS = { pass: 'passes', fail: 'fails', unknown: 'unknown' } as const;
const shown = (reserve: number | null) => (reserve === null ? 'unknown' : formatReserve(reserve));
