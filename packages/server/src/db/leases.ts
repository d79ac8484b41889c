import type { Knex } from 'knex';

/** What only one process does at a time. */
export interface Leases {
  /** Takes it for so many seconds, or goes on holding it. False: another process has it. */
  take(name: string, seconds: number): Promise<boolean>;
  free(name: string): Promise<void>;
}

/** Times are the database’s own: a process whose clock is wrong neither holds on nor takes over. */
export const leasesOf = (installation: Knex, holder: string): Leases => ({
  async take(name, seconds) {
    const { rows } = (await installation.raw(
      `insert into leases (name, holder, held_until) values (:name, :holder, now() + make_interval(secs => :seconds))
       on conflict (name) do update set holder = excluded.holder, held_until = excluded.held_until
         where leases.holder = excluded.holder or leases.held_until < now()
       returning name`,
      { name, holder, seconds },
    )) as { rows: unknown[] };
    return rows.length > 0;
  },
  async free(name) {
    await installation('leases').where({ name, holder }).delete();
  },
});
