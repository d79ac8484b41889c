import type { Brief, BuildOrientation, Grade, LoadCase, PartGeometry } from '@anvilstone/schema';
import { creepGrowth } from '../materials/creep.ts';
import { findFamily } from '../reference/family.ts';
import { actingAt, growthOf } from './action.ts';
import { findCheck } from './index.ts';
import { BRITTLE_RISE_K, toughReserve } from './toughness.ts';
import { growthDifferenceMm } from './thermalFit.ts';
import { Working } from '../working/Working.ts';
import { testBrief, testContext, testGrade, testLoad } from './testContext.ts';

/**
 * The arm of the test brief: 20 × 10 mm, 100 mm, Kt 1.3552, I = 1666.67 mm⁴, of a grade with 2000 MPa and 40 MPa flat.
 * ABS: yields at 2.3 %, breaks at 7 %; fatigue shares 0.2 and 0.17; brittle below −25 °C; rate sensitivity medium.
 */
const abs = findFamily('abs')!;
const briefWith = (load: Partial<LoadCase>, part: PartGeometry = testBrief.part, asks: Brief['asks'] = {}): Brief => {
  const { forceN: _force, ...rest } = testLoad;
  return { ...testBrief, part, loadCases: [{ ...rest, ...load }], asks };
};
const outcome = (id: string, brief: Brief, orientation: BuildOrientation = 'XZ', grade: Grade = testGrade) =>
  findCheck(id)!.evaluate(testContext(brief, orientation, grade));
const applies = (id: string, brief: Brief) => findCheck(id)!.applies(testContext(brief).part);
const giveOf = (brief: Brief, orientation: BuildOrientation = 'XZ') => {
  const movability = testContext(brief, orientation).movabilities[0]!;
  return movability.known ? movability.perUnit : Number.NaN;
};

describe('knock', () => {
  const energy = briefWith({ kind: 'knock', energyJ: 0.5 });
  // c = F·L³/3EI + shear; F = √(2·500/c)
  test('an energy becomes the static load that stores it', () => {
    const acting = actingAt(testContext(energy, 'XZ'), testContext(energy, 'XZ').part.loads[0]!, 23);
    expect(acting).toMatchObject({ known: true });
    expect(acting.known && acting.action).toBeCloseTo(Math.sqrt(1000 / giveOf(energy)), 9);
    expect(giveOf(energy)).toBeGreaterThan(100 ** 3 / (3 * 2000 * 1666.667));
  });
  test('a mass laid on without a drop counts twice, a high drop by its energy', () => {
    const dropped = (dropHeightMm: number) => {
      const context = testContext(briefWith({ kind: 'knock', fallingMassG: 1000, dropHeightMm }), 'XZ');
      const acting = actingAt(context, context.part.loads[0]!, 23);
      return acting.known ? acting.action : Number.NaN;
    };
    expect(dropped(1e-9)).toBeCloseTo(2 * 9.80665, 5);
    const perN = giveOf(energy);
    expect(dropped(2000) / Math.sqrt((2 * 9.80665 * 2000) / perN)).toBeCloseTo(1, 1);
  });
  // F_allow = 40·0.9/2 / (1.3552·100·5/1666.67) at Kt 1.3552; U = F²c/2000
  test('without damage: energy at the allowable', () => {
    const { capacity, demand, unit } = outcome('impact-undamaged', energy);
    const forceN = (40 * 0.9) / 2 / (1.35519 * 0.3);
    expect(capacity! / ((forceN ** 2 * giveOf(energy)) / 2000)).toBeCloseTo(1, 4);
    expect(demand).toBeCloseTo(0.5, 9);
    expect(unit).toBe('J');
  });
  // ABS 15 kJ/m² · 200 mm² = 3 J
  test('without breaking: notched energy × root area, evidence D', () => {
    const result = outcome('impact-unbroken', energy);
    expect(result.capacity).toBeCloseTo(3, 9);
    expect(result).toMatchObject({ status: 'pass', evidence: 'D' });
  });
  test('“must not break” alone leaves the damage unasked, and the other way round', () => {
    expect(applies('impact-undamaged', briefWith({ kind: 'knock', energyJ: 1, mustStayWhole: 'unbroken' }))).toBe(
      false,
    );
    expect(applies('impact-unbroken', briefWith({ kind: 'knock', energyJ: 1, mustStayWhole: 'undamaged' }))).toBe(
      false,
    );
    expect(applies('strength-in-plane', energy)).toBe(false);
  });
  test('struck, it turns brittle 10 K sooner: −15 °C', () => {
    expect(outcome('struck-fast', briefWith({ kind: 'knock', energyJ: 1, temperatureC: -14 })).status).toBe('pass');
    const result = outcome('struck-fast', briefWith({ kind: 'knock', energyJ: 1, temperatureC: -16 }));
    expect(result).toMatchObject({ status: 'fail', capacity: -25 + BRITTLE_RISE_K.medium });
  });
  test('a bar that does not break in the notched test cannot be torn by it', () => {
    const rubber: Grade = { ...testGrade, familyId: 'tpu-95a' };
    expect(outcome('impact-unbroken', energy, 'XZ', rubber)).toMatchObject({ status: 'pass', reserve: 9999 });
  });
});

describe('repeated', () => {
  const shaken = (stressRatio: number, cycles = 1e6) =>
    briefWith({ kind: 'repeated', forceN: 10, cycles, stressRatio });
  // to and fro at 1e6: σ_eq = σ/0.2; on and off: σ/2/0.2 + σ/2 = 3σ; σ = 1.3552·3 = 4.0656
  test('Goodman at 1e6 cycles', () => {
    expect(outcome('fatigue-life', shaken(-1)).demand).toBeCloseTo(4.0656 / 0.2, 2);
    expect(outcome('fatigue-life', shaken(0)).demand).toBeCloseTo(4.0656 * 3, 2);
    expect(outcome('fatigue-life', shaken(0)).capacity).toBeCloseTo(20, 9);
  });
  test('more cycles never help; a load that hardly varies is nearly static', () => {
    expect(outcome('fatigue-life', shaken(0, 1e7)).reserve).toBeLessThan(outcome('fatigue-life', shaken(0)).reserve!);
    expect(outcome('fatigue-life', shaken(0.95)).demand).toBeLessThan(4.0656 * 1.11);
  });
  test('the static peak is a short load, however long it goes on', () =>
    expect(
      outcome('strength-in-plane', briefWith({ kind: 'repeated', forceN: 10, cycles: 10, durationH: 9000 })).capacity,
    ).toBeCloseTo(20, 9));
});

describe('held bent', () => {
  const held = (load: Partial<LoadCase> = {}) =>
    briefWith({ kind: 'held', displacementMm: 2, durationH: 1000, minHoldN: 5, ...load });
  test('starts with δ/c and relaxes by 1/g', () => {
    const growth = creepGrowth(testContext(held()).material.behaviour!.creep, 23, 1000);
    expect(outcome('holding-force', held()).capacity).toBeCloseTo(2 / giveOf(held()) / growth, 9);
  });
  test('the share that is left is the same for a stiff and a soft grade of one family, and falls with heat', () => {
    const softer: Grade = {
      ...testGrade,
      observations: testGrade.observations.map((one) =>
        one.property === 'tensileModulus' ? { ...one, value: one.value! / 2 } : one,
      ),
    };
    const left = (grade: Grade, temperatureC: number) => {
      const at = (durationH: number) =>
        outcome('holding-force', held({ durationH, temperatureC }), 'XZ', grade).capacity!;
      return at(4000) / at(1e-6);
    };
    expect(left(softer, 23)).toBeCloseTo(left(testGrade, 23), 6);
    expect(left(testGrade, 60)).toBeLessThan(left(testGrade, 23) - 0.05);
  });
  // ε = 3·h·y/(2L²)·Kt without shear: 1.5·10·2/10000 = 0.3 %, × 1.3552; a little less since shear takes some of the travel
  test('is judged by its strain, not by a stress that grows with its stiffness', () => {
    const result = outcome('strain', held());
    expect(result.demand!).toBeLessThan(0.3 * 1.35519);
    expect(result.demand!).toBeGreaterThan(0.3 * 1.35519 * 0.96);
    expect(result.capacity).toBeCloseTo(abs.elongationYieldPct! / 2, 9);
    expect(applies('strength-in-plane', held())).toBe(false);
  });
  test('upright, the layers stand less: in the ratio 24 : 40', () => {
    const flat = outcome('strain', held());
    const upright = outcome('strain', held(), 'ZX');
    expect(upright.capacity! / flat.capacity!).toBeCloseTo(24 / 40, 9);
  });
  test('bent again and again it stands the family’s share of it', () => {
    const bent = (cycles: number) =>
      outcome('strain', briefWith({ kind: 'repeated', forceN: 1, cycles }, hook)).capacity!;
    const hook: PartGeometry = {
      model: 'snap-hook',
      lengthMm: 20,
      thicknessMm: 2,
      widthMm: 5,
      taper: 'even',
      leadAngleDeg: 30,
      filletRadiusMm: 1,
    };
    const opened = (cycles: number) =>
      outcome('strain', briefWith({ kind: 'repeated', displacementMm: 1, cycles }, hook)).capacity!;
    expect(opened(1e6) / opened(1)).toBeCloseTo(0.2, 6);
    expect(opened(10)).toBeLessThan(opened(1));
    expect(() => bent(1)).toThrow(/displacementMm/);
  });
});

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

describe('held, seen closely', () => {
  // bore 54 mm, 30 long: presses on π·54·30 mm²
  test('a sleeve pushed over something holds by its pressure on the whole bore', () => {
    const sleeve: PartGeometry = {
      model: 'ring',
      outerDiameterMm: 60,
      wallMm: 3,
      lengthMm: 30,
      loading: 'pushed-over',
    };
    const brief = briefWith({ kind: 'held', displacementMm: 0.3, durationH: 1e-6, minHoldN: 10 }, sleeve);
    const pressureMPa = 0.3 / giveOf(brief, 'ZX');
    const held = outcome('holding-force', brief, 'ZX');
    expect(held.capacity! / (pressureMPa * Math.PI * 54 * 30)).toBeCloseTo(1, 1);
    expect(held.unit).toBe('N');
  });
  test('a hinge that turns holds no force, so none is asked of it', () => {
    const hinge: PartGeometry = { model: 'flexure', lengthMm: 6, thicknessMm: 0.5, widthMm: 30, motion: 'turns' };
    expect(applies('holding-force', briefWith({ kind: 'held', angleDeg: 20, minHoldN: 1 }, hinge))).toBe(false);
  });
  test('the working of a hook ends with the push it takes to close', () => {
    const hook: PartGeometry = {
      model: 'snap-hook',
      lengthMm: 20,
      thicknessMm: 2,
      widthMm: 5,
      taper: 'even',
      leadAngleDeg: 30,
      filletRadiusMm: 1,
    };
    const working = new Working();
    findCheck('strain')!.evaluate(testContext(briefWith({ kind: 'short', displacementMm: 1 }, hook), 'XZ'), working);
    const value = (symbol: string) => working.steps.find((step) => step.symbol === symbol)!.value as number;
    // µ = 0.4 of ABS: P·(0.4 + 0.57735)/(1 − 0.23094)
    expect(value('W') / value('P')).toBeCloseTo(1.27085, 4);
    // 3·E·I/L³ = 3·2000·3.3333/8000 = 2.5 N/mm
    expect(value('P')).toBeCloseTo(2.5, 6);
  });
  test('a hot pad says how many touches it lasts: more when it is cooler', () => {
    const touches = (otherTemperatureC: number) => {
      const pad: PartGeometry = {
        model: 'hot-contact',
        areaMm2: 600,
        thicknessMm: 8,
        otherBody: 'brass',
        otherTemperatureC,
        ownTemperatureC: 20,
        contactS: 3,
        touches: 1200,
      };
      const working = new Working();
      findCheck('contact-temperature')!.evaluate(testContext(briefWith({ forceN: 900, maxSagMm: 0.02 }, pad)), working);
      return working.steps.find((step) => step.symbol === 'N')!.value as number;
    };
    expect(touches(85)).toBeGreaterThan(touches(97));
    expect(touches(97)).toBeGreaterThanOrEqual(0);
    expect(touches(92)).toBeLessThan(1e8);
  });
});

describe('bolted', () => {
  const flange: PartGeometry = {
    model: 'bolted-flange',
    boltDiameterMm: 5,
    holeDiameterMm: 5.5,
    headDiameterMm: 10,
    thicknessMm: 8,
    edgeDistanceMm: 20,
  };
  const bolted = (durationH: number) => briefWith({ kind: 'held', forceN: 400, durationH, minHoldN: 100 }, flange);
  test('starts as tightened, and loses less than a spring of plastic alone, since the bolt gives too', () => {
    expect(outcome('holding-force', bolted(1e-9), 'XY').capacity).toBeCloseTo(400, -1);
    const left = outcome('holding-force', bolted(5000), 'XY').capacity! / 400;
    const growth = creepGrowth(testContext(bolted(1)).material.behaviour!.creep, 23, 5000);
    expect(left).toBeGreaterThan(1 / growth);
    expect(left).toBeLessThan(1);
  });
  test('under the head it is squeezed: 400 N / 54.78 mm²', () =>
    expect(outcome('strength-in-plane', bolted(10), 'XY').demand).toBeCloseTo(400 / 54.782, 3));
});

describe('temperatures and neighbours', () => {
  // 1 + (−20 + 25)/max(20, 43)
  test('cold: margin over the brittle temperature', () => {
    expect(outcome('cold-embrittlement', { ...testBrief, asks: { heat: { coldestC: -20 } } }).reserve).toBeCloseTo(
      1 + 5 / 43,
      9,
    );
    expect(outcome('cold-embrittlement', { ...testBrief, asks: { heat: { coldestC: -30 } } }).status).toBe('fail');
  });
  test.each([
    [-25, -25, 1],
    [23, 3, 2],
    [-25, 60, 0],
  ])('at %p °C, brittle at %p °C: %p', (at, brittle, reserve) =>
    expect(toughReserve(at, brittle)).toBeCloseTo(reserve, 9),
  );
  // |90 − 11.7|·1e−6·400·43
  test('growth against steel', () =>
    expect(
      growthDifferenceMm({
        expansion1e6PerK: 90,
        otherExpansion1e6PerK: 11.7,
        lengthMm: 400,
        coldestC: -20,
        hottestC: 50,
      }),
    ).toBeCloseTo(1.34676, 5));
  test('the joint takes it or not', () => {
    const fixed = (allowedMm: number): Brief => ({
      ...testBrief,
      asks: { thermalFit: { fixedTo: 'steel', lengthMm: 400, coldestC: -20, hottestC: 50, allowedMm } },
    });
    expect(outcome('thermal-fit', fixed(2)).status).toBe('pass');
    expect(outcome('thermal-fit', fixed(0.5)).status).toBe('fail');
  });
  test('pressure × speed and friction', () => {
    const sliding = (speedMPerS: number): Brief => ({
      ...testBrief,
      asks: { sliding: { pressureMPa: 1, speedMPerS, maxFriction: 0.3 } },
    });
    expect(outcome('pressure-velocity', sliding(0.01)).reserve).toBeCloseTo(2, 9); // poor wear class: 0.02
    expect(outcome('friction', sliding(0.01))).toMatchObject({ demand: 0.4, capacity: 0.3, status: 'fail' });
  });
  test('a gear that turns is asked for pressure × speed by itself', () => {
    const gear: PartGeometry = {
      model: 'gear-tooth',
      moduleMm: 2,
      teeth: 24,
      mateTeeth: 48,
      faceWidthMm: 14,
      speedRpm: 60,
    };
    expect(outcome('pressure-velocity', briefWith({ torqueNmm: 1000 }, gear)).demand).toBeCloseTo(
      (41.6667 / 28) * 0.01885,
      4,
    );
    expect(applies('pressure-velocity', briefWith({ torqueNmm: 1000 }, { ...gear, speedRpm: 0 }))).toBe(false);
  });
  test('a hot face is asked for its own temperature', () => {
    const hot: PartGeometry = {
      model: 'hot-contact',
      areaMm2: 600,
      thicknessMm: 8,
      otherBody: 'steel',
      otherTemperatureC: 80,
      ownTemperatureC: 20,
      contactS: 3,
      touches: 1200,
    };
    const result = outcome('contact-temperature', briefWith({ forceN: 100, maxSagMm: 0.5 }, hot));
    expect(result.demand).toBeGreaterThan(76);
    expect(result.demand).toBeLessThan(80);
    expect(result).toMatchObject({ status: 'pass', unit: '°C' });
  });
});

describe('failure manner', () => {
  const warn: Brief = { ...testBrief, asks: { mustWarn: true } };
  test('ABS warns when it is bent within its layers', () =>
    expect(outcome('failure-manner', warn)).toMatchObject({ status: 'pass', reserve: null }));
  test('upright the layers part first, without warning', () =>
    expect(outcome('failure-manner', warn, 'ZX')).toMatchObject({
      status: 'fail',
      reason: expect.stringMatching(/layers/) as unknown,
    }));
  test('a polymer that snaps is refused whatever its reserves', () =>
    expect(outcome('failure-manner', warn, 'XZ', { ...testGrade, familyId: 'pla' }).status).toBe('fail'));
  test('filled with carbon it hardly stretches, so it snaps', () =>
    expect(outcome('failure-manner', warn, 'XZ', { ...testGrade, reinforcementId: 'carbon-15' })).toMatchObject({
      status: 'fail',
      reason: expect.stringMatching(/Stretches only/) as unknown,
    }));
});

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
  expect(result.gaps.join()).toMatch(/does not tell/);
});
