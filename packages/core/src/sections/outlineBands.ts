import type { Band } from './bands.ts';

export interface Corner {
  xMm: number;
  yMm: number;
}

/** Slices of a set of rectangles that do not overlap, [x from, x to, y from, y to] each, bottom to top. */
export function rectangleBands(rectangles: readonly (readonly [number, number, number, number])[]): Band[] {
  const levels = [...new Set(rectangles.flatMap(([, , low, high]) => [low, high]))].sort((a, b) => a - b);
  return levels.slice(1).map((toMm, i) => {
    const fromMm = levels[i]!;
    const middle = (fromMm + toMm) / 2;
    const width = rectangles
      .filter(([, , low, high]) => low < middle && middle < high)
      .reduce((total, [left, right]) => total + right - left, 0);
    return { fromMm, toMm, fromWidthMm: width, toWidthMm: width };
  });
}

/**
 * Slices of a polygon: between two neighbouring corner heights its width changes in a straight line. Corners in either
 * turning direction; the outline must not cross itself (not checked: a crossing would count overlaps as holes).
 */
export function polygonBands(corners: readonly Corner[]): Band[] {
  const levels = [...new Set(corners.map((corner) => corner.yMm))].sort((a, b) => a - b);
  return levels.slice(1).map((toMm, i) => {
    const fromMm = levels[i]!;
    return {
      fromMm,
      toMm,
      fromWidthMm: widthJustInside(corners, fromMm, toMm, 0),
      toWidthMm: widthJustInside(corners, fromMm, toMm, 1),
    };
  });
}

/** Width at one end of a slice, taken from the edges that cross its middle, so that level edges do not disturb. */
function widthJustInside(corners: readonly Corner[], from: number, to: number, share: 0 | 1): number {
  const middle = (from + to) / 2;
  const y = share === 0 ? from : to;
  const crossings = corners
    .map((a, i) => [a, corners[(i + 1) % corners.length]!] as const)
    .filter(([a, b]) => (a.yMm < middle && b.yMm > middle) || (b.yMm < middle && a.yMm > middle))
    .map(([a, b]) => ({
      at: a.xMm + ((b.xMm - a.xMm) * (y - a.yMm)) / (b.yMm - a.yMm),
      order: a.xMm + ((b.xMm - a.xMm) * (middle - a.yMm)) / (b.yMm - a.yMm),
    }))
    .sort((a, b) => a.order - b.order);
  let width = 0;
  for (let i = 0; i + 1 < crossings.length; i += 2) width += crossings[i + 1]!.at - crossings[i]!.at;
  return width;
}
