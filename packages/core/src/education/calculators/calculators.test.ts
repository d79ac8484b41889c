import { validator } from '@anvilstone/schema/validate';
import { InputError } from '../../foundations/input/InputError.ts';
import { partModels } from '../../shapes/parts/index.ts';
import { calculators, findCalculator } from './index.ts';

/** Each part model as it starts, and one number of its answer that parts/*.test.ts pins by hand. */
function partCases(): Record<string, [input: unknown, expected: Record<string, unknown>]> {
  return Object.fromEntries(
    partModels.map((model) => {
      const { model: _tag, ...dimensions } = model.start;
      const response = model.body(model.start).responses.depth;
      const acting = { force: 'forceN', torque: 'torqueNmm', pressure: 'pressureMPa' }[model.body(model.start).action];
      const told = response.complianceTerms.length > 0 || response.shear;
      const movement =
        2 *
        (response.complianceTerms.reduce((total, one) => total + one.perModulus / 2000, 0) +
          (response.shear ? response.shear.perModulus / 700 : 0) +
          response.seriesPerUnit);
      const name = model.body(model.start).movement.unit === 'mm' ? 'movementMm' : 'turnDeg';
      return [
        `part-${model.id}`,
        [{ ...dimensions, [acting]: 2, modulusMPa: 2000, shearModulusMPa: 700 }, told ? { [name]: movement } : {}],
      ] as const;
    }),
  ) as Record<string, [unknown, Record<string, unknown>]>;
}

const bar = { kind: 'rectangle', widthMm: 20, depthMm: 6 };
/** Every calculator with an input and what it must give; where the number comes from stands beside it. */
const cases: Record<string, [input: unknown, expected: Record<string, unknown>]> = {
  // 820·0.9·0.125 = 92.25 N; at 12 mm half way from 0.5 (8 mm) to 0.72 (16 mm); 2·4·92.25·0.61
  'strand-loop': [
    { towId: 'carbon-polyamide', radiusMm: 12, turns: 4 },
    { strandN: 92.25, bendFactor: 0.61, loopN: 450.18 },
  ],
  // Two packs of 18 × 0.5 mm at 3.75 mm: I_f = 253.5 of 1666.667 mm⁴; 5000·1413.167 + 65000·253.5
  'strands-in-bar': [
    {
      towId: 'carbon-polyamide',
      widthMm: 20,
      depthMm: 10,
      bodyModulusMPa: 5000,
      momentNmm: 20000,
      strandsBeside: 20,
      strandsDeep: 4,
      insetMm: 1,
    },
    {
      stiffnessShare: 2.8252,
      bendingStiffnessNmm2: 23543333.3333,
      bodyStressMPa: 21.2374,
      strandStressMPa: 220.8693,
      strandReserve: 1.72047,
    },
  ],
  // Half of the open hours: √½ of the 20 %, and half of them are left
  'spool-moisture': [
    { openHours: 8, dryingC: 80, dryingH: 10, air: [{ hours: 4, temperatureC: 23, humidityPct: 50 }] },
    { fraction: 0.2 * Math.SQRT1_2, state: 'use-within', useWithinH: 4, needsDryingH: 0 },
  ],
  // One slot: the shorter one first, 4 h, then 6 h more
  'dryer-plan': [
    {
      spools: [
        { id: 'a', dryingC: 70, hours: 6, needByH: 20 },
        { id: 'b', dryingC: 70, hours: 4, needByH: 20 },
      ],
      dryers: [{ id: 'd', slots: 1, maximumC: 80 }],
    },
    {
      lateH: 0,
      runs: [
        { dryer: 'd', spools: 'b', temperatureC: 70, startH: 0, endH: 4 },
        { dryer: 'd', spools: 'a', temperatureC: 70, startH: 4, endH: 10 },
      ],
      impossible: [],
    },
  ],
  // ρ/3 within, ρ upwards
  'infill-core': [
    { pattern: 'triangles', infillShare: 0.3 },
    { stiffnessWithinLayers: 0.1, strengthWithinLayers: 0.1, stiffnessUpwards: 0.3, strengthUpwards: 0.3 },
  ],
  'section-properties': [{ section: bar }, { areaMm2: 120, secondMomentMm4: 360, extremeFibreMm: 3 }],
  // 15·60³/(3·2400·360) = 1.25; 1.2·15·60/(870·120) = 0.010345
  'cantilever-deflection': [
    { forceN: 15, spanMm: 60, modulusMPa: 2400, shearModulusMPa: 870, section: bar },
    { bendingMm: 1.25, shearMm: 0.010345, totalMm: 1.260345 },
  ],
  // 15·60·3/360 = 7.5; r/d = 0.1: Kt = 0.9072·0.1^−0.33333 = 1.95450; 1.5·15/120
  'cantilever-root-stress': [
    { forceN: 15, spanMm: 60, section: bar, filletRadiusMm: 0.6 },
    { nominalMPa: 7.5, concentration: 1.9545, peakMPa: 14.6587, peakShearMPa: 0.1875 },
  ],
  'modulus-at-hdt': [{ modulus23MPa: 2000, hdtStressMPa: 1.8 }, { modulusMPa: 620.6897 }],
  // The curve passes through the ISO 75 point itself.
  'modulus-at-temperature': [
    { familyId: 'abs', modulus23MPa: 2000, hdt: [{ temperatureC: 86, stressMPa: 1.8 }], temperatureC: 86 },
    { modulusMPa: 620.6897, ratio: 0.310345 },
  ],
  // PETG, 115 kJ/mol, 45 °C (below Tg − 30 = 50 °C): Arrhenius alone
  'time-temperature-shift': [{ familyId: 'petg', temperatureC: 45 }, { decades: 1.402578 }],
  'creep-growth': [{ familyId: 'petg', temperatureC: 23, durationH: 1000 }, { growth: 1.297228 }],
  'off-axis-strength': [{ inPlaneMPa: 50, acrossMPa: 25, shearMPa: 20, angleDeg: 45 }, { strengthMPa: 31.2348 }],
  'off-axis-modulus': [
    { inPlaneMPa: 2000, acrossMPa: 1800, shearMPa: 700, poisson: 0.38, angleDeg: 90 },
    { modulusMPa: 1800 },
  ],
  // 0.5^0.8 = 0.574349; 100 min: 1 − 2·0.06
  'strength-factor': [
    { modulusRatio: 0.5, exponent: 0.8, durationH: 100 / 60, lossPerDecade: 0.06 },
    { temperatureFactor: 0.574349, timeFactor: 0.88, factor: 0.505427 },
  ],
  // 1 + (2.8 − 1)·2300/2500 = 2.656 on 2500 MPa
  'family-value': [{ familyId: 'pa6', reinforcementId: 'carbon-15', property: 'tensileModulus' }, { value: 6640 }],
  // PA6: 0.65; carbon 15: 0.75/1.4
  'across-layer-share': [{ familyId: 'pa6', reinforcementId: 'carbon-15', of: 'strength' }, { ratio: 0.348214 }],
  'moisture-retention': [{ familyId: 'pla', of: 'modulus', state: 'conditioned' }, { ratio: 0.97 }],
  'snap-hook-strain': [
    { travelMm: 1.5, lengthMm: 20, thicknessMm: 2, taper: 'even', bendingForceN: 10, leadAngleDeg: 30, friction: 0.3 },
    { strainPct: 1.125, matingForceN: 10.611487 },
  ],
  'hinge-strain': [{ thicknessMm: 0.5, lengthMm: 6, angleDeg: 180 }, { strainPct: 13.089969 }],
  // 0 mm: twice the weight, 2·9.80665
  'knock-force': [{ fallingMassG: 1000, dropHeightMm: 0, mmPerN: 0.01 }, { forceN: 19.6133 }],
  // 40·0.2 = 8; 8·(1 − 10/40) = 6
  'fatigue-amplitude': [
    { strengthMPa: 40, share1e6: 0.2, share1e7: 0.17, cycles: 1e6, meanMPa: 10 },
    { reversedMPa: 8, withMeanMPa: 6 },
  ],
  // 5.520507·1.5·π/4·40²/20
  'pad-stiffness': [
    { shoreA: 70, shape: 'disc', lengthMm: 40, widthMm: 1, heightMm: 20, faces: 'bonded' },
    { modulusMPa: 5.520507, shapeFactor: 0.5, stiffnessNPerMm: 520.295491 },
  ],
  // √(0.2·1200·1250) = 547.72 beside 547.7226: halfway
  'contact-temperature': [
    {
      conductivityWPerMK: 0.2,
      densityGPerCm3: 1.2,
      heatJPerGK: 1.25,
      ownTemperatureC: 20,
      otherEffusivity: 547.7225575,
      otherTemperatureC: 100,
    },
    { ownEffusivity: 547.722558, contactTemperatureC: 60 },
  ],
  'growth-difference': [
    { expansion1e6PerK: 90, otherExpansion1e6PerK: 11.7, lengthMm: 400, coldestC: -20, hottestC: 50 },
    { differenceMm: 1.34676 },
  ],
  'cold-reserve': [{ temperatureC: -25, brittleBelowC: -49 }, { reserve: 1.5 }],
  // 0.8²
  'weathered-strength': [{ sharePer1000h: 0.8, acceleratedH: 2000 }, { shareLeft: 0.64 }],
  // 0.0288 + 0.3456 + 24·80e−6·5 = 0.0096; 0.0288 + 0.0096
  'size-drift': [
    {
      nominalMm: 24,
      shrinkPct: 1.2,
      scatterShare: 0.1,
      swellingSaturationPct: 2.4,
      relativeHumidityPct: 60,
      expansion1e6PerK: 80,
      coldestC: 18,
      hottestC: 28,
    },
    { largerByMm: 0.384, smallerByMm: 0.0384 },
  ],
  'wear-depth': [{ rateMm3PerNm: 1e-5, pressureMPa: 1, distanceM: 10000 }, { depthMm: 0.1 }],
  'nine-of-ten': [{ covShare: 0.1 }, { factor: 0.87999 }],
  ...partCases(),
  'part-cost': [
    {
      massG: 100,
      volumeMm3: 80000,
      pricePerKgUsd: 30,
      dryingH: 6,
      filament: 'abrasive',
      nozzle: 'hardened',
      volumetricFlowMm3PerS: 10,
      hourlyRateUsd: 2,
      purgeShare: 0.08,
      scrapShare: 0.07,
      printTimeFactor: 2.2,
      labourPerPartUsd: 4,
      quantity: 10,
      setupUsd: 5,
      supportG: 0,
    },
    // 108 g: 0.0778 of drying, 108/8000 of a nozzle of 25 USD; (3.24 + 9.7778 + 0.0778 + 0.3375 + 4) / 0.93 + 0.5.
    {
      filamentUsd: 3.24,
      dryingUsd: 0.07776,
      nozzleUsd: 0.3375,
      printTimeH: 4.888889,
      setupUsd: 0.5,
      totalUsd: 19.245199,
    },
  ],
  'temperature-reserve': [{ limitC: 60, requiredC: 50 }, { reserve: 1.37037 }],
  'footprint-fits': [{ lengthMm: 250, widthMm: 10, bedLengthMm: 220, bedWidthMm: 220 }, { fits: true }],
  'read-quantity': [
    { text: '140 °F', dimension: 'temperature' },
    { canonical: 60, unit: '°F' },
  ],
  'convert-unit': [{ value: 1, from: 'in', to: 'mm', dimension: 'length' }, { value: 25.4 }],
};

test('every calculator has a case here', () =>
  expect(Object.keys(cases).sort()).toEqual(calculators.map((one) => one.id).sort()));

test.each(Object.entries(cases))('%s', (id, [input, expected]) => {
  const calculator = findCalculator(id)!;
  const checked = validator(calculator.input)(input);
  expect(checked).toMatchObject({ ok: true });
  const output = calculator.run(input) as Record<string, unknown>;
  expect(validator(calculator.output)(output)).toMatchObject({ ok: true });
  for (const [field, value] of Object.entries(expected)) {
    if (typeof value === 'number') expect(output[field]).toBeCloseTo(value, 3);
    else expect(output[field]).toEqual(value);
  }
});

test.each([
  ['creep-growth', { familyId: 'oak', temperatureC: 23, durationH: 1 }, 'familyId'],
  ['family-value', { familyId: 'tpu-95a', property: 'flexuralStrength' }, 'property'],
  ['read-quantity', { text: '12 furlongs', dimension: 'length' }, 'text'],
  ['convert-unit', { value: 1, from: 'stone', to: 'kg', dimension: 'mass' }, 'unit'],
  ['section-properties', { section: { kind: 'tube', outerDiameterMm: 10, wallMm: 5 } }, 'wallMm'],
  [
    'part-ring',
    { outerDiameterMm: 60, wallMm: 3, lengthMm: 30, loading: 'pressed-from-inside', forceN: 5, modulusMPa: 2000 },
    'pressureMPa',
  ],
])('%s refuses %p at %s', (id, input, field) => {
  expect(() => findCalculator(id)!.run(input)).toThrow(InputError);
  try {
    findCalculator(id)!.run(input);
  } catch (error) {
    expect((error as InputError).field).toBe(field);
  }
});

test('every calculator’s example fits its input and gives an answer that fits its output', () => {
  for (const calculator of calculators) {
    expect([calculator.id, validator(calculator.input)(calculator.example)]).toMatchObject([
      calculator.id,
      { ok: true },
    ]);
    const answer = calculator.run(calculator.example);
    expect([calculator.id, validator(calculator.output)(answer)]).toMatchObject([calculator.id, { ok: true }]);
  }
});

test('every calculator refuses an empty input and an unknown field by pointer', () => {
  for (const calculator of calculators) {
    const check = validator(calculator.input);
    expect(check({})).toMatchObject({ ok: false });
    const [input] = cases[calculator.id]!;
    expect(check({ ...(input as object), surprise: 1 })).toMatchObject({
      ok: false,
      issues: [{ pointer: '/surprise' }],
    });
  }
});
