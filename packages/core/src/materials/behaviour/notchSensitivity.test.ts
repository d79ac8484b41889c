import { findFamily } from '../reference/family.ts';
import { findReinforcement, reinforcements } from '../reference/reinforcement.ts';
import { families } from '../reference/family.ts';
import { acrossEnergyShare, notchSensitivityOf, steppedFilletFactor } from './notchSensitivity.ts';

const family = (id: string) => findFamily(id)!;
const of = (id: string, filler: string | null = null, state: 'dry' | 'conditioned' | 'wet' = 'dry') =>
  notchSensitivityOf(family(id), findReinforcement(filler), state);

describe('how much a notch matters', () => {
  test.each([
    ['abs', null, 'dry', 'low'],
    ['abs', 'carbon-15', 'dry', 'medium'],
    ['petg', null, 'dry', 'medium'],
    ['petg', 'glass-30', 'dry', 'high'],
    ['pc', null, 'dry', 'high'],
    ['pc', 'glass-10', 'dry', 'high'],
    ['pa6', null, 'dry', 'medium'],
    ['pa6', null, 'conditioned', 'low'],
    ['pa6', 'glass-30', 'dry', 'high'],
    ['pa6', 'glass-30', 'wet', 'medium'],
    ['tpu-95a', 'glass-30', 'dry', 'low'],
    // Neither stiff ends nor water in the way.
    ['petg', 'ptfe-lubricant', 'dry', 'medium'],
    ['petg', null, 'wet', 'medium'],
  ] as const)('%s with %s, %s: %s', (id, filler, state, wanted) => expect(of(id, filler, state)).toBe(wanted));

  test('a filler never makes a family less sensitive, water never more', () => {
    const order = ['low', 'medium', 'high'];
    for (const { id } of families)
      for (const filler of [null, ...reinforcements.map((one) => one.id)]) {
        const [neat, filled, wet] = [of(id), of(id, filler), of(id, filler, 'wet')].map((one) => order.indexOf(one));
        expect({ id, filler, ok: filled! >= neat! }).toEqual({ id, filler, ok: true });
        expect({ id, filler, ok: wet! <= filled! }).toEqual({ id, filler, ok: true });
      }
  });
});

describe('what is left across the layers', () => {
  // 0.7² = 0.49, 0.7³ = 0.343, 0.7⁴ = 0.2401
  test.each([
    ['low', 0.49],
    ['medium', 0.343],
    ['high', 0.2401],
  ] as const)('a bond of 0.7, sensitivity %s: %p of the energy', (sensitivity, share) =>
    expect(acrossEnergyShare(sensitivity, 0.7)).toBeCloseTo(share, 12),
  );
  test('a perfect bond leaves all of it, no bond nothing, and one that is better than the layers no more', () => {
    for (const sensitivity of ['low', 'medium', 'high'] as const) {
      expect(acrossEnergyShare(sensitivity, 1)).toBe(1);
      expect(acrossEnergyShare(sensitivity, 0)).toBe(0);
      expect(acrossEnergyShare(sensitivity, 1.2)).toBe(1);
    }
  });
});

describe('a fillet that is built in steps', () => {
  test('counts nothing more within the layers, all of it straight across, half at 45°', () => {
    expect(steppedFilletFactor('high', 0)).toBe(1);
    expect(steppedFilletFactor('high', 90)).toBeCloseTo(1.3, 12);
    expect(steppedFilletFactor('high', 45)).toBeCloseTo(1.15, 12);
    expect(steppedFilletFactor('medium', 90)).toBeCloseTo(1.15, 12);
  });
  test('is nothing to a grade that does not feel notches', () => {
    for (const angleDeg of [0, 30, 60, 90]) expect(steppedFilletFactor('low', angleDeg)).toBe(1);
  });
});
