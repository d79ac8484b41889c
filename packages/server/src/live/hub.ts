import type { LiveEvent } from '@anvilstone/schema';
import pg from 'pg';
import type { Logger } from 'pino';

type Listener = (events: readonly LiveEvent[]) => void;

const CHANNEL = 'anvilstone';
const GATHER_MS = 120;
/** More at once are told as “something”. */
const MOST_AT_ONCE = 60;
const AGAIN_MS = 2000;

/**
 * Hears from the database what was changed, by whichever server, and passes it on by schema: one connection a process. After the line was
 * broken everybody is told that anything may have changed. `onJob`: something happened to a job, in whichever workspace.
 */
export function liveHub(url: string, logger: Logger, onJob: () => void = () => {}) {
  const listeners = new Map<string, Set<Listener>>();
  const waiting = new Map<string, LiveEvent[]>();
  let client: pg.Client | undefined;
  let timer: NodeJS.Timeout | undefined;
  let again: NodeJS.Timeout | undefined;
  let isClosed = false;

  function pass(): void {
    timer = undefined;
    for (const [schema, events] of waiting) {
      const told: LiveEvent[] = events.length > MOST_AT_ONCE ? [{ kind: '*' }] : events;
      for (const listener of listeners.get(schema) ?? []) listener(told);
    }
    waiting.clear();
  }
  function add(schema: string, event: LiveEvent): void {
    if (!listeners.has(schema)) return;
    waiting.set(schema, [...(waiting.get(schema) ?? []), event].slice(0, MOST_AT_ONCE + 1));
    timer ??= setTimeout(pass, GATHER_MS).unref();
  }

  async function listen(): Promise<void> {
    if (isClosed) return;
    const made = new pg.Client({ connectionString: url, application_name: 'anvilstone live' });
    let isOver = false;
    const over = (error?: Error) => {
      if (isOver) return;
      isOver = true;
      void made.end().catch(() => undefined);
      if (client === made) client = undefined;
      if (isClosed) return;
      if (error) logger.warn({ err: error }, 'no news from the database; trying again');
      again = setTimeout(() => void listen(), AGAIN_MS).unref();
    };
    made.on('error', over);
    made.on('end', () => over());
    made.on('notification', ({ payload }) => {
      const { schema, ...event } = JSON.parse(payload ?? '{}') as LiveEvent & { schema?: string };
      if (event.kind === 'jobs') onJob();
      if (schema) add(schema, event);
    });
    try {
      await made.connect();
      await made.query(`listen ${CHANNEL}`);
      client = made;
      // What was told while nobody listened is not told again.
      for (const schema of listeners.keys()) add(schema, { kind: '*' });
    } catch (error) {
      over(error as Error);
    }
  }

  return {
    listen,
    subscribe(schema: string, listener: Listener): () => void {
      const set = listeners.get(schema) ?? new Set();
      listeners.set(schema, set.add(listener));
      return () => {
        set.delete(listener);
        if (set.size === 0) listeners.delete(schema);
      };
    },
    async close(): Promise<void> {
      isClosed = true;
      clearTimeout(timer);
      clearTimeout(again);
      await client?.end().catch(() => undefined);
    },
  };
}
export type LiveHub = ReturnType<typeof liveHub>;
