/** Where shape and air set a limit, by hand: each number can be redone with a pencil. */
import { findFamily } from './reference/family.ts';
import { builtUpTemperatureC } from '../shapes/parts/hotContact.ts';
import { heatLimitLabel, heatLimitWords } from '../decisions/wording/heatLimitWords.ts';
import { ageingLimitC } from './behaviour/ageingLimit.ts';
import { matrixCreep, type CreepMaterial } from './behaviour/creep.ts';
import { formLimit, formLimitAfter, type FormLimitInput } from './behaviour/formLimit.ts';

const of = (familyId: string, change: Partial<FormLimitInput>) => {
  const family = findFamily(familyId)!;
  const { glassTransitionC, meltingC } = family;
  const usual = { family, solidity: 'amorphous', glassTransitionC, meltingC, heatDeflectionC: null } as const;
  const { continuousC, peakC, evidence } = formLimit({ ...usual, hasFibre: false, isOwn: false, ...change });
  return [continuousC, peakC, evidence];
};

describe('form limit', () => {
  // 80 − 10 and 80 − 5; 3 K more with fibre
  test('amorphous: below the glass transition, a few kelvin more with fibre', () => {
    expect(of('petg', { glassTransitionC: 80 })).toEqual([70, 75, 'D']);
    expect(of('petg', { glassTransitionC: 80, hasFibre: true })).toEqual([73, 78, 'D']);
    expect(of('petg', { glassTransitionC: 77, isOwn: true })).toEqual([67, 72, 'C']);
  });
  // 82 + (155 − 82)/10 = 89.3; 82 + (155 − 82)/4 = 100.25
  test('crystallised: some way from heat deflection towards melting', () =>
    expect(of('pp', { solidity: 'crystallised', meltingC: 155, heatDeflectionC: 82 })).toEqual([89.3, 100.25, 'D']));
  // 166 − 30 and 166 − 20, though 150 + 1.6 and 150 + 4 lie higher
  test('crystallised: never close to melting', () =>
    expect(of('pom', { solidity: 'crystallised', meltingC: 166, heatDeflectionC: 150 })).toEqual([136, 146, 'D']));
  test('crystallised: the own Vicat softening leads, and 10 K less for good', () =>
    expect(of('pa12', { solidity: 'crystallised', meltingC: 178, vicatC: 140, isOwn: true })).toEqual([130, 140, 'C']));
  test('elastomers: the hard phase’s softening, or the own Vicat softening where that is lower', () => {
    expect(of('tpu-95a', { solidity: 'elastomer' })).toEqual([95, 105, 'D']);
    expect(of('tpu-95a', { solidity: 'elastomer', vicatC: 88 })).toEqual([88, 98, 'D']);
    expect(of('tpu-95a', { solidity: 'elastomer', vicatC: 120 })).toEqual([95, 105, 'D']);
  });
  test.each([
    [0.1, 75],
    [1, 75],
    [Math.sqrt(1000), 72.5],
    [1000, 70],
    [100_000, 70],
  ])('after %p h it is %p °C: straight in the logarithm between an hour and 1000 h', (hours, limitC) =>
    expect(formLimitAfter({ continuousC: 70, peakC: 75, basis: '', evidence: 'D' }, hours)).toBeCloseTo(limitC, 9),
  );
});

describe('ageing', () => {
  // 1/348.15 + 8.31446e-5·ln(1000/20 000) = 0.00262325: 381.21 K
  test.each([
    [20_000, 75],
    [1000, 108.06],
    // ln 5 more: 0.00287232 + 0.00013381 = 0.00300613: 332.65 K
    [100_000, 59.5],
  ])('75 °C in 20 000 h are, in %p h, %p °C', (hours, limitC) =>
    expect(ageingLimitC(75, hours)).toBeCloseTo(limitC, 1),
  );
  test('shorter than 100 h and longer than 200 000 h it is not carried', () => {
    expect(ageingLimitC(75, 1)).toBe(ageingLimitC(75, 100));
    expect(ageingLimitC(75, 1e6)).toBe(ageingLimitC(75, 200_000));
  });
});

test('filler loses its hold on the creep of an amorphous matrix within 30 K of the glass transition', () => {
  const filled: CreepMaterial = {
    creepA: 0.05,
    creepN: 0.2,
    activationKjPerMol: 105,
    morphology: 'amorphous',
    glassTransitionC: 100,
    fillerFactor: 0.5,
  };
  expect([23, 70, 85, 100, 110].map((t) => matrixCreep(filled, t))).toEqual([1, 1, 1.5, 2, 2]);
  expect(matrixCreep({ ...filled, morphology: 'semiCrystalline' }, 100)).toBe(1);
  expect(matrixCreep({ ...filled, fillerFactor: 1.1 }, 100)).toBe(1);
});

test('a face touched half of the time counts for half of its effusivity', () => {
  const pair = { ownEffusivity: 600, ownTemperatureC: 23, otherEffusivity: 19_500, otherTemperatureC: 110 };
  // (600·23 + 19 500·110)/20 100; (300·23 + 19 500·110)/19 800
  expect(builtUpTemperatureC({ ...pair, duty: 0 })).toBeCloseTo(107.403, 3);
  expect(builtUpTemperatureC({ ...pair, duty: 0.5 })).toBeCloseTo(108.682, 3);
  expect(builtUpTemperatureC({ ...pair, duty: 1 })).toBeCloseTo(110, 6);
});

test.each([
  [{ ownHeatLimitC: 59.9, ownHeatLimitBy: 'form' }, '59 °C, by form'],
  [{ ownHeatLimitC: 59.9, ownHeatLimitBy: 'ageing' }, '59 °C, by ageing'],
  [{ ownHeatLimitC: 59.9 }, '59 °C'],
  [{ ownHeatLimitC: -80, ownHeatLimitBy: 'load' }, 'fails cold too'],
  [{ ownHeatLimitC: null }, 'unknown'],
] as const)('%j is said: %s', (entry, words) => expect(heatLimitWords(entry, 'metric')).toBe(words));

test.each([
  [{ ownHeatLimitC: 59.9, ownHeatLimitBy: 'ageing' }, 'limit 59 °C, ageing'],
  [{ ownHeatLimitC: 59.9 }, 'limit 59 °C'],
  [{ ownHeatLimitC: -80, ownHeatLimitBy: 'load' }, 'fails cold too'],
  [{ ownHeatLimitC: null }, 'heat unknown'],
] as const)('%j is labelled: %s', (entry, words) => expect(heatLimitLabel(entry, 'metric')).toBe(words));
