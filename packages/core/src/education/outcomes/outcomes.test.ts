import { inWords } from '@anvilstone/core/foundations';
import { readFileSync } from 'node:fs';
import { knownOutcomes, OUTCOME_AREAS, outcomesText } from './index.ts';

const all = knownOutcomes();

test('at least forty facts, each once, in every area, with a source and an answer', () => {
  expect(all.length).toBeGreaterThanOrEqual(40);
  expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
  expect(new Set(all.map(({ area }) => area))).toEqual(new Set(OUTCOME_AREAS));
  for (const { fact, source, says } of all)
    for (const text of [fact, source, says]) expect(inWords(text).length).toBeGreaterThan(3);
});

/** What the engine is known to miss. One that is mended leaves the list; one that comes to it is a fault. */
const MISSED = ['pa6-moist-frozen', 'pc-thick', 'warm-air-bond', 'wide-nozzle'];
test('what the engine misses is what it is known to miss', () =>
  expect(
    all
      .filter(({ hit }) => !hit)
      .map(({ id }) => id)
      .sort(),
  ).toEqual([...MISSED].sort()));

test('the page in the docs says the same', () => {
  const page = new URL('../../../../../docs/known-outcomes.md', import.meta.url);
  expect(readFileSync(page, 'utf8')).toBe(outcomesText(all));
});
