import type { SectionGeometry } from '@anvilstone/schema';
import { InputError, requirePositive } from '@anvilstone/core/foundations';

type Composed = Exclude<SectionGeometry, { kind: 'rectangle' | 'round' | 'tube' | 'measured' | 'polygon' }>;

/** [x from, x to, y from, y to] of each rectangle of a composed section; y is along the load, and they do not overlap. */
export function rectanglesOf(geometry: Composed): [number, number, number, number][] {
  const { widthMm: width, depthMm: depth } = geometry;
  requirePositive(geometry, ['widthMm', 'depthMm']);
  if (geometry.kind === 'box') {
    const wall = geometry.wallMm;
    requirePositive(geometry, ['wallMm']);
    requireBelow('wallMm', wall, Math.min(width, depth) / 2, 'half of the smaller side');
    return [
      [0, width, 0, wall],
      [0, width, depth - wall, depth],
      [0, wall, wall, depth - wall],
      [width - wall, width, wall, depth - wall],
    ];
  }
  if (geometry.kind === 'angle') {
    const thickness = geometry.thicknessMm;
    requirePositive(geometry, ['thicknessMm']);
    requireBelow('thicknessMm', thickness, Math.min(width, depth), 'the shorter leg');
    return [
      [0, width, 0, thickness],
      [0, thickness, thickness, depth],
    ];
  }
  const { webMm: web, flangeMm: flange } = geometry;
  requirePositive(geometry, ['webMm', 'flangeMm']);
  requireBelow('webMm', web, width, 'the flange width');
  const flanges = geometry.kind === 't' ? 1 : 2;
  requireBelow('flangeMm', flange, depth / flanges, flanges === 1 ? 'the depth' : 'half of the depth');
  const webLeft = geometry.kind === 'channel' ? 0 : (width - web) / 2;
  const top: [number, number, number, number] = [0, width, depth - flange, depth];
  if (geometry.kind === 't') return [[webLeft, webLeft + web, 0, depth - flange], top];
  return [[0, width, 0, flange], [webLeft, webLeft + web, flange, depth - flange], top];
}

/** @throws InputError when a dimension does not stay below a limit */
export function requireBelow(field: string, value: number, limit: number, what: string): void {
  if (value >= limit) throw new InputError(field, value, `less than ${what}, ${limit} mm, is needed`);
}
