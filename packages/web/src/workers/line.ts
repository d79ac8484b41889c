/**
 * Questions wait here for the worker, which answers one at a time. What nobody waits for any more when its turn comes is
 * passed over: a slider that moves sixty times a second never leaves a queue behind.
 */
export class Line {
  #last: Promise<unknown> = Promise.resolve();
  readonly #waiting = new Map<string, number>();

  /** Somebody waits for a question, until they leave. */
  join(key: string): () => void {
    this.#count(key, 1);
    let left = false;
    return () => {
      if (!left) this.#count(key, -1);
      left = true;
    };
  }

  /** Asks when its turn has come. Undefined: nobody waited for it any more. Rejects as `ask` does. */
  async take<T>(key: string, ask: () => Promise<T>): Promise<{ value: T } | undefined> {
    const mine = this.#last.then(async () => (this.#waiting.has(key) ? { value: await ask() } : undefined));
    this.#last = mine.catch(() => undefined);
    return mine;
  }

  #count(key: string, more: 1 | -1): void {
    const count = (this.#waiting.get(key) ?? 0) + more;
    if (count > 0) this.#waiting.set(key, count);
    else this.#waiting.delete(key);
  }
}
