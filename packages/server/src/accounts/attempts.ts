import type { Knex } from 'knex';
import { RateLimiterMemory, RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { HttpProblem } from '../http/problems.ts';

const WINDOW_S = 15 * 60;
/** Wrong passwords from one address for one name, from one address at all, and for one name from anywhere. */
const LIMITS = { pair: 6, address: 30, name: 60 } as const;
type Kind = keyof typeof LIMITS;

/** Counts wrong passwords in the database, so that several servers count together. */
export function signInAttempts(installation: Knex) {
  const limiters = Object.fromEntries(
    Object.entries(LIMITS).map(([kind, points]) => [
      kind,
      new RateLimiterPostgres({
        storeClient: installation,
        storeType: 'knex',
        schemaName: 'house',
        tableName: 'sign_in_attempts',
        tableCreated: true,
        // It would keep a process alive for minutes.
        clearExpiredByTimeout: false,
        keyPrefix: kind,
        points,
        duration: WINDOW_S,
      }),
    ]),
  ) as Record<Kind, RateLimiterPostgres>;
  const keys = (address: string, name: string): Record<Kind, string> => ({
    pair: `${address} ${name.toLowerCase()}`,
    address,
    name: name.toLowerCase(),
  });
  const each = (address: string, name: string) =>
    (Object.entries(keys(address, name)) as [Kind, string][]).map(([kind, key]) => [limiters[kind], key] as const);
  return {
    /**
     * Counts an attempt before its password is looked at, so that many sent at once are counted too.
     * @throws HttpProblem 429: too many; a right password is not even looked at
     */
    async begin(address: string, name: string): Promise<void> {
      await installation('sign_in_attempts').where('expire', '<', Date.now()).delete();
      for (const [limiter, key] of each(address, name))
        await limiter.consume(key).catch((error: unknown) => {
          throw error instanceof RateLimiterRes ? tooMany(error.msBeforeNext) : error;
        });
    },
    /** It was right after all: only wrong ones count. */
    async right(address: string, name: string): Promise<void> {
      for (const [limiter, key] of each(address, name)) await limiter.reward(key);
      await limiters.pair.delete(keys(address, name).pair);
    },
  };
}

function tooMany(msBeforeNext: number): HttpProblem {
  const minutes = Math.max(1, Math.ceil(msBeforeNext / 60_000));
  return new HttpProblem(
    429,
    'too-many-attempts',
    'Too many wrong attempts',
    `Try again in ${minutes} ${minutes === 1 ? 'minute' : 'minutes'}.`,
  );
}

/** What anybody may ask of a process without saying who they are, from one address, a minute. */
const STRANGER_REQUESTS = 600;

/** Keeps somebody who has not signed in from keeping the server busy. Each process counts for itself. */
export function strangerLimit(points = STRANGER_REQUESTS): (address: string) => Promise<void> {
  const limiter = new RateLimiterMemory({ points, duration: 60 });
  return async (address) => {
    try {
      await limiter.consume(address);
    } catch (error) {
      if (!(error instanceof RateLimiterRes)) throw error;
      throw new HttpProblem(429, 'too-many', 'Too many requests', 'Wait a minute, or sign in.');
    }
  };
}
