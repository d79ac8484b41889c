import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { arrange, type ArrangeRequest } from './arrange.ts';
import { evaluate } from '../evaluating/evaluate.ts';
import { rank } from './ranking.ts';
import { screen } from '../evaluating/screen.ts';

const screening = screen(lampArm, sampleLibrary);
const byId = new Map(sampleLibrary.grades.map((grade) => [grade.id, grade]));
const ask = (request: Partial<ArrangeRequest> = {}) =>
  arrange(screening, { schoolId: 'cheapest-that-passes', ...request }, (id) => byId.get(id));
const bestOf = new Map(screening.grades.map((one) => [one.gradeId, one.best]));

test('without more ado it is the ranking method’s order, with the places of what passes', () => {
  const { ids, places, groups } = ask();
  expect(ids).toEqual(rank(screening.grades, 'cheapest-that-passes').map(({ gradeId }) => gradeId));
  const passing = places.filter((place) => place > 0);
  expect(passing).toEqual(passing.map((_, index) => index + 1));
  expect(passing).toHaveLength(screening.grades.filter(({ best }) => best.status === 'pass').length);
  expect(groups).toEqual([]);
});

test('by any check: the reserves of the best orientation, falling, and what has none last', () => {
  const full = new Map(evaluate(lampArm, sampleLibrary).grades.map((one) => [one.gradeId, one.best]));
  const reserveOf = (id: string, check: string) =>
    full.get(id)!.checks.find(({ checkId }) => checkId === check)!.reserve;
  for (const check of ['sag-after-duration', 'heat-peak']) {
    const values = ask({ sortBy: check, descending: true }).ids.map((id) => reserveOf(id, check));
    const known = values.filter((value) => value !== null);
    expect(values.slice(0, known.length)).toEqual([...known].sort((a, b) => b - a));
    expect(values.slice(known.length).every((value) => value === null)).toBe(true);
  }
});

test('by cost, mass and heat; rising and falling have the unknown last', () => {
  const costs = ask({ sortBy: 'cost' }).ids.map((id) => bestOf.get(id)!.costUsd);
  const known = costs.filter((cost) => cost !== null);
  expect(costs.slice(0, known.length)).toEqual([...known].sort((a, b) => a - b));
  expect(ask({ sortBy: 'mass', descending: true }).ids.at(-1)).toBeDefined();
  expect(bestOf.get(ask({ sortBy: 'heat', descending: true }).ids[0]!)!.ownHeatLimitC).toBe(
    Math.max(...screening.grades.map(({ best }) => best.ownHeatLimitC ?? -Infinity)),
  );
});

test('grouped by family or by what rejected them: every row in one group, no row lost', () => {
  for (const groupBy of ['family', 'rejected'] as const) {
    const { ids, groups } = ask({ groupBy });
    expect([...ids].sort()).toEqual([...ask().ids].sort());
    expect(groups.reduce((sum, { count }) => sum + count, 0)).toBe(ids.length);
    groups.forEach((group, index) => {
      const before = groups[index - 1];
      expect(group.from).toBe(before ? before.from + before.count : 0);
    });
  }
  const { groups, ids } = ask({ groupBy: 'rejected' });
  expect(groups[0]!.title).toBe('Pass every check');
  const rejected = groups.find(({ title }) => title.startsWith('Rejected by'))!;
  expect(bestOf.get(ids[rejected.from]!)!.status).toBe('fail');
});

test('found by words of name, maker and family, all of them', () => {
  const found = ask({ find: 'nine petg' }).ids.map((id) => byId.get(id)!);
  expect(found.length).toBeGreaterThan(0);
  for (const { maker, familyId } of found) {
    expect(maker).toMatch(/Nine/);
    expect(familyId).toBe('petg');
  }
  expect(ask({ find: 'no such filament' }).ids).toEqual([]);
});

test('what is pinned comes first and keeps its place', () => {
  const last = ask().ids.at(-1)!;
  const { ids, groups, places } = ask({ pinnedIds: [last] });
  expect(ids[0]).toBe(last);
  expect(groups).toEqual([{ title: 'Pinned', from: 0, count: 1 }]);
  expect(places[0]).toBe(0);
  expect(places[1]).toBe(1);
});
