/**
 * Uniform numbers in [0, 1) from a 32-bit seed, the same on every machine: an additive counter whose bits are stirred twice by
 * multiplication and shifts. Period 2³²: enough for draws by the million, not for secrets.
 */
export function uniformFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/**
 * Standard normal numbers, draw by draw, `width` of them each. Source: G. E. P. Box, M. E. Muller, Ann. Math. Stat. 29
 * (1958) 610.
 */
export function normals(seed: number, draws: number, width: number): Float64Array {
  const uniform = uniformFrom(seed);
  const found = new Float64Array(draws * width);
  for (let i = 0; i < found.length; i += 2) {
    const radius = Math.sqrt(-2 * Math.log(1 - uniform()));
    const angle = 2 * Math.PI * uniform();
    found[i] = radius * Math.cos(angle);
    if (i + 1 < found.length) found[i + 1] = radius * Math.sin(angle);
  }
  return found;
}

/** The last few rows of luck: every grade of a library is drawn with the same. */
const kept = new Map<string, Float64Array>();
const MOST_KEPT = 6;

/** The same as `normals`, made once. Nobody writes into it. */
export function keptNormals(seed: number, draws: number, width: number): Float64Array {
  const key = `${seed} ${draws} ${width}`;
  let found = kept.get(key);
  if (!found) {
    found = normals(seed, draws, width);
    if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
    kept.set(key, found);
  }
  return found;
}

/**
 * Wilson's interval of a share seen `hits` times in `trials`, at 95 %. Source: E. B. Wilson, J. Am. Stat. Assoc. 22 (1927)
 * 209. Trials above 0.
 */
export function wilsonInterval(hits: number, trials: number): { low: number; high: number } {
  const z = 1.959964;
  const share = hits / trials;
  const spread = (z / (1 + (z * z) / trials)) * Math.sqrt((share * (1 - share)) / trials + (z * z) / (4 * trials ** 2));
  const middle = (share + (z * z) / (2 * trials)) / (1 + (z * z) / trials);
  return { low: Math.max(0, middle - spread), high: Math.min(1, middle + spread) };
}
