import type { MapPoint } from '@anvilstone/core/evaluation';
import { neighbourOf, type Placed } from './mapWalk.ts';

const at = (gradeId: string, x: number, y: number, undominated = false): Placed => ({
  point: { gradeId, undominated } as unknown as MapPoint,
  x,
  y,
});
const left = at('left', 10, 50);
const middle = at('middle', 50, 50);
const near = at('near and aside', 60, 90);
const right = at('right', 90, 52, true);
const top = at('top', 52, 5);
const all = [middle, right, left, near, top];
const idOf = (found: Placed | undefined) => found?.point.gradeId;

test('an arrow goes to the nearest in its direction; what lies aside counts twice', () => {
  expect(idOf(neighbourOf(all, middle, 'ArrowRight'))).toBe('right');
  expect(idOf(neighbourOf(all, middle, 'ArrowLeft'))).toBe('left');
  expect(idOf(neighbourOf(all, middle, 'ArrowUp'))).toBe('top');
  expect(idOf(neighbourOf(all, middle, 'ArrowDown'))).toBe('near and aside');
});

test('where nothing lies one stays, and keys that are no arrows do nothing', () => {
  expect(neighbourOf(all, right, 'ArrowRight')).toBeUndefined();
  expect(neighbourOf(all, middle, 'a')).toBeUndefined();
  expect(neighbourOf([], undefined, 'ArrowRight')).toBeUndefined();
});

test('Home and End go to the ends, and the first key begins at one that nobody beats in both', () => {
  expect(idOf(neighbourOf(all, middle, 'Home'))).toBe('left');
  expect(idOf(neighbourOf(all, middle, 'End'))).toBe('right');
  expect(idOf(neighbourOf(all, undefined, 'ArrowLeft'))).toBe('right');
  expect(idOf(neighbourOf([left, middle], undefined, 'ArrowLeft'))).toBe('left');
});
