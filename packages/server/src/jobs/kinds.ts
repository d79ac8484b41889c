import type { Knex } from 'knex';

/** What a job is told while it is at work. */
export interface JobContext {
  /** Aborted when it is cancelled, or when another process was given the job because this one seemed lost. */
  signal: AbortSignal;
  /** How far it is, 0 … 1, and at what. */
  report(progress: number, line?: string): void;
  /**
   * Locks the job within the transaction that writes what came of it. To be asked before it commits.
   * @throws NotMine nothing may be written: cancelled, or given to another process
   */
  holdOn(trx: Knex.Transaction): Promise<void>;
}

/** A sort of long work. */
export interface JobKind<Input = never> {
  id: string;
  /** What comes of it is small, and kept with the job. */
  run(input: Input, context: JobContext): Promise<unknown>;
  /** It is given up: with what is told of it. */
  failed?(input: Input, failure: string): Promise<void>;
  /** Somebody cancelled it from the queue. */
  cancelled?(input: Input): Promise<void>;
  /** Before it is tried again by hand. */
  again?(input: Input): Promise<void>;
}

/** Tried again it would fail again: the reason is for whoever asked. */
export class JobRefusal extends Error {}

/** The job was cancelled, or is another process’s by now. */
export class NotMine extends Error {}
