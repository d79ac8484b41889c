import { AsyncLocalStorage } from 'node:async_hooks';
import type { Knex } from 'knex';

interface Scope {
  db: Knex;
  trx: Knex.Transaction;
}
const scopes = new AsyncLocalStorage<Scope>();

/**
 * A handle on the database that takes part in the transaction that a request runs in, if it runs in one: a transaction begun within is a
 * savepoint of it. So what an operation does by several services is done whole or not at all, with no word of it in any of them.
 */
export function scoped(db: Knex): Knex {
  const on = () => {
    const scope = scopes.getStore();
    return (scope?.db === db ? scope.trx : db) as Knex;
  };
  return new Proxy(db, {
    apply: (_target, _this, args: Parameters<Knex>) => on()(...args),
    get: (_target, name) => {
      const now = on();
      const value = Reflect.get(now, name) as unknown;
      return typeof value === 'function' ? (value.bind(now) as unknown) : value;
    },
  });
}

/** Everything that `work` does by a scoped handle on this database, in one transaction. */
export const inOneTransaction = <T>(db: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> =>
  db.transaction((trx) => scopes.run({ db, trx }, () => work(trx)));

/** What several requests share must not depend on the transaction of the one that happened to ask first. */
export const outsideOfAnyScope = <T>(work: () => T): T => scopes.exit(work);
