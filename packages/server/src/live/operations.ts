import { presenceRequest, presentPerson, type PresenceRequest, type PresentPerson } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { noWorkspace, type Principal } from '../http/principal.ts';
import { requireUuid } from '../parts/service.ts';

/** A page says that it is open every 20 s; one that has not for so long is closed. */
const GONE_AFTER_S = 50;

/** Who has which page open. */
export function presenceOperations(installation: Knex): Operation[] {
  const schemaOf = ({ workspace }: Principal) => {
    if (!workspace) throw noWorkspace();
    return workspace.schemaName;
  };
  const tell = (schema: string, place: string) =>
    installation.raw(`select pg_notify('anvilstone', ?)`, [
      JSON.stringify({ schema, kind: 'presence', record: place }),
    ]);
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
        const { rows } = await installation.raw<{ rows: [{ before: string | null; others: PresentPerson[] }] }>(
          `with put as (
             insert into presence (tab, schema_name, place, who, seen_at) values (:tab, :schema, :place, :who, now())
             on conflict (tab) do update set schema_name = excluded.schema_name, place = excluded.place,
               who = excluded.who, seen_at = excluded.seen_at
           )
           -- Both are read as it was before.
           select (select place from presence where tab = :tab) as before,
             coalesce((select json_agg(json_build_object('tab', tab, 'who', who) order by who) from presence
               where schema_name = :schema and place = :place and tab <> :tab
                 and seen_at >= now() - make_interval(secs => :gone)), '[]') as others`,
          { tab, schema, place, who: principal.name, gone: GONE_AFTER_S },
        );
        const [{ before, others }] = rows;
        if (before !== place) {
          await installation('presence')
            .where('seen_at', '<', installation.raw(`now() - make_interval(secs => ?)`, [GONE_AFTER_S]))
            .delete();
          await tell(schema, place);
        }
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
        const rows = (await installation('presence')
          .where({ tab: params.tab!, schema_name: schema })
          .delete()
          .returning('place')) as { place: string }[];
        if (rows[0]) await tell(schema, rows[0].place);
        return { body: undefined };
      },
    },
  ];
}
