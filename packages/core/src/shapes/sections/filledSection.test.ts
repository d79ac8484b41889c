import type { SectionGeometry, WallsAndInfill } from '@anvilstone/schema';
import fc from 'fast-check';
import { fillOf } from '../infill/fill.ts';
import { BUILT_UP } from '../parts/direction.ts';
import { filledSection } from './filledSection.ts';
import { section } from './section.ts';
import { measuredSection, testFilling as settings } from '../infill/testContext.ts';

const flat = fillOf(settings, BUILT_UP.XY);
const hollow = (change: Partial<WallsAndInfill> = {}, way: keyof typeof BUILT_UP = 'XY') =>
  fillOf({ ...settings, infillShare: 0, ...change }, BUILT_UP[way]);
const bar: SectionGeometry = { kind: 'rectangle', widthMm: 20, depthMm: 10 };

test('by hand: 20 × 10 around a core of 18 × 8 with a tenth of its modulus', () => {
  const cut = filledSection(bar, 'depth', flat);
  expect(cut.areaMm2).toBeCloseTo(200 - 0.9 * 144, 6);
  expect(cut.secondMomentMm4).toBeCloseTo((20 * 10 ** 3) / 12 - (0.9 * 18 * 8 ** 3) / 12, 4);
  expect(cut.materialMm2).toBeCloseTo(200 - 0.7 * 144, 6);
  expect(cut.extremeFibreMm).toBeCloseTo(5, 9);
  expect(cut.core!.stiffness).toBeCloseTo(0.1, 12);
  expect(cut.core!.strength).toBeCloseTo(0.1, 12);
  expect(cut.core!.extremeFibreMm).toBeCloseTo(4, 6);
});

test('on its side the same bar bends about the other axis', () => {
  const cut = filledSection(bar, 'width', flat);
  expect(cut.secondMomentMm4).toBeCloseTo((10 * 20 ** 3) / 12 - (0.9 * 8 * 18 ** 3) / 12, 3);
});

test('top and bottom layers lie on the faces that face the way it is built up', () => {
  const thinTop = { topBottomLayers: 2 }; // 0.4 mm
  const onEdge = filledSection(bar, 'depth', hollow(thinTop, 'XZ'));
  expect(onEdge.core!.areaMm2).toBeCloseTo((20 - 0.8) * (10 - 2), 5);
  const flatOne = filledSection(bar, 'depth', hollow(thinTop, 'XY'));
  expect(flatOne.core!.areaMm2).toBeCloseTo((20 - 2) * (10 - 0.8), 5);
});

test('an empty core leaves a box, and its shear factors too', () => {
  const box = section({ kind: 'box', widthMm: 20, depthMm: 10, wallMm: 1 });
  const cut = filledSection(bar, 'depth', hollow());
  for (const key of ['areaMm2', 'secondMomentMm4', 'shearFormFactor', 'peakShearFactor'] as const)
    expect(cut[key]).toBeCloseTo(box[key], 4);
});

test('a round built upright with an empty core is a tube, as far as 48 directions tell a circle', () => {
  const tube = section({ kind: 'tube', outerDiameterMm: 20, wallMm: 1 });
  const cut = filledSection({ kind: 'round', diameterMm: 20 }, 'depth', hollow({}, 'ZX'));
  expect(cut.secondMomentMm4 / tube.secondMomentMm4).toBeCloseTo(1, 2);
  expect(cut.areaMm2 / tube.areaMm2).toBeCloseTo(1, 2);
});

test('an I of 4 mm flanges and web, flat: walls follow each layer, so the web’s core widens under the flange', () => {
  const cut = filledSection({ kind: 'i', widthMm: 20, depthMm: 30, webMm: 4, flangeMm: 4 }, 'depth', hollow());
  // Flanges 18 × 2 each, the millimetre above each 4 wide, the web 2 × 22.
  expect(cut.core!.areaMm2).toBeCloseTo(2 * 36 + 2 * 4 + 44, 4);
});

test('walls that meet leave no core', () => {
  const cut = filledSection({ kind: 'rectangle', widthMm: 2, depthMm: 10 }, 'depth', flat);
  expect(cut.core).toBeUndefined();
  expect(cut.secondMomentMm4).toBeCloseTo(section({ kind: 'rectangle', widthMm: 2, depthMm: 10 }).secondMomentMm4, 9);
});

test('laws: more infill is never less stiff nor lighter, and a full one is solid', () => {
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const side = fc.double({ min: 3, max: 60, noNaN: true });
  fc.assert(
    fc.property(share, share, side, side, (a, b, widthMm, depthMm) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)].map((infillShare) =>
        filledSection(
          { kind: 'rectangle', widthMm, depthMm },
          'depth',
          fillOf({ ...settings, infillShare }, BUILT_UP.XY),
        ),
      );
      return (
        more!.secondMomentMm4 >= less!.secondMomentMm4 * (1 - 1e-9) &&
        more!.materialMm2 >= less!.materialMm2 * (1 - 1e-9)
      );
    }),
  );
  const full = filledSection(bar, 'depth', fillOf({ ...settings, infillShare: 1 }, BUILT_UP.XY));
  expect(full.secondMomentMm4).toBe(section(bar).secondMomentMm4);
});

test('a section known by its numbers alone has no outline to put walls around', () =>
  expect(() => filledSection(measuredSection, 'depth', flat)).toThrow(/outline/));
