import { createHash } from 'node:crypto';
import { library } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { ownAgents } from '../agents/repository.ts';
import { allGradesJson, libraryVersion } from '../grades/repository.ts';
import type { Operation } from '../http/operation.ts';
import { machinesAtHand } from '../machines/repository.ts';

/** Everything an evaluation reads, at once: the pages compute in the browser. */
export function libraryOperations(db: Knex): Operation[] {
  return [
    {
      id: 'getLibrary',
      method: 'get',
      path: '/library',
      summary: 'All grades with their evidence, all machines and own agents; unchanged ones are answered with 304',
      answer: library,
      async handle() {
        const [version, grades, machines, agents] = await Promise.all([
          libraryVersion(db),
          allGradesJson(db),
          machinesAtHand(db),
          ownAgents(db),
        ]);
        const others = JSON.stringify({ machines, agents });
        const body = `{"grades":${grades},${others.slice(1)}`;
        return {
          body,
          headers: {
            'Content-Type': 'application/json; charset=utf-8',
            ETag: `W/"${version}-${createHash('sha256').update(others).digest('base64url').slice(0, 16)}"`,
            'Cache-Control': 'no-cache',
          },
        };
      },
    },
  ];
}
