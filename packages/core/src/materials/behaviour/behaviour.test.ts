import fc from 'fast-check';
import { families, findFamily, type Family } from '../reference/family.ts';
import { creepGrowth } from './creep.ts';
import { familyHdtPoints } from '../resolving/familyEstimate.ts';
import { modulusAtHdtMPa } from './modulusAtHdt.ts';
import { modulusCurve } from './modulusCurve.ts';
import { pchip } from '../../foundations/numeric/pchip.ts';
import { staticFatigueFactor, strengthTemperatureFactor } from '../resolving/strengthFactors.ts';
import { timeShiftDecades } from './timeShift.ts';

const family = (id: string): Family => findFamily(id)!;
const curveOf = (one: Family, measured: { temperatureC: number; ratio: number }[] = []) =>
  modulusCurve({
    modulus23MPa: one.tensileModulusXyMpa.mid,
    morphology: one.morphology,
    glassTransitionC: one.glassTransitionC,
    meltingC: one.meltingC,
    hdt: familyHdtPoints(one, undefined),
    measured,
  });
const creepOf = (one: Family) => ({
  creepA: one.creep.a,
  creepN: one.creep.n,
  activationKjPerMol: one.creep.activationKjPerMol,
  morphology: one.morphology,
  glassTransitionC: one.glassTransitionC,
});

describe('modulus at HDT', () => {
  test('2000 MPa at 1.80 MPa: 1/(1/2000 + 0.002/1.8) = 620.69 MPa', () =>
    expect(modulusAtHdtMPa({ modulus23MPa: 2000, hdtStressMPa: 1.8 })).toBeCloseTo(620.69, 2));
  test('2000 MPa at 0.45 MPa: 1/(0.0005 + 0.004444…) = 202.25 MPa', () =>
    expect(modulusAtHdtMPa({ modulus23MPa: 2000, hdtStressMPa: 0.45 })).toBeCloseTo(202.25, 2));
  test('refuses a stress of zero by name', () =>
    expect(() => modulusAtHdtMPa({ modulus23MPa: 2000, hdtStressMPa: 0 })).toThrow(/hdtStressMPa/));
});

describe('monotone interpolation', () => {
  test('two knots: a straight line', () => expect(pchip([0, 10], [0, 5]).at(4)).toBeCloseTo(2, 12));
  // Slopes by hand: secants −1 and −3, weights equal on an even grid: harmonic mean 2·3/(1+3) = −1.5;
  // left end (3·(−1) − (−3))/2 = 0. At x = 0.5: 0.5·0 + 0.125·0 + 0.5·(−1) − 0.125·(−1.5) = −0.3125.
  test('three knots by hand', () => expect(pchip([0, 1, 2], [0, -1, -4]).at(0.5)).toBeCloseTo(-0.3125, 12));
  test('holds the end value outside', () => {
    const curve = pchip([0, 1], [3, 4]);
    expect([curve.at(-5), curve.at(9)]).toEqual([3, 4]);
  });
  test('refuses knots that do not rise', () => expect(() => pchip([0, 0], [1, 2])).toThrow(/rise/));
});

describe('modulus over temperature', () => {
  test.each(families.filter((one) => one.hdt045C !== null).map((one) => [one.id, one] as const))(
    '%s passes through its ISO 75 points and never rises',
    (_id, one) => {
      const curve = curveOf(one);
      const e23 = one.tensileModulusXyMpa.mid;
      for (const knot of curve.knots) expect(e23 * curve.ratio(knot.temperatureC)).toBeCloseTo(knot.modulusMPa, 6);
      expect(curve.knots.filter((knot) => knot.kind === 'hdt')).toHaveLength(2);
      let previous = Infinity;
      for (let t = -60; t <= curve.endC; t += 2) {
        const ratio = curve.ratio(t);
        expect(ratio).toBeLessThanOrEqual(previous + 1e-12);
        previous = ratio;
      }
    },
  );

  test('ABS keeps its stiffness up to the knee: E(75)/E23 = 1 − 0.0025·52 = 0.87', () =>
    expect(curveOf(family('abs')).ratio(75)).toBeCloseTo(0.87, 6));

  test('a measured point takes the place of the knee', () => {
    const curve = curveOf(family('abs'), [{ temperatureC: 70, ratio: 0.8 }]);
    expect(curve.ratio(70)).toBeCloseTo(0.8, 9);
    expect(curve.knots.some((knot) => knot.kind === 'knee')).toBe(false);
  });

  test('a point that would make the modulus rise is dropped and reported', () => {
    const curve = curveOf(family('abs'), [{ temperatureC: 60, ratio: 0.01 }]);
    expect(curve.knots.some((knot) => knot.temperatureC === 60)).toBe(true);
    expect(curve.dropped.length).toBeGreaterThan(0);
  });
});

describe('creep', () => {
  // Relaxed modulus E_relaxed/E23 after 120 h: instant ratio over creep growth, family mid values.
  test.each([
    ['petg', 23, 0.83],
    ['petg', 53, 0.55],
    ['petg', 63, 0.14],
    ['petg', 75, 0.01],
    ['abs', 23, 0.76],
    ['abs', 53, 0.57],
    ['abs', 63, 0.49],
    ['abs', 75, 0.4],
    ['pc', 23, 0.85],
    ['pc', 53, 0.75],
    ['pc', 63, 0.71],
    ['pc', 75, 0.65],
    ['pla', 23, 0.79],
    ['pla', 53, 0.04],
    ['pla', 63, 0],
  ] as const)('%s at %p °C keeps %p of its stiffness after 120 h', (id, temperatureC, expected) => {
    const one = family(id);
    const kept = curveOf(one).ratio(temperatureC) / creepGrowth(creepOf(one), temperatureC, 120);
    expect(Math.abs(kept - expected)).toBeLessThan(0.0115);
  });

  // PETG: a = 0.08, n = 0.19, 115 kJ/mol. 23 → 45 °C shifts 115/(2.302585·0.00831446)·(1/296.15 − 1/318.15) = 1.40258 decades.
  // 23 °C: 1 + 0.08 = 1.08 and 1 + 0.08·1000^0.19 = 1.29723; 45 °C: 0.08·10^(0.19·1.40258) = 0.14777 and × 1000^0.19 = 0.54901.
  test.each([
    [23, 1, 1.08],
    [23, 1000, 1.29723],
    [45, 1, 1.14777],
    [45, 1000, 1.54901],
  ])('sag of PETG at %p °C after %p h has grown by hand to × %p', (temperatureC, durationH, expected) =>
    expect(creepGrowth(creepOf(family('petg')), temperatureC, durationH)).toBeCloseTo(expected, 5),
  );

  test('from 1 h to 1000 h the creep part grows by 1000^n, at 23 °C and at 45 °C', () => {
    const petg = creepOf(family('petg'));
    for (const temperatureC of [23, 45]) {
      const one = creepGrowth(petg, temperatureC, 1) - 1;
      const thousand = creepGrowth(petg, temperatureC, 1000) - 1;
      expect(thousand / one).toBeCloseTo(1000 ** petg.creepN, 9);
    }
    expect(creepGrowth(petg, 23, 1)).toBeCloseTo(1 + petg.creepA, 12);
    expect(creepGrowth(petg, 45, 1)).toBeGreaterThan(creepGrowth(petg, 23, 1));
  });

  // Arrhenius by hand: 110 kJ/mol, 23 → 45 °C: 110/(2.302585·0.00831446)·(1/296.15 − 1/318.15) = 1.3416 decades.
  test('Arrhenius shift by hand', () =>
    expect(
      timeShiftDecades({ activationKjPerMol: 110, morphology: 'semiCrystalline', glassTransitionC: 50 }, 45),
    ).toBeCloseTo(1.3416, 3));

  test('amorphous shift is continuous at Tg − 30 and Tg and adds 7.5 decades between', () => {
    const abs = creepOf(family('abs'));
    for (const edge of [75, 105]) {
      expect(timeShiftDecades(abs, edge + 1e-7) - timeShiftDecades(abs, edge - 1e-7)).toBeLessThan(1e-5);
    }
    expect(timeShiftDecades(abs, 105) - timeShiftDecades(abs, 75)).toBeCloseTo(7.5, 9);
    // WLF 10 K above Tg: 17.44·10/61.6 = 2.831 decades.
    expect(timeShiftDecades(abs, 115) - timeShiftDecades(abs, 105)).toBeCloseTo(2.8312, 3);
  });

  test('longer and hotter never creeps less', () => {
    const anyFamily = fc.constantFrom(...families.map((one) => one.id));
    fc.assert(
      fc.property(
        anyFamily,
        fc.double({ min: -40, max: 200, noNaN: true }),
        fc.double({ min: 0.001, max: 1e5, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (id, temperatureC, durationH, factor) => {
          const creep = creepOf(family(id));
          const base = creepGrowth(creep, temperatureC, durationH);
          return (
            creepGrowth(creep, temperatureC, durationH * factor) >= base - 1e-9 * base &&
            creepGrowth(creep, temperatureC + factor, durationH) >= base - 1e-9 * base
          );
        },
      ),
    );
  });

  test.each([NaN, -1, Infinity])('refuses a duration of %p', (durationH) =>
    expect(() => creepGrowth(creepOf(family('abs')), 23, durationH)).toThrow(/durationH/),
  );
});

describe('strength factors', () => {
  test('half the stiffness at m = 0.8 keeps 0.5^0.8 = 0.574', () =>
    expect(strengthTemperatureFactor(0.5, 0.8)).toBeCloseTo(0.57435, 5));
  // 100 min is two decades beyond one minute: 1 − 2·0.06.
  test('static fatigue by hand', () => expect(staticFatigueFactor(100 / 60, 0.06)).toBeCloseTo(0.88, 12));
  test('a short test loses nothing', () => expect(staticFatigueFactor(0.001, 0.06)).toBe(1));
  test('never below a tenth', () => expect(staticFatigueFactor(1e6, 0.3)).toBe(0.1));
});
