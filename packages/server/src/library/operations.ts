import { createHash } from 'node:crypto';
import { library } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { ownAgents } from '../agents/repository.ts';
import { allGradesJson, libraryVersion } from '../grades/repository.ts';
import { packed, type Packed } from '../http/packed.ts';
import type { Operation } from '../http/operation.ts';
import { lastAnswer } from '../db/versionedAnswers.ts';
import { machinesAtHand } from '../machines/repository.ts';

/** Everything an evaluation reads, at once: the pages compute in the browser. */
export function libraryOperations(db: Knex): Operation[] {
  const libraries = lastAnswer<Packed>();
  return [
    {
      id: 'getLibrary',
      method: 'get',
      path: '/library',
      summary: 'All grades with their evidence, all machines and own agents; unchanged ones are answered with 304',
      answer: library,
      async handle({ isKnown }) {
        // The version first: what is read after it is never older than it says.
        const [version, machines, agents] = await Promise.all([libraryVersion(db), machinesAtHand(db), ownAgents(db)]);
        const others = JSON.stringify({ machines, agents });
        const etag = `W/"${version}-${createHash('sha256').update(others).digest('base64url').slice(0, 16)}"`;
        const headers = {
          'Content-Type': 'application/json; charset=utf-8',
          ETag: etag,
          'Cache-Control': 'no-cache',
        };
        if (isKnown(etag)) return { status: 304, body: undefined, headers };
        const body = await libraries(etag, async () =>
          packed(`{"grades":${await allGradesJson(db)},${others.slice(1)}`),
        );
        return { body, headers };
      },
    },
  ];
}
