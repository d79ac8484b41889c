/** One line of the table that `npm run bench` prints: a rate, and how many times that of the plain reference it is. */
export interface Row {
  what: string;
  rate: string;
  /** Times the plain reference; above 1 is faster. */
  ratio: number | null;
  note?: string;
}

export function printRow({ what, rate, ratio, note }: Row): void {
  const times = ratio === null ? '—' : `${ratio >= 10 ? Math.round(ratio) : ratio.toFixed(2)} ×`;
  console.log(`| ${what} | ${rate} | ${times} | ${note ?? ''} |`);
}

export function printHead(title: string): void {
  console.log(`\n| ${title} | rate | to the plain reference | |\n|---|---|---|---|`);
}

/** Least of some runs, ms: what else the machine does only ever adds. */
export function leastMs(work: () => void, runs = 5): number {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const from = performance.now();
    work();
    least = Math.min(least, performance.now() - from);
  }
  return least;
}

export const perSecond = (count: number, ms: number, unit: string) =>
  `${Number(((1000 * count) / ms).toPrecision(3)).toLocaleString('en')} ${unit}/s`;
