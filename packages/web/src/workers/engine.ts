import type { Library } from '@anvilstone/schema';
import { wrap, type Remote } from 'comlink';
import type { Engine } from './evaluation.worker.ts';

let remote: Remote<Engine> | undefined;
let given: Library | undefined;

/** The worker with this library in it. One worker for the whole page. */
export async function engineWith(library: Library): Promise<Remote<Engine>> {
  remote ??= wrap<Engine>(new Worker(new URL('./evaluation.worker.ts', import.meta.url), { type: 'module' }));
  if (given !== library) {
    given = library;
    await remote.setLibrary(library);
  }
  return remote;
}
