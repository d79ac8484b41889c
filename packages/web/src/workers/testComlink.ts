import type { Engine } from './evaluation.worker.ts';

/** In place of the library between page and worker: what the worker would offer is kept for the test. Used by tests only. */
let offered: Engine | undefined;
export const theEngine = (): Engine => offered!;
export const expose = (engine: Engine): void => {
  offered = engine;
};
export const transfer = <T>(value: T): T => value;
export const proxy = <T>(value: T): T => value;
export const wrap = (): never => {
  throw new Error('A test has no worker: give useAnswer what it needs');
};
