import { ORIENTATIONS, type BuildOrientation, type PartGeometry } from '@anvilstone/schema';
import { boxOf } from '../../machines/fit/boxOnBed.ts';
import { heaterDuct, lampArm, ratchetPawl, scraperLever } from '../../education/sample/index.ts';
import { builtAs, countedAs, orientationName, orientationsByName } from './builtAs.ts';
import { partBody, partModels } from './index.ts';
import { BUILT_UP } from './direction.ts';

test('an arm taller than wide lies flat when its layers are stacked along its width', () => {
  // 220 × 30 × 18 mm.
  expect(ORIENTATIONS.map((one) => orientationName(lampArm.part, one))).toEqual([
    'XZ on edge',
    'XY flat',
    'ZX upright',
  ]);
  // 90 × 5 × 14 mm: wider than tall.
  expect(ORIENTATIONS.map((one) => builtAs(scraperLever.part, one))).toEqual(['XY', 'XZ', 'ZX']);
});

test('a short ring lies flat with its axis up', () => {
  expect(builtAs(heaterDuct.part, 'ZX')).toBe('XY');
});

test.each([lampArm, heaterDuct, ratchetPawl, ...partModels.map((model) => ({ part: model.start }))])(
  'flat stands lowest and upright highest, and every name is given once (%#)',
  ({ part }) => {
    const { extentMm } = partBody(part);
    const heightOf = (name: BuildOrientation) => boxOf(extentMm, BUILT_UP[countedAs(part, name)]).heightMm;
    expect(heightOf('XY')).toBeLessThanOrEqual(heightOf('XZ'));
    expect(heightOf('XZ')).toBeLessThanOrEqual(heightOf('ZX'));
    expect(new Set(orientationsByName(part)).size).toBe(3);
    for (const one of ORIENTATIONS) expect(countedAs(part, builtAs(part, one))).toBe(one);
  },
);

test('a part whose dimensions cannot be used keeps the names as counted', () => {
  const broken = { ...lampArm.part, spanMm: -1 } as PartGeometry;
  expect(ORIENTATIONS.map((one) => builtAs(broken, one))).toEqual(['XY', 'XZ', 'ZX']);
});
