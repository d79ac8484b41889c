/**
 * The same work on one thread and on two at once, each with its own half: the engine shares nothing, so twice the rate is what
 * two free cores give.
 *   npm run bench
 */
import { fileURLToPath } from 'node:url';
import { isMainThread, parentPort, Worker } from 'node:worker_threads';
import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { chanceOfMeetingAll, screen } from '@anvilstone/core/evaluation';
import type { Library } from '@anvilstone/schema';
import { perSecond, printHead, printRow } from './rows.ts';

const GRADES = 2000;
const ROUNDS = 6;
const DRAWS = 10_000;

interface Done {
  screenMs: number;
  drawMs: number;
}

function work(): { screened(): void; drawn(): void } {
  const library: Library = {
    ...sampleLibrary,
    grades: Array.from({ length: GRADES }, (_, i) => {
      const grade = sampleLibrary.grades[i % sampleLibrary.grades.length]!;
      return { ...grade, id: `${grade.id}-${i}` };
    }),
  };
  const arms = sampleLibrary.grades.slice(0, 10);
  screen(lampArm, library);
  return {
    screened() {
      for (let i = 0; i < ROUNDS; i++) screen(lampArm, library);
    },
    drawn() {
      for (const arm of arms) chanceOfMeetingAll(lampArm, sampleLibrary, arm, 'XZ', { draws: DRAWS });
    },
  };
}

async function inThreads(count: number): Promise<Done> {
  const threads = Array.from({ length: count }, () => new Worker(fileURLToPath(import.meta.url)));
  const heard = (say: string) =>
    Promise.all(
      threads.map(
        (thread) =>
          new Promise<void>((resolve, reject) => {
            thread.once('message', () => resolve());
            thread.once('error', reject);
            if (say) thread.postMessage(say);
          }),
      ),
    );
  await heard('');
  const timed = async (say: string) => {
    let least = Infinity;
    for (let i = 0; i < 3; i++) {
      const from = performance.now();
      await heard(say);
      least = Math.min(least, performance.now() - from);
    }
    return least;
  };
  const done = { screenMs: await timed('screen'), drawMs: await timed('draw') };
  await Promise.all(threads.map((thread) => thread.terminate()));
  return done;
}

if (isMainThread) {
  const one = await inThreads(1);
  const two = await inThreads(2);
  printHead('two threads, against one');
  const grades = GRADES * ROUNDS * 2;
  printRow({
    what: 'evaluation',
    rate: perSecond(grades, two.screenMs, 'grades'),
    ratio: (2 * one.screenMs) / two.screenMs,
    note: 'ratio to one thread; 2 is all there is',
  });
  printRow({
    what: 'Monte Carlo',
    rate: perSecond(DRAWS * 20, two.drawMs, 'draws'),
    ratio: (2 * one.drawMs) / two.drawMs,
    note: 'ratio to one thread; 2 is all there is',
  });
} else {
  const { screened, drawn } = work();
  parentPort!.on('message', (say) => {
    if (say === 'screen') screened();
    else drawn();
    parentPort!.postMessage('done');
  });
  parentPort!.postMessage('ready');
}
