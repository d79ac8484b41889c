import { library } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { allGradesJson, libraryVersion } from '../grades/repository.ts';
import type { Operation } from '../http/operation.ts';
import { machineTable } from '../machines/repository.ts';

/** Everything an evaluation reads, at once: the pages compute in the browser. */
export function libraryOperations(db: Knex): Operation[] {
  return [
    {
      id: 'getLibrary',
      method: 'get',
      path: '/library',
      summary: 'All grades with their evidence, and all machines; unchanged ones are answered with 304',
      answer: library,
      async handle() {
        const [version, grades, machines] = await Promise.all([
          libraryVersion(db),
          allGradesJson(db),
          machineTable.all(db),
        ]);
        const body = `{"grades":${grades},"machines":${JSON.stringify(machines)}}`;
        return {
          body,
          headers: {
            'Content-Type': 'application/json; charset=utf-8',
            ETag: `W/"${version}-${machines.length}"`,
            'Cache-Control': 'no-cache',
          },
        };
      },
    },
  ];
}
