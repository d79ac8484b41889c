import { randomUUID } from 'node:crypto';
import { briefIssues } from '@anvilstone/core';
import type { Brief, Part, PartSummary } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { HttpProblem, conflict, invalidInput, notFound } from '../http/problems.ts';
import { deletePart, findPart, insertPart, listParts, saveBrief } from './repository.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** @throws HttpProblem 404: PostgreSQL would refuse a malformed uuid with an error of its own */
export function requireUuid(what: string, id: string): void {
  if (!UUID.test(id)) throw notFound(what, id);
}

export interface PartService {
  list(): Promise<PartSummary[]>;
  get(id: string): Promise<Part>;
  create(brief: Brief): Promise<Part>;
  update(id: string, brief: Brief, revision: number): Promise<Part>;
  remove(id: string, revision: number): Promise<void>;
}

export function partService(db: Knex): PartService {
  const get = async (id: string) => {
    requireUuid('part', id);
    const part = await findPart(db, id);
    if (!part) throw notFound('part', id);
    return part;
  };
  return {
    list: () => listParts(db),
    get,
    create: async (brief) => insertPart(db, randomUUID(), sound(brief, '/brief')),
    async update(id, brief, revision) {
      requireUuid('part', id);
      const saved = await saveBrief(db, id, sound(brief, '/brief'), revision);
      if (saved) return saved;
      throw conflict('part', await get(id));
    },
    async remove(id, revision) {
      const part = await get(id);
      const decided = (await listParts(db)).find((one) => one.id === id)?.decisionCount ?? 0;
      if (decided > 0) {
        throw new HttpProblem(
          409,
          'has-decisions',
          'The part has decisions',
          'Decisions are frozen and so is the part they belong to.',
        );
      }
      if (await db('installations').where({ part_id: id }).first('id'))
        throw new HttpProblem(
          409,
          'in-service',
          'The part is in service',
          'What became of it in service is kept, and so is the part it belongs to.',
        );
      if (!(await deletePart(db, id, revision))) throw conflict('part', part);
    },
  };
}

/** @throws HttpProblem 422 with a pointer for each thing a schema cannot see */
export function sound(brief: Brief, at = ''): Brief {
  const issues = briefIssues(brief);
  if (issues.length > 0) throw invalidInput(issues.map((issue) => ({ ...issue, pointer: at + issue.pointer })));
  return brief;
}
