import type { DryerSchedule } from '@anvilstone/schema';
import { changeRun, moveLoad, moveRun, removeRun, startNear } from './scheduleEdits.ts';

const start = '2026-09-01T08:00:00.000Z';
const schedule: DryerSchedule = {
  runs: [
    { id: 'r1', dryerId: 'oven', start, temperatureC: 80, loads: ['a', 'b'] },
    { id: 'r2', dryerId: 'box', start, temperatureC: 65, loads: ['c'] },
  ],
  conditioning: [],
};
const shape = ({ runs }: DryerSchedule) => runs.map(({ id, dryerId, loads }) => `${id} ${dryerId} ${loads.join('+')}`);

const at = (time: string) => Date.parse(`2026-09-01T${time}Z`);

test('a run is moved to the minute and to another dryer; the others stay', () => {
  const moved = moveRun(schedule, 'r1', at('10:07:31'), 'box');
  expect(moved.runs[0]).toMatchObject({ start: '2026-09-01T10:07:31.000Z', dryerId: 'box' });
  expect(moved.runs[1]).toEqual(schedule.runs[1]);
  expect(moveRun(moved, 'r1', Date.parse(start), 'oven')).toEqual(schedule);
});
test('let go anywhere, a run begins on the quarter hour; near the end of another, right when that ends', () => {
  expect(startNear(at('10:07:31'), [])).toBe(at('10:15:00'));
  expect(startNear(at('10:07:29'), [at('12:00:00')])).toBe(at('10:00:00'));
  expect(startNear(Date.parse(start), [])).toBe(Date.parse(start));
  // The quarter hour would begin three minutes before the dryer is free.
  expect(startNear(at('10:01:00'), [at('10:03:20'), at('10:14:00'), at('07:00:00')])).toBe(at('10:03:20'));
  expect(startNear(at('10:12:00'), [at('10:03:20'), at('10:14:00')])).toBe(at('10:14:00'));
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
