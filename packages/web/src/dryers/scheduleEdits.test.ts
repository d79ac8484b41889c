import type { DryerSchedule } from '@anvilstone/schema';
import { changeRun, moveLoad, moveRun, onTheQuarter, removeRun } from './scheduleEdits.ts';

const start = '2026-09-01T08:00:00.000Z';
const schedule: DryerSchedule = {
  runs: [
    { id: 'r1', dryerId: 'oven', start, temperatureC: 80, loads: ['a', 'b'] },
    { id: 'r2', dryerId: 'box', start, temperatureC: 65, loads: ['c'] },
  ],
  conditioning: [],
};
const shape = ({ runs }: DryerSchedule) => runs.map(({ id, dryerId, loads }) => `${id} ${dryerId} ${loads.join('+')}`);

test('a run is moved to a quarter hour and to another dryer; the others stay', () => {
  const moved = moveRun(schedule, 'r1', Date.parse('2026-09-01T10:07:31Z'), 'box');
  expect(moved.runs[0]).toMatchObject({ start: '2026-09-01T10:15:00.000Z', dryerId: 'box' });
  expect(moved.runs[1]).toEqual(schedule.runs[1]);
  expect(onTheQuarter(Date.parse(start))).toBe(Date.parse(start));
});
test('a load goes into another run; a run that is left empty goes', () => {
  expect(shape(moveLoad(schedule, 'b', schedule.runs[0]!, 'r2'))).toEqual(['r1 oven a', 'r2 box c+b']);
  expect(shape(moveLoad(schedule, 'c', schedule.runs[1]!, 'r1'))).toEqual(['r1 oven a+b+c']);
});
test('a run of its own gets an id that no other has', () => {
  const once = moveLoad(schedule, 'b', schedule.runs[0]!, 'own');
  expect(shape(once)).toEqual(['r1 oven a', 'r2 box c', 'oven-own-1 oven b']);
  const twice = moveLoad(
    changeRun(once, 'r1', { loads: ['a', 'd'] }),
    'd',
    { ...once.runs[0]!, loads: ['a', 'd'] },
    'own',
  );
  expect(shape(twice).at(-1)).toBe('oven-own-2 oven d');
});
test('removed is removed', () => expect(shape(removeRun(schedule, 'r1'))).toEqual(['r2 box c']));
