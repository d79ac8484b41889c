// A document and the globals of a page in plain Node, for screens' tests. One for all files of a process: what a test opens it closes.
import { JSDOM } from 'jsdom';

const { window } = new JSDOM('<!doctype html>', { url: 'http://localhost/', pretendToBeVisual: true });

/** Of these Node's own do: they are quicker, or can do what the document's cannot. */
const NODES_OWN = new Set([
  ...[
    'AbortController',
    'AbortSignal',
    'Blob',
    'BroadcastChannel',
    'FormData',
    'Headers',
    'Request',
    'Response',
    'fetch',
  ],
  ...['ReadableStream', 'TransformStream', 'WritableStream', 'TextDecoder', 'TextEncoder', 'URL', 'URLSearchParams'],
  ...[
    'clearInterval',
    'clearTimeout',
    'console',
    'crypto',
    'performance',
    'queueMicrotask',
    'setInterval',
    'setTimeout',
  ],
  ...['structuredClone', 'atob', 'btoa', 'undefined', 'Infinity', 'NaN', 'globalThis', 'global', 'constructor'],
]);
const isLanguage = (name) => /^[A-Z]/.test(name) && window[name] === globalThis[name];

const names = new Set([
  ...Object.getOwnPropertyNames(window),
  // A window is a target of events.
  ...['addEventListener', 'removeEventListener', 'dispatchEvent'],
]);
for (const name of names) {
  if (NODES_OWN.has(name) || name.startsWith('_') || /^\d/.test(name) || isLanguage(name)) continue;
  const value = window[name];
  const isMethod = typeof value === 'function' && /^[a-z]/.test(name);
  if (isMethod) window[name] = value.bind(window);
  Object.defineProperty(globalThis, name, {
    configurable: true,
    enumerable: true,
    get: () => window[name],
    set: (next) => {
      window[name] = next;
    },
  });
}
Object.defineProperty(globalThis, 'window', { configurable: true, value: window });
// Tests set these on either name and pages read them from either.
for (const name of ['fetch', 'EventSource', 'ResizeObserver', 'IntersectionObserver'])
  Object.defineProperty(window, name, {
    configurable: true,
    get: () => globalThis[name],
    set: (next) => {
      globalThis[name] = next;
    },
  });

/** A window that is drawn sixty times a second keeps its process alive. */
export default () => window.close();
