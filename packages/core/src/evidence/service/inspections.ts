import type { Installation, PlannedInspection, ServiceFinding } from '@anvilstone/schema';
import type { InspectionItem } from './inspectionPlan.ts';

const DAY_MS = 86_400_000;
/** Looks that fall so close together are one. */
const TOGETHER_D = 4;
const TOGETHER_SHARE = 0.12;
const MOST_DATES = 24;

/** Dates on which to look, each for everything that is due about then; UTC days, in rising order. */
export function inspectionDates(items: readonly InspectionItem[], installedAt: string): PlannedInspection[] {
  const start = Date.parse(installedAt);
  const looks = items
    .flatMap(({ mode, days }) => days.map((day) => ({ day, modeId: mode.id })))
    .sort((a, b) => a.day - b.day);
  const dates: { day: number; modeIds: Set<string> }[] = [];
  for (const { day, modeId } of looks) {
    const last = dates.at(-1);
    if (last && day - last.day <= Math.max(TOGETHER_D, TOGETHER_SHARE * last.day)) last.modeIds.add(modeId);
    else dates.push({ day, modeIds: new Set([modeId]) });
  }
  return dates.slice(0, MOST_DATES).map(({ day, modeIds }) => ({
    on: new Date(start + day * DAY_MS).toISOString().slice(0, 10),
    modeIds: [...modeIds],
  }));
}

export interface DueInspection {
  installation: Installation;
  planned: PlannedInspection;
  /** Days from today; negative: overdue. */
  inDays: number;
}

/** Every look that is still to be taken at parts in service, the most overdue first. */
export function dueInspections(
  installations: readonly Installation[],
  findings: readonly ServiceFinding[],
  today: string,
): DueInspection[] {
  const done = new Set(
    findings.flatMap(({ installationId, forDate }) => (forDate ? [`${installationId} ${forDate}`] : [])),
  );
  const gone = new Set(findings.filter(({ state }) => state === 'failed').map(({ installationId }) => installationId));
  const now = Date.parse(today.slice(0, 10));
  return installations
    .filter(({ id, removed }) => !removed && !gone.has(id))
    .flatMap((installation) =>
      installation.inspections
        .filter(({ on }) => !done.has(`${installation.id} ${on}`))
        .map((planned) => ({ installation, planned, inDays: Math.round((Date.parse(planned.on) - now) / DAY_MS) })),
    )
    .sort((a, b) => a.inDays - b.inDays || (a.installation.mark < b.installation.mark ? -1 : 1));
}
