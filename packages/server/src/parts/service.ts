import { randomUUID } from 'node:crypto';
import { briefIssues } from '@anvilstone/core/evaluation';
import type { Brief, Part } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { packed, type Packed } from '../http/packed.ts';
import { lastAnswer } from '../db/versionedAnswers.ts';
import { HttpProblem, conflict, invalidInput, notFound } from '../http/problems.ts';
import { deletePart, findPart, insertPart, partsJson, partsVersion, saveBrief } from './repository.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** @throws HttpProblem 404: PostgreSQL would refuse a malformed uuid with an error of its own */
export function requireUuid(what: string, id: string): void {
  if (!UUID.test(id)) throw notFound(what, id);
}

export interface PartService {
  /** What tells the list of now from any other. */
  listVersion(): Promise<string>;
  /** The list, a JSON array of PartSummary; of this version or newer. */
  list(version: string): Promise<Packed>;
  get(id: string): Promise<Part>;
  create(brief: Brief): Promise<Part>;
  update(id: string, brief: Brief, revision: number): Promise<Part>;
  remove(id: string, revision: number): Promise<void>;
}

export function partService(db: Knex): PartService {
  const lists = lastAnswer<Packed>();
  const get = async (id: string) => {
    requireUuid('part', id);
    const part = await findPart(db, id);
    if (!part) throw notFound('part', id);
    return part;
  };
  return {
    listVersion: () => partsVersion(db),
    list: (version) => lists(version, async () => packed(await partsJson(db))),
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
      if (await db('decisions').where({ part_id: id }).first('id')) {
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
