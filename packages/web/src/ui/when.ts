const HOUR_MS = 3600e3;

/** A moment as one says it: today and near days by weekday, others by date; always with the time. */
export function moment(ms: number, nowMs: number = Date.now()): string {
  const date = new Date(ms);
  const time = date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  const near = Math.abs(ms - nowMs) < 6 * 24 * HOUR_MS;
  if (date.toDateString() === new Date(nowMs).toDateString()) return `today ${time}`;
  const day = near
    ? date.toLocaleDateString('en-GB', { weekday: 'short' })
    : date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
  return `${day} ${time}`;
}

/** A calendar day “2026-03-01” as one says it: 1 Mar 2026. */
export const day = (date: string): string =>
  new Date(`${date}T00:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  });

/** For an input of type datetime-local: in the local time zone, to the minute. */
export function localMinute(ms: number): string {
  const date = new Date(ms);
  return new Date(ms - date.getTimezoneOffset() * 60e3).toISOString().slice(0, 16);
}
