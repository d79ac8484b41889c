import { dueInspections, findFailureMode } from '@anvilstone/core/evidence';
import type { Installation, ServiceFinding } from '@anvilstone/schema';
import ical, { ICalAlarmType } from 'ical-generator';

const DAY_S = 86_400;

/** Inspections due at parts in service as iCalendar (RFC 5545), all-day, with a reminder a day before; a program may subscribe to it. */
export function inspectionCalendar(
  installations: readonly Installation[],
  findings: readonly ServiceFinding[],
  titleOf: (partId: string) => string,
  now: Date,
): string {
  const calendar = ical({
    name: 'Parts in service: inspections',
    prodId: { company: 'Anvilstone', product: 'Inspections', language: 'EN' },
  });
  for (const { installation, planned } of dueInspections(installations, findings, now.toISOString())) {
    const looks = planned.modeIds.flatMap((id) => findFailureMode(id)?.lookFor ?? []);
    calendar
      .createEvent({
        id: `${installation.id}-${planned.on}@anvilstone`,
        // The same look is the same event, however often it is fetched.
        stamp: new Date(installation.installedAt),
        start: new Date(`${planned.on}T00:00:00Z`),
        allDay: true,
        summary: `Look at ${installation.mark}: ${titleOf(installation.partId)}`,
        description: [...looks, 'Note the hottest and coldest temperature since the last look.'].join('\n'),
        location: installation.place,
      })
      .createAlarm({ type: ICalAlarmType.display, trigger: DAY_S });
  }
  return calendar.toString();
}
