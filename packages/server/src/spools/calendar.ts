import { runTimes, type DryerLoad } from '@anvilstone/core/making';
import type { DryerAtHand, DryerSchedule } from '@anvilstone/schema';
import ical, { ICalAlarmType } from 'ical-generator';

/** The dryer schedule as iCalendar (RFC 5545): one event a run, with a reminder to put in and one to take out. */
export function scheduleCalendar(
  { runs }: DryerSchedule,
  loads: readonly DryerLoad[],
  dryers: readonly DryerAtHand[],
  stamp: Date,
): string {
  const known = new Map(loads.map((load) => [load.id, load]));
  const calendar = ical({
    name: 'Dryers',
    prodId: { company: 'Anvilstone', product: 'Dryer schedule', language: 'EN' },
  });
  for (const run of runs) {
    const { startMs, endMs, loads: timed } = runTimes(run, known);
    const dryer = dryers.find(({ id }) => id === run.dryerId);
    const nameOf = (id: string) => known.get(id)?.title ?? id;
    const event = calendar.createEvent({
      id: `${run.id}@anvilstone`,
      stamp,
      start: new Date(startMs),
      end: new Date(endMs),
      summary: `${dryer?.name ?? run.dryerId}, ${run.temperatureC} °C: ${run.loads.map(nameOf).join(', ')}`,
      description: timed
        .map(
          ({ id, readyMs }) =>
            `${nameOf(id)}: ready ${new Date(readyMs).toISOString().slice(0, 16).replace('T', ' ')} UTC`,
        )
        .join('\n'),
      ...(dryer ? { location: dryer.name } : {}),
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: 0 });
    event.createAlarm({ type: ICalAlarmType.display, triggerAfter: (endMs - startMs) / 1000 });
  }
  return calendar.toString();
}
