import { outsideOfAnyScope } from './scope.ts';

/**
 * Calls that come while one is under way share the next one: however many ask at once, `load` runs once after another, and
 * every caller gets an answer that was begun after it asked.
 */
export function batched<T>(load: () => Promise<T>): () => Promise<T> {
  let current: Promise<unknown> = Promise.resolve();
  let next: Promise<T> | undefined;
  return () => {
    next ??= current
      .catch(() => undefined)
      .then(() => {
        // Everybody’s, and not of the transaction of whoever asked first.
        const started = outsideOfAnyScope(load);
        next = undefined;
        current = started;
        return started;
      });
    return next;
  };
}

/**
 * Answers kept for as long as what they were made from has not changed. The version is asked for each time, so that several
 * servers on one database never give an old answer; it costs far less than making the answer again.
 */
export function versionedAnswers<T>(
  version: () => Promise<string>,
  mostKept = 500,
): (key: string, make: () => Promise<T>) => Promise<T> {
  const currentVersion = batched(version);
  const answers = new Map<string, T>();
  let madeFrom: string | undefined;
  return async (key, make) => {
    const now = await currentVersion();
    if (now !== madeFrom || answers.size >= mostKept) {
      answers.clear();
      madeFrom = now;
    }
    const known = answers.get(key);
    if (known !== undefined) return known;
    const made = await make();
    // While it was made, the next version may have come: then it belongs to nobody's key any more.
    if (madeFrom === now) answers.set(key, made);
    return made;
  };
}

/** The answer of one version, made once however many ask for it at once; a newer version takes its place. */
export function lastAnswer<T>(): (version: string, make: () => Promise<T>) => Promise<T> {
  let kept: { version: string; answer: Promise<T> } | undefined;
  return (version, make) => {
    if (kept?.version === version) return kept.answer;
    const answer = outsideOfAnyScope(make);
    const mine = { version, answer };
    kept = mine;
    answer.catch(() => {
      if (kept === mine) kept = undefined;
    });
    return answer;
  };
}
