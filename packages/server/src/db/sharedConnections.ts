import knex, { type Knex } from 'knex';
import { ActorClient } from './actorClient.ts';
import { configOf } from './connection.ts';

/** A connection, and which schema it sees at the moment. */
interface Connection {
  seenSchema?: string;
  query(text: string): Promise<unknown>;
}
interface Pool {
  acquire(): { promise: Promise<Connection> };
  release(connection: Connection): boolean;
  numUsed(): number;
  numFree(): number;
  numPendingAcquires(): number;
}

export interface SharedConnections {
  /** A handle that sees one schema and nothing else, and takes at most so many of the connections at once. */
  to(schema: string, most: number): Knex;
  /** Open at the moment. */
  count(): number;
  close(): Promise<void>;
}

const WAIT_MS = 10_000;
/** One that nobody used for so long is closed. */
const IDLE_MS = 10_000;

/**
 * At most so many connections of a process, shared by all its workspaces: each sees what it is lent for. A schema is told to a connection
 * when another was seen by it before, so that a workspace in use costs no more than one alone.
 */
export function sharedConnections(url: string, most: number): SharedConnections {
  const root = knex({
    client: ActorClient as unknown as typeof Knex.Client,
    connection: url,
    pool: { min: 0, max: most, idleTimeoutMillis: IDLE_MS },
    acquireConnectionTimeout: WAIT_MS,
  });
  const pool = (root.client as { pool: Pool }).pool;
  return {
    to(schema, mostOfIt) {
      const places = limited(Math.min(mostOfIt, most));
      return knex({
        ...configOf(schema),
        connectionPool: {
          acquire: () => ({ promise: places.take(() => lent(pool, schema)) }),
          release(connection: Connection) {
            places.free();
            return pool.release(connection);
          },
          destroy: () => Promise.resolve(),
          // By these the library tells a pool of this kind from the driver’s own.
          numUsed: () => pool.numUsed(),
          numFree: () => pool.numFree(),
          numPendingAcquires: () => pool.numPendingAcquires(),
        },
      });
    },
    count: () => pool.numUsed() + pool.numFree(),
    close: () => root.destroy(),
  };
}

async function lent(pool: Pool, schema: string): Promise<Connection> {
  const connection = await pool.acquire().promise;
  if (connection.seenSchema === schema) return connection;
  try {
    // Until it is known to see the other one, it sees none.
    delete connection.seenSchema;
    await connection.query(`set search_path to "${schema.replaceAll('"', '""')}"`);
    connection.seenSchema = schema;
    return connection;
  } catch (error) {
    pool.release(connection);
    throw error;
  }
}

/** So many at once; the others wait in their order. */
function limited(most: number) {
  let taken = 0;
  const waiting: (() => void)[] = [];
  const next = () => {
    if (taken >= most) return;
    const first = waiting.shift();
    if (!first) return;
    taken += 1;
    first();
  };
  const free = () => {
    taken -= 1;
    next();
  };
  const place = () =>
    new Promise<void>((resolve, reject) => {
      const turn = () => {
        clearTimeout(timer);
        resolve();
      };
      const timer = setTimeout(() => {
        waiting.splice(waiting.indexOf(turn), 1);
        reject(new knex.KnexTimeoutError('No connection came free for this workspace in time'));
      }, WAIT_MS);
      waiting.push(turn);
      next();
    });
  return {
    free,
    async take<T>(get: () => Promise<T>): Promise<T> {
      await place();
      try {
        return await get();
      } catch (error) {
        free();
        throw error;
      }
    },
  };
}
