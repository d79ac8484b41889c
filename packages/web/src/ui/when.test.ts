import { localMinute, moment } from './when.ts';

const NOON = new Date(2026, 4, 13, 12, 0).getTime();
const HOUR = 3600e3;

test('today and near days are said as one says them, others by date', () => {
  expect(moment(NOON + 2 * HOUR, NOON)).toBe('today 14:00');
  expect(moment(NOON + 24 * HOUR, NOON)).toMatch(/^Thu 12:00$/);
  expect(moment(NOON - 48 * HOUR, NOON)).toMatch(/^Mon 12:00$/);
  expect(moment(NOON + 40 * 24 * HOUR, NOON)).toBe('22 Jun 2026 12:00');
});

test('just after midnight it is today still, and an hour earlier it was yesterday', () => {
  const early = new Date(2026, 4, 13, 0, 30).getTime();
  expect(moment(early, NOON)).toBe('today 00:30');
  expect(moment(early - HOUR, NOON)).toBe('Tue 23:30');
});

test('a field of date and time is given local time to the minute', () => {
  expect(localMinute(NOON + 61e3)).toBe('2026-05-13T12:01');
});
