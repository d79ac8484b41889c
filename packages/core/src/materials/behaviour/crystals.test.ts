import { families, findFamily } from '../reference/family.ts';
import { chamberCrystallisesC, crystallinityOf, solidityOf } from './crystals.ts';

const family = (id: string) => findFamily(id)!;

describe('how a part is as it is used', () => {
  test.each([
    ['pla', {}, 'amorphous'],
    ['pla', { annealed: true }, 'crystallised'],
    ['pla', { inChamber: true }, 'amorphous'],
    ['abs', { annealed: true }, 'amorphous'],
    ['pet', {}, 'amorphous'],
    ['pet', { annealed: true }, 'crystallised'],
    ['pet', { inChamber: true }, 'crystallised'],
    ['peek', { inChamber: true }, 'crystallised'],
    ['pa6', {}, 'crystallised'],
    ['pp', { annealed: true }, 'crystallised'],
    ['tpu-95a', { annealed: true, inChamber: true }, 'elastomer'],
    ['pekk-amorphous', {}, 'amorphous'],
    ['pekk-amorphous', { annealed: true }, 'crystallised'],
  ] as const)('%s, %j: %s', (id, how, wanted) => expect(solidityOf(family(id), how)).toBe(wanted));

  test('an oven or a chamber never undoes crystals', () => {
    for (const one of families)
      if (solidityOf(one, {}) === 'crystallised')
        expect(solidityOf(one, { annealed: true, inChamber: true })).toBe('crystallised');
  });
});

describe('a chamber in which it crystallises as it is laid', () => {
  // 15 K above the glass transition
  test.each([
    ['pet', 92],
    ['pps', 105],
    ['peek', 158],
    ['pa12', null],
    ['abs', null],
  ])('%s: %p °C', (id, celsius) => expect(chamberCrystallisesC(family(id))).toBe(celsius));
  test('of a family that nobody knows nothing is said', () => expect(chamberCrystallisesC(undefined)).toBeNull());
});

describe('the state of a test piece', () => {
  const piece = (more: object) => ({ source: 'datasheet' as const, ...more });
  test.each([
    [{ specimen: 'printed' }, 'amorphous'],
    [{ specimen: 'moulded' }, 'crystallised'],
    [{ specimen: 'filament' }, 'crystallised'],
    [{}, 'crystallised'],
    [{ source: 'bench' }, 'amorphous'],
    [{ specimen: 'printed', crystallinity: 'crystallised' }, 'crystallised'],
    [{ specimen: 'moulded', crystallinity: 'amorphous' }, 'amorphous'],
  ] as const)('%j of a slow crystalliser: %s', (how, wanted) =>
    expect(crystallinityOf(piece(how), family('peek'))).toBe(wanted),
  );
  test('of what crystallises anyhow, or never, it makes no difference', () => {
    for (const id of ['pa6', 'pp', 'abs', 'tpu-95a'])
      expect(crystallinityOf(piece({ crystallinity: 'amorphous' }), family(id))).toBeUndefined();
  });
});
