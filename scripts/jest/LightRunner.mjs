import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Worker } from 'jest-worker';
import { lastSeconds } from '../timings.mjs';

const WORKER = fileURLToPath(new URL('./lightWorker.cjs', import.meta.url));
const WITH_TYPESCRIPT = ['--import', 'tsx', '--import', new URL('./importHooks.mjs', import.meta.url).href];

/**
 * Runs test files in plain Node processes that keep their modules from file to file. Jest's own runner evaluates every
 * module anew for each file, in a context whose every look at a global is slow; that took most of the time. Jest's
 * configuration, globals, timeouts and reports are as ever; module mocks are not: `moduleNameMapper` stands in for whole
 * modules. A process runs the files of those projects that map their modules alike.
 */
export default class LightRunner {
  #globalConfig;

  constructor(globalConfig) {
    this.#globalConfig = globalConfig;
  }

  async runTests(tests, watcher, onStart, onResult, onFailure) {
    const waiting = inOrder(tests);
    const lanes = Array.from({ length: Math.min(this.#globalConfig.maxWorkers, tests.length) }, () =>
      this.#work(waiting, watcher, { onStart, onResult, onFailure }),
    );
    await Promise.all(lanes);
  }

  /** One process after another, each for files of a kind, until nothing waits. */
  async #work(waiting, watcher, { onStart, onResult, onFailure }) {
    let worker;
    let kind;
    while (waiting.length > 0 && !watcher.isInterrupted()) {
      // Stays with its kind while there are files of it: a process that is warm does them in a fraction of the time.
      const own = waiting.findIndex(({ context }) => kindOf(context.config) === kind);
      const [test] = waiting.splice(Math.max(own, 0), 1);
      const { config: project } = test.context;
      if (kindOf(project) !== kind || isAlone(test)) {
        await end(worker);
        kind = kindOf(project);
        worker = this.#begin(project);
      }
      await onStart(test);
      try {
        await onResult(test, await worker.run(test.path, project));
      } catch (error) {
        // The process itself ended: what it would have done next is another's.
        await end(worker);
        worker = kind = undefined;
        await onFailure(test, { message: error.message, stack: error.stack, type: error.type });
      }
      if (isAlone(test)) {
        await end(worker);
        worker = kind = undefined;
      }
    }
    await end(worker);
  }

  #begin(project) {
    const tsconfig = join(project.rootDir, 'tsconfig.json');
    const worker = new Worker(WORKER, {
      exposedMethods: ['run'],
      numWorkers: 1,
      maxRetries: 0,
      setupArgs: [{ project, globalConfig: this.#globalConfig }],
      forkOptions: {
        execArgv: WITH_TYPESCRIPT,
        env: {
          ...process.env,
          ANVILSTONE_TEST_MODULES: JSON.stringify(project.moduleNameMapper),
          // It says how JSX is to be read.
          ...(existsSync(tsconfig) ? { TSX_TSCONFIG_PATH: tsconfig } : {}),
        },
      },
    });
    worker.getStdout()?.pipe(process.stdout);
    worker.getStderr()?.pipe(process.stderr);
    return worker;
  }
}

/** What a process has to be begun with; the rest of a project's settings goes with each file. */
const kindOf = ({ moduleNameMapper, setupFiles, setupFilesAfterEnv }) =>
  JSON.stringify([moduleNameMapper, setupFiles, setupFilesAfterEnv]);

/** Its subject is what a process or a page keeps in memory or as globals. */
const isAlone = ({ path }) => /\.alone\.test\.tsx?$/.test(path);

/** A process that does not end by itself has left something open: that is said, and the run does not wait for it. */
async function end(worker) {
  if (!worker) return;
  const { forceExited } = await worker.end();
  if (forceExited) process.stderr.write('A test process did not end by itself: something in it is still open.\n');
}

/** Projects one after the other as they are configured, and in each what took longest last time first. */
function inOrder(tests) {
  const projects = [...new Set(tests.map(({ context }) => context.config))];
  const weight = ({ path }) => lastSeconds(path) ?? statSync(path).size / 20_000;
  return [...tests].sort(
    (a, b) => projects.indexOf(a.context.config) - projects.indexOf(b.context.config) || weight(b) - weight(a),
  );
}
