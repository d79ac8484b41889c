import './evaluation.worker.ts';
import type { Engine } from './evaluation.worker.ts';
import { theEngine } from './testComlink.ts';
import { setTheWorkshop, type Workshop } from './workshop.ts';

/** The worker’s engine in this process, with a workshop in it. Used by tests only. */
export function engineOf(workshop: Workshop): Engine {
  setTheWorkshop(workshop);
  return theEngine();
}
