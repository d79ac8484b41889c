import type { Brief, LoadCase } from '@anvilstone/schema';
import { briefIssues } from '../../../evaluation/evaluating/briefIssues.ts';
import { chanceOfMeetingAll } from '../../../evaluation/probability/chance.ts';
import { evaluate, explain } from '../../../evaluation/evaluating/evaluate.ts';
import { lampArm, sampleLibrary } from '../../../education/sample/index.ts';
import { defaultCompanyRules } from '../../../materials/companyRules/companyRules.ts';

const load = (id: string, change: Partial<LoadCase> = {}): LoadCase => ({
  id,
  name: id,
  forceN: 20,
  kind: 'short',
  durationH: 1 / 60,
  temperatureC: 23,
  safetyFactor: 2,
  actsWhenHot: true,
  ...change,
});
const RECTANGLE = { kind: 'rectangle', widthMm: 20, depthMm: 20 } as const;
const ROUND = { kind: 'round', diameterMm: 20 } as const;
const PETG = 'ne-petg';

function briefOf(
  loadCases: LoadCase[],
  together: string[] | undefined,
  section: object = RECTANGLE,
  change: Partial<Brief> = {},
) {
  const part = { ...lampArm.part, section } as Brief['part'];
  return {
    ...lampArm,
    moisture: 'dry',
    part,
    asks: {},
    loadCases,
    ...(together ? { combinations: [{ id: 'all', loadIds: together }] } : {}),
    ...change,
  } as Brief;
}
const entryOf = (brief: Brief) =>
  evaluate(
    { ...brief, asks: { ...brief.asks, orientations: ['XZ'] } },
    {
      ...sampleLibrary,
      grades: sampleLibrary.grades.filter(({ id }) => id === PETG),
    },
  ).grades[0]!.best;
const checkOf = (brief: Brief, id: string) => entryOf(brief).checks.find(({ checkId }) => checkId === id)!;
/** In the layers, where this arm is stressed most when it is printed on its side. */
const alone = (brief: Brief, id = 'strength-in-plane') => checkOf(brief, id).reserve!;

describe('strength', () => {
  test('two equal forces in one direction are one of twice the size', () => {
    const pair = briefOf([load('a'), load('b')], ['a', 'b']);
    const twice = briefOf([load('one', { forceN: 40 })], undefined);
    expect(checkOf(pair, 'combined-strength').reserve).toBeCloseTo(alone(twice), 9);
    expect(checkOf(pair, 'combined-strength').loadCaseId).toBe('all');
  });
  test('each load against what its own time and safety factor leave: the inverse of the sum of inverses', () => {
    const steady = load('steady', { kind: 'lasting', durationH: 8766, safetyFactor: 3 });
    const shock = load('shock', { forceN: 30, shockFactor: 2 });
    const together = checkOf(briefOf([steady, shock], ['steady', 'shock']), 'combined-strength').reserve!;
    const [a, b] = [alone(briefOf([steady], undefined)), alone(briefOf([shock], undefined))];
    expect(1 / together).toBeCloseTo(1 / a + 1 / b, 9);
    expect(alone(briefOf([load('shock', { forceN: 60 })], undefined))).toBeCloseTo(b, 9);
  });
  test('two directions add up at the corner of a rectangle, and by their squares on a round', () => {
    const loads = [load('down'), load('side', { direction: 'width' })];
    const ids = ['down', 'side'];
    const shareOf = (section: object) => {
      const together = checkOf(briefOf(loads, ids, section), 'combined-strength').reserve!;
      const [a, b] = loads.map((one) => alone(briefOf([one], undefined, section)));
      return { together: 1 / together, a: 1 / a!, b: 1 / b! };
    };
    const square = shareOf(RECTANGLE);
    expect(square.together).toBeCloseTo(square.a + square.b, 9);
    const round = shareOf(ROUND);
    expect(round.together).toBeCloseTo(Math.hypot(round.a, round.b), 9);
  });
  test('a steady pull under a cyclic load is the mean of Goodman’s line', () => {
    const cyclic = load('cyclic', { kind: 'repeated', cycles: 1e6, stressRatio: -1, safetyFactor: 1 });
    const mean = load('mean', { safetyFactor: 1 });
    const together = checkOf(briefOf([cyclic, mean], ['cyclic', 'mean']), 'combined-strength').reserve!;
    // σa/(σN/σu) of the reversed load, and σm of the steady one.
    const fatigue = alone(briefOf([cyclic], undefined), 'fatigue-life');
    expect(1 / together).toBeCloseTo(1 / fatigue + 1 / alone(briefOf([mean], undefined)), 9);
  });
  test('a knock takes the root of its share of the energy', () => {
    const { forceN: _none, ...base } = load('knock');
    const knock: LoadCase = { ...base, kind: 'knock', energyJ: 0.05 };
    const steady = load('steady');
    const together = checkOf(briefOf([knock, steady], ['knock', 'steady']), 'combined-strength').reserve!;
    const energy = alone(briefOf([knock], undefined), 'impact-undamaged');
    expect(1 / together).toBeCloseTo(Math.sqrt(1 / energy) + 1 / alone(briefOf([steady], undefined)), 9);
  });
});

test('a knock in the cold is judged in the cold, though what it comes on top of is warm', () => {
  const { forceN: _none, ...base } = load('knock');
  const steady = load('steady', { temperatureC: 40 });
  const knockAt = (temperatureC: number): LoadCase => ({ ...base, kind: 'knock', energyJ: 0.05, temperatureC });
  const together = (temperatureC: number) =>
    checkOf(briefOf([knockAt(temperatureC), steady], ['knock', 'steady']), 'combined-strength').reserve!;
  const energyAt = (temperatureC: number) => alone(briefOf([knockAt(temperatureC)], undefined), 'impact-undamaged');
  expect(1 / together(-30)).toBeCloseTo(Math.sqrt(1 / energyAt(-30)) + 1 / alone(briefOf([steady], undefined)), 9);
  expect(together(-30)).toBeLessThan(together(40));
});

describe('deflection', () => {
  const limited = { maxDeflectionMm: 2.5 };
  test('one direction adds up, two make a resultant', () => {
    const movedBy = (direction: 'depth' | 'width') =>
      checkOf(briefOf([load('a', limited), load('b', { ...limited, direction })], ['a', 'b']), 'combined-movement')
        .demand!;
    const one = checkOf(briefOf([load('a', limited)], undefined), 'deflection-at-load').demand!;
    expect(movedBy('depth')).toBeCloseTo(2 * one, 9);
    // The square section bends as far either way but for what its layers give.
    expect(movedBy('width') / one).toBeGreaterThan(1.3);
    expect(movedBy('width') / one).toBeLessThan(1.6);
  });
  test('its own limit, else the largest that one of its loads allows, else the usual one', () => {
    const loads = [load('a', limited), load('b', { maxDeflectionMm: 4 })];
    expect(checkOf(briefOf(loads, ['a', 'b']), 'combined-movement').capacity).toBe(4);
    const own = briefOf(loads, undefined, RECTANGLE, {
      combinations: [{ id: 'all', loadIds: ['a', 'b'], maxMovementMm: 3 }],
    });
    expect(checkOf(own, 'combined-movement').capacity).toBe(3);
    const none = checkOf(briefOf([load('a'), load('b')], ['a', 'b']), 'combined-movement');
    const { spanMm } = lampArm.part as { spanMm: number };
    expect(none.capacity).toBeCloseTo(defaultCompanyRules.usualMovementShare * spanMm, 9);
  });
});

test('a squeezed strut buckles under its loads together', () => {
  const part: Brief['part'] = { model: 'strut', lengthMm: 200, section: RECTANGLE, ends: 'pinned' };
  const pair = briefOf([load('a'), load('b', { kind: 'lasting', durationH: 1000 })], ['a', 'b'], RECTANGLE, { part });
  const both = checkOf(pair, 'combined-stability');
  const [a, b] = pair.loadCases.map((one) => alone(briefOf([one], undefined, RECTANGLE, { part }), 'stability'));
  expect(1 / both.reserve!).toBeCloseTo(1 / a! + 1 / b!, 9);
});

test('loads together lower the limit under load, and the probability of compliance', () => {
  const loads = [load('gust', { forceN: 45 }), load('weight', { forceN: 45, kind: 'lasting', durationH: 2000 })];
  const apart = briefOf(loads, undefined);
  const together = briefOf(loads, ['gust', 'weight']);
  expect(entryOf(together).ownHeatLimitC!).toBeLessThan(entryOf(apart).ownHeatLimitC!);
  const grade = sampleLibrary.grades.find(({ id }) => id === PETG)!;
  const of = (brief: Brief) => chanceOfMeetingAll(brief, sampleLibrary, grade, 'XZ', { draws: 2000, seed: 3 })!.all;
  expect(of(together)).toBeLessThan(of(apart));
});

test('the arithmetic names every load with its share', () => {
  const brief = briefOf([load('Steady pull'), load('Shock')], ['Steady pull', 'Shock']);
  const found = explain(brief, sampleLibrary, PETG, 'XZ').find(({ checkId }) => checkId === 'combined-strength')!;
  const meanings = found.working!.map(({ meaning }) => meaning);
  expect(meanings).toEqual(expect.arrayContaining(['Where', 'Steady pull', 'Shock']));
});

test('without combinations nothing is asked of loads together', () =>
  expect(
    entryOf(briefOf([load('a'), load('b')], undefined)).checks.filter(({ checkId }) => checkId.startsWith('combined')),
  ).toEqual([]));

test('a load that is not there, and a movement that is forced on it, are refused at their place', () => {
  expect(briefIssues(briefOf([load('a'), load('b')], ['a', 'gone']))).toMatchObject([
    { pointer: '/combinations/0/loadIds' },
  ]);
  const { forceN: _none, ...base } = load('held', { kind: 'held' });
  const held = briefOf([load('a'), { ...base, displacementMm: 1 }], ['a', 'held']);
  expect(briefIssues(held)[0]!.detail).toMatch(/imposed displacement/);
});
