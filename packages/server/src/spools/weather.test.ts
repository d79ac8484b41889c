import {
  sampleDryers,
  sampleLibrary,
  samplePlaces,
  sampleSchedule,
  sampleSpools,
} from '@anvilstone/core/education/sample';
import {
  dryingOf,
  loadsOfStock,
  proposeSchedule,
  scheduleConflicts,
  spoolClock,
  type Air,
  type LoggedAir,
} from '@anvilstone/core/making';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { madeUpAir } from '../simulators/humidityLogger.ts';

const HOUR_MS = 3600e3;
const gradeOf = (id: string) => sampleLibrary.grades.find((grade) => grade.id === id);

/** What the rack’s logger has written down by then: the sample’s spools are as wet as its weather was. */
function airUntil(ms: number): Air {
  const log: LoggedAir[] = [];
  for (let at = ms - 14 * 24 * HOUR_MS; at <= ms; at += HOUR_MS / 4) log.push({ ms: at, ...madeUpAir(at) });
  return { places: samplePlaces, readings: new Map([['rack-logger', log]]) };
}
function planAt(ms: number) {
  const now = new Date(ms);
  const air = airUntil(ms);
  const stock = sampleSpools(now).map((spool) => {
    const drying = dryingOf(gradeOf(spool.gradeId)!)!;
    return { spool, clock: spoolClock(spool, drying, air, ms) };
  });
  const schedule = sampleSchedule(now);
  const { loads } = loadsOfStock(stock, schedule, gradeOf, defaultCompanyRules, ms);
  const proposed = proposeSchedule(loads, sampleDryers, schedule, ms);
  return { ...proposed, loads, conflicts: scheduleConflicts(proposed.schedule, loads, sampleDryers) };
}

/** Six times a day over two months, so that every hour meets every weather. */
const times = Array.from({ length: 180 }, (_, i) => Date.UTC(2026, 8, 1) + i * 8.3 * HOUR_MS);

test('whenever the workshop is opened, its spools can be dried in time', () => {
  const counts = new Set<number>();
  for (const ms of times) {
    const { schedule, conflicts, impossible, loads } = planAt(ms);
    const when = new Date(ms).toISOString();
    expect([when, conflicts, impossible]).toEqual([when, [], []]);
    // The glass-filled polyamide is wanted tomorrow and wants 80 °C, or what stands least beside it: only the oven gets there.
    const run = schedule.runs.find(({ loads: ids }) => ids.includes('S-03'))!;
    const coolestC = Math.min(...run.loads.map((id) => loads.find((load) => load.id === id)!.dryingC));
    expect([run.dryerId, run.temperatureC]).toEqual(['oven', coolestC]);
    expect(coolestC).toBeGreaterThanOrEqual(75);
    expect(schedule.runs.some((run) => Date.parse(run.start) === ms)).toBe(true);
    expect(schedule.runs.flatMap((run) => run.loads).toSorted()).toEqual(loads.map(({ id }) => id).toSorted());
    counts.add(loads.length);
  }
  // More are too wet after damp days.
  expect(counts.size).toBeGreaterThan(1);
});
