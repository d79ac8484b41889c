import { spellOut } from '@anvilstone/core/foundations';
import fc from 'fast-check';
import { waterDiffusionMm2PerH } from '../../materials/behaviour/sorption.ts';
import type { Dryer, SpoolToDry } from './dryer.ts';
import { planDryers, type DryerPlan } from './dryerPlan.ts';
import { dutiesOf, isBetterPlan, runTemperatureC, scoreOf, type Duty, type Score } from './duties.ts';
import { quickPlan } from './quickPlan.ts';

const spool = (id: string, change: Partial<SpoolToDry> = {}): SpoolToDry => ({
  id,
  dryingC: 70,
  hours: 6,
  needByH: 24,
  ...change,
});
const dryer = (id: string, change: Partial<Dryer> = {}): Dryer => ({ id, slots: 2, maximumC: 85, ...change });
const readyOf = (plan: DryerPlan, id: string) =>
  plan.runs.flatMap(({ spools }) => spools).find((one) => one.id === id)!.readyH;

test('by hand: two go together, the third waits for them', () => {
  const plan = planDryers([spool('a'), spool('b'), spool('c', { hours: 4 })], [dryer('d')]);
  expect(plan.exact).toBe(true);
  expect(plan.lateH).toBe(0);
  // Four hours first and then six: 4 + 6 + … is less in sum than 6 + 6 + 10.
  expect(plan.runs.flatMap(({ spools }) => spools).reduce((sum, { readyH }) => sum + readyH, 0)).toBeCloseTo(
    4 + 6 + 12,
    9,
  );
});

test('by hand: dried 10 K cooler it takes as much longer as water moves slower', () => {
  const plan = planDryers([spool('a')], [dryer('d', { maximumC: 60 })]);
  const slower = waterDiffusionMm2PerH(1, 70) / waterDiffusionMm2PerH(1, 60);
  expect(slower).toBeGreaterThan(1.5);
  expect(plan.runs[0]!.temperatureC).toBe(60);
  expect(readyOf(plan, 'a')).toBeCloseTo(6 * slower, 9);
});

test('never hotter than the tenderest spool of a run', () => {
  const plan = planDryers([spool('pla', { dryingC: 50, limitC: 55 }), spool('pa', { dryingC: 70 })], [dryer('d')]);
  for (const { spools, temperatureC } of plan.runs)
    expect(temperatureC).toBeLessThanOrEqual(spools.some(({ id }) => id === 'pla') ? 55 : 70);
});

test('a spool that no dryer can dry says why, and the others are planned', () => {
  const plan = planDryers([spool('hot', { dryingC: 150 }), spool('a')], [dryer('d')]);
  expect(spellOut(plan.impossible)).toEqual([
    { id: 'hot', why: 'it is dried at 150 °C; the hottest dryer reaches 85 °C' },
  ]);
  expect(readyOf(plan, 'a')).toBe(6);
});

test('not before it is at hand, and not before the dryer is free', () => {
  const plan = planDryers([spool('a', { fromH: 3 }), spool('b')], [dryer('d', { slots: 1, freeH: 2 })]);
  expect(readyOf(plan, 'b')).toBe(8);
  expect(readyOf(plan, 'a')).toBe(14);
});

test('late where it cannot be helped, and by how much', () => {
  const plan = planDryers([spool('a', { needByH: 4 })], [dryer('d')]);
  expect(plan.lateH).toBeCloseTo(2, 9);
  expect(plan.runs[0]!.spools[0]!.lateH).toBeCloseTo(2, 9);
});

test.each<[string, SpoolToDry[], Dryer[], RegExp]>([
  ['two spools of one name', [spool('a'), spool('a')], [dryer('d')], /spools/],
  ['no hours', [spool('a', { hours: 0 })], [dryer('d')], /hours/],
  ['a limit below its drying', [spool('a', { limitC: 60 })], [dryer('d')], /limitC/],
  ['half a slot', [spool('a')], [dryer('d', { slots: 0.5 })], /slots/],
])('refuses %s by name', (_what, spools, dryers, said) => expect(() => planDryers(spools, dryers)).toThrow(said));

const spools = fc.array(
  fc.record({
    dryingC: fc.constantFrom(45, 50, 65, 70, 80),
    over: fc.constantFrom(0, 5, 15),
    hours: fc.integer({ min: 1, max: 12 }),
    needByH: fc.integer({ min: 1, max: 40 }),
    fromH: fc.constantFrom(0, 0, 0, 5),
  }),
  { minLength: 1, maxLength: 4 },
);
const dryers = fc.array(fc.record({ slots: fc.integer({ min: 1, max: 3 }), maximumC: fc.constantFrom(60, 70, 90) }), {
  minLength: 1,
  maxLength: 2,
});
const named = (list: readonly { dryingC: number; over: number; hours: number; needByH: number; fromH: number }[]) =>
  list.map(({ over, ...one }, i): SpoolToDry => ({ ...one, id: `s${i}`, limitC: one.dryingC + over }));

/** Every spool in every run of every dryer, tried one after the other: slow and without any cleverness. */
function everyWay(all: readonly SpoolToDry[], at: readonly Dryer[]): Score {
  let best: Score = { lateH: Infinity, readyH: Infinity, runs: Infinity };
  const places = at.flatMap((_, d) => all.map((_one, r) => [d, r] as const));
  const look = (i: number, chosen: readonly (readonly [number, number])[]): void => {
    if (i < all.length) {
      for (const place of places) look(i + 1, [...chosen, place]);
      return;
    }
    const plan = at.map((one, d): Duty => ({
      dryer: one,
      runs: all
        .map((_, r) => all.filter((_spool, k) => chosen[k]![0] === d && chosen[k]![1] === r))
        .filter((run) => run.length > 0),
    }));
    if (plan.some((duty) => duty.runs.some((run) => runTemperatureC(duty.dryer, run) === undefined))) return;
    const score = scoreOf(plan);
    if (isBetterPlan(score, best)) best = score;
  };
  look(0, []);
  return best;
}

test('as good as trying every place of every spool', () =>
  fc.assert(
    fc.property(spools, dryers, (list, at) => {
      const all = named(list);
      const machines = at.map((one, i): Dryer => ({ ...one, id: `d${i}` }));
      const plan = planDryers(all, machines);
      const possible = all.filter(({ id }) => !plan.impossible.some((one) => one.id === id));
      const best = everyWay(possible, machines);
      expect(plan.lateH).toBeCloseTo(best.lateH, 6);
      const readyH = plan.runs.flatMap((run) => run.spools).reduce((sum, one) => sum + one.readyH, 0);
      expect(readyH).toBeCloseTo(best.readyH, 6);
    }),
    { numRuns: 40, seed: 7 },
  ));

test('whatever is asked: no limit is broken, no slot used twice, every possible spool dried once', () => {
  const many = fc.array(
    fc.record({
      dryingC: fc.constantFrom(45, 55, 70, 80, 120),
      over: fc.constantFrom(0, 5, 15),
      hours: fc.integer({ min: 1, max: 24 }),
      needByH: fc.integer({ min: 1, max: 90 }),
      fromH: fc.constantFrom(0, 0, 8),
    }),
    { minLength: 8, maxLength: 18 },
  );
  fc.assert(
    fc.property(many, dryers, (list, at) => {
      const all = named(list);
      const machines = at.map((one, i): Dryer => ({ ...one, id: `d${i}` }));
      const plan = planDryers(all, machines);
      const dried = plan.runs.flatMap((run) => run.spools.map(({ id }) => id));
      expect([...dried, ...plan.impossible.map(({ id }) => id)].sort()).toEqual(all.map(({ id }) => id).sort());
      for (const run of plan.runs) {
        const where = machines.find(({ id }) => id === run.dryerId)!;
        expect(run.spools.length).toBeLessThanOrEqual(where.slots);
        expect(run.temperatureC).toBeLessThanOrEqual(where.maximumC);
        for (const { id, readyH } of run.spools) {
          const one = all.find((candidate) => candidate.id === id)!;
          expect(run.temperatureC).toBeLessThanOrEqual(one.limitC!);
          expect(run.startH).toBeGreaterThanOrEqual(one.fromH!);
          expect(readyH - run.startH).toBeGreaterThanOrEqual(one.hours - 1e-9);
        }
        for (const other of plan.runs)
          if (other !== run && other.dryerId === run.dryerId)
            expect(other.startH >= run.endH - 1e-9 || run.startH >= other.endH - 1e-9).toBe(true);
      }
    }),
    { numRuns: 60, seed: 11 },
  );
});

test('the quick plan is never better than the exact one, and rarely far off', () => {
  const at = [dryer('d1'), dryer('d2', { slots: 3, maximumC: 70 })];
  const all = Array.from({ length: 6 }, (_, i) =>
    spool(`s${i}`, { dryingC: [50, 65, 70][i % 3]!, hours: 3 + i, needByH: 8 + 2 * i }),
  );
  const exact = planDryers(all, at);
  const quick = scoreOf(quickPlan(all, at));
  expect(quick.lateH).toBeGreaterThanOrEqual(exact.lateH - 1e-9);
  expect(quick.lateH).toBeLessThanOrEqual(exact.lateH + 4);
  expect(quickPlan(all, at).flatMap((duty) => dutiesOf(duty)).length).toBeGreaterThan(1);
});
