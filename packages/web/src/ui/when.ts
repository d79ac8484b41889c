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

/** For an input of type datetime-local: in the local time zone, to the minute. */
export function localMinute(ms: number): string {
  const date = new Date(ms);
  return new Date(ms - date.getTimezoneOffset() * 60e3).toISOString().slice(0, 16);
}
