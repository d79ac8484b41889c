import { inWords, joined } from '@anvilstone/core/foundations';
import type { PartGeometry } from '@anvilstone/schema';
import { briefWith, outcome, testContext } from './testContext.ts';

test('a load that the part cannot bear is refused by name, with what it takes', () => {
  expect(() => testContext(briefWith({ kind: 'short', torqueNmm: 5 }))).toThrow(/loadCases\/0\/forceN/);
  expect(() => testContext(briefWith({ kind: 'knock', fallingMassG: 5 }))).toThrow(/energyJ/);
  const lug: PartGeometry = {
    model: 'plate',
    shape: 'round',
    lengthMm: 90,
    widthMm: 90,
    thicknessMm: 3,
    edges: 'clamped',
  };
  expect(() => testContext(briefWith({ kind: 'knock', energyJ: 5 }, lug))).toThrow(/lasting, short, repeated/);
  expect(() => testContext(briefWith({ pressureMPa: 0.1, direction: 'width' }, lug))).toThrow(/direction/);
});

test('a shape that does not tell its movement leaves movement unknown, never passed', () => {
  const cut: PartGeometry = {
    model: 'section-at-plane',
    section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
    leverMm: 50,
    pullShare: 0,
    volumeMm3: 20000,
    lengthMm: 100,
  };
  const result = outcome('deflection-at-load', briefWith({ forceN: 10, maxDeflectionMm: 5 }, cut));
  expect(result).toMatchObject({ status: 'unknown', reserve: null });
  expect(inWords(joined(result.gaps, '; '))).toMatch(/does not tell/);
});
