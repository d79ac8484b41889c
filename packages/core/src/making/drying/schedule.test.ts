import { inWords, say, spellOut } from '@anvilstone/core/foundations';
import type { DryerAtHand, DryerSchedule } from '@anvilstone/schema';
import fc from 'fast-check';
import { sampleLibrary } from '../../education/sample/index.ts';
import { conditioningLoad, type DryerLoad } from './dryerLoad.ts';
import { proposeSchedule, runTimes } from './schedule.ts';
import { scheduleConflicts } from './scheduleConflicts.ts';

const NOW = Date.UTC(2026, 8, 1, 8);
const H = 3600e3;
const iso = (hour: number) => new Date(NOW + hour * H).toISOString();
const load = (id: string, over: Partial<DryerLoad> = {}): DryerLoad => ({
  id,
  title: id,
  purpose: 'drying',
  dryingC: 80,
  limitC: 90,
  hours: 6,
  needMs: NOW + 24 * H,
  fromMs: -Infinity,
  ...over,
});
const warm: DryerAtHand = { id: 'warm', name: 'Warm box', purpose: 'drying', slots: 2, maximumC: 90, sampleData: true };
const bath: DryerAtHand = { ...warm, id: 'bath', name: 'Bath', purpose: 'conditioning', maximumC: 80 };
const none: DryerSchedule = { runs: [], conditioning: [] };
const run = (id: string, start: number, loads: string[], temperatureC = 80, dryerId = 'warm') => ({
  id,
  dryerId,
  start: iso(start),
  temperatureC,
  loads,
});

describe('the times of a run', () => {
  test('at its own temperature as long as asked; 10 K cooler 1.6 times as long (Arrhenius, 50 kJ/mol)', () => {
    const known = new Map([['a', load('a')]]);
    expect((runTimes(run('r', 0, ['a']), known).endMs - NOW) / H).toBeCloseTo(6, 9);
    // exp(50000/8.314·(1/343.15 − 1/353.15)) = 1.642
    expect((runTimes(run('r', 0, ['a'], 70), known).endMs - NOW) / H).toBeCloseTo(6 * 1.642, 2);
  });
  test('late is late', () => {
    const known = new Map([['a', load('a', { needMs: NOW + 4 * H })]]);
    expect(runTimes(run('r', 0, ['a']), known).loads[0]!.lateH).toBeCloseTo(2, 9);
  });
});

describe('a proposal', () => {
  test('keeps what runs, waits for it, and plans drying and conditioning apart', () => {
    const current = { ...none, runs: [run('on', -2, ['a', 'b'])] };
    const loads = [
      load('a'),
      load('b'),
      load('c'),
      load('parts', { purpose: 'conditioning', dryingC: 60, limitC: 60 }),
    ];
    const { schedule, impossible } = proposeSchedule(loads, [warm, bath], current, NOW);
    expect(impossible).toEqual([]);
    expect(schedule.runs.map(({ dryerId, loads: held }) => [dryerId, held])).toEqual([
      ['warm', ['a', 'b']],
      ['warm', ['c']],
      ['bath', ['parts']],
    ]);
    expect(Date.parse(schedule.runs[1]!.start)).toBe(NOW + 4 * H);
    expect(scheduleConflicts(schedule, loads, [warm, bath])).toEqual([]);
  });
  test('no hotter than its hottest load wants', () => {
    const { schedule } = proposeSchedule([load('a'), load('b', { dryingC: 65, limitC: 85 })], [warm], none, NOW);
    expect(schedule.runs).toHaveLength(1);
    expect(schedule.runs[0]!.temperatureC).toBe(80);
  });
  test('what no dryer takes is told, and the rest is planned', () => {
    const { impossible, schedule } = proposeSchedule(
      [load('hot', { dryingC: 140, limitC: 150 }), load('a')],
      [warm],
      none,
      NOW,
    );
    expect(spellOut(impossible)).toEqual([
      { id: 'hot', why: expect.stringMatching(/140 °C; the hottest dryer reaches 90 °C/) as string },
    ]);
    expect(schedule.runs.flatMap(({ loads }) => loads)).toEqual(['a']);
  });
  test('never does harm, whatever is asked of it', () => {
    const loads = fc.array(
      fc.record({
        dryingC: fc.integer({ min: 45, max: 130 }),
        spareK: fc.integer({ min: 0, max: 15 }),
        hours: fc.double({ min: 0.5, max: 48, noNaN: true }),
        needH: fc.double({ min: -5, max: 100, noNaN: true }),
        fromH: fc.double({ min: -10, max: 30, noNaN: true }),
        purpose: fc.constantFrom('drying' as const, 'conditioning' as const),
      }),
      { maxLength: 9 },
    );
    const property = fc.property(loads, (rows) => {
      const all = rows.map(({ dryingC, spareK, needH, fromH, ...rest }, i) =>
        load(`s${i}`, { ...rest, dryingC, limitC: dryingC + spareK, needMs: NOW + needH * H, fromMs: NOW + fromH * H }),
      );
      const dryers = [warm, { ...warm, id: 'hot', slots: 1, maximumC: 120 }, bath];
      const { schedule, impossible } = proposeSchedule(all, dryers, none, NOW);
      const planned = schedule.runs.flatMap((one) => one.loads);
      expect([...planned, ...impossible.map(({ id }) => id)].sort()).toEqual(all.map(({ id }) => id).sort());
      expect(scheduleConflicts(schedule, all, dryers).filter(({ kind }) => kind === 'stop')).toEqual([]);
    });
    fc.assert(property, { numRuns: 60 });
  });
});

describe('what speaks against a schedule', () => {
  const texts = (runs: DryerSchedule['runs'], loads = [load('a'), load('b'), load('c')]) =>
    scheduleConflicts({ runs, conditioning: [] }, loads, [warm, bath]).map(({ kind, text }) =>
      inWords(say`${kind}: ${text}`),
    );
  test.each([
    ['too hot for a load', [run('r', 0, ['a', 'b', 'c'].slice(0, 1), 95)], /^stop: Warm box reaches 90 °C, not 95 °C/],
    ['fuses', [run('r', 0, ['a'], 95)], /stop: a fuses on its reel above 90 °C, and this run has 95 °C/],
    ['too cool', [run('r', 0, ['a'], 50)], /stop: a hardly dries at 50 °C: it wants 80 °C/],
    ['too many', [run('r', 0, ['a', 'b', 'c'])], /stop: 3 loads in Warm box, which holds 2/],
    ['two at once', [run('r', 0, ['a']), run('s', 3, ['b'])], /stop: Warm box would have two runs at once: a and b/],
    ['in two runs', [run('r', 0, ['a']), run('s', 7, ['a'])], /stop: a is in 2 runs/],
    ['late', [run('r', 20, ['a'])], /late: a is ready 2 h too late/],
    ['for something else', [run('r', 0, ['a'], 80, 'bath')], /stop: a is for drying; Bath is for conditioning/],
    ['a dryer that is gone', [run('r', 0, ['a'], 80, 'gone')], /stop: There is no dryer “gone” any more/],
    ['a load that is gone', [run('r', 0, ['z'])], /late: “z” needs no drying any more/],
    ['left out', [run('r', 0, ['a', 'b'])], /late: c is waited for and in no run/],
  ])('%s', (_, runs, expected) => expect(texts(runs).join('\n')).toMatch(expected));
  test('one after the other to the minute is no conflict', () => {
    expect(texts([run('r', 0, ['a', 'b']), run('s', 6, ['c'])])).toEqual([]);
  });
  test('not at hand yet', () => {
    expect(texts([run('r', 0, ['a'])], [load('a', { fromMs: NOW + H })])).toEqual([
      'stop: a is not at hand yet when this run starts',
    ]);
  });
});

test('parts of polyamide wait for water: nine tenths by Fick; a polymer that takes up none is refused', () => {
  const gradeOf = (id: string) => sampleLibrary.grades.find((grade) => grade.id === id);
  const job = { id: 'j', title: 'Four pawls', gradeId: 'ol-pa6-gf', wallMm: 3, temperatureC: 60, needAt: iso(200) };
  const found = conditioningLoad(job, gradeOf('ol-pa6-gf')) as DryerLoad;
  const thick = conditioningLoad({ ...job, wallMm: 6 }, gradeOf('ol-pa6-gf')) as DryerLoad;
  expect(thick.hours / found.hours).toBeCloseTo(4, 6);
  expect(found).toMatchObject({ purpose: 'conditioning', dryingC: 60, needMs: Date.parse(iso(200)) });
  expect(conditioningLoad(job, gradeOf('tm-petg'))).toMatch(/takes up too little water/);
  expect(conditioningLoad(job, undefined)).toMatch(/not known/);
});
