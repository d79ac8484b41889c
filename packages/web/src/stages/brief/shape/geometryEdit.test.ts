import type { GeometryOf, SectionGeometry } from '@anvilstone/schema';
import { section } from '@anvilstone/core/shapes';
import { sectionLike, withDimension } from './geometryEdit.ts';
import { sectionPath, sectionSize } from '../sketch/sectionOutline.ts';

const arm: GeometryOf<'cantilever-arm'> = {
  model: 'cantilever-arm',
  spanMm: 120,
  section: { kind: 'rectangle', widthMm: 16, depthMm: 20 },
  filletRadiusMm: 4,
};
const KINDS: SectionGeometry['kind'][] = [
  'rectangle',
  'round',
  'tube',
  'box',
  'i',
  't',
  'channel',
  'angle',
  'polygon',
  'measured',
];

test('a value at a pointer is replaced and the rest is shared; undefined takes it away', () => {
  const longer = withDimension(arm, '/spanMm', 200) as typeof arm;
  expect(longer).toEqual({ ...arm, spanMm: 200 });
  expect(longer.section).toBe(arm.section);
  expect(withDimension(arm, '/section/depthMm', 25)).toMatchObject({ section: { depthMm: 25, widthMm: 16 } });
  expect(withDimension(arm, '/filletRadiusMm', undefined)).not.toHaveProperty('filletRadiusMm');
  expect(arm.spanMm).toBe(120);
});

test.each(KINDS)('another section, %s, is about as large, can be computed and drawn', (kind) => {
  const changed = sectionLike(arm.section, kind);
  expect(changed.kind).toBe(kind);
  expect(sectionSize(changed).depthMm).toBeCloseTo(20, 6);
  const computed = section(changed);
  expect(computed.areaMm2).toBeGreaterThan(0);
  expect(computed.areaMm2).toBeLessThanOrEqual(20 * 20);
  expect(sectionPath(changed, [0, 0], 2)).toMatch(/^M[-\d.]+ [-\d.]+ .*Z$/);
});

test('the same kind stays as it is', () => {
  expect(sectionLike(arm.section, 'rectangle')).toBe(arm.section);
});

test('a tube is drawn as two circles, a wall thicker than half of it as one that is nearly closed', () => {
  const tube = (wallMm: number) => sectionPath({ kind: 'tube', outerDiameterMm: 20, wallMm }, [50, 50], 1);
  expect(tube(2).match(/a/g)).toHaveLength(4);
  expect(tube(2)).toContain('a8 8');
  expect(tube(15)).toContain('a0.5 0.5');
});

test('a polygon that cannot be computed still has a size to be drawn at', () => {
  const broken: SectionGeometry = {
    kind: 'polygon',
    corners: [
      { xMm: 0, yMm: 0 },
      { xMm: 1, yMm: 1 },
      { xMm: 2, yMm: 2 },
    ],
  };
  expect(sectionSize(broken)).toMatchObject({ depthMm: 10, widthMm: 10, depthPointer: undefined });
});
