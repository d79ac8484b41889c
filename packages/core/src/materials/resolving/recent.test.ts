import { recent } from './recent.ts';

test('asks once for what it was asked lately, and again for what it has forgotten', () => {
  const asked: string[] = [];
  const sum = recent((a, b) => {
    asked.push(`${a} ${b}`);
    return a + b;
  });
  for (const [a, b] of [
    [1, 2],
    [3, 4],
    [1, 2],
    [2, 1],
    [5, 6],
    [1, 2],
  ] as const)
    expect(sum(a, b)).toBe(a + b);
  expect(asked).toEqual(['1 2', '3 4', '2 1', '5 6']);
  expect(sum(7, 8)).toBe(15);
  expect(sum(1, 2)).toBe(3);
  expect(asked.at(-1)).toBe('1 2');
});

test('a failure is not remembered', () => {
  let fails = true;
  const once = recent((a) => {
    if (fails) throw new Error('not yet');
    return a;
  });
  expect(() => once(1, 0)).toThrow('not yet');
  fails = false;
  expect(once(1, 0)).toBe(1);
});
