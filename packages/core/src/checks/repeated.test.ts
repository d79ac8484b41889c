import type { Brief } from '@anvilstone/schema';
import { briefWith, outcome, testBrief, testGrade } from './testContext.ts';

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
