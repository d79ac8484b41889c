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

/** The outlines of a polygon with its holes, turned on its side for bending along its width. */
export function loopsOf(
  { corners, holes = [] }: { corners: readonly Corner[]; holes?: readonly (readonly Corner[])[] | undefined },
  direction: 'depth' | 'width',
): readonly (readonly Corner[])[] {
  const loops = [corners, ...holes];
  return direction === 'depth' ? loops : loops.map((loop) => loop.map(({ xMm, yMm }) => ({ xMm: yMm, yMm: xMm })));
}

/**
 * Slices of a polygon with holes: between two neighbouring corner heights its width changes in a straight line. Corners in
 * either turning direction; outlines must not cross (not checked: a crossing would count overlaps as holes).
 */
export function polygonBands(loops: readonly (readonly Corner[])[]): Band[] {
  const edges = loops.flatMap((loop) => loop.map((a, i) => [a, loop[(i + 1) % loop.length]!] as const));
  const levels = [...new Set(loops.flat().map((corner) => corner.yMm))].sort((a, b) => a - b);
  return levels.slice(1).map((toMm, i) => {
    const fromMm = levels[i]!;
    return {
      fromMm,
      toMm,
      fromWidthMm: widthJustInside(edges, fromMm, toMm, 0),
      toWidthMm: widthJustInside(edges, fromMm, toMm, 1),
    };
  });
}

type Edge = readonly [Corner, Corner];

/** Width at one end of a slice, taken from the edges that cross its middle, so that level edges do not disturb. */
function widthJustInside(edges: readonly Edge[], from: number, to: number, share: 0 | 1): number {
  const middle = (from + to) / 2;
  const y = share === 0 ? from : to;
  const crossings = edges
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
