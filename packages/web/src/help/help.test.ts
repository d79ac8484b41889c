import type { RouteObject } from 'react-router';
import { routes } from '../app/routes.tsx';
import { HEADING_WORDS } from '../ui/headingWords.ts';
import { KEYS_EVERYWHERE, SCREENS, screenAt } from './screens.ts';
import { findWord, WORDS, wordsLike } from '../ui/words/words.ts';

test('every word has a name of its own and an explanation that does not merely repeat it', () => {
  expect(new Set(WORDS.map(({ id }) => id)).size).toBe(WORDS.length);
  expect(new Set(WORDS.map(({ word }) => word)).size).toBe(WORDS.length);
  for (const { word, means } of WORDS) {
    expect(means.length).toBeGreaterThan(30);
    expect(means.toLowerCase()).not.toBe(word.toLowerCase());
    expect(means).toMatch(/[.:]$/);
  }
});

test('headings and screens refer only to words that are explained', () => {
  const named = [...Object.values(HEADING_WORDS), ...SCREENS.flatMap(({ words }) => words)];
  expect(named.filter((id) => !findWord(id))).toEqual([]);
});

test('every explained word is reached from at least one screen', () => {
  const reached = new Set(SCREENS.flatMap(({ words }) => words));
  expect(WORDS.map(({ id }) => id).filter((id) => !reached.has(id))).toEqual([]);
});

test.each([
  ['/parts', 'Parts'],
  ['/parts/0a7c1d00-0000-4000-8000-000000000003/brief', 'Brief'],
  ['/parts/0a7c1d00-0000-4000-8000-000000000003/service', 'Service'],
  ['/grades', 'Grades'],
  ['/grades/tm-petg', 'One grade'],
  ['/grades/new', 'Edit a grade'],
  ['/grades/tm-petg/edit', 'Edit a grade'],
  ['/grades/import', 'Import grades'],
  ['/grades/import/some-import', 'Import grades'],
  ['/grades/compare', 'Compare grades'],
  ['/bench/new', 'A new campaign'],
  ['/bench/K1', 'A campaign'],
  ['/spools/S-05', 'Spools and dryers'],
  ['/training/coat-hook', 'Training'],
])('%s is explained as %s', (address, title) => {
  expect(screenAt(address)?.title).toBe(title);
});

test('an address that leads nowhere has no explanation of its own', () => {
  expect(screenAt('/no/such/place')).toBeUndefined();
});

test('every stage says what it is for in at least two steps, and no key is told twice', () => {
  for (const { does, keys = [] } of SCREENS) {
    expect(does.length).toBeGreaterThan(0);
    const told = [...keys, ...(KEYS_EVERYWHERE ?? [])].map(([key]) => key);
    expect(new Set(told).size).toBe(told.length);
  }
});

test('words are found by name first, then by what their explanation says', () => {
  expect(wordsLike('creep')[0]!.id).toBe('creep');
  expect(wordsLike('CREEP').length).toBeGreaterThan(3);
  expect(wordsLike('noncentral')).toEqual([]);
  expect(wordsLike('')).toHaveLength(WORDS.length);
});

/** Every address that the router knows, with something in the place of what varies. */
function addresses(list: readonly RouteObject[], above = ''): string[] {
  return list.flatMap(({ path, index, children }) => {
    const here = path === undefined ? above : `${above}/${path}`;
    const own = path !== undefined && !index && !children ? [here.replace(/:\w+/g, 'x')] : [];
    return [...own, ...addresses(children ?? [], here)];
  });
}

test('every address that leads to a screen is explained', () => {
  const all = addresses(routes).filter((address) => !address.includes('*'));
  expect(all.length).toBeGreaterThan(40);
  // Who is welcomed there is not in yet: nothing is around it, help neither.
  expect(all.filter((address) => !screenAt(address))).toEqual(['/welcome']);
});
