import { Names } from './names.ts';

const long = (text: string) => ({ title: text.padEnd(200, '.') });

test('values that are written alike have one name, whichever object holds them', () => {
  const names = new Names();
  expect(names.ofContent(long('a'))).toBe(names.ofContent(long('a')));
  expect(names.ofContent(long('a'))).not.toBe(names.ofContent(long('b')));
  expect(names.ofContent(long('a')).length).toBeLessThan(10);
  expect(names.ofContent({ a: 1 })).toBe('{"a":1}');
  expect([undefined, null, 'x', 2].map((one) => names.ofContent(one))).toEqual(['undefined', 'null', '"x"', '2']);
});

test('what is replaced whole is told by its identity', () => {
  const names = new Names();
  const [one, other] = [long('a'), long('a')];
  expect(names.ofIdentity(one)).toBe(names.ofIdentity(one));
  expect(names.ofIdentity(one)).not.toBe(names.ofIdentity(other));
});

test('never two contents under one name, however many there have been', () => {
  const names = new Names();
  const given = Array.from({ length: 1500 }, (_, i) => names.ofContent(long(`${i}`)));
  expect(new Set(given).size).toBe(1500);
  // Long forgotten, it gets another name and is asked for anew.
  expect(given).not.toContain(names.ofContent(long('0')));
});
