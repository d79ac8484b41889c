import { fitting } from './fitting.ts';

const NAMES = ['S-08', 'S-13', 'S-10', 'S-01'];

test.each([
  [200, 'S-08, S-13, S-10, S-01'],
  [90, 'S-08, S-13 +2'],
  [60, 'S-08 +3'],
  [40, '4 in …'],
  [14, '4…'],
  [6, ''],
])('in %i px four spools are “%s”', (widthPx, text) => expect(fitting(NAMES, widthPx)).toBe(text));

test('one name is cut where its room ends, and none is nothing', () => {
  expect(fitting(['Four ratchet pawls, first batch'], 90)).toBe('Four ratchet p…');
  expect(fitting(['S-03'], 90)).toBe('S-03');
  expect(fitting([], 90)).toBe('');
});
