// The queue’s library looks up its timer anew each time it waits. Its workers end a moment after they are told to, and on a busy
// machine that may be after the test that had them: then there is nothing left to look up, and the next test would be blamed.
/* global AbortController */
const { setTimeout: wait } = require('node:timers/promises');
const tools = require('pg-boss/src/tools');

tools.delay = (ms, error) => {
  const stopped = new AbortController();
  const { signal } = stopped;
  const waited = wait(ms, null, { signal }).then(
    () => {
      if (error) throw new Error(error);
    },
    () => undefined,
  );
  return Object.assign(waited, { abort: () => stopped.abort() });
};
