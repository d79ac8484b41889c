/** A list cut into pieces of `size`, the last one shorter. */
export function inPortions<T>(all: readonly T[], size: number): T[][] {
  return Array.from({ length: Math.ceil(all.length / size) }, (_, i) => all.slice(i * size, (i + 1) * size));
}
