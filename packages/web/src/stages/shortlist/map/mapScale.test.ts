import type { MapAxis } from '@anvilstone/core/evaluation';
import { axisTick, axisTitle, axisValue, mapScale, mapTicks } from './mapScale.ts';

const reserve = {
  id: 'reserve',
  title: 'Minimum reserve',
  unit: '',
  logarithmic: true,
  passAt: 1,
} as unknown as MapAxis;
const mass = { id: 'mass', title: 'Mass', unit: 'g', logarithmic: false, passAt: 190 } as unknown as MapAxis;
const heat = { id: 'heat', title: 'Service temperature limit', unit: '°C', logarithmic: false } as unknown as MapAxis;

test('a scale holds every point and the line to pass, with room at both ends', () => {
  const scale = mapScale(mass, [120, 150], [0, 100]);
  expect(scale(120)).toBeGreaterThan(0);
  expect(scale(190)).toBeLessThan(100);
  expect(scale(190)).toBeGreaterThan(scale(150));
});

test('a reserve far outside does not press the others into a corner, and stays on the edge', () => {
  const scale = mapScale(reserve, [0.001, 0.9, 1.2, 5000], [0, 300]);
  const [low, high] = scale.domain() as [number, number];
  expect(low).toBeGreaterThan(0.03);
  expect(high).toBeLessThan(60);
  expect(scale(5000)).toBe(300);
  expect(scale(1e-9)).toBe(0);
});

test('a single value still has a scale', () => {
  const scale = mapScale({ ...heat }, [80], [0, 100]);
  expect(scale(80)).toBeCloseTo(50, 6);
});

test('ticks of a logarithmic axis are 1, 2 and 5 of each decade, or only the decades where these are too many', () => {
  const narrow = mapScale(reserve, [0.4, 6], [0, 300]);
  expect(mapTicks(reserve, narrow)).toEqual([0.5, 1, 2, 5]);
  const wide = mapScale({ ...reserve, unit: 'h' } as MapAxis, [0.001, 1e6], [0, 300]);
  expect(mapTicks(reserve, wide).every((tick) => /^1e/.test(tick.toExponential()))).toBe(true);
  const tight = mapScale(reserve, [1.1, 1.3], [0, 300]);
  expect(mapTicks(reserve, tight).length).toBeGreaterThan(2);
});

test('values, ticks and titles are in the reader’s units', () => {
  expect(axisValue(reserve, 1.17, 'metric')).toBe('1.17');
  expect(axisTitle(reserve, 'metric')).toBe('Minimum reserve');
  expect(axisTitle({ ...reserve, id: 'sag' } as MapAxis, 'metric')).toBe('Minimum reserve, reserve');
  expect(axisTitle(mass, 'metric')).toBe('Mass, g');
  expect(axisTitle(mass, 'inchPound')).toMatch(/^Mass, (oz|lb)/);
  expect(axisTick(heat, 100, 'metric')).toBe('100');
  expect(axisTick(heat, 100, 'inchPound')).toBe('212');
});
