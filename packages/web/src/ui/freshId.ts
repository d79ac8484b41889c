/** The first of stem-1, stem-2, … that nobody has. */
export function freshId(stem: string, taken: readonly string[]): string {
  for (let number = 1; ; number++) {
    const id = `${stem}-${number}`;
    if (!taken.includes(id)) return id;
  }
}
