import { ALL_TAGS, tagsOf } from './tags.ts';

test('what other pages have changed is read anew, once; what this page did is not', () => {
  expect(
    tagsOf(
      [
        { kind: 'parts', record: 'a', tab: 'other' },
        { kind: 'parts', record: 'b' },
        { kind: 'decisions', record: 'c' },
        { kind: 'spools', record: 'd', tab: 'mine' },
        { kind: 'presence', record: 'part/a' },
        { kind: 'not known to this version', record: 'e' },
      ],
      'mine',
    ),
  ).toEqual(['Part', 'Decision']);
  expect(tagsOf([{ kind: '*' }], 'mine')).toEqual(ALL_TAGS);
});
