import './evaluation.worker.ts';
import type { Engine } from './evaluation.worker.ts';
import { theEngine } from './testComlink.ts';
import { setTheWorkshop, theWorkshop, type Workshop } from './workshop.ts';

/** The worker’s engine in this process, with a workshop in it. Used by tests only. */
export function engineOf(workshop: Workshop): Engine {
  setTheWorkshop(workshop);
  return theEngine();
}

/**
 * The same for the page, which waits for its worker. What it has screened is kept, as in the worker; here it is kept as well when
 * the page is opened anew, as long as the workshop says the same.
 */
export function engineWith(workshop: Workshop): Promise<Engine> {
  return Promise.resolve(textOf(theWorkshop()) === textOf(workshop) ? theEngine() : engineOf(workshop));
}

const texts = new WeakMap<Workshop, string>();
function textOf(workshop: Workshop): string {
  const text = texts.get(workshop) ?? JSON.stringify(workshop);
  texts.set(workshop, text);
  return text;
}
