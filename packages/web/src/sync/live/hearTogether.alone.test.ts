import type { LiveEvent } from '@anvilstone/schema';
import { hearTogether } from './hearTogether.ts';
import { sources, TestSource } from './testSources.ts';

const SPOOL: LiveEvent = { kind: 'spools', record: 'S-03', revision: 4 };
const PART: LiveEvent = { kind: 'parts', record: 'a' };
const stops: (() => void)[] = [];
/** A page that listens, and what it has heard. */
function page() {
  const heard: LiveEvent[][] = [];
  const stop = hearTogether((events) => heard.push([...events]));
  stops.push(stop);
  return { heard, stop };
}
const open = () => sources.filter(({ isClosed }) => !isClosed);
const until = async (isSo: () => boolean) => {
  for (let i = 0; i < 200 && !isSo(); i++) await new Promise((resolve) => setTimeout(resolve, 5));
  expect(isSo()).toBe(true);
};

/** As a browser gives it: to one at a time, in the order they asked. */
function locksOfBrowser() {
  let last = Promise.resolve();
  return {
    request(_: string, { signal }: { signal: AbortSignal }, hold: () => Promise<void>) {
      const mine = last.then(() => {
        if (signal.aborted) throw new DOMException('given up', 'AbortError');
        return hold();
      });
      last = mine.catch(() => undefined);
      return mine;
    },
  };
}
const withLocks = (locks: unknown) =>
  Object.defineProperty(globalThis, 'navigator', { configurable: true, value: { locks } });

beforeEach(() => {
  sources.length = 0;
  Object.assign(globalThis, { EventSource: TestSource });
});
afterEach(() => stops.splice(0).forEach((stop) => stop()));

describe('where pages can agree', () => {
  beforeEach(() => withLocks(locksOfBrowser()));
  test('one of them listens, and tells the others what it hears', async () => {
    const [first, second, third] = [page(), page(), page()];
    await until(() => sources.length > 0);
    sources[0]!.says(SPOOL, PART);
    await until(() => second.heard.length > 0 && third.heard.length > 0);
    expect(sources).toHaveLength(1);
    for (const { heard } of [first, second, third]) expect(heard).toEqual([[SPOOL, PART]]);
  });
  test('when it is closed the next takes over, and what is said then is heard once', async () => {
    const [first, second, third] = [page(), page(), page()];
    await until(() => sources.length > 0);
    first.stop();
    await until(() => open().length === 1 && sources.length === 2);
    sources[1]!.says(PART);
    await until(() => third.heard.length > 0);
    expect(second.heard).toEqual([[PART]]);
    expect(third.heard).toEqual([[PART]]);
    expect(first.heard).toEqual([]);
  });
  test('one that was closed while it waited never listens', async () => {
    const [first, second] = [page(), page()];
    await until(() => sources.length > 0);
    second.stop();
    first.stop();
    const third = page();
    await until(() => open().length === 1);
    expect(sources).toHaveLength(2);
    sources[1]!.says(SPOOL);
    expect(third.heard).toEqual([[SPOOL]]);
    expect(second.heard).toEqual([]);
  });
});

describe('where they cannot', () => {
  beforeEach(() => withLocks(undefined));
  test('each listens for itself until it is closed', () => {
    const [first, second] = [page(), page()];
    expect(sources).toHaveLength(2);
    sources[0]!.says(SPOOL);
    expect(first.heard).toEqual([[SPOOL]]);
    expect(second.heard).toEqual([]);
    first.stop();
    expect(sources.map(({ isClosed }) => isClosed)).toEqual([true, false]);
  });
  test('what was missed while the connection was lost is unknown: everything may be other than it was', () => {
    const { heard } = page();
    sources[0]!.opens();
    expect(heard).toEqual([]);
    sources[0]!.opens();
    expect(heard).toEqual([[{ kind: '*' }]]);
  });
});
