import type { PartGeometry } from '@anvilstone/schema';
import { creepGrowth } from '../materials/behaviour/creep.ts';
import { growthOf } from './engine/action.ts';
import { briefWith, giveOf, outcome, testContext } from './testContext.ts';

describe('lasting', () => {
  test('on and off sags less than steadily on, and more than half', () => {
    const context = testContext(briefWith({ forceN: 10, durationH: 5000, onShare: 0.5, onEachH: 10, maxSagMm: 3 }));
    const steady = testContext(briefWith({ forceN: 10, durationH: 5000, maxSagMm: 3 }));
    const growth = (one: typeof context) => growthOf(one, one.part.loads[0]!, 23, 5000);
    expect(growth(context)).toBeLessThan(growth(steady));
    expect(growth(context) - 1).toBeGreaterThan((growth(steady) - 1) / 2);
  });
  // Against the sum over every on and off of the Boltzmann integral, at the end of an on-period.
  test.each([
    [0.5, 10, 200],
    [0.25, 4, 320],
  ])('share %p, %p h each: within 6 %% of the superposition of every step', (onShare, onEachH, durationH) => {
    const context = testContext(briefWith({ forceN: 10, durationH, onShare, onEachH }));
    const { creep } = context.material.behaviour!;
    const creeps = (hours: number) => creepGrowth(creep, 23, hours) - 1;
    const periodH = onEachH / onShare;
    let exact = 1;
    for (let end = durationH; end > 0; end -= periodH) {
      exact += creeps(durationH - end + onEachH) - (end === durationH ? 0 : creeps(durationH - end));
    }
    const growth = growthOf(context, context.part.loads[0]!, 23, durationH);
    expect((growth - 1) / (exact - 1)).toBeGreaterThan(0.94);
    expect((growth - 1) / (exact - 1)).toBeLessThan(1.06);
  });
  test('what stays after recovery: g(t + r) − g(r) of the elastic movement', () => {
    const brief = briefWith({ forceN: 10, durationH: 100, maxLeftMm: 1, recoveryH: 50 });
    const { creep } = testContext(brief).material.behaviour!;
    const share = creepGrowth(creep, 23, 150) - creepGrowth(creep, 23, 50);
    expect(outcome('movement-left', brief).demand).toBeCloseTo(10 * giveOf(brief) * share, 9);
  });
  test('a slender strut bows under its creep modulus', () => {
    const strut: PartGeometry = {
      model: 'strut',
      lengthMm: 400,
      section: { kind: 'rectangle', widthMm: 10, depthMm: 10 },
      ends: 'pinned',
    };
    const at = (durationH: number) => outcome('stability', briefWith({ forceN: 10, durationH }, strut)).capacity!;
    const { creep } = testContext(briefWith({ forceN: 10 }, strut)).material.behaviour!;
    // π²·2000·833.33/400²/SF 2, over the growth
    const euler = (Math.PI ** 2 * 2000 * 833.333) / 160000 / 2;
    for (const hours of [1e-6, 1000]) expect(at(hours) / (euler / creepGrowth(creep, 23, hours))).toBeCloseTo(1, 6);
    expect(at(1000)).toBeLessThan(0.8 * at(1e-6));
  });
  test('a cushion may be squeezed by 30 % for long', () => {
    const pad: PartGeometry = {
      model: 'elastomer-pad',
      shape: 'disc',
      lengthMm: 40,
      widthMm: 40,
      heightMm: 20,
      faces: 'bonded',
    };
    const brief = briefWith({ forceN: 1000 }, pad);
    expect(outcome('strain', brief)).toMatchObject({ capacity: 30, unit: '%' });
    expect(outcome('strain', brief, 'XZ').demand).toBeCloseTo((100 * 1000 * giveOf(brief)) / 20, 9);
  });
});
