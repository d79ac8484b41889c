import type { RankedCandidate } from '@anvilstone/core/evaluation';
import { countsOf, leadersOf } from './leaders.ts';
import { restsOn } from '../stages/parts/restsOn.ts';

const screening = (
  gradeId: string,
  status: 'pass' | 'fail' | 'unknown',
  costUsd: number,
  reserve: number,
): RankedCandidate => ({
  gradeId,
  ownEvidenceShare: 0,
  best: {
    orientation: 'XZ',
    machineId: 'm',
    status,
    minimumReserve: reserve,
    governingCheckId: 'sag-after-duration',
    massG: 10 * costUsd,
    costUsd,
    printTimeH: 1,
    ownHeatLimitC: 60,
  },
});
const grades = [
  screening('cheap', 'pass', 5, 1.1),
  screening('strong', 'pass', 9, 3),
  screening('weak', 'fail', 1, 0.4),
  screening('dark', 'unknown', 2, 2),
];

test('what stands is counted by its worst check', () => {
  expect(countsOf(grades)).toEqual({ pass: 2, unknown: 1, fail: 1 });
  expect(countsOf([])).toEqual({ pass: 0, unknown: 0, fail: 0 });
});

test('each ranking method names who is first in it, and which place the leader of the chosen one has', () => {
  const leaders = leadersOf(grades, 'cheapest-that-passes', {});
  const of = (schoolId: string) => leaders.find((one) => one.schoolId === schoolId)!;
  expect(of('cheapest-that-passes')).toMatchObject({ first: { gradeId: 'cheap' }, placeOfChosen: 1 });
  expect(of('weakest-link')).toMatchObject({ first: { gradeId: 'strong' }, placeOfChosen: 2 });
});

test('where nothing passes nobody leads, and a stage rests on no grade', () => {
  const none = [screening('weak', 'fail', 1, 0.4)];
  expect(leadersOf(none, 'cheapest-that-passes', {})[0]).toMatchObject({ placeOfChosen: 0 });
  const library = { grades: [{ id: 'weak' }], machines: [{ id: 'm' }], rules: {} };
  const asked = { leaders: none, counts: countsOf(none) };
  expect(restsOn({} as never, library as never, asked as never)).toMatchObject({
    leader: null,
    machine: null,
    pass: 0,
  });
  expect(restsOn({} as never, library as never, undefined)).toBeUndefined();
});

test('a stage rests on the leader that passes and on its machine', () => {
  const library = { grades: [{ id: 'cheap' }], machines: [{ id: 'm' }], rules: { a: 1 } };
  const asked = { leaders: grades, counts: countsOf(grades) };
  expect(restsOn({} as never, library as never, asked as never)).toMatchObject({
    leader: { grade: { id: 'cheap' }, orientation: 'XZ', reserve: 1.1 },
    machine: { id: 'm' },
    rules: { a: 1 },
    pass: 2,
  });
});
