import { sampleLibrary } from '@anvilstone/core/education/sample';
import { loadsOfStock, lookAlikes, proposeSchedule, scheduleConflicts } from '@anvilstone/core/making';
import type { MoistureClock, Spool } from '@anvilstone/schema';
import { RunsTable } from '../dryers/RunsTable.tsx';
import { Timeline } from '../dryers/Timeline.tsx';
import { NOW, sampleStock } from '../../testing/testAnswers.ts';
import { drawn, LEAKS, sampleWorkshop, textOf, wordsOf } from '../../testing/testPage.tsx';
import { LookAlikesPanel } from './LookAlikesPanel.tsx';
import { MoistureMark } from './MoistureMark.tsx';
import { NeedPanel } from './NeedPanel.tsx';
import { SpoolHistory } from './SpoolHistory.tsx';
import { StockTab } from './StockTab.tsx';

const stock = sampleStock();
const gradeOf = new Map(sampleLibrary.grades.map((grade) => [grade.id, grade]));
const ignore = () => undefined;
const full = stock.spools.filter(({ spool }) => !spool.empty);

describe('the stock', () => {
  const root = drawn(<StockTab stock={stock} gradeOf={gradeOf} />);
  const rows = root.querySelectorAll('table')[0]!.querySelectorAll('tbody tr');
  test('lists what is not empty, each with what is left, how damp it is and where it lies', () => {
    expect(rows).toHaveLength(full.length);
    expect(textOf(root)).toContain(`${full.length} of ${stock.spools.length}`);
    for (const row of rows) expect(textOf(row)).toMatch(/\d+(\.\d+)? (g|kg)/);
  });
  test('a spool that was never weighed says that its label was taken', () => {
    const unweighed = full.filter(({ weighedAt }) => weighedAt === null).length;
    expect(rows.filter((row) => textOf(row).includes('by label'))).toHaveLength(unweighed);
  });
  test('where unknown location, that is said', () => {
    const lost = full.filter(({ spool }) => !stock.places.some(({ place }) => place.id === spool.placeId)).length;
    expect(rows.filter((row) => textOf(row).includes('unknown location'))).toHaveLength(lost);
  });
  test('a grade that is gone is named by its id and said to be gone', () => {
    const orphan = { ...stock, spools: [{ ...full[0]!, spool: { ...full[0]!.spool, gradeId: 'gone-grade' } }] };
    expect(textOf(drawn(<StockTab stock={orphan} gradeOf={gradeOf} />))).toContain('gone-grade: no such grade');
  });
  test('with none it says what to do', () =>
    expect(textOf(drawn(<StockTab stock={{ ...stock, spools: [] }} gradeOf={gradeOf} />))).toContain(
      'Add one from its label',
    ));
  test('masses are ounces for whoever wants them', () =>
    expect(textOf(drawn(<StockTab stock={stock} gradeOf={gradeOf} />, { units: 'inchPound' }))).toMatch(/\d oz/));
});

describe('a moisture clock', () => {
  const clock = (rest: Partial<MoistureClock>): MoistureClock => ({
    state: 'dry',
    fraction: 0.01,
    useWithinH: 20,
    needsDryingH: 0,
    sinceAt: NOW.toISOString(),
    startedAs: 'dried',
    gapH: 0,
    assumedH: 0,
    ...rest,
  });
  test.each([
    [clock({}), '● dry, use within 20 h', 'text-pass'],
    [clock({ useWithinH: null }), '● dry, stays dry where it is', 'text-pass'],
    [clock({ state: 'use-within', useWithinH: 3 }), '◐ use within 3 h', 'text-pass'],
    [clock({ state: 'wet', needsDryingH: 8, useWithinH: 0 }), '✕ too moist: dry 8 h', 'text-fail'],
    [clock({ state: 'wet', needsDryingH: 8, startedAs: 'not dried yet' }), '✕ never dried: dry 8 h', 'text-fail'],
    [
      clock({ state: 'unknown', needsDryingH: 6, startedAs: 'sealed' }),
      '? sealed, moisture unknown: dry 6 h',
      'text-unknown',
    ],
    [null, '? unknown: family unknown', 'text-unknown'],
  ])('%j reads as “%s”', (value, words, look) => {
    const root = drawn(<MoistureMark clock={value} />);
    expect(textOf(root)).toBe(words);
    expect(root.querySelector('span')!.getAttribute('class')).toBe(look);
  });
});

describe('what happened to a spool', () => {
  const spool: Spool = {
    ...full[0]!.spool,
    openedAt: '2026-05-01T08:00:00Z',
    events: [
      { kind: 'weighed', at: '2026-05-03T08:00:00Z', grossG: 812.4, from: 'scale', note: 'after the pawls' },
      { kind: 'dried', at: '2026-05-02T08:00:00Z', temperatureC: 70, hours: 6 },
      { kind: 'moved', at: '2026-05-04T08:00:00Z', placeId: 'rack' },
      { kind: 'used', at: '2026-05-05T08:00:00Z', massG: 42, what: 'four pawls' },
    ] as Spool['events'],
  };
  const items = (units: 'metric' | 'inchPound' = 'metric') =>
    drawn(<SpoolHistory spool={spool} places={stock.places} />, { units }).querySelectorAll('li');
  test('is told newest first, each with its moment', () => {
    const moments = items().map((item) => Date.parse(item.querySelector('time')!.getAttribute('datetime')!));
    expect(moments).toEqual([...moments].sort((a, b) => b - a));
    expect(items().map(textOf).join('|')).toMatch(
      /42 g used: four pawls.*brought to Spool rack.*weighed, 812\.4 g with its reel, on the scale: after the pawls.*dried 6 h at 70 °C.*opened/,
    );
  });
  test('in the reader’s units', () => expect(items('inchPound').map(textOf).join('|')).toMatch(/dried 6 h at 158 °F/));
  test('of one that is sealed there is nothing yet', () => {
    const { openedAt: _never, ...sealed } = spool;
    expect(textOf(drawn(<SpoolHistory spool={{ ...sealed, events: [] }} places={[]} />))).toContain(
      'sealed as delivered',
    );
  });
});

test('by when it has to be dry: what waits is said, and nothing can be asked for nothing', () => {
  const waiting = full.find(({ spool }) => spool.need)!;
  expect(textOf(drawn(<NeedPanel one={waiting} />))).toContain(`for ${waiting.spool.need!.what}.`);
  const { need: _none, ...rest } = waiting.spool;
  const root = drawn(<NeedPanel one={{ ...waiting, spool: rest }} />);
  expect(root.querySelector('button')!.hasAttribute('disabled')).toBe(true);
});

test('look-alikes are named in pairs, with what it would do and how to tell them apart', () => {
  const pairs = lookAlikes(
    stock.spools.map(({ spool }) => spool),
    (id) => gradeOf.get(id),
  );
  expect(pairs.length).toBeGreaterThan(0);
  const root = drawn(<LookAlikesPanel pairs={pairs} />);
  for (const item of root.querySelectorAll('li'))
    expect(textOf(item)).toMatch(/^≈ .+ and .+: .+\. Distinguish them: .+\.$/);
  expect(root.querySelectorAll('li').length).toBe(Math.min(4, pairs.length));
});

describe('dryers', () => {
  const { loads } = loadsOfStock(
    stock.spools.map(({ spool, clock }) => ({
      spool,
      clock: clock && { ...clock, useWithinH: clock.useWithinH ?? Infinity },
    })),
    stock.schedule.schedule,
    (id) => gradeOf.get(id),
    sampleWorkshop.rules,
    NOW.getTime(),
  );
  const byId = new Map(loads.map((load) => [load.id, load]));
  const dryers = stock.dryers.map(({ dryer }) => dryer);
  const { schedule } = proposeSchedule(loads, dryers, stock.schedule.schedule, NOW.getTime());
  test('the timeline has a row for each dryer and a piece for each run, to be moved by keyboard', () => {
    const conflicts = scheduleConflicts(schedule, loads, dryers);
    const root = drawn(
      <Timeline
        schedule={schedule}
        loads={byId}
        dryers={dryers}
        conflicts={conflicts}
        nowMs={NOW.getTime()}
        onMove={ignore}
      />,
    );
    for (const { name } of dryers) expect(textOf(root)).toContain(name);
    const runs = root.querySelectorAll('[role=button]');
    expect(schedule.runs.length).toBeGreaterThan(1);
    expect(runs).toHaveLength(schedule.runs.length);
    for (const run of runs) {
      expect(run.getAttribute('tabindex')).toBe('0');
      expect(run.getAttribute('aria-label')).toMatch(/^.+, \d+ °C: .+, from .+ to .+\. Arrow keys move it\.$/);
    }
    expect(root.outerHTML).not.toMatch(/NaN/);
  });
  const runsTable = (of: typeof schedule) => (
    <RunsTable
      schedule={of}
      revision={1}
      saving={false}
      loads={byId}
      dryers={dryers}
      nowMs={NOW.getTime()}
      onChange={ignore}
    />
  );
  test('the table says the same by the clock, the earliest first', () => {
    const root = drawn(runsTable(schedule));
    const starts = root.querySelectorAll('input[type=datetime-local]').map((one) => one.getAttribute('value')!);
    expect(starts).toHaveLength(schedule.runs.length);
    expect(starts).toEqual([...starts].sort());
    expect(textOf(root)).toContain('an oven used for plastics is never used for food');
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  });
  test('only a run that has begun can have come out', () => {
    const early = { ...schedule, runs: schedule.runs.map((run) => ({ ...run, start: '2036-01-01T00:00:00Z' })) };
    const words = (of: typeof schedule) => textOf(drawn(runsTable(of)));
    expect(words(early)).not.toContain('Taken out Remove');
    const past = { ...schedule, runs: schedule.runs.map((run) => ({ ...run, start: '2020-01-01T00:00:00Z' })) };
    expect(words(past)).toMatch(/Taken out ?Remove/);
  });
});
