import { Line } from './line.ts';

/** An answer that comes when it is let go. */
function held() {
  const asked: string[] = [];
  const letGo: (() => void)[] = [];
  const ask = (name: string) => () =>
    new Promise<string>((resolve) => {
      asked.push(name);
      letGo.push(() => resolve(name));
    });
  return { asked, ask, next: async () => (await Promise.resolve(), letGo.shift()!()) };
}
const turns = () => new Promise((resolve) => setTimeout(resolve));

test('one is under way at a time, and what nobody waits for when its turn comes is never asked', async () => {
  const line = new Line();
  const { asked, ask, next } = held();
  const leave = ['first', 'dragged', 'newest'].map((name) => line.join(name));
  const taken = ['first', 'dragged', 'newest'].map((name) => line.take(name, ask(name)));
  await turns();
  expect(asked).toEqual(['first']);
  leave[1]!();
  await next();
  await turns();
  expect(asked).toEqual(['first', 'newest']);
  await next();
  expect(await Promise.all(taken)).toEqual([{ value: 'first' }, undefined, { value: 'newest' }]);
});

test('as long as one of several waits, it is asked; leaving twice counts once', async () => {
  const line = new Line();
  const [one] = [line.join('same'), line.join('same')];
  one!();
  one!();
  expect(await line.take('same', () => Promise.resolve(1))).toEqual({ value: 1 });
});

test('one that fails does not hold up the next', async () => {
  const line = new Line();
  line.join('bad');
  line.join('good');
  const bad = line.take('bad', () => Promise.reject(new Error('no such grade')));
  const good = line.take('good', () => Promise.resolve(undefined));
  await expect(bad).rejects.toThrow('no such grade');
  expect(await good).toEqual({ value: undefined });
});
