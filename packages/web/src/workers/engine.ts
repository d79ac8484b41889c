import { wrap, type Remote } from 'comlink';
import type { Engine } from './evaluation.worker.ts';
import type { Workshop } from './workshop.ts';

let remote: Remote<Engine> | undefined;
let given: Workshop | undefined;

/** The worker with this workshop’s library and rules in it. One worker for the whole page. */
export async function engineWith(workshop: Workshop): Promise<Remote<Engine>> {
  remote ??= wrap<Engine>(new Worker(new URL('./evaluation.worker.ts', import.meta.url), { type: 'module' }));
  if (given !== workshop) {
    given = workshop;
    await remote.setWorkshop(workshop);
  }
  return remote;
}
