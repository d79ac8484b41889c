import { findCalculator } from './index.ts';

type Numbers = Record<string, number>;
/** A calculator asked with its example, some of its input changed. */
function asked(id: string, change: object = {}): Record<string, unknown> {
  const { example, run } = findCalculator(id)!;
  return run({ ...(example as object), ...change } as never) as Record<string, unknown>;
}
const numberOf = (id: string, name: string, change: object = {}): number => asked(id, change)[name] as number;
const rectangle = (widthMm: number, depthMm: number) => ({ section: { kind: 'rectangle', widthMm, depthMm } });

describe('how an answer grows with one of its inputs: as the power that the formula gives it', () => {
  test.each([
    ['section-properties', 'secondMomentMm4', rectangle(20, 6), rectangle(20, 12), 8],
    ['section-properties', 'secondMomentMm4', rectangle(20, 6), rectangle(40, 6), 2],
    ['section-properties', 'areaMm2', rectangle(20, 6), rectangle(20, 12), 2],
    ['cantilever-deflection', 'bendingMm', { spanMm: 60 }, { spanMm: 120 }, 8],
    ['cantilever-deflection', 'shearMm', { spanMm: 60 }, { spanMm: 120 }, 2],
    ['cantilever-deflection', 'bendingMm', { modulusMPa: 1200 }, { modulusMPa: 2400 }, 1 / 2],
    ['cantilever-deflection', 'totalMm', { forceN: 5 }, { forceN: 15 }, 3],
    ['cantilever-root-stress', 'nominalMPa', { spanMm: 60 }, { spanMm: 120 }, 2],
    ['cantilever-root-stress', 'nominalMPa', rectangle(20, 6), rectangle(20, 12), 1 / 4],
    ['cantilever-root-stress', 'peakShearMPa', { spanMm: 60 }, { spanMm: 120 }, 1],
    ['snap-hook-strain', 'strainPct', { travelMm: 1 }, { travelMm: 3 }, 3],
    ['snap-hook-strain', 'strainPct', { lengthMm: 20 }, { lengthMm: 40 }, 1 / 4],
    ['snap-hook-strain', 'strainPct', { thicknessMm: 1 }, { thicknessMm: 2 }, 2],
    ['hinge-strain', 'strainPct', { thicknessMm: 0.3 }, { thicknessMm: 0.6 }, 2],
    ['hinge-strain', 'strainPct', { lengthMm: 5 }, { lengthMm: 10 }, 1 / 2],
    ['hinge-strain', 'strainPct', { angleDeg: 90 }, { angleDeg: 180 }, 2],
    ['growth-difference', 'differenceMm', { lengthMm: 100 }, { lengthMm: 400 }, 4],
    ['wear-depth', 'depthMm', { pressureMPa: 1 }, { pressureMPa: 5 }, 5],
    ['wear-depth', 'depthMm', { distanceM: 1000 }, { distanceM: 500 }, 1 / 2],
    ['strand-loop', 'loopN', { turns: 2 }, { turns: 6 }, 3],
    [
      'spool-moisture',
      'fraction',
      { air: [{ hours: 1, temperatureC: 23, humidityPct: 50 }] },
      { air: [{ hours: 4, temperatureC: 23, humidityPct: 50 }] },
      2,
    ],
  ] as const)('%s, %s: %j to %j', (id, name, from, to, factor) => {
    expect(numberOf(id, name, to) / numberOf(id, name, from)).toBeCloseTo(factor, 6);
  });
});

describe('what it is at its ends', () => {
  test.each([
    ['a bar pulled along its layers', 'off-axis-strength', 'strengthMPa', { angleDeg: 0 }, 50],
    ['a bar pulled across its layers', 'off-axis-strength', 'strengthMPa', { angleDeg: 90 }, 25],
    ['stiffness along the layers', 'off-axis-modulus', 'modulusMPa', { angleDeg: 0 }, 2000],
    ['stiffness across the layers', 'off-axis-modulus', 'modulusMPa', { angleDeg: 90 }, 1800],
    ['no shift where it was tested', 'time-temperature-shift', 'decades', { temperatureC: 23 }, 0],
    ['dry, all of it is left', 'moisture-retention', 'ratio', { state: 'dry' }, 1],
    ['no scatter, no knock-down', 'nine-of-ten', 'factor', { covShare: 0 }, 1],
    ['no mean stress takes nothing off', 'fatigue-amplitude', 'withMeanMPa', { meanMPa: 0 }, 8],
    ['the mean alone is all it bears', 'fatigue-amplitude', 'withMeanMPa', { meanMPa: 40 }, 0],
    ['a thousand hours of weather', 'weathered-strength', 'shareLeft', { acceleratedH: 1000 }, 0.8],
    ['none', 'weathered-strength', 'shareLeft', { acceleratedH: 0 }, 1],
    ['alike in growth', 'growth-difference', 'differenceMm', { otherExpansion1e6PerK: 90 }, 0],
    ['a full core', 'infill-core', 'strengthUpwards', { infillShare: 1 }, 1],
    ['a dry spool', 'spool-moisture', 'fraction', { air: [] }, 0],
    ['as hot as it may be', 'temperature-reserve', 'reserve', { limitC: 50, requiredC: 50 }, 1],
    ['an inch', 'convert-unit', 'value', {}, 25.4],
  ] as const)('%s', (_what, id, name, change, expected) => {
    expect(numberOf(id, name, change)).toBeCloseTo(expected, 6);
  });
});

test('a load that is let go on the spot counts twice; one that falls far, by the root of its height', () => {
  const weightN = 9.80665;
  expect(numberOf('knock-force', 'forceN', { dropHeightMm: 0 })).toBeCloseTo(2 * weightN, 6);
  // m·g·(h + x) = F·x/2 with x = F·c: F² − 2·W·F = 2·W·h/c.
  const forceN = numberOf('knock-force', 'forceN', { dropHeightMm: 500 });
  expect(forceN ** 2 - 2 * weightN * forceN).toBeCloseTo((2 * weightN * 500) / 0.01, 3);
});

test('two of the same touch in the middle; the one that takes heat away faster rules', () => {
  const { ownEffusivity } = asked('contact-temperature') as Numbers;
  const between = (times: number) =>
    numberOf('contact-temperature', 'contactTemperatureC', { otherEffusivity: times * ownEffusivity! });
  expect(between(1)).toBeCloseTo(60, 6);
  // T = (a·Ta + b·Tb)/(a + b): three times as much draws it three quarters of the way.
  expect(between(3)).toBeCloseTo(80, 6);
  expect(between(1e6)).toBeCloseTo(100, 3);
});

test('a slanting pull lies between both ends, and falls from one to the other', () => {
  const at = Array.from({ length: 19 }, (_, i) => numberOf('off-axis-strength', 'strengthMPa', { angleDeg: 5 * i }));
  for (const [i, one] of at.slice(1).entries()) expect(one).toBeLessThanOrEqual(at[i]! + 1e-9);
  // Tsai–Hill at 45° by hand: 1/σ² = ¼·(1/X² − 1/X² + 1/Y² + 1/S²) … with X 50, Y 25, S 20.
  const [x, y, s] = [50, 25, 20];
  const byHand = (0.25 * (1 / x ** 2 - 1 / x ** 2 + 1 / y ** 2 + 1 / s ** 2)) ** -0.5;
  expect(Math.abs(at[9]! / byHand - 1)).toBeLessThan(0.02);
});

test('creep goes on as a power of time: the same factor for each decade', () => {
  const grown = [10, 100, 1000, 10_000].map((durationH) => numberOf('creep-growth', 'growth', { durationH }) - 1);
  const factors = grown.slice(1).map((one, i) => one / grown[i]!);
  for (const factor of factors) {
    expect(factor).toBeGreaterThan(1);
    expect(factor / factors[0]!).toBeCloseTo(1, 2);
  }
});

test('warmer is as later: by the shift a warm hour stands for many cool ones', () => {
  const decades = numberOf('time-temperature-shift', 'decades', { temperatureC: 45 });
  expect(decades).toBeGreaterThan(0);
  const warm = numberOf('creep-growth', 'growth', { temperatureC: 45, durationH: 10 });
  const later = numberOf('creep-growth', 'growth', { temperatureC: 23, durationH: 10 * 10 ** decades });
  expect(warm).toBeCloseTo(later, 6);
});

test('a wet polyamide keeps less than a moist one, and that less than a dry one', () => {
  for (const what of ['modulus', 'strength']) {
    const [dry, moist, wet] = ['dry', 'conditioned', 'wet'].map((state) =>
      numberOf('moisture-retention', 'ratio', { familyId: 'pa6', of: what, state }),
    );
    expect([dry! >= moist!, moist! >= wet!, wet! > 0]).toEqual([true, true, true]);
  }
});

test('a filler makes a base stiffer by its factor; without one it is the base', () => {
  const neat = numberOf('family-value', 'value', {
    familyId: 'pa6',
    reinforcementId: undefined,
    property: 'tensileModulus',
  });
  const filled = numberOf('family-value', 'value');
  expect(filled / neat).toBeCloseTo(2.66, 2);
});

test('a sharper fillet concentrates more, a generous one hardly at all', () => {
  const factors = [0.3, 1, 3, 10].map((filletRadiusMm) =>
    numberOf('cantilever-root-stress', 'concentration', { filletRadiusMm }),
  );
  expect([...factors].sort((a, b) => b - a)).toEqual(factors);
  expect(factors.at(-1)!).toBeGreaterThanOrEqual(1);
  expect(factors.at(-1)!).toBeLessThan(1.4);
});

test('a pad that is as high as it is wide is softer than a flat one, and a harder one stiffer', () => {
  const at = (change: object) => asked('pad-stiffness', change) as Numbers;
  // A disc’s shape factor is the diameter over four times the height.
  expect(at({}).shapeFactor).toBeCloseTo(40 / (4 * 20), 9);
  expect(at({ heightMm: 10 }).stiffnessNPerMm! / at({}).stiffnessNPerMm!).toBeGreaterThan(2);
  const moduli = [40, 55, 70, 85].map((shoreA) => at({ shoreA }).modulusMPa!);
  expect([...moduli].sort((a, b) => a - b)).toEqual(moduli);
});

test('a tighter loop bears less of its strand, a wide one all of it at most', () => {
  const factors = [8, 12, 20, 60].map((radiusMm) => numberOf('strand-loop', 'bendFactor', { radiusMm }));
  expect([...factors].sort((a, b) => a - b)).toEqual(factors);
  expect(factors.at(-1)!).toBeLessThanOrEqual(1);
  const { strandN, bendFactor, loopN } = asked('strand-loop') as Numbers;
  // Both legs of every turn pull.
  expect(loopN).toBeCloseTo(2 * 4 * strandN! * bendFactor!, 6);
});

test('strands in a bar carry more the deeper they are stacked, and the body less', () => {
  const rows = [1, 2, 4].map((strandsDeep) => asked('strands-in-bar', { strandsDeep }) as Numbers);
  for (const [i, row] of rows.slice(1).entries()) {
    expect(row.bendingStiffnessNmm2).toBeGreaterThan(rows[i]!.bendingStiffnessNmm2!);
    expect(row.bodyStressMPa).toBeLessThan(rows[i]!.bodyStressMPa!);
  }
});

test('a size drifts by nothing where nothing shrinks, swells or warms', () => {
  const still = { shrinkPct: 0, swellingSaturationPct: 0, expansion1e6PerK: 0 };
  expect(asked('size-drift', still)).toEqual({ largerByMm: 0, smallerByMm: 0 });
  // By hand: 24 mm × 80·10⁻⁶ × 5 K warmer than 23 °C.
  expect(numberOf('size-drift', 'largerByMm', { ...still, expansion1e6PerK: 80 })).toBeCloseTo(24 * 80e-6 * 5, 9);
  expect(numberOf('size-drift', 'smallerByMm', { ...still, expansion1e6PerK: 80 })).toBeCloseTo(24 * 80e-6 * 5, 9);
});

test('what is paid for each print is divided by the share that succeeds', () => {
  const { filamentUsd, machineUsd, dryingUsd, nozzleUsd, labourUsd, setupUsd, totalUsd, printTimeH } = asked(
    'part-cost',
  ) as Numbers;
  expect(filamentUsd).toBeCloseTo(0.1 * 30 * 1.08, 9);
  expect(printTimeH).toBeCloseTo((80_000 / 10 / 3600) * 2.2, 9);
  expect(machineUsd).toBeCloseTo(printTimeH! * 2, 9);
  const printUsd = filamentUsd! + machineUsd! + dryingUsd! + nozzleUsd! + labourUsd!;
  expect(totalUsd).toBeCloseTo(printUsd / 0.93 + setupUsd!, 9);
});

test('a long thing lies across the corners of a bed, and not longer than those', () => {
  const fits = (lengthMm: number, widthMm = 10) => asked('footprint-fits', { lengthMm, widthMm }).fits;
  expect([fits(220), fits(250), fits(300), fits(312)]).toEqual([true, true, true, false]);
  expect(fits(250, 80)).toBe(false);
});

test('loads go where they are cool enough and in time, or it is said that they cannot', () => {
  const spool = { id: 'PC', dryingC: 110, limitC: 120, hours: 6, needByH: 10 };
  const plan = asked('dryer-plan', { spools: [spool], dryers: [{ id: 'Box', slots: 2, maximumC: 70 }] });
  expect(plan.runs).toEqual([]);
  expect(plan.impossible).toHaveLength(1);
  const hot = asked('dryer-plan', { spools: [spool], dryers: [{ id: 'Oven', slots: 1, maximumC: 140 }] });
  expect(hot).toMatchObject({ lateH: 0, impossible: [], runs: [{ dryer: 'Oven', startH: 0, endH: 6 }] });
  const two = asked('dryer-plan', {
    spools: [spool, { ...spool, id: 'PC two' }],
    dryers: [{ id: 'Oven', slots: 1, maximumC: 140 }],
  });
  // Twelve hours one after the other, where both are needed after ten.
  expect(two.lateH).toBeCloseTo(2, 6);
});
