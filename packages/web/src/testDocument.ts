import '@testing-library/jest-dom';
import { configure } from '@testing-library/react';
import { TextDecoder, TextEncoder } from 'node:util';

// On a busy machine the engine needs its time; a test that waits in vain still ends.
configure({
  // Nothing is styled here, so that nothing is hidden by a style: to look for it takes most of a test’s time.
  defaultHidden: true,
  asyncUtilTimeout: process.env.CI ? 30_000 : 10_000,
  // What was not found, without the whole page after it.
  getElementError: (message) => new Error((message ?? '').split('\n\n')[0]),
});

/** What browsers have and this document has not; nothing of it is looked at by a test. */
class Watcher {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
class Silence {
  close(): void {}
}
Object.assign(globalThis, {
  ResizeObserver: Watcher,
  IntersectionObserver: Watcher,
  EventSource: Silence,
  TextDecoder,
  TextEncoder,
});
Object.assign(Element.prototype, {
  scrollIntoView: () => undefined,
  hasPointerCapture: () => false,
  setPointerCapture: () => undefined,
  releasePointerCapture: () => undefined,
});
// Lists that draw only what is in sight take this for their height.
Object.defineProperties(Element.prototype, {
  clientHeight: { configurable: true, get: () => 300 },
  clientWidth: { configurable: true, get: () => 1200 },
});
Object.assign(File.prototype, {
  text(this: File) {
    return new Promise((resolve, reject) => {
      const reader = new FileReader();
      reader.onload = () => resolve(reader.result);
      reader.onerror = () => reject(new Error('unreadable'));
      reader.readAsText(this);
    });
  },
});
Object.assign(globalThis, { scrollTo: () => undefined });
