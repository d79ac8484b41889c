import { fileURLToPath } from 'node:url';
import { MessageChannel } from 'node:worker_threads';
import { FileError } from '@anvilstone/core/foundations';
import { Piscina } from 'piscina';
import type { Content } from 'pdfmake/interfaces.js';
import { HttpProblem } from '../http/problems.ts';
import type { ExportTask, LabelsTask, PlanResult, PlanTask, Refusal } from './tasks.ts';

/** A file of 40 MB and what is made of it fit well within this; one that does not must not take the server with it. */
const THREAD_HEAP_MB = 1024;
/** The largest file takes a tenth of it on a busy machine; one that is made to take for ever ends here. */
const READING_MS = 120_000;
const WRITING_MS = 60_000;

/** Whoever waits for a file to be written does not wait for everybody's files to be read. */
const pools = { reading: undefined, writing: undefined } as Record<'reading' | 'writing', Piscina | undefined>;

/** One thread each stays ready: starting it takes longer than most files take to read. */
function threads(kind: keyof typeof pools): Piscina {
  pools[kind] ??= new Piscina({
    filename: fileURLToPath(new URL('./worker.mjs', import.meta.url)),
    minThreads: kind === 'reading' ? 1 : 0,
    maxThreads: 1,
    idleTimeout: 10_000,
    // The entry brings the loader for the sources with it.
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: THREAD_HEAP_MB },
  });
  return pools[kind];
}

/** @throws FileError the file cannot be read; AbortError when the signal was given */
export async function planInThread(
  task: Omit<PlanTask, 'kind' | 'progress'>,
  onProgress: (share: number) => void,
  signal: AbortSignal,
  mostMs = READING_MS,
): Promise<PlanResult> {
  const inTime = AbortSignal.timeout(mostMs);
  const { port1, port2 } = new MessageChannel();
  port1.on('message', onProgress);
  try {
    const whole: PlanTask = { kind: 'plan', ...task, progress: port2 };
    const answer = (await threads('reading').run(whole, {
      signal: AbortSignal.any([signal, inTime]),
      // Its type is taken from an overload that a newer @types/node lists last.
      transferList: [port2] as never,
    })) as PlanResult | Refusal;
    if ('refusal' in answer) throw new FileError(answer.refusal);
    return answer;
  } catch (error) {
    if (inTime.aborted && !signal.aborted)
      throw new FileError(`It takes longer than ${mostMs / 1000} s to read. Split the file.`);
    throw asExchangeError(error);
  } finally {
    port1.close();
  }
}

export const exportInThread = (task: Omit<ExportTask, 'kind'>): Promise<Uint8Array> =>
  written({ kind: 'export', ...task });

/** A sheet of labels to cut out: typesetting a thousand of them takes seconds. */
export const labelsInThread = async (title: string, cells: readonly Content[]): Promise<Buffer> =>
  Buffer.from(await written({ kind: 'labels', title, cells }));

/** @throws HttpProblem 503: it takes too long */
async function written(task: ExportTask | LabelsTask): Promise<Uint8Array> {
  const signal = AbortSignal.timeout(WRITING_MS);
  try {
    return (await threads('writing').run(task, { signal })) as Uint8Array;
  } catch (error) {
    if (signal.aborted)
      throw new HttpProblem(
        503,
        'too-long',
        'It takes too long',
        `It was not written within ${WRITING_MS / 1000} s. Ask for less at a time.`,
      );
    throw error;
  }
}

function asExchangeError(error: unknown): unknown {
  if ((error as { code?: string } | null)?.code === 'ERR_WORKER_OUT_OF_MEMORY') {
    return new FileError('The file takes more memory to read than is set aside for one. Split it.');
  }
  return error;
}

/** Starts the thread before the first file comes. */
export function warmThreads(): void {
  threads('reading');
}

export async function closeThreads(): Promise<void> {
  for (const kind of ['reading', 'writing'] as const) {
    await pools[kind]?.destroy();
    pools[kind] = undefined;
  }
}
