type Point = readonly [number, number, number];

/** A rectangle of its depth (z) and width (y) at each station along x: one closed solid, as a text STL in millimetres. */
export function barStl(stations: readonly { xMm: number; depthMm: number; widthMm: number }[]): string {
  const ring = ({ xMm, depthMm, widthMm }: (typeof stations)[number]): Point[] =>
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ].map(([y, z]): Point => [xMm, (y! * widthMm) / 2, (z! * depthMm) / 2]);
  const rings = stations.map(ring);
  const quad = (a: Point, b: Point, c: Point, d: Point) => [
    [a, b, c],
    [a, c, d],
  ];
  const [first, last] = [rings[0]!, rings.at(-1)!];
  const triangles = [
    ...quad(first[3]!, first[2]!, first[1]!, first[0]!),
    ...quad(last[0]!, last[1]!, last[2]!, last[3]!),
    ...rings.slice(1).flatMap((next, i) => {
      const before = rings[i]!;
      return [0, 1, 2, 3].flatMap((k) => quad(before[k]!, before[(k + 1) % 4]!, next[(k + 1) % 4]!, next[k]!));
    }),
  ];
  const facets = triangles.map(
    (corners) =>
      `facet normal 0 0 0\nouter loop\n${corners.map((point) => `vertex ${point.join(' ')}`).join('\n')}\nendloop\nendfacet`,
  );
  return `solid bar\n${facets.join('\n')}\nendsolid bar\n`;
}

/** Deep at its root, with a waist at 40 mm: there it gives first. */
export const waistedArm = barStl([
  { xMm: 0, depthMm: 24, widthMm: 16 },
  { xMm: 30, depthMm: 20, widthMm: 16 },
  { xMm: 40, depthMm: 9, widthMm: 16 },
  { xMm: 50, depthMm: 18, widthMm: 16 },
  { xMm: 120, depthMm: 12, widthMm: 16 },
]);
