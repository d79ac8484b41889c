import { AsyncLocalStorage } from 'node:async_hooks';

/** On whose behalf something is done. */
export interface Actor {
  /** As the change log and forms show it. */
  name: string;
  /** Absent: nobody signed in, or the server itself. */
  accountId?: string;
  /** Page that asked for it: it need not be told. */
  tab?: string;
}

/** What is done by itself: migrations, backups, runs that are followed. */
const SERVER: Actor = { name: 'the server' };
/** Whoever sits at this computer, while no accounts are made. */
export const THIS_COMPUTER: Actor = { name: 'this computer' };

const current = new AsyncLocalStorage<Actor>();

export const currentActor = (): Actor => current.getStore() ?? SERVER;
/** Waits for the work within: a query that is only built begins when somebody waits for it. */
export const actingAs = <T>(actor: Actor, work: () => PromiseLike<T>): Promise<T> =>
  current.run(actor, async () => work());
