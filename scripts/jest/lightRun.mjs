import { pathToFileURL } from 'node:url';
import { jestExpect as expect } from '@jest/expect';
import { ModernFakeTimers } from '@jest/fake-timers';
import { createEmptyTestResult } from '@jest/test-result';
import * as circus from 'jest-circus';
import { formatResultsErrors } from 'jest-message-util';
import { ModuleMocker } from 'jest-mock';

/** Where jest-circus looks for a timeout that a test file sets, ms. */
const TEST_TIMEOUT = Symbol.for('TEST_TIMEOUT_SYMBOL');
/** Node itself waits by these, and nothing of ours does. */
const NODES_OWN = ['nextTick', 'queueMicrotask', 'setImmediate', 'clearImmediate', 'performance', 'hrtime'];

/** Spies of a file must not be there in the next. */
const mocker = new ModuleMocker(globalThis);
let settings;
/** What setup files want done at the end: the function that they export by default. */
const atEnd = [];
/** What files set up after the globals want before each test file, such as hooks: the same. */
const beforeFile = [];

/** Once in a process: Jest's globals, and what the project wants to be there before its tests. */
export async function setup(given) {
  settings = given;
  const { project, globalConfig } = settings;
  for (const file of project.setupFiles) atEnd.push((await import(pathToFileURL(file))).default);
  const timers = new ModernFakeTimers({ config: project, global: globalThis });
  const jest = {
    fn: mocker.fn.bind(mocker),
    spyOn: mocker.spyOn.bind(mocker),
    restoreAllMocks: () => mocker.restoreAllMocks(),
    useFakeTimers: () => timers.useFakeTimers({ doNotFake: NODES_OWN }),
    useRealTimers: () => timers.useRealTimers(),
    advanceTimersByTimeAsync: (ms) => timers.advanceTimersByTimeAsync(ms),
    setTimeout: (ms) => (globalThis[TEST_TIMEOUT] = ms),
  };
  const { test, it, describe, beforeAll, afterAll, beforeEach, afterEach } = circus;
  Object.assign(globalThis, { expect, jest, test, it, describe, beforeAll, afterAll, beforeEach, afterEach });
  expect.setState({ expand: globalConfig.expand });
  circus.addEventHandler(judge);
  for (const file of project.setupFilesAfterEnv) beforeFile.push((await import(pathToFileURL(file))).default);
}

export async function teardown() {
  for (const done of atEnd) await done?.();
  // Jest gives a process half a second to end; what is still open just before that is why it would not.
  setTimeout(() => {
    const open = process.getActiveResourcesInfo().filter((one) => one !== 'Timeout' && one !== 'PipeWrap');
    process.stderr.write(
      `Still open after ${settings.project.displayName?.name}, ${last}: ${open.join(', ') || 'timers'}\n`,
    );
  }, 400).unref();
}

let last = '';

/** A file's tests, in the form that Jest's reporters take. */
export async function run(path, project) {
  const { globalConfig } = settings;
  last = path;
  circus.resetState();
  const state = circus.getState();
  state.parentProcess = process;
  state.testNamePattern = globalConfig.testNamePattern ? new RegExp(globalConfig.testNamePattern, 'i') : null;
  globalThis[TEST_TIMEOUT] = globalConfig.testTimeout ?? project.testTimeout;
  expect.setState({ testPath: path });
  const start = Date.now();
  for (const begin of beforeFile) begin?.();
  await import(pathToFileURL(path));
  const { testResults, unhandledErrors } = await circus.run();
  const end = Date.now();
  mocker.restoreAllMocks();
  return toResult({ path, project, testResults: testResults.map(toCase), unhandledErrors, start, end });
}

/** Failures of `expect` itself, which jest-circus leaves to whoever runs it. */
function judge(event) {
  if (event.name === 'test_start') expect.setState({ currentTestName: event.test.name });
  if (event.name !== 'test_done') return;
  const { suppressedErrors } = expect.getState();
  expect.setState({ suppressedErrors: [] });
  const missing = expect.extractExpectedAssertionsErrors().map(({ error }) => error);
  event.test.numPassingAsserts = expect.getState().numPassingAsserts;
  event.test.errors.push(...suppressedErrors, ...missing);
}

const STATUS = { skip: 'pending', todo: 'todo' };

/** @param one a result of jest-circus, whose path begins with the name of the root block */
function toCase(one) {
  const names = one.testPath.slice(1);
  return {
    ancestorTitles: names.slice(0, -1),
    title: names.at(-1),
    fullName: names.join(' '),
    duration: one.duration,
    startAt: one.startedAt,
    failureDetails: one.errorsDetailed,
    failureMessages: [...one.errors],
    invocations: one.invocations,
    location: one.location,
    numPassingAsserts: one.numPassingAsserts,
    retryReasons: [...one.retryReasons],
    status: STATUS[one.status] ?? (one.errors.length > 0 ? 'failed' : 'passed'),
  };
}

function toResult({ path, project, testResults, unhandledErrors, start, end }) {
  const { globalConfig } = settings;
  const count = (status) => testResults.filter((one) => one.status === status).length;
  const failures = formatResultsErrors(testResults, project, globalConfig, path);
  const unhandled = unhandledErrors.join('\n');
  return {
    ...createEmptyTestResult(),
    displayName: project.displayName,
    failureMessage: [failures, unhandled].filter(Boolean).join('\n\n') || undefined,
    numFailingTests: count('failed'),
    numPassingTests: count('passed'),
    numPendingTests: count('pending'),
    numTodoTests: count('todo'),
    perfStats: {
      start,
      end,
      runtime: end - start,
      slow: false,
      loadTestEnvironmentStart: start,
      loadTestEnvironmentEnd: start,
      setupAfterEnvStart: start,
      setupAfterEnvEnd: start,
    },
    testExecError: unhandled ? { message: '', stack: unhandled } : undefined,
    testFilePath: path,
    testResults,
  };
}
