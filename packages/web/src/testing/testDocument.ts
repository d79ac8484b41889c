import '@testing-library/jest-dom';
import { cleanup, configure } from '@testing-library/react';
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

/** The labels of a field or button, at once: this document’s own looks through the whole page for every single one of them. */
function labelsOf(this: HTMLElement): HTMLLabelElement[] {
  const around = this.closest('label');
  const named = [...document.getElementsByTagName('label')].filter(
    ({ htmlFor }) => this.id !== '' && htmlFor === this.id,
  );
  return around && around.htmlFor === '' ? [around, ...named] : named;
}
for (const kind of [HTMLButtonElement, HTMLInputElement, HTMLSelectElement, HTMLTextAreaElement])
  Object.defineProperty(kind.prototype, 'labels', { configurable: true, get: labelsOf });

const NEVER_SEEN = new Set(['HEAD', 'SCRIPT', 'STYLE', 'TEMPLATE', 'TITLE']);
/** What is seen and what is not, told by the attributes that hide: there are no style sheets here, and to look for them takes long. */
function styleOf(element: Element): CSSStyleDeclaration {
  const own = (element as HTMLElement).style as CSSStyleDeclaration | undefined;
  const isClosed = element.tagName === 'DIALOG' && !element.hasAttribute('open');
  const isHidden = element.hasAttribute('hidden') || isClosed || NEVER_SEEN.has(element.tagName);
  const told: Record<string, string> = {
    display: isHidden ? 'none' : own?.display || 'block',
    visibility: own?.visibility || 'visible',
    opacity: own?.opacity || '1',
  };
  const of = (name: string) => told[name] ?? own?.getPropertyValue(name) ?? '';
  return new Proxy({} as CSSStyleDeclaration, {
    get: (_, name) => (name === 'getPropertyValue' ? of : typeof name === 'string' ? of(name) : undefined),
  });
}
Object.assign(window, { getComputedStyle: styleOf });

/** For every file of tests: what the library does by itself in the first one only, whose modules the others share. */
export default function beforeFile(): void {
  beforeAll(() => void Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true }));
  afterEach(cleanup);
  afterAll(() => (globalThis as { closeApp?: () => void }).closeApp?.());
}
