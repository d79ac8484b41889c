import { spellOut } from '@anvilstone/core/foundations';
import type { Brief, Grade } from '@anvilstone/schema';
import { sizeDrift } from '../../machines/fit/sizeDrift.ts';
import { applies, outcome, testBrief, testGrade } from '../testContext.ts';

const asking = (asks: Brief['asks']): Brief => ({ ...testBrief, asks });
const family = (familyId: string, rest: Partial<Grade> = {}): Grade => ({ ...testGrade, familyId, ...rest });

describe('a size that has to fit', () => {
  const fit = (dampestRhPct: number, rest: Partial<NonNullable<Brief['asks']['fit']>> = {}) =>
    asking({ fit: { nominalMm: 24, allowedMm: 0.1, dampestRhPct, coldestC: 18, hottestC: 28, ...rest } });
  // PA6: 24 mm · 1.2 % · 0.1 = 0.0288; 24 · 2.4 % · 60 % = 0.3456
  test('a polyamide tray against 0.1 mm fails in humidity only', () => {
    expect(outcome('fit-size', fit(0), 'XZ', family('pa6'))).toMatchObject({ status: 'pass', unit: 'mm' });
    const damp = outcome('fit-size', fit(60), 'XZ', family('pa6'));
    expect(damp.status).toBe('fail');
    expect(spellOut(damp.reason)).toMatch(/most of it swelling/);
    expect(outcome('fit-size', fit(60), 'XZ', family('petg')).status).toBe('pass');
  });
  test('term by term', () => {
    const drift = sizeDrift({
      nominalMm: 24,
      shrinkPct: 1.2,
      scatterShare: 0.1,
      swellingSaturationPct: 2.4,
      relativeHumidityPct: 60,
      expansion1e6PerK: 80,
      coldestC: 18,
      hottestC: 28,
    });
    expect(drift.scatterMm).toBeCloseTo(0.0288, 9);
    expect(drift.swellingMm).toBeCloseTo(0.3456, 9);
    expect(drift.warmMm).toBeCloseTo(0.0096, 9);
    expect(drift.coldMm).toBeCloseTo(0.0096, 9);
    expect(drift.uptake).toBe(1);
  });
  test('a short time in the damp takes up less: half after the half time of a 2 mm wall', () => {
    const soak = { hours: 100, thicknessMm: 2, halfTime2mmH: 100 };
    const drift = sizeDrift({
      nominalMm: 100,
      shrinkPct: 0,
      scatterShare: 0,
      swellingSaturationPct: 2,
      relativeHumidityPct: 100,
      expansion1e6PerK: 0,
      coldestC: 23,
      hottestC: 23,
      soak,
    });
    expect(drift.swellingMm).toBeCloseTo(1, 2);
  });
  test('in the cold it shrinks, and that side is said', () =>
    expect(spellOut(outcome('fit-size', fit(0, { coldestC: -40, allowedMm: 0.05 })).reason)).toMatch(/smaller/));
});

describe('looks', () => {
  test('a black-only filled grade is excluded by colour', () => {
    const notBlack = asking({ colour: { notBlack: true } });
    const filled = family('abs', { reinforcementId: 'carbon-10', colours: ['black'] });
    expect(outcome('colour', notBlack, 'XZ', filled)).toMatchObject({
      status: 'fail',
      reason: expect.stringMatching(/Only in black/) as unknown,
    });
    expect(outcome('colour', notBlack, 'XZ', { ...filled, colours: [] }).status).toBe('fail');
    expect(outcome('colour', notBlack, 'XZ', family('abs', { colours: ['black', 'grey'] })).status).toBe('pass');
    expect(outcome('colour', notBlack).status).toBe('unknown');
  });
  test('a wanted colour, however it is written', () => {
    const grey = asking({ colour: { wanted: 'Grey' } });
    expect(outcome('colour', grey, 'XZ', family('abs', { colours: ['grey'] })).status).toBe('pass');
    expect(outcome('colour', grey, 'XZ', family('abs', { colours: ['red'] })).status).toBe('fail');
  });
  test('a clear polymer does not make a clear print', () => {
    const through = (clarity: 'see-through' | 'lets-light-through', familyId: string, rest: Partial<Grade> = {}) =>
      outcome('clarity', asking({ clarity }), 'XZ', family(familyId, { colours: ['clear'], ...rest })).status;
    expect(through('see-through', 'petg')).toBe('unknown');
    expect(through('lets-light-through', 'petg')).toBe('pass');
    expect(through('see-through', 'pa12')).toBe('fail');
    expect(through('lets-light-through', 'abs')).toBe('fail');
    expect(through('lets-light-through', 'petg', { reinforcementId: 'glass-10' })).toBe('fail');
    expect(through('lets-light-through', 'petg', { colours: ['black'] })).toBe('fail');
  });
  test('layer lines: a matt filler hides them, bare polymer needs work', () => {
    const hidden = asking({ layerLinesHidden: true });
    expect(outcome('layer-lines', hidden, 'XZ', family('abs', { reinforcementId: 'glass-10' })).status).toBe('pass');
    expect(outcome('layer-lines', hidden).reason).toMatch(/smooth it with/);
  });
});

describe('wear', () => {
  const rubs = (rest: object): Brief => asking({ sliding: { pressureMPa: 2, speedMPerS: 0.01, ...rest } });
  // poor 5e−5 · 2 MPa · 10 000 m = 1 mm
  test('rate × pressure × distance', () => {
    const worn = outcome('wear', rubs({ distanceKm: 10, maxWearMm: 0.5 }));
    expect(worn).toMatchObject({ status: 'fail', evidence: 'D', unit: 'mm' });
    expect(worn.demand).toBeCloseTo(1, 9);
    expect(outcome('wear', rubs({ distanceKm: 10, maxWearMm: 0.5 }), 'XZ', family('pom')).status).toBe('pass');
  });
  test('is asked only with a way and an end to it', () => {
    expect(applies('wear', rubs({ distanceKm: 10 }))).toBe(false);
    expect(applies('wear', rubs({ distanceKm: 10, maxWearMm: 1 }))).toBe(true);
  });
  test('a measured rate leads, a filler changes a typical one', () => {
    const ask = rubs({ distanceKm: 10, maxWearMm: 0.5 });
    const measured = family('abs', {
      observations: [
        ...testGrade.observations,
        { id: 'k', property: 'wearRate', value: 1e-6, unit: 'mm³/(N·m)', source: 'bench', count: 3, reference: 'rig' },
      ],
    });
    expect(outcome('wear', ask, 'XZ', measured).demand).toBeCloseTo(0.02, 9);
    expect(outcome('wear', ask, 'XZ', family('abs', { reinforcementId: 'carbon-10' })).demand).toBeCloseTo(0.6, 9);
  });
});

describe('print and supply', () => {
  // ABS 4 · √(100/100) in the enclosed machine
  test('warp: longer edges and open machines lift sooner', () => {
    const flat = asking({ liesFlat: true });
    const small = outcome('lies-flat', flat, 'XY');
    const long = outcome('lies-flat', { ...flat, part: { ...testBrief.part, spanMm: 200 } }, 'XY');
    expect(long.demand! / small.demand!).toBeCloseTo(Math.SQRT2, 9);
    expect(outcome('lies-flat', flat, 'ZX').demand!).toBeLessThan(small.demand!);
    expect(outcome('lies-flat', flat, 'XY', family('pla')).demand!).toBeLessThan(small.demand!);
  });
  test('sterilising: the families that usually survive it, and only so often', () => {
    const steam = (cycles: number) => asking({ sterilise: { method: 'steam 121 °C', cycles } });
    expect(outcome('sterilise', steam(1)).status).toBe('fail');
    expect(outcome('sterilise', steam(5), 'XZ', family('ppsu'))).toMatchObject({
      status: 'pass',
      evidence: 'D',
      reserve: 2,
    });
    expect(outcome('sterilise', steam(200), 'XZ', family('ppsu')).status).toBe('unknown');
    const proven = family('ppsu', {
      claims: [
        { kind: 'sterilisation', statement: '300 cycles of steam 121 °C', scope: 'printed-specimen', reference: 'r' },
      ],
    });
    expect(outcome('sterilise', steam(200), 'XZ', proven)).toMatchObject({ status: 'pass', evidence: 'B' });
  });
  // 10 mm walls: the slow end, 24 h
  test('dissolving on purpose', () => {
    const bath = (name: 'water' | 'd-limonene' | 'isopropanol', withinH: number) =>
      asking({ dissolves: { bath: name, withinH } });
    expect(outcome('dissolves', bath('water', 24), 'XZ', family('pva'))).toMatchObject({ demand: 24, status: 'pass' });
    expect(outcome('dissolves', bath('water', 12), 'XZ', family('pva')).status).toBe('fail');
    expect(outcome('dissolves', bath('water', 100)).status).toBe('fail');
    expect(outcome('dissolves', bath('d-limonene', 48), 'XZ', family('hips')).status).toBe('pass');
  });
  test('available: not stated is unknown', () => {
    const soon = asking({ availableWithinDays: 3 });
    expect(outcome('available', soon).status).toBe('unknown');
    expect(outcome('available', soon, 'XZ', family('abs', { leadTimeDays: 0 })).status).toBe('pass');
    expect(outcome('available', soon, 'XZ', family('abs', { leadTimeDays: 5 })).status).toBe('fail');
    expect(outcome('available', soon, 'XZ', family('abs', { leadTimeDays: 0, discontinued: true })).status).toBe(
      'fail',
    );
  });
});
