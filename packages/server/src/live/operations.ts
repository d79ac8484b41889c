import { presenceRequest, presentPerson, type PresenceRequest, type PresentPerson } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { noWorkspace, type Principal } from '../http/principal.ts';
import { requireUuid } from '../parts/service.ts';

/** A page says that it is open every 20 s; one that has not for so long is closed. */
const GONE_AFTER_S = 50;

/** Who has which page open. */
export function presenceOperations(house: Knex): Operation[] {
  const schemaOf = ({ workspace }: Principal) => {
    if (!workspace) throw noWorkspace();
    return workspace.schemaName;
  };
  const tell = (schema: string, place: string) =>
    house.raw(`select pg_notify('anvilstone', ?)`, [JSON.stringify({ schema, kind: 'presence', record: place })]);
  return [
    {
      id: 'sayPresent',
      method: 'post',
      path: '/presence',
      summary: 'A page is open; the answer is who else has the same open',
      needs: 'viewer',
      body: presenceRequest,
      answer: Type.Array(presentPerson),
      async handle({ principal, body }) {
        const { tab, place } = body as PresenceRequest;
        const schema = schemaOf(principal);
        await house('presence')
          .where('seen_at', '<', house.raw(`now() - make_interval(secs => ?)`, [GONE_AFTER_S]))
          .delete();
        const before = (await house('presence').where({ tab }).first('place')) as { place: string } | undefined;
        const row = { tab, schema_name: schema, place, who: principal.name, seen_at: house.fn.now() };
        await house('presence').insert(row).onConflict('tab').merge();
        if (before?.place !== place) await tell(schema, place);
        const others = (await house('presence')
          .where({ schema_name: schema, place })
          .whereNot({ tab })
          .orderBy('who')
          .select('tab', 'who')) as PresentPerson[];
        return { body: others };
      },
    },
    {
      id: 'sayGone',
      method: 'delete',
      path: '/presence/:tab',
      summary: 'A page is closed',
      needs: 'viewer',
      answer: Type.Null(),
      status: 204,
      async handle({ principal, params }) {
        requireUuid('page', params.tab!);
        const schema = schemaOf(principal);
        const rows = (await house('presence')
          .where({ tab: params.tab!, schema_name: schema })
          .delete()
          .returning('place')) as { place: string }[];
        if (rows[0]) await tell(schema, rows[0].place);
        return { body: undefined };
      },
    },
  ];
}
