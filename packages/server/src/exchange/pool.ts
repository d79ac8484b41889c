import { fileURLToPath } from 'node:url';
import { MessageChannel } from 'node:worker_threads';
import { FileError } from '@anvilstone/core/foundations';
import { Piscina } from 'piscina';
import type { ExportTask, PlanResult, PlanTask, Refusal } from './tasks.ts';

/** A file of 40 MB and what is made of it fit well within this; one that does not must not take the server with it. */
const THREAD_HEAP_MB = 1024;

let pool: Piscina | undefined;

/** One thread stays ready: starting it takes longer than most files take to read. */
function threads(): Piscina {
  pool ??= new Piscina({
    filename: fileURLToPath(new URL('./worker.mjs', import.meta.url)),
    minThreads: 1,
    maxThreads: 1,
    idleTimeout: 10_000,
    // The entry brings the loader for the sources with it.
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: THREAD_HEAP_MB },
  });
  return pool;
}

/** @throws FileError the file cannot be read; AbortError when the signal was given */
export async function planInThread(
  task: Omit<PlanTask, 'kind' | 'progress'>,
  onProgress: (share: number) => void,
  signal: AbortSignal,
): Promise<PlanResult> {
  const { port1, port2 } = new MessageChannel();
  port1.on('message', onProgress);
  try {
    const whole: PlanTask = { kind: 'plan', ...task, progress: port2 };
    const answer = (await threads().run(whole, {
      signal,
      // Its type is taken from an overload that a newer @types/node lists last.
      transferList: [port2] as never,
    })) as PlanResult | Refusal;
    if ('refusal' in answer) throw new FileError(answer.refusal);
    return answer;
  } catch (error) {
    throw asExchangeError(error);
  } finally {
    port1.close();
  }
}

export async function exportInThread(task: Omit<ExportTask, 'kind'>): Promise<Uint8Array> {
  return (await threads().run({ kind: 'export', ...task })) as Uint8Array;
}

function asExchangeError(error: unknown): unknown {
  if ((error as { code?: string } | null)?.code === 'ERR_WORKER_OUT_OF_MEMORY') {
    return new FileError('The file takes more memory to read than is set aside for one. Split it.');
  }
  return error;
}

/** Starts the thread before the first file comes. */
export function warmThreads(): void {
  threads();
}

export async function closeThreads(): Promise<void> {
  await pool?.destroy();
  pool = undefined;
}
