import { spellOut } from '@anvilstone/core/foundations';
import type { DryerSchedule, Place, Spool } from '@anvilstone/schema';
import { dryingOf } from '../drying/dryingOfGrade.ts';
import { spoolMoisture } from '../drying/spoolMoisture.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { proposeSchedule } from '../drying/schedule.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { sampleDryers, sampleSchedule, sampleSpools } from '../../education/sample/stock.ts';
import { airOfPlace, loggedAir, mergeAlike, type LoggedAir } from './airOfPlace.ts';
import { loadsOfStock } from './loadsOfStock.ts';
import { lookAlikes } from './lookAlikes.ts';
import { doubtOfWeighing, massLeft } from './massLeft.ts';
import { spoolClock, type Air } from './spoolClock.ts';

const gradeOf = (id: string) => sampleLibrary.grades.find((grade) => grade.id === id);
const at = (hour: number) => new Date(Date.UTC(2026, 8, 1) + hour * 3600e3).toISOString();
const ms = (hour: number) => Date.parse(at(hour));
const shelf: Place = { id: 'shelf', name: 'Shelf', temperatureC: 22, humidityPct: 55, sampleData: true };
const store: Place = { ...shelf, id: 'store', name: 'Store', loggerId: 'logger' };
const box: Place = { ...shelf, id: 'box', name: 'Dry box', humidityPct: 8 };
const pa: Spool = {
  id: 'S-01',
  gradeId: 'ol-pa6-gf',
  colour: 'black',
  filamentDiameterMm: 1.75,
  netMassG: 750,
  emptyReelG: 210,
  openedAt: at(0),
  placeId: 'shelf',
  events: [],
  sampleData: true,
};
const drying = dryingOf(gradeOf(pa.gradeId)!)!;
const reading = (hour: number, humidityPct: number, temperatureC = 22): LoggedAir =>
  loggedAir({ at: at(hour), humidityPct, temperatureC });

describe('mass left', () => {
  test('its label less what was printed: 750 − 120 − 30 = 600 g', () => {
    const used = [120, 30].map((massG, i) => ({ kind: 'used' as const, at: at(i), massG, what: 'arm' }));
    expect(massLeft({ ...pa, events: used })).toEqual({ massG: 600, weighedAt: null });
  });
  test('a weighing takes the place of what came before it: 700 − 210 − 40 = 450 g', () => {
    const events: Spool['events'] = [
      { kind: 'used', at: at(1), massG: 500, what: 'arm' },
      { kind: 'used', at: at(3), massG: 40, what: 'arm' },
      { kind: 'weighed', at: at(2), grossG: 700, from: 'scale' },
    ];
    expect(massLeft({ ...pa, events })).toEqual({ massG: 450, weighedAt: at(2) });
    expect(massLeft({ ...pa, events: [...events, { kind: 'used', at: at(4), massG: 9000, what: 'x' }] }).massG).toBe(0);
  });
  test('a spool gains no filament and weighs no less than its reel; 2 % and 5 g are scatter', () => {
    const events: Spool['events'] = [{ kind: 'weighed', at: at(2), grossG: 510, from: 'scale' }];
    const weighed = { ...pa, events };
    expect(doubtOfWeighing(weighed, 520)).toBeUndefined();
    expect(spellOut(doubtOfWeighing(weighed, 522))).toMatch(/312 g of filament.*300 g were left.*cannot gain/);
    expect(spellOut(doubtOfWeighing(weighed, 204))).toMatch(/less than its empty reel, 210 g/);
    expect(doubtOfWeighing(pa, 400)).toBeUndefined();
    expect(spellOut(doubtOfWeighing(pa, 2000))).toMatch(/by its label/);
  });
});

describe('the air of a place', () => {
  test('without a logger it is what is usual there', () => {
    expect(airOfPlace(shelf, [], ms(0), ms(5))).toEqual({
      complianceTerms: [{ hours: 5, temperatureC: 22, humidityPct: 55 }],
      gapH: 0,
    });
    expect(airOfPlace(shelf, [], ms(5), ms(5)).complianceTerms).toEqual([]);
  });
  test('a reading holds until the next; one from before the start counts for the rest of its hour', () => {
    const found = airOfPlace(store, [reading(-0.5, 30), reading(0.5, 40), reading(1.5, 50)], ms(0), ms(2));
    expect(found.gapH).toBe(0);
    expect(found.complianceTerms.map(({ hours, humidityPct }) => [hours, humidityPct])).toEqual([
      [0.5, 30],
      [1, 40],
      [0.5, 50],
    ]);
  });
  test('a logger that lost connection: the hours are a gap, as damp as either side or the usual', () => {
    const found = airOfPlace(store, [reading(0, 30), reading(10, 80, 18)], ms(0), ms(10.5));
    expect(found.gapH).toBeCloseTo(9, 9);
    expect(
      found.complianceTerms.map(({ hours, humidityPct, temperatureC }) => [hours, humidityPct, temperatureC]),
    ).toEqual([
      [1, 30, 22],
      [9, 80, 22],
      [0.5, 80, 18],
    ]);
    // No reading at all: all of it is a gap.
    expect(airOfPlace(store, [], ms(0), ms(3))).toEqual({
      complianceTerms: [{ hours: 3, temperatureC: 22, humidityPct: 55 }],
      gapH: 3,
    });
  });
  test('alike stretches are merged with their mean and no hour is lost', () => {
    const many = Array.from({ length: 500 }, (_, i) => ({
      hours: 0.25,
      temperatureC: 22,
      humidityPct: 45 + 10 * Math.sin(i / 48),
    }));
    const merged = mergeAlike(many);
    expect(merged.length).toBeLessThan(60);
    expect(merged.reduce((sum, { hours }) => sum + hours, 0)).toBeCloseTo(125, 9);
    const wet = (complianceTerms: typeof many) => spoolMoisture(drying, complianceTerms).fraction;
    expect(wet(merged) / wet(many)).toBeCloseTo(1, 1);
  });
});

describe('the moisture clock of a spool', () => {
  const air: Air = { places: [shelf, store, box], readings: new Map() };
  const dried = (hour: number, hours = drying.dryingH): Spool['events'][number] => ({
    kind: 'dried',
    at: at(hour),
    hours,
    temperatureC: drying.dryingC,
  });
  test('sealed as it came: not known to be dry', () => {
    const { openedAt: _, ...sealed } = pa;
    expect(spoolClock(sealed, drying, air, ms(100))).toMatchObject({ state: 'unknown', startedAs: 'sealed' });
  });
  test('opened and never dried: taken as damp as the room', () => {
    expect(spoolClock(pa, drying, air, ms(1))).toMatchObject({ state: 'wet', startedAs: 'not dried yet' });
  });
  test('dried as stated it is usable, then it is on the clock, then wet', () => {
    const events = [dried(20)];
    const fresh = spoolClock({ ...pa, events }, drying, air, ms(20.1));
    expect(fresh.state).not.toBe('wet');
    expect(fresh).toMatchObject({ startedAs: 'dried', sinceAt: at(20) });
    const later = spoolClock({ ...pa, events }, drying, air, ms(20.1 + fresh.useWithinH * 0.5));
    expect(later.state).toBe('use-within');
    // It was told 20.1 h how long: half of that later half is left.
    expect(later.useWithinH / fresh.useWithinH).toBeCloseTo(0.5, 2);
    expect(spoolClock({ ...pa, events }, drying, air, ms(20.1 + fresh.useWithinH * 1.1)).state).toBe('wet');
  });
  test('moved to a dry box in time it keeps', () => {
    const events: Spool['events'] = [dried(20), { kind: 'moved', at: at(20), placeId: 'box' }];
    const clock = spoolClock({ ...pa, events }, drying, air, ms(2000));
    expect(clock.state).not.toBe('wet');
    expect(clock.useWithinH).toBe(Infinity);
  });
  test('too short a drying is not taken for a whole one', () => {
    expect(spoolClock({ ...pa, events: [dried(20, 1)] }, drying, air, ms(20.1)).state).toBe('wet');
  });
  test('where it lay before its first move counts, when the move says so', () => {
    const moved = { kind: 'moved' as const, at: at(30), placeId: 'box' };
    const stay = (move: Spool['events'][number]) =>
      spoolClock({ ...pa, placeId: 'box', events: [dried(20), move] }, drying, air, ms(30)).fraction;
    const onShelf = spoolClock({ ...pa, events: [dried(20)] }, drying, air, ms(30)).fraction;
    expect(stay({ ...moved, fromPlaceId: 'shelf' })).toBeCloseTo(onShelf, 12);
    // Not known where from: damp is assumed.
    expect(stay(moved)).toBeGreaterThan(onShelf);
  });
  test('an unlogged gap makes it no drier, and is told', () => {
    const stay = { ...pa, placeId: 'store', events: [dried(20)] };
    const logged = {
      ...air,
      readings: new Map([['logger', Array.from({ length: 12 }, (_, i) => reading(20 + i, 20))]]),
    };
    const gapped = { ...air, readings: new Map([['logger', [reading(20, 20), reading(31, 20)]]]) };
    const [known, adjusted] = [logged, gapped].map((one) => spoolClock(stay, drying, one, ms(31.5)));
    expect(known!.gapH).toBe(0);
    expect(adjusted!.gapH).toBeCloseTo(10, 9);
    expect(adjusted!.fraction).toBeGreaterThan(known!.fraction);
  });
  test('nobody knows where it lay: damp is assumed and said', () => {
    const lost = spoolClock({ ...pa, placeId: null, events: [dried(20)] }, drying, air, ms(30));
    expect(lost.assumedH).toBeCloseTo(10, 9);
  });
});

describe('look-alikes', () => {
  const of = (id: string, gradeId: string, colour = 'black'): Spool => ({ ...pa, id, gradeId, colour });
  test('one colour, other polymers: what a mix-up does and how to tell by weight', () => {
    // ASA 1.07, PETG 1.27 g/cm³ in the tables: 1.75 mm is 2.405 mm², so a metre weighs about 2.57 and 3.05 g.
    const [pair] = lookAlikes([of('B-2', 'tm-petg'), of('B-1', 'tm-asa')], gradeOf);
    expect(spellOut(pair)).toMatchObject({
      spoolIds: ['B-1', 'B-2'],
      risk: expect.stringMatching(/ASA taken for PETG.*softens/) as string,
    });
    expect(spellOut(pair!.tellApart)).toMatch(/a metre of B-1 weighs 2\.\d\d g, of B-2 3\.\d\d g/);
  });
  test('fibre-filled is dull, an elastomer limp, an empty reel is gone, one grade is no mix-up, colours differ', () => {
    const pairs = (...spools: Spool[]) => lookAlikes(spools, gradeOf).length;
    expect(pairs(of('A', 'tm-asa'), of('B', 'tm-petg-cf'))).toBe(0);
    expect(pairs(of('A', 'tm-asa'), of('B', 'tm-tpu95'))).toBe(0);
    expect(pairs(of('A', 'tm-asa'), { ...of('B', 'tm-petg'), empty: true })).toBe(0);
    expect(pairs(of('A', 'tm-asa'), of('B', 'tm-asa'))).toBe(0);
    expect(pairs(of('A', 'tm-asa', 'white'), of('B', 'tm-petg', 'clear'))).toBe(0);
  });
});

test('no spool of the sample stock is planned hotter than it is dried at, whatever shares its dryer', () => {
  const now = ms(0);
  const spools = sampleSpools(new Date(now)).map((spool) => ({
    spool,
    clock: { state: 'wet' as const, useWithinH: 0, needsDryingH: 4 },
  }));
  const current = sampleSchedule(new Date(now));
  const { loads } = loadsOfStock(spools, current, gradeOf, defaultCompanyRules, now);
  expect(loads.length).toBeGreaterThan(6);
  const { schedule } = proposeSchedule(loads, sampleDryers, current, now);
  const shared = schedule.runs.filter((run) => run.loads.length > 1);
  expect(shared.length).toBeGreaterThan(0);
  for (const run of schedule.runs)
    for (const id of run.loads) {
      const load = loads.find((one) => one.id === id)!;
      expect([id, run.temperatureC <= load.dryingC]).toEqual([id, true]);
    }
});

describe('what waits for a dryer', () => {
  const clock = (over: object) => ({ state: 'use-within' as const, useWithinH: 10, needsDryingH: 0, ...over });
  const waits = (spool: Partial<Spool>, over: object, runs: DryerSchedule['runs'] = []) =>
    loadsOfStock(
      [{ spool: { ...pa, ...spool }, clock: clock(over) }],
      { runs, conditioning: [] },
      gradeOf,
      defaultCompanyRules,
      ms(0),
    );
  const need = (hour: number) => ({ need: { at: at(hour), what: 'pawls' } });
  test.each([
    ['wet', {}, { state: 'wet', needsDryingH: 14 }, 1],
    ['on its clock, needed by nobody', {}, {}, 0],
    ['needed while it is dry enough', need(9), {}, 0],
    ['needed after it will be wet', need(11), {}, 1],
    ['needed, and it keeps', need(11), { useWithinH: null }, 0],
    ['sealed', {}, { state: 'unknown' }, 0],
    ['sealed and needed', need(9), { state: 'unknown' }, 1],
    ['wet and empty', { empty: true as const }, { state: 'wet' }, 0],
  ])('%s', (_, spool, over, count) => expect(waits(spool, over).loads).toHaveLength(count));
  test('as long as it needs, never shorter than stated; in a run it stays', () => {
    expect(waits({}, { state: 'wet', needsDryingH: 14 }).loads[0]).toMatchObject({
      hours: 14,
      dryingC: drying.dryingC,
    });
    expect(waits(need(11), {}).loads[0]!.hours).toBe(drying.dryingH);
    const run = { id: 'r', dryerId: 'oven', start: at(0), temperatureC: 80, loads: [pa.id] };
    expect(waits({}, {}, [run]).loads).toHaveLength(1);
  });
  test('a grade nobody knows is told when somebody waits', () => {
    expect(waits({ ...need(5), gradeId: 'none' }, {}).untold).toEqual([expect.stringMatching(/S-01: its grade/)]);
  });
});
