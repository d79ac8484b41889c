import { batched, versionedAnswers } from './versionedAnswers.ts';

test('many at once share a call, and nobody gets an answer begun before the question', async () => {
  const finish: (() => void)[] = [];
  let calls = 0;
  const ask = batched(() => {
    calls += 1;
    const mine = calls;
    return new Promise<number>((resolve) => finish.push(() => resolve(mine)));
  });
  const first = ask();
  await Promise.resolve();
  await new Promise(setImmediate);
  const later = [ask(), ask(), ask()]; // the first is under way: these wait for the next
  finish.shift()!();
  expect(await first).toBe(1);
  await new Promise(setImmediate);
  finish.shift()!();
  expect(await Promise.all(later)).toEqual([2, 2, 2]);
});

test('a call that fails does not stand in the way of the next', async () => {
  let calls = 0;
  const ask = batched(() => (calls++ === 0 ? Promise.reject(new Error('gone')) : Promise.resolve('back')));
  await expect(ask()).rejects.toThrow('gone');
  await expect(ask()).resolves.toBe('back');
});

test('an answer is made once for a version, and anew for the next', async () => {
  let version = '1';
  let made = 0;
  const answers = versionedAnswers<string>(() => Promise.resolve(version));
  const ask = (key: string) => answers(key, () => Promise.resolve(`${key}${(made += 1)}`));
  expect([await ask('a'), await ask('a'), await ask('b')]).toEqual(['a1', 'a1', 'b2']);
  version = '2';
  expect([await ask('a'), await ask('a')]).toEqual(['a3', 'a3']);
});

test('what was being made when the version changed is not kept for the new one', async () => {
  let version = '1';
  const answers = versionedAnswers<string>(() => Promise.resolve(version));
  let finish = (_text: string) => undefined as void;
  const slow = answers('a', () => new Promise<string>((resolve) => (finish = resolve)));
  await new Promise(setImmediate);
  version = '2';
  expect(await answers('b', () => Promise.resolve('b'))).toBe('b');
  finish('old');
  expect(await slow).toBe('old');
  expect(await answers('a', () => Promise.resolve('new'))).toBe('new');
});

test('no more than so many are kept', async () => {
  let made = 0;
  const answers = versionedAnswers<number>(() => Promise.resolve('1'), 2);
  const ask = (key: string) => answers(key, () => Promise.resolve((made += 1)));
  for (const key of ['a', 'b', 'c', 'a']) await ask(key);
  expect(made).toBe(4);
});
