/** Monotone cubic through points, as F. N. Fritsch and J. Butland (1984) write it: slopes by the weighted harmonic mean. */
export function pchipThrough(points: readonly (readonly [number, number])[]): (x: number) => number {
  const n = points.length;
  const h = points.slice(1).map(([x], i) => x - points[i]![0]);
  const s = points.slice(1).map(([, y], i) => (y - points[i]![1]) / h[i]!);
  const end = (h0: number, h1: number, s0: number, s1: number) => {
    const slope = ((2 * h0 + h1) * s0 - h0 * s1) / (h0 + h1);
    if (slope * s0 <= 0) return 0;
    return s0 * s1 <= 0 && Math.abs(slope) > 3 * Math.abs(s0) ? 3 * s0 : slope;
  };
  const slopes = points.map((_, i) => {
    if (n === 2) return s[0]!;
    if (i === 0) return end(h[0]!, h[1]!, s[0]!, s[1]!);
    if (i === n - 1) return end(h[n - 2]!, h[n - 3]!, s[n - 2]!, s[n - 3]!);
    if (s[i - 1]! * s[i]! <= 0) return 0;
    const [w0, w1] = [2 * h[i]! + h[i - 1]!, h[i]! + 2 * h[i - 1]!];
    return (w0 + w1) / (w0 / s[i - 1]! + w1 / s[i]!);
  });
  return (x) => {
    if (x <= points[0]![0]) return points[0]![1];
    if (x >= points[n - 1]![0]) return points[n - 1]![1];
    const i = points.findIndex(([at], k) => k > 0 && x <= at) - 1;
    const t = (x - points[i]![0]) / h[i]!;
    return (
      (1 + 2 * t) * (1 - t) ** 2 * points[i]![1] +
      t * (1 - t) ** 2 * h[i]! * slopes[i]! +
      t * t * (3 - 2 * t) * points[i + 1]![1] +
      t * t * (t - 1) * h[i]! * slopes[i + 1]!
    );
  };
}
