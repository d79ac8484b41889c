import type { Point2 } from './section.ts';

/**
 * An outline with fewer corners: the corner whose triangle with its neighbours is smallest goes first, until `most` are left
 * and none of the rest is smaller than `leastMm2`. Source: M. Visvalingam & J. D. Whyatt, Cartographic Journal 30 (1993) 46.
 * @param most at least 3
 */
export function simplifyLoop(loop: readonly Point2[], most: number, leastMm2 = 0): Point2[] {
  const left = [...loop];
  const areaAt = (i: number) => {
    const [a, b] = left[(i + left.length - 1) % left.length]!;
    const [c, d] = left[i]!;
    const [e, f] = left[(i + 1) % left.length]!;
    return Math.abs((c - a) * (f - b) - (e - a) * (d - b)) / 2;
  };
  const areas = left.map((_, i) => areaAt(i));
  while (left.length > 3) {
    let smallest = 0;
    for (let i = 1; i < areas.length; i++) if (areas[i]! < areas[smallest]!) smallest = i;
    if (left.length <= most && areas[smallest]! > leastMm2) break;
    left.splice(smallest, 1);
    areas.splice(smallest, 1);
    for (const i of [smallest - 1, smallest]) {
      const at = (i + left.length) % left.length;
      areas[at] = areaAt(at);
    }
  }
  return left;
}
