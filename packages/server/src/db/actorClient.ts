import { createRequire } from 'node:module';
import type { Knex } from 'knex';
import { currentActor } from './actor.ts';

interface Connection {
  query(text: string, values: readonly unknown[], done: (error: Error | null) => void): void;
  /** What the database was last told, on this connection. */
  actorTold?: string | undefined;
  /** Ends with the last query that was handed to it. */
  busy?: Promise<unknown>;
}
interface Query {
  sql?: string;
}
type PostgresClient = new (config: Knex.Config) => {
  _query(connection: Connection, query: Query): Promise<unknown>;
};

const Postgres = createRequire(import.meta.url)('knex/lib/dialects/postgres/index.js') as PostgresClient;
const READS = /^\s*(select|begin|commit|show|set)\b/i;
const TAKES_BACK = /^\s*rollback\b/i;

/**
 * Tells the database on whose behalf it is written to, once a connection, before the first write for somebody else: triggers note it with
 * every change. `with` may write, so it counts as writing. It is a setting of the session: a pooler between must keep sessions together.
 *
 * A connection does one query at a time. What is asked of a transaction all at once takes its turn here: the driver’s own queue
 * for that is going with its next version.
 */
export class ActorClient extends Postgres {
  override _query(connection: Connection, query: Query): Promise<unknown> {
    const inTurn = () => this._queryAsActor(connection, query);
    const answer = (connection.busy ?? Promise.resolve()).then(inTurn, inTurn);
    connection.busy = answer;
    return answer;
  }

  /** No private method: the client of a transaction is made without the constructor. */
  async _queryAsActor(connection: Connection, query: Query): Promise<unknown> {
    const sql = query.sql ?? '';
    // What was told within a transaction is forgotten with it.
    if (TAKES_BACK.test(sql)) connection.actorTold = undefined;
    else if (!READS.test(sql)) await tell(connection);
    try {
      return await super._query(connection, query);
    } catch (error) {
      // A commit that fails takes the setting back with everything else.
      connection.actorTold = undefined;
      throw error;
    }
  }
}

async function tell(connection: Connection): Promise<void> {
  const actor = JSON.stringify(currentActor());
  if (connection.actorTold === actor) return;
  await new Promise<void>((resolve, reject) =>
    connection.query(`select set_config('anvilstone.actor', $1, false)`, [actor], (error) =>
      error ? reject(error) : resolve(),
    ),
  );
  connection.actorTold = actor;
}
