/** A share of draws as a percentage. All of them is still no certainty, and never says 100. */
export function percent(share: number): string {
  if (share === 0) return '0 %';
  if (share >= 0.9995) return '> 99.9 %';
  if (share >= 0.995) return '> 99 %';
  return share < 0.005 ? '< 0.5 %' : `${Math.round(100 * share)} %`;
}

/** An interval of shares in words; ends that read alike are one. */
export function percentRange(low: number, high: number): string {
  const [from, to] = [percent(low), percent(high)];
  return from === to ? from : `between ${from} and ${to}`;
}
