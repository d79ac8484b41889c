import type { startPostgres } from '../postgres.mjs';
import type { Line } from './line.ts';

type Database = Awaited<ReturnType<typeof startPostgres>>;

export interface Scenario {
  title: string;
  /** What is done to it while people work. Returns what else was seen, in words. */
  fault(drill: Drill): Promise<string | void>;
}

/** What a fault can be done to. */
export interface Drill {
  line: Line;
  /** A folder of the database on a disk of its own; absent: it shares one. */
  ownDisk: string | undefined;
  database(): Database;
  /** Starts it where it does not run. */
  startDatabase(): Promise<void>;
  restartWeb(): Promise<void>;
  restartWorker(): Promise<void>;
  setClocks(shiftMs: number): void;
  /** How often each request is sent at once. */
  everyRequest(times: number): void;
  get<T>(path: string): Promise<T>;
  post<T>(path: string, file?: string): Promise<T>;
}
