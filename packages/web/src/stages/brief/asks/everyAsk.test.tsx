import { lampArm, sampleBriefs } from '@anvilstone/core/education/sample';
import { briefIssues } from '@anvilstone/core/evaluation';
import type { Brief } from '@anvilstone/schema';
import { drawnFor, LEAKS, textOf, wordsOf } from '../../../testing/testPage.tsx';
import { AsksPanel } from '../AsksPanel.tsx';
import { askGroups, askKinds } from './index.ts';

const bare: Brief = { ...lampArm, asks: {} };
const withAsks = (asks: Brief['asks']): Brief => ({ ...bare, asks });
const ignore = () => undefined;

test('every ask has a name and words of its own, and stands in one group', () => {
  for (const field of ['id', 'title', 'explains'] as const)
    expect(new Set(askKinds.map((kind) => kind[field])).size).toBe(askKinds.length);
  expect(askGroups.flatMap(({ kinds }) => kinds)).toHaveLength(askKinds.length);
  for (const { explains } of askKinds) expect(explains).toMatch(/\w.{20,}\.$/);
});

describe.each(askKinds.map((kind) => [kind.title, kind] as const))('%s', (_title, kind) => {
  test('is asked once it is added, and no trace is left once it is removed', () => {
    expect(kind.isAsked({})).toBe(false);
    const asked = kind.add({});
    expect(kind.isAsked(asked)).toBe(true);
    expect(kind.remove(asked)).toEqual({});
  });
  test('leaves every other ask alone, whichever is asked first', () => {
    for (const other of askKinds) {
      if (other.id === kind.id) continue;
      const both = kind.add(other.add({}));
      expect(other.isAsked(both)).toBe(true);
      expect(kind.isAsked(both)).toBe(true);
      const left = kind.remove(both);
      expect(other.isAsked(left)).toBe(true);
      expect(kind.isAsked(left)).toBe(false);
    }
  });
  test('what it starts from contradicts nothing', () => {
    expect(briefIssues(withAsks(kind.add({})))).toEqual([]);
  });
  test('its fields are named, start from what is asked and show no code', () => {
    if (!kind.Fields) return;
    const asks = kind.add({});
    const root = drawnFor(withAsks(asks), <kind.Fields asks={asks} set={ignore} />);
    const controls = root.querySelectorAll('input,select,textarea');
    expect(controls.length).toBeGreaterThan(0);
    const labels = root.querySelectorAll('label').map(textOf);
    expect(labels.every((label) => label !== '')).toBe(true);
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
    expect(root.querySelectorAll('[aria-invalid=true]')).toEqual([]);
  });
});

describe('the panel of asks', () => {
  const panel = (brief: Brief) => drawnFor(brief, <AsksPanel brief={brief} />);
  test('offers everything at first, and says that only the loads count', () => {
    const root = panel(bare);
    expect(textOf(root)).toContain('only the loads count');
    const offered = root.querySelectorAll('section button').filter((button) => button.text.startsWith('+ '));
    expect(offered).toHaveLength(askKinds.length);
    expect(offered.every((button) => button.getAttribute('title')!.length > 20)).toBe(true);
  });
  test.each(sampleBriefs.map((brief) => [brief.title, brief] as const))(
    'of %s shows each ask once, to be taken off again, and no longer offers it',
    (_title, brief) => {
      const root = panel(brief);
      const asked = askKinds.filter((kind) => kind.isAsked(brief.asks));
      expect(root.querySelectorAll('legend').map(textOf)).toEqual(asked.map(({ title }) => title));
      const buttons = root.querySelectorAll('button');
      for (const { title } of asked) {
        expect(
          buttons.some((one) => one.getAttribute('aria-label') === `Remove requirement: ${title.toLowerCase()}`),
        ).toBe(true);
        expect(buttons.some((one) => textOf(one) === `+ ${title}`)).toBe(false);
      }
    },
  );
  test('with everything asked it is still drawn, and offers nothing more', () => {
    const all = withAsks(askKinds.reduce((asks, kind) => kind.add(asks), {} as Brief['asks']));
    const root = panel(all);
    expect(root.querySelectorAll('legend')).toHaveLength(askKinds.length);
    expect(root.querySelectorAll('section[aria-label="Add a requirement"] button').map(textOf)).toEqual([]);
  });
});
