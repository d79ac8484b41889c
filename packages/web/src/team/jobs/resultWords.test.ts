import type { Job } from '@anvilstone/schema';
import { addressOf, KIND_WORDS } from '../history/kindWords.ts';
import { resultWords } from './resultWords.ts';

const job = (kind: string, result: unknown) => resultWords({ kind, result } as unknown as Job);

test('records that were computed again: none, all the same, some that differ', () => {
  expect(job('check-records', { checked: 0, differing: [] })).toMatchObject({
    words: 'There are no records yet.',
    isBad: false,
  });
  expect(job('check-records', { checked: 4, differing: [] })).toMatchObject({
    words: 'All 4 records agree with what was frozen.',
    isBad: false,
  });
  const differing = [{ id: 'x', number: 2 }];
  expect(job('check-records', { checked: 4, differing })).toEqual({
    words: '1 of 4 records differ from what was frozen:',
    isBad: true,
    records: differing,
  });
});

test('a backup says its name and size; what is not done yet, or says nothing, has no words', () => {
  expect(job('back-up', { name: 'workshop.zip', bytes: 2_540_000 })?.words).toBe('workshop.zip, 2.5 MB');
  expect(job('back-up', null)).toBeUndefined();
  const tables = [
    { added: 10, kept: 2 },
    { added: 70, kept: 0 },
  ];
  expect(job('restore', { mode: 'merge', tables })?.words).toBe('80 records added, 2 existed already');
  expect(job('restore', { mode: 'replace', tables: tables.slice(1) })?.words).toBe('70 records added');
  expect(job('import', { rows: 3 })).toBeUndefined();
});

test('every kind of change that has a page is led to, and has a word', () => {
  expect(addressOf('parts', 'a')).toBe('/parts/a');
  expect(addressOf('stage_marks', 'a/brief')).toBe('/parts/a');
  expect(addressOf('machines', 'm')).toBe('/machines/m/edit');
  expect(addressOf('house_rules', '1')).toBe('/company-rules');
  expect(addressOf('trials', 't')).toBeUndefined();
  for (const kind of ['parts', 'stage_marks', 'machines', 'agents', 'spools', 'campaigns', 'house_rules'])
    expect(KIND_WORDS[kind]).toMatch(/^[A-Z]/);
});
