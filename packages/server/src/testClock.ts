/** A clock that a test moves on by hand: what waits for a simulated instrument needs no time of its own. Used by tests only. */
export function handClock(startMs = Date.now()) {
  let ms = startMs;
  return {
    now: () => new Date(ms),
    pass(seconds: number): void {
      ms += 1000 * seconds;
    },
  };
}

const TRY_EVERY_MS = 40;
const PATIENCE_MS = 60_000;

/** What `look` finds, as soon as it finds anything. @throws Error when it has found nothing for a minute */
export async function eventually<T>(what: string, look: () => Promise<T | undefined | false>): Promise<T> {
  for (const until = Date.now() + PATIENCE_MS; Date.now() < until;) {
    const found = await look();
    if (found !== undefined && found !== false) return found;
    await new Promise((resolve) => setTimeout(resolve, TRY_EVERY_MS));
  }
  throw new Error(`Waited in vain: ${what}`);
}
