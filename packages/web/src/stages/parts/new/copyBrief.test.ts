import { lampArm } from '@anvilstone/core/education/sample';
import { copyOf, copyTitle, fileNameOf } from './copyBrief.ts';

test('a copy is no template and has a name of its own', () => {
  const copy = copyOf({ ...lampArm, template: true }, 'Another arm');
  expect(copy.title).toBe('Another arm');
  expect(copy).not.toHaveProperty('template');
  expect({ ...copy, title: lampArm.title }).toEqual(lampArm);
});

test.each([
  ['Arm', [], 'Arm (2)'],
  ['Arm', ['Arm (2)', 'Arm (3)'], 'Arm (4)'],
  ['Arm (2)', ['Arm (2)'], 'Arm (3)'],
])('a copy of %p beside %p is %p', (title, taken, expected) => expect(copyTitle(title, taken)).toBe(expected));

test('file names are plain', () => {
  expect(fileNameOf(lampArm)).toBe('lamp-arm-pylon-7-walkway.json');
  expect(fileNameOf({ ...lampArm, title: '../../ÉTAGÈRE <b>' })).toBe('e-tage-re-b.json');
  expect(fileNameOf({ ...lampArm, title: '“”' })).toBe('brief.json');
});
