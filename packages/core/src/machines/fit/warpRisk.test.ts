import type { Machine } from '@anvilstone/schema';
import { findFamily } from '../../materials/reference/family.ts';
import { findReinforcement } from '../../materials/reference/reinforcement.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { warpRisk } from './chamberFindings.ts';
import type { ProcessNeeds } from './fitFinding.ts';
import { airC, failedByWarp, warpIndex, warpTendency } from './warpRisk.ts';

const enclosed = sampleLibrary.machines.find(({ id }) => id === 'workshop-enclosed')!;
const bare: Machine = { ...enclosed, enclosure: 'open' };
const warm: Machine = { ...enclosed, enclosure: 'heated', maximumChamberC: 70 };

test('the index by hand: tendency × √(length / 100 mm) × what the enclosure leaves', () => {
  expect(warpIndex(4, 100, 'open')).toBe(4);
  expect(warpIndex(4, 225, 'enclosed')).toBeCloseTo(4 * 1.5 * 0.8, 12);
});

test('a filler counts as it does in its own matrix', () => {
  const glass = findReinforcement('glass-30')!;
  const effects = glass.effects;
  const pa = findFamily('pa6')!;
  expect(warpTendency(pa, glass)).toBe(pa.warpTendency1to5 + effects.polyamideLike.warpTendencyDelta);
  const abs = findFamily('abs')!;
  expect(warpTendency(abs, glass)).toBe(abs.warpTendency1to5 + effects.amorphousOrPla.warpTendencyDelta);
});

test('air round the part: the room, half of the way to the bed, or what the heater reaches', () => {
  expect(airC(bare, 110)).toBe(23);
  expect(airC(enclosed, 103)).toBe(63);
  expect(airC(warm, 103)).toBe(70);
  // A hot bed warms a chamber beyond a weak heater.
  expect(airC({ ...warm, maximumChamberC: 50 }, 103)).toBe(63);
});

test('failures by index: pinned where they are stated, never fewer at a higher one, and held at the ends', () => {
  expect([0, 2, 3, 4, 5, 7, 20].map(failedByWarp)).toEqual([0.02, 0.05, 0.15, 0.35, 0.6, 0.95, 0.95]);
  const shares = Array.from({ length: 200 }, (_, i) => failedByWarp(i / 20));
  expect([...shares].sort((a, b) => a - b)).toEqual(shares);
});

describe('risk', () => {
  const needs: ProcessNeeds = {
    nozzleC: { low: 240, mid: 250 },
    bedLowC: 90,
    enclosure: 'heated',
    chamber: { minimum: 60, recommended: 90 },
    warpTendency1to5: 3,
    abrasive: false,
    minimumNozzleMm: 0.4,
    recommendedNozzleMm: 0.4,
    directDriveNeeded: false,
  };
  test('none where the machine has what is needed', () => {
    expect(warpRisk(needs, warm, 300)).toBeUndefined();
    expect(warpRisk({ ...needs, enclosure: 'enclosed' }, enclosed, 300)).toBeUndefined();
    expect(warpRisk({ ...needs, enclosure: 'open' }, bare, 300)).toBeUndefined();
  });
  test('2 % more for each kelvin of air below the least; beyond 15 K it is not printed', () => {
    // A bed of 90 °C warms a passive enclosure to 56.5 °C.
    const at = (minimum: number) => warpRisk({ ...needs, chamber: { minimum, recommended: 90 } }, enclosed, 100)!;
    const [met, short] = [at(56), at(66.5)];
    expect(met).toMatchObject({ shortK: 0, failShare: failedByWarp(3 * 0.8), blocks: false });
    expect(short.shortK).toBeCloseTo(10, 12);
    expect(short.failShare).toBeCloseTo(met.failShare + 0.2, 12);
    expect(at(71.5).blocks).toBe(false);
    expect(at(71.6).blocks).toBe(true);
  });
  test('longer never fails less, nor does an open machine', () => {
    const lengths = [10, 30, 60, 100, 180, 300];
    for (const machine of [bare, enclosed]) {
      const shares = lengths.map((mm) =>
        warpRisk({ ...needs, chamber: { minimum: null, recommended: 60 } }, machine, mm)!,
      );
      for (const [i, one] of shares.entries())
        expect(one.failShare).toBeGreaterThanOrEqual(shares[Math.max(0, i - 1)]!.failShare);
    }
    for (const mm of lengths)
      expect(warpRisk({ ...needs, chamber: { minimum: null, recommended: 60 } }, bare, mm)!.failShare).toBeGreaterThan(
        warpRisk({ ...needs, chamber: { minimum: null, recommended: 60 } }, enclosed, mm)!.failShare,
      );
  });
});
