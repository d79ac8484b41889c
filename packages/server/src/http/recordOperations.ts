import type { ProblemIssue } from '@anvilstone/schema';
import { Type, type TSchema } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Revisioned, RevisionedTable } from '../db/revisionedTable.ts';
import type { Operation } from './operation.ts';
import { conflict, HttpProblem, invalidInput, notFound } from './problems.ts';
import { requiredRevision } from './query.ts';

export interface RecordKind<T extends { id: string }> {
  /** One of them, as the record names it: { spool, revision }. */
  name: string;
  /** Below /api/v1: spools. */
  path: string;
  plural: string;
  record: TSchema;
  table: RevisionedTable<T>;
  /** What a schema cannot see. */
  issues?: (db: Knex, document: T) => Promise<readonly ProblemIssue[]> | readonly ProblemIssue[];
  /** What is sent, with the fields that are not for clients to say as they are stored; undefined: nothing is stored yet. */
  asStored?: (sent: T, stored: T | undefined) => T;
  /** Why it cannot be removed, in a sentence; undefined: it can. */
  keptBecause?: (db: Knex, document: T) => Promise<string | undefined>;
}

/** List, add or change, and remove records with revisions: a stale write is refused with the newer record. */
export function recordOperations<T extends { id: string }>(
  db: Knex,
  { name, path, plural, record, table, issues = () => [], asStored, keptBecause }: RecordKind<T>,
): Operation[] {
  const asRecord = ({ document, revision }: Revisioned<T>) => ({ [name]: document, revision });
  const title = name[0]!.toUpperCase() + name.slice(1);
  return [
    {
      id: `list${plural}`,
      method: 'get',
      path: `/${path}`,
      summary: `${plural} of the workspace, each with its revision`,
      answer: Type.Array(record),
      handle: async () => ({ body: (await table.all(db)).map(asRecord) }),
    },
    {
      id: `save${title}`,
      method: 'put',
      path: `/${path}/:id`,
      summary: `Add (revision 0) or change a ${name}; a stale revision is refused with the newer one`,
      body: record,
      answer: record,
      async handle({ params, body }) {
        const { [name]: sent, revision } = body as Record<string, T> & { revision: number };
        if (sent!.id !== params.id)
          throw invalidInput([
            {
              pointer: `/${name}/id`,
              detail: `“${sent!.id}” is not the id of the address`,
              accepted: params.id!,
            },
          ]);
        const document = asStored ? asStored(sent!, (await table.find(db, sent!.id))?.document) : sent!;
        const found = await issues(db, document);
        if (found.length > 0) throw invalidInput(found);
        const saved = await table.save(db, document, revision);
        if (saved) return { body: asRecord(saved) };
        const current = await table.find(db, document.id);
        throw current ? conflict(name, asRecord(current)) : notFound(name, document.id);
      },
    },
    {
      id: `remove${title}`,
      method: 'delete',
      path: `/${path}/:id`,
      summary: `Remove a ${name}; ?revision= is the one that was read`,
      answer: Type.Null(),
      status: 204,
      async handle({ params, query }) {
        const revision = requiredRevision(query);
        const found = await table.find(db, params.id!);
        if (!found) throw notFound(name, params.id!);
        const why = await keptBecause?.(db, found.document);
        if (why !== undefined) throw new HttpProblem(409, 'kept', `The ${name} is kept`, why);
        if (!(await table.remove(db, params.id!, revision))) throw conflict(name, asRecord(found));
        return { body: undefined };
      },
    },
  ];
}
