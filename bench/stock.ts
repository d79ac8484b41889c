import { sampleLibrary, samplePlaces, sampleSpools } from '@anvilstone/core/education/sample';
import { dryingOf, spoolClock, type LoggedAir } from '@anvilstone/core/making';

/** Moisture clocks of a stock of spools over two weeks of quarter hours: what every look at the stock works out. */
const now = new Date('2026-09-15T08:00:00Z');
const QUARTER_MS = 900e3;
const log = Array.from({ length: 14 * 96 }, (_, i): LoggedAir => ({
  ms: now.getTime() - (14 * 96 - i) * QUARTER_MS,
  temperatureC: 20.5 + 2.2 * Math.sin(i / 15.3),
  humidityPct: 47 - 4 * Math.sin(i / 15.3) + 6 * Math.sin(i / 64),
}));
const air = { places: samplePlaces, readings: new Map([['rack-logger', log]]) };
const spools = sampleSpools(now).flatMap((spool) => {
  const grade = sampleLibrary.grades.find(({ id }) => id === spool.gradeId);
  const drying = grade && dryingOf(grade);
  return drying ? [{ spool, drying }] : [];
});
const RUNS = 20;
const started = performance.now();
let wet = 0;
for (let i = 0; i < RUNS; i++)
  for (const { spool, drying } of spools) if (spoolClock(spool, drying, air, now.getTime()).state === 'wet') wet += 1;
const perSpoolS = (performance.now() - started) / 1000 / RUNS / spools.length;
// 1,000 spools within a second.
console.log(
  `moisture clocks: ${Math.round(1 / perSpoolS)} spools/s, ${(1 / perSpoolS / 1000).toFixed(2)} of the wanted rate of 1,000/s; ${wet / RUNS} of ${spools.length} wet`,
);
