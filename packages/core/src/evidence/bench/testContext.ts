/** Standard normal draws, seeded so that the same samples come every time: Box–Muller on a multiplicative congruential generator. */
export function normalSource(seed: number): () => number {
  let state = seed;
  const uniform = () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
  return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}
