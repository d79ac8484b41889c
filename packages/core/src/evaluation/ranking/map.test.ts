import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { mapAxes, mapOf, type MapPoint } from './map.ts';
import { screen } from '../evaluating/screen.ts';

const screening = screen(lampArm, sampleLibrary);

test('axes: the brief’s own limits are lines to pass, reserves pass at 1, and what is not asked has none', () => {
  const axes = new Map(mapAxes(lampArm, screening.checkIds).map((axis) => [axis.id, axis]));
  expect(axes.get('cost')).toMatchObject({ better: 'lower', passAt: lampArm.asks.maxCostUsd });
  expect(axes.get('heat')).not.toHaveProperty('passAt');
  expect(axes.get('sag-after-duration')).toMatchObject({ better: 'higher', passAt: 1 });
});

test.each([
  ['cost', 'reserve'],
  ['mass', 'heat'],
  ['sag-after-duration', 'cost'],
])('%s against %s: undominated is what no passing grade beats', (xId, yId) => {
  const { x, y, points, withoutNumber } = mapOf(lampArm, screening, xId, yId);
  expect(points.length + withoutNumber.length).toBe(sampleLibrary.grades.length);
  const good = (axis: typeof x, value: number) => (axis.better === 'higher' ? value : -value);
  const beats = (a: MapPoint, b: MapPoint) =>
    good(x, a.x) >= good(x, b.x) &&
    good(y, a.y) >= good(y, b.y) &&
    (good(x, a.x) > good(x, b.x) || good(y, a.y) > good(y, b.y));
  const passing = points.filter(({ status }) => status === 'pass');
  for (const point of points)
    expect(point.undominated).toBe(point.status === 'pass' && !passing.some((other) => beats(other, point)));
  expect(points.some(({ undominated }) => undominated)).toBe(true);
});

test('a grade whose price nobody knows has no place over cost, and is named', () => {
  const grades = screening.grades.map((one, i) => (i === 3 ? { ...one, best: { ...one.best, costUsd: null } } : one));
  const { points, withoutNumber } = mapOf(lampArm, { ...screening, grades }, 'cost', 'reserve');
  expect(withoutNumber).toContain(grades[3]!.gradeId);
  expect(points.map(({ gradeId }) => gradeId)).not.toContain(grades[3]!.gradeId);
});
