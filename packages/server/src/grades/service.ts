import { gradeDifferences } from '@anvilstone/core/evidence/exchange';
import { compareGrades, differenceOf, gradeIssues, comparable, families } from '@anvilstone/core/materials';
import type {
  Grade,
  GradeChange,
  GradeComparison,
  GradePage,
  GradeRecord,
  GradeUses,
  Observation,
  ObservationComparison,
  ObservationComparisonRequest,
} from '@anvilstone/schema';
import type { Knex } from 'knex';
import { versionedAnswers } from '../db/versionedAnswers.ts';
import { conflict, HttpProblem, invalidInput, notFound } from '../http/problems.ts';
import { listGrades, type GradeFilter } from './listGrades.ts';
import {
  changesOf,
  decisionsUsing,
  deleteGrade,
  findGrade,
  insertGrade,
  libraryVersion,
  saveGrade,
  type StoredChange,
} from './repository.ts';

export interface GradeService {
  list(filter: GradeFilter): Promise<GradePage>;
  get(id: string): Promise<GradeRecord>;
  create(grade: Grade): Promise<GradeRecord>;
  update(id: string, grade: Grade, revision: number): Promise<GradeRecord>;
  remove(id: string, revision: number): Promise<void>;
  history(id: string): Promise<GradeChange[]>;
  restore(id: string, revision: number): Promise<GradeRecord>;
  uses(id: string): Promise<GradeUses>;
  compare(firstId: string, secondId: string): Promise<GradeComparison>;
  compareObservations(request: ObservationComparisonRequest): Promise<ObservationComparison>;
}

export function gradeService(db: Knex): GradeService {
  const pages = versionedAnswers<GradePage>(() => libraryVersion(db));
  const get = async (id: string) => {
    const found = await findGrade(db, id);
    if (!found) throw notFound('grade', id);
    return found;
  };
  return {
    list: (filter) => pages(JSON.stringify(filter), () => listGrades(db, filter)),
    get,
    create: (grade) =>
      db.transaction(async (trx) => {
        const made = await insertGrade(trx, soundGrade(grade), 'created');
        if (made) return made;
        throw new HttpProblem(
          409,
          'id-taken',
          'The id is taken',
          `There is a grade “${grade.id}” already. Nothing was changed.`,
        );
      }),
    async update(id, grade, revision) {
      if (grade.id !== id) {
        throw invalidInput([
          { pointer: '/grade/id', detail: `The id is “${grade.id}” and the address says “${id}”`, accepted: id },
        ]);
      }
      const saved = await db.transaction((trx) => saveGrade(trx, soundGrade(grade), revision, 'edited'));
      if (saved) return saved;
      throw conflict('grade', await get(id));
    },
    async remove(id, revision) {
      const current = await get(id);
      // Decisions carry their own copy of the grade, so taking it out of the library harms none of them.
      if (!(await db.transaction((trx) => deleteGrade(trx, id, revision)))) throw conflict('grade', current);
    },
    async history(id) {
      const changes = await changesOf(db, id);
      if (changes.length === 0) throw notFound('grade', id);
      return changes.map((change, i) => toChange(change, changes[i - 1])).reverse();
    },
    async restore(id, revision) {
      const changes = await changesOf(db, id);
      const wanted = changes.findLast((change) => change.revision === revision && change.document);
      if (!wanted?.document) throw notFound('state of the grade', `${id}, revision ${revision}`);
      const document = wanted.document;
      return db.transaction(async (trx) => {
        const current = await findGrade(trx, id, true);
        const back = current
          ? await saveGrade(trx, document, current.revision, 'restored')
          : await insertGrade(trx, document, 'restored');
        if (!back) throw conflict('grade', current);
        return back;
      });
    },
    async uses(id) {
      const rows = await decisionsUsing(db, id);
      return {
        decisions: rows.map((row) => ({
          id: row.id,
          number: row.number,
          partId: row.part_id,
          partTitle: row.part_title,
          decidedAt: row.decided_at.toISOString(),
        })),
      };
    },
    async compare(firstId, secondId) {
      const [first, second] = await Promise.all([get(firstId), get(secondId)]);
      return { firstId, secondId, properties: compareGrades(first.grade, second.grade) };
    },
    async compareObservations({ first, second }) {
      const [a, b] = await Promise.all([observationOf(first, '/first'), observationOf(second, '/second')]);
      const { comparable: may, differences, remarks } = comparable(a, b);
      if (!may) {
        throw new HttpProblem(
          409,
          'not-comparable',
          'The two values may not be compared',
          `${differences.map(({ text }) => text).join('; ')}. A percentage between them would mean nothing.`,
          {
            issues: differences.map(({ condition, text }) => ({
              pointer: `/${condition}`,
              detail: text,
              accepted: 'the same on both sides, and stated',
            })),
          },
        );
      }
      return { ...differenceOf(a, b), remarks: [...remarks] };
    },
  };

  async function observationOf(
    { gradeId, observationId }: ObservationComparisonRequest['first'],
    at: string,
  ): Promise<Observation> {
    const { grade } = await get(gradeId);
    const observation = grade.observations.find(({ id }) => id === observationId);
    if (!observation)
      throw invalidInput([
        { pointer: `${at}/observationId`, detail: `${grade.name} has no observation “${observationId}”` },
      ]);
    return observation;
  }
}

function toChange({ revision, action, at, document }: StoredChange, before: StoredChange | undefined): GradeChange {
  const differences =
    document && before?.document
      ? gradeDifferences(before.document, document).map(
          ({ field, before: was, after: is }) => `${field}: ${was ?? 'nothing'} → ${is ?? 'removed'}`,
        )
      : [];
  return { revision, action, at: at.toISOString(), differences };
}

/** @throws HttpProblem 422 with a pointer for each thing a schema cannot see */
export function soundGrade(grade: Grade): Grade {
  const issues = gradeIssues(grade, '/grade');
  if (issues.length > 0) throw invalidInput(issues);
  return grade;
}

/** Families of a morphology, for the list's filter. @throws HttpProblem 422 unknown word */
export function familiesOfMorphology(morphology: string): string[] {
  const found = families.filter((family) => family.morphology === morphology).map(({ id }) => id);
  if (found.length > 0) return found;
  const known = [...new Set(families.map((family) => family.morphology))].join(', ');
  throw invalidInput([{ pointer: '/morphology', detail: `“${morphology}” is none`, accepted: known }]);
}
