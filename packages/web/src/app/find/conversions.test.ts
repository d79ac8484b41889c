import { conversions } from './conversions.ts';

test.each([
  ['12 lbf', ['53.38 N', '5.443 kgf']],
  ['140 °F', ['60 °C', '333.1 K']],
  ['3/16 in', ['4.762 mm']],
])('%s in the other units of its kind', (typed, expected) => {
  expect(conversions(typed)).toEqual(expect.arrayContaining(expected));
});
test.each(['lamp arm', '12', '', 'PA6', '7 pylons'])('%p is no quantity', (typed) =>
  expect(conversions(typed)).toEqual([]),
);
