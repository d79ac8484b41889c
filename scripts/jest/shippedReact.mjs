// React as it ships. Its other build checks and records so much of every element that pages take half as long again. What a
// test does is still done, and drawn, when it returns: that build's own `act` is replaced by one that says so to this one.
import { createRequire } from 'node:module';

process.env.NODE_ENV = 'production';

const require = createRequire(new URL('../../packages/web/package.json', import.meta.url));
const { flushSync } = require('react-dom');
const isPromise = (value) => typeof value?.then === 'function';

/** Everything that was asked for meanwhile has been drawn. */
async function settled() {
  await new Promise((resolve) => setImmediate(resolve));
  flushSync(() => undefined);
}

require('react-dom/test-utils').act = (callback) => {
  let result;
  flushSync(() => {
    result = callback();
  });
  if (!isPromise(result)) return { then: (resolve) => resolve(result) };
  return result.then(async (value) => {
    await settled();
    return value;
  });
};
