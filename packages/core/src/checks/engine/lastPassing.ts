/**
 * Where a falling reserve reaches 1: the last argument that passes, found between one that passes and one that fails, to
 * within `tolerance`, and far closer where the reserve runs smoothly. Takes the logarithm of the reserve, which is nearly straight where the reserve itself is not.
 * Source: T. R. Chandrupatla, Advances in Engineering Software 28 (1997) 145: inverse quadratic steps where they are
 * safe, halving elsewhere; the bracket always holds. A logarithm below −20 counts as −20.
 */
export function lastPassing(
  logReserveAt: (x: number) => number,
  passing: { x: number; logReserve: number },
  failing: { x: number; logReserve: number },
  tolerance: number,
): number {
  let x1 = failing.x;
  let f1 = bounded(failing.logReserve);
  let x2 = passing.x;
  let f2 = bounded(passing.logReserve);
  let share = 0.5;
  while (Math.abs(x2 - x1) > tolerance) {
    const x = x1 + share * (x2 - x1);
    const f = bounded(logReserveAt(x));
    let x3 = x2;
    let f3 = f2;
    if (f < 0 === f1 < 0) {
      x3 = x1;
      f3 = f1;
    } else {
      x2 = x1;
      f2 = f1;
    }
    x1 = x;
    f1 = f;
    // At least this share of the bracket is taken off, so that it closes from both ends.
    const least = Math.min(0.5, (0.5 * tolerance) / Math.abs(x2 - x1));
    const xi = (x1 - x2) / (x3 - x2);
    const phi = (f1 - f2) / (f3 - f2);
    const safe = phi * phi < xi && (1 - phi) * (1 - phi) < 1 - xi;
    const wanted = safe
      ? (f1 / (f2 - f1)) * (f3 / (f2 - f3)) + (((x3 - x1) / (x2 - x1)) * (f1 / (f3 - f1)) * f2) / (f3 - f2)
      : 0.5;
    share = Math.min(1 - least, Math.max(least, wanted));
  }
  // Over so short a stretch the logarithm is straight: its zero costs nothing and is exact far below the tolerance.
  return x1 - (f1 * (x2 - x1)) / (f2 - f1);
}

/** A reserve of nothing has no logarithm, and an infinite one no end: both are far from any that matters. */
function bounded(logReserve: number): number {
  return Math.max(-20, Math.min(20, logReserve));
}
