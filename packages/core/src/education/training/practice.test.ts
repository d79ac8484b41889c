import { findCheck } from '../../checks/index.ts';
import { briefIssues } from '../../evaluation/index.ts';
import { sampleLibrary } from '../sample/index.ts';
import { brief as briefSchema } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { answerOf, practiceCases } from './index.ts';

const caseOf = (id: string) => practiceCases.find((one) => one.id === id)!;
const bestOf = (id: string, gradeId: string) =>
  answerOf(caseOf(id)).evaluations.find((one) => one.gradeId === gradeId)!.best;
const reserveOf = (id: string, gradeId: string, checkId: string) =>
  bestOf(id, gradeId).checks.find((check) => check.checkId === checkId)!.reserve;

test('there are eight, each a whole brief with four grades and a remark on every one of them', () => {
  expect(practiceCases.map(({ id }) => id)).toHaveLength(8);
  const isBrief = validator(briefSchema);
  for (const { id, brief, gradeIds, remarks, checkIds } of practiceCases) {
    expect({ id, result: isBrief(brief) }).toMatchObject({ id, result: { ok: true } });
    expect({ id, issues: briefIssues(brief) }).toEqual({ id, issues: [] });
    expect(Object.keys(remarks).toSorted()).toEqual([...gradeIds].toSorted());
    expect(new Set(gradeIds).size).toBe(4);
    for (const checkId of checkIds) expect(findCheck(checkId)).toBeDefined();
  }
});

/** What the remarks are written on: were a model or a sample value to change, they would have to be read again. */
test.each([
  ['coat-hook', 'ne-petg', 'sag-after-duration'],
  ['oven-rail', 'ol-pa6-gf', 'heat-steady'],
  ['sluice-lever', 'ol-pa12', 'deflection-at-load'],
  ['upright-post', 'ol-pc-blend', 'strength-across-layers'],
  ['battery-lid', 'ol-pa12', 'strain'],
  ['tool-guard', 'tm-abs', 'struck-fast'],
  ['rinsed-window', 'tm-petg', 'strength-in-plane'],
  ['board-rest', 'vp-asa-esd', 'heat-steady'],
])('%s: %s is the lowest cost, and %s governs', (id, gradeId, checkId) => {
  const answer = answerOf(caseOf(id));
  expect(answer.best.gradeId).toBe(gradeId);
  expect(answer.governingCheckId).toBe(checkId);
  expect(caseOf(id).checkIds).toContain(checkId);
});

test('the hook: three of the four are strong enough, and the droop decides', () => {
  const strong = caseOf('coat-hook').gradeIds.filter(
    (grade) => reserveOf('coat-hook', grade, 'strength-in-plane')! >= 1,
  );
  expect(strong).toEqual(['qh-pla', 'ne-petg', 'ol-pc']);
  expect(bestOf('coat-hook', 'qh-pla').governingCheckId).toBe('sag-after-duration');
  expect(bestOf('coat-hook', 'ol-pc').costUsd! / bestOf('coat-hook', 'ne-petg').costUsd!).toBeCloseTo(1.21, 2);
});

test('the rail: ASA’s stated heat deflection temperature is above what is asked, and it fails; only the dear one passes', () => {
  const asa = sampleLibrary.grades.find(({ id }) => id === 'tm-asa')!;
  const stated = asa.observations.filter(({ property }) => property === 'heatDeflectionTemperature');
  expect(Math.max(...stated.map((one) => ('value' in one ? one.value! : 0)))).toBeGreaterThan(85);
  expect(reserveOf('oven-rail', 'tm-asa', 'heat-steady')).toBeLessThan(0.5);
  expect(reserveOf('oven-rail', 'vp-pp-gf', 'sag-after-duration')).toBeGreaterThan(1);
  expect(reserveOf('oven-rail', 'vp-pp-gf', 'strength-in-plane')).toBeLessThan(1);
  expect(bestOf('oven-rail', 'tm-pla-heat').ownHeatLimitC).toBeLessThan(60);
});

test('the lever: PA6 leads PA12 dry and loses wet through', () => {
  const dry = { ...caseOf('sluice-lever'), brief: { ...caseOf('sluice-lever').brief, moisture: 'dry' as const } };
  const inPlane = (gradeId: string) =>
    answerOf(dry)
      .evaluations.find((one) => one.gradeId === gradeId)!
      .best.checks.find(({ checkId }) => checkId === 'strength-in-plane')!.reserve!;
  expect(inPlane('ol-pa6')).toBeGreaterThan(inPlane('ol-pa12'));
  expect(reserveOf('sluice-lever', 'ol-pa6', 'strength-in-plane')! / inPlane('ol-pa6')).toBeLessThan(0.5);
  expect(reserveOf('sluice-lever', 'ol-pa6-gf', 'strength-in-plane')).toBeCloseTo(0.95, 2);
});

test('the post: on its edge carbon-filled PET would lead in strength; standing, carbon-filled polyamide is the weakest', () => {
  const { brief, ...rest } = caseOf('upright-post');
  const onEdge = answerOf({ ...rest, brief: { ...brief, asks: { orientations: ['XZ'] } } });
  const strengths = onEdge.evaluations.map(({ gradeId, best }) => ({
    gradeId,
    reserve: best.checks.find(({ checkId }) => checkId === 'strength-in-plane')!.reserve!,
  }));
  expect(strengths.toSorted((a, b) => b.reserve - a.reserve)[0]!.gradeId).toBe('vp-pet-cf');
  const weakest = answerOf(caseOf('upright-post')).evaluations.toSorted(
    (a, b) => a.best.minimumReserve! - b.best.minimumReserve!,
  )[0]!;
  expect(weakest.gradeId).toBe('ol-pa6-cf');
  expect(reserveOf('upright-post', 'tm-petg-cf', 'deflection-at-load')).toBeGreaterThan(1.5);
});

test('the hook of the lid: its polyamide is the softest, and the only one that is stretched that far', () => {
  const passing = answerOf(caseOf('battery-lid')).evaluations.filter(({ best }) => best.status === 'pass');
  expect(passing.map(({ gradeId }) => gradeId)).toEqual(['ol-pa12']);
});

test('the guard: polycarbonate has the same reserve for an eighth more, and TPU only sags', () => {
  expect(bestOf('tool-guard', 'ol-pc').minimumReserve).toBe(bestOf('tool-guard', 'tm-abs').minimumReserve);
  expect(bestOf('tool-guard', 'ol-pc').costUsd! / bestOf('tool-guard', 'tm-abs').costUsd!).toBeCloseTo(1.127, 3);
  const failed = bestOf('tool-guard', 'tm-tpu95').checks.filter(({ status }) => status === 'fail');
  expect(failed.map(({ checkId }) => checkId)).toEqual(['sag-after-duration']);
});

test('the rest: carbon filled is unknown there, and not a pass', () => {
  expect(bestOf('board-rest', 'ol-pa6-cf').status).toBe('unknown');
  expect(bestOf('board-rest', 'ol-pa6-cf').governingCheckId).toBe('electrostatic');
});

test('the cover: ABS is not attacked at rest, PC is the strongest, and both crack under this tension', () => {
  expect(reserveOf('rinsed-window', 'tm-abs', 'stress-cracking')).toBeLessThan(1);
  expect(reserveOf('rinsed-window', 'ol-pc', 'stress-cracking')).toBeLessThan(1);
  const strengths = caseOf('rinsed-window').gradeIds.map((id) => reserveOf('rinsed-window', id, 'strength-in-plane')!);
  expect(Math.max(...strengths)).toBe(strengths[0]);
  expect(bestOf('rinsed-window', 'tm-abs').checks.find(({ checkId }) => checkId === 'chemical')!.status).toBe('pass');
});

test('a case whose grades are not there, or of which none passes, says so', () => {
  const hook = caseOf('coat-hook');
  expect(() => answerOf({ ...hook, gradeIds: ['no-such', 'vp-pp', 'ne-petg', 'ol-pc'] })).toThrow(/sample/);
  expect(() => answerOf({ ...hook, gradeIds: ['qh-pla', 'vp-pp', 'qh-pla', 'vp-pp'] })).toThrow(/has to pass/);
});
