import { keepMarks, keptMarks } from './progress.ts';

const kept = new Map<string, string>();
const storage = {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => void kept.set(key, value),
};
beforeEach(() => {
  kept.clear();
  Object.defineProperty(globalThis, 'localStorage', { value: storage, configurable: true, writable: true });
});

test('what was answered is found again', () => {
  expect(keptMarks()).toEqual({});
  const marks = { 'coat-hook': { gradeId: 'a', checkId: 'b', right: true } };
  keepMarks(marks);
  expect(keptMarks()).toEqual(marks);
});

test.each(['not JSON', '[]', 'null', '"x"', '7'])('what is broken (%s) is as if nothing had been answered', (text) => {
  kept.set('anvilstone-practice', text);
  expect(keptMarks()).toEqual({});
});

test('a browser that keeps nothing still lets one practise', () => {
  Object.defineProperty(globalThis, 'localStorage', {
    value: {
      getItem: () => null,
      setItem: () => {
        throw new Error('full');
      },
    },
    configurable: true,
    writable: true,
  });
  expect(() => keepMarks({})).not.toThrow();
});
