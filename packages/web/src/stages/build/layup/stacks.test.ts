import type { Layup } from '@anvilstone/schema';
import { moved, repeated, shortTowName, STACKS, withStack } from './stacks.ts';

const tow = { towId: 'glass-polyamide' };
const ply = (angleDeg: number) => ({ material: tow, angleDeg });
const layup = { name: 'A', mirrored: false, plies: [ply(0), ply(30), ply(90)] } as unknown as Layup;
const angles = ({ plies }: Layup) => plies.map(({ angleDeg }) => angleDeg);

test('a usual stack keeps the strand that is there, and is mirrored', () => {
  const cross = withStack(layup, 'cross');
  expect(angles(cross)).toEqual([0, 90]);
  expect(cross.mirrored).toBe(true);
  expect(cross.plies[0]!.material).toEqual(tow);
  expect(withStack({ ...layup, plies: [] }, 'faces').plies[0]!.material).toEqual({ towId: 'carbon-polyamide' });
  expect(withStack(layup, 'no such stack')).toBe(layup);
  expect(STACKS.map(({ id }) => withStack(layup, id).plies.length)).toEqual([1, 2, 2, 4]);
});

test('plies are moved, and repeated up to what a layup may have', () => {
  expect(angles(moved(layup, 0, 2))).toEqual([30, 90, 0]);
  expect(angles(moved(layup, 2, 0))).toEqual([90, 0, 30]);
  expect(angles(moved(layup, 9, 0))).toEqual([0, 30, 90]);
  expect(angles(repeated(layup))).toEqual([0, 30, 90, 0, 30, 90]);
  const long = { ...layup, plies: Array.from({ length: 200 }, () => ply(0)) } as unknown as Layup;
  expect(repeated(long).plies).toHaveLength(300);
});

test('strands go by a short name', () => {
  expect(shortTowName('Continuous carbon in polyamide')).toBe('Carbon in polyamide');
  expect(shortTowName('Braided rope')).toBe('Braided rope');
});
