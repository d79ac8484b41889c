import { spellOut } from '@anvilstone/core/foundations';
import { type Brief, type Observation, grade as gradeSchema, brief as briefSchema } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { findMethod } from '../bench/methods/index.ts';
import { evaluate } from '../../evaluation/index.ts';
import { dripCup, heaterDuct, lampArm, ratchetPawl, sampleLibrary, snapCover } from '../../education/sample/index.ts';
import {
  afterEvidence,
  compareFinding,
  failureModes,
  fleetOf,
  predictedMovement,
  dueInspections,
  inputsOfInstallation,
  inspectionDates,
  inspectionPlan,
  poissonUpper,
  proposalsFrom,
  replacementBrief,
  survivalOf,
  type ServiceProposal,
} from './index.ts';
import { found, inputsFor, installed } from './testContext.ts';

const HOURS = 1500;
const duct = inputsFor(heaterDuct, 'ol-pc', 'ZX');
const evidenceOf = (proposals: readonly ServiceProposal[]): Observation =>
  proposals.flatMap((one) => (one.kind === 'evidence' ? [one.observation] : []))[0]!;

describe('what was found beside what was predicted', () => {
  test('a duct that has gone twice as far as predicted, within its brief: worse than predicted', () => {
    const [at] = predictedMovement(heaterDuct, 'clamp', duct.library, duct.grade, 'ZX', duct.rules, [HOURS]);
    const finding = found({ modeId: 'sagged', measured: { movedMm: 2 * at!.movedMm!, hottestC: 84 } });
    const { hoursInService, rows, checks, verdict } = compareFinding(finding, installed(), duct);
    expect(hoursInService).toBe(HOURS);
    expect(rows.find(({ id }) => id === 'moved')).toMatchObject({ predicted: at!.movedMm, beyond: true });
    expect(checks.map(({ checkId }) => checkId)).toContain('sag-after-duration');
    expect(verdict).toBe('worse-than-predicted');
  });
  test('the same in air hotter than the brief asks: the brief is at fault, not the evidence', () => {
    const finding = found({ modeId: 'sagged', measured: { movedMm: 3, hottestC: 97 } });
    const comparison = compareFinding(finding, installed(), duct);
    expect(comparison.verdict).toBe('beyond-brief');
    expect(comparison.says).toContain('highest temperature');
    const proposals = proposalsFrom(finding, installed(), duct);
    expect(proposals.map(({ kind }) => kind)).toEqual(['brief']);
    const { brief, says } = replacementBrief(finding, installed(), duct, heaterDuct);
    expect(brief.asks.heat!.peak).toEqual({ temperatureC: 97, durationH: 6 });
    expect(spellOut(says[0])).toMatch(/97 °C.*85 °C/);
  });
  test('as far as predicted: it does what it should; nothing measured, nothing predicted', () => {
    const [at] = predictedMovement(heaterDuct, 'clamp', duct.library, duct.grade, 'ZX', duct.rules, [HOURS]);
    const calm = found({ state: 'changed', measured: { movedMm: at!.movedMm! } });
    expect(compareFinding(calm, installed(), duct).verdict).toBe('as-predicted');
    expect(compareFinding(found({ state: 'sound' }), installed(), duct).verdict).toBe('not-predicted');
  });
  test('a failure mode that no check of the brief speaks of is said to be so', () => {
    const { verdict, says } = compareFinding(found({ modeId: 'weathered' }), installed(), duct);
    expect(verdict).toBe('not-predicted');
    expect(says).toContain('add the requirement');
    const { brief } = replacementBrief(found({ modeId: 'weathered' }), installed(), duct, heaterDuct);
    expect(brief.asks.outdoors).toBeDefined();
  });
  test('of a grade that is gone nothing is predicted', () =>
    expect(inputsOfInstallation({ gradeId: 'none', orientation: 'XY' }, undefined, undefined)).toBeUndefined());
});

describe('what it says of the evidence', () => {
  test('movement: taken in, the model predicts what was measured, and the check falls with it', () => {
    const [before] = predictedMovement(heaterDuct, 'clamp', duct.library, duct.grade, 'ZX', duct.rules, [HOURS]);
    const movedMm = 1.4 * before!.movedMm!;
    const finding = found({ modeId: 'sagged', measured: { movedMm } });
    const observation = evidenceOf(proposalsFrom(finding, installed(), duct));
    expect(observation).toMatchObject({ property: 'creepModulus', temperatureC: 75, durationH: HOURS, count: 1 });
    const wiser = { ...duct.grade, observations: [...duct.grade.observations, observation] };
    expect(validator(gradeSchema)(wiser).ok).toBe(true);
    const [after] = predictedMovement(heaterDuct, 'clamp', duct.library, wiser, 'ZX', duct.rules, [HOURS]);
    expect(after!.movedMm!).toBeCloseTo(movedMm, 1);
    const [change] = afterEvidence(duct, observation).filter(({ checkId }) => checkId === 'sag-after-duration');
    expect(change!.before!).toBeGreaterThan(1);
    expect(change!.after!).toBeLessThan(1);
  });
  test('cycles: a pawl that cracked halfway does not last the whole way by its own evidence', () => {
    const pawl = inputsFor(ratchetPawl, 'ol-pa12', 'XY');
    const finding = found({ modeId: 'fatigue-crack', measured: { cycles: 21_000 } });
    const observation = evidenceOf(proposalsFrom(finding, installed(), pawl));
    expect(observation).toMatchObject({ property: 'fatigueStrength', cycles: 21_000, stressRatio: 0 });
    const [change] = afterEvidence(pawl, observation).filter(({ checkId }) => checkId === 'fatigue-life');
    expect(change!.before!).toBeGreaterThan(1);
    expect(change!.after!).toBeLessThan(change!.before!);
    // With the safety factor taken off, the law now ends where it cracked: reserve × factor is 1 at 21,000 cycles.
    const there: Brief = {
      ...ratchetPawl,
      failureCouldHurt: 'no',
      loadCases: ratchetPawl.loadCases.map((load) =>
        load.id === 'pull' ? { ...load, cycles: 21_000, safetyFactor: 1 } : load,
      ),
    };
    const wiser = { ...pawl.grade, observations: [...pawl.grade.observations, observation] };
    const { best } = evaluate(there, { ...sampleLibrary, grades: [wiser] }).grades[0]!;
    expect(best.checks.find(({ checkId }) => checkId === 'fatigue-life')).toMatchObject({ evidence: 'C' });
    expect(best.checks.find(({ checkId }) => checkId === 'fatigue-life')!.reserve!).toBeCloseTo(1, 1);
  });
  test('load: broken under half of what was predicted, half the strength, and data sheets taken lower', () => {
    const arm = inputsFor(lampArm, 'ne-petg', 'XZ');
    const finding = found({ modeId: 'torn', loadCaseId: 'gust', measured: { loadN: 40 } });
    const proposals = proposalsFrom(finding, installed(), arm);
    const observation = evidenceOf(proposals);
    expect(observation.property).toBe('tensileStrength');
    expect(observation.value!).toBeGreaterThan(1);
    expect(proposals.find(({ kind }) => kind === 'rule')).toMatchObject({
      ruleId: 'datasheetStrengthFactor',
      was: 0.9,
    });
    // One part alone does not outweigh a data sheet.
    expect(afterEvidence(arm, observation)).toEqual([]);
  });
  test('fluid: what cracked is rated so in it', () => {
    const cup = inputsFor(dripCup, 'ne-petg', 'XY');
    const finding = found({ at: '2026-01-04T00:00:00Z', modeId: 'crazed', agentId: dripCup.asks.fluids![0]!.agentId });
    expect(evidenceOf(proposalsFrom(finding, installed(), cup))).toMatchObject({
      property: 'chemicalResistance',
      classValue: 'unsuitable',
      durationH: 72,
    });
  });
  test('a part that stayed cooler than its brief says nothing of the grade at the brief’s temperature', () => {
    const cool = found({ state: 'changed', modeId: 'sagged', measured: { movedMm: 1.2, hottestC: 71 } });
    expect(proposalsFrom(cool, installed(), duct).map(({ kind }) => kind)).toEqual(['test']);
  });
  test('a sound part says nothing against the evidence', () =>
    expect(
      proposalsFrom(found({ state: 'sound', modeId: 'sagged', measured: { movedMm: 9 } }), installed(), duct),
    ).toEqual([]));
  test('every test that is proposed is one that there is', () => {
    const cover = inputsFor(snapCover, 'ol-pa12', 'XY');
    for (const { id } of failureModes)
      for (const one of proposalsFrom(found({ modeId: id }), installed(), cover))
        if (one.kind === 'test')
          expect([one.methodId, findMethod(one.methodId)?.id]).toEqual([one.methodId, one.methodId]);
  });
});

test('a replacement has the lesson at its head, keeps the old ones, and fits the schema', () => {
  const old: Brief = { ...heaterDuct, lessons: [{ text: 'Earlier.' }] };
  const finding = found({ text: 'Oval by 3 mm.', lesson: 'No amorphous grade above 70 °C.' });
  const { brief } = replacementBrief(finding, installed(), duct, old);
  expect(brief.lessons).toHaveLength(2);
  expect(brief.lessons![1]!.text).toMatch(/D-1, Machine room.*Oval by 3 mm\.\nNo amorphous grade/);
  expect(brief.title).toBe('Heater duct elbow, machine room, after D-1');
  expect(validator(briefSchema)(brief).ok).toBe(true);
});

describe('dates to look', () => {
  test('what is due about the same time is looked at together', () => {
    const plan = inspectionPlan(heaterDuct, duct.entry);
    const dates = inspectionDates(plan, '2026-01-01T00:00:00Z');
    expect(dates.map(({ on }) => on)).toEqual(dates.map(({ on }) => on).sort());
    expect(dates.length).toBeLessThan(plan.reduce((sum, { days }) => sum + days.length, 0));
    const looked = new Set(dates.flatMap(({ modeIds }) => modeIds));
    expect([...looked].sort()).toEqual(plan.map(({ mode }) => mode.id).sort());
    expect(Date.parse(dates[0]!.on)).toBeGreaterThan(Date.parse('2026-01-01'));
  });
  test('due: not what was done, not what failed or was taken out; overdue first', () => {
    const inspections = [
      { on: '2026-02-01', modeIds: ['sagged'] },
      { on: '2026-06-01', modeIds: ['sagged'] },
    ];
    const a = installed({ inspections });
    const b = installed({ id: '5e000000-0000-4000-8000-000000000002', mark: 'D-2', inspections });
    const c = installed({ id: '5e000000-0000-4000-8000-000000000003', mark: 'D-3', inspections });
    const findings = [found({ forDate: '2026-02-01', state: 'sound' }), found({ installationId: c.id })];
    const due = dueInspections([a, b, c], findings, '2026-03-04');
    expect(due.map(({ installation, planned, inDays }) => [installation.mark, planned.on, inDays])).toEqual([
      ['D-2', '2026-02-01', -31],
      ['D-1', '2026-06-01', 89],
      ['D-2', '2026-06-01', 89],
    ]);
    const out = installed({ inspections, removed: { at: '2026-02-02T00:00:00Z', why: 'Rebuilt' } });
    expect(dueInspections([out], [], '2026-03-04')).toEqual([]);
  });
});

describe('a fleet', () => {
  // Kaplan and Meier's own small example: failures at 0.8, 3.1, 5.4, 9.2; taken out at 1.0, 2.7, 7.0, 12.1 (J. Am. Stat. Assoc. 53, p. 464).
  test('survival of the published example: 0.875, 0.70, 0.525, 0.2625', () => {
    const member = (hours: number, failed: boolean) => ({ hours, failed });
    const steps = survivalOf([
      member(0.8, true),
      member(1.0, false),
      member(2.7, false),
      member(3.1, true),
      member(5.4, true),
      member(7.0, false),
      member(9.2, true),
      member(12.1, false),
    ]);
    expect(steps.map(({ survive }) => survive)).toEqual(
      [0.875, 0.7, 0.525, 0.2625].map((one) => expect.closeTo(one, 10) as number),
    );
  });
  // Garwood 1936, one-sided 95 %: 0 → 2.996, 1 → 4.744, 2 → 6.296, 5 → 10.513.
  test.each([
    [0, 2.996],
    [1, 4.744],
    [2, 6.296],
    [5, 10.513],
  ])('at most, with %i seen: %f', (count, limit) => expect(poissonUpper(count, 0.95)).toBeCloseTo(limit, 2));
  test('one that failed counts up to its failure, one that was taken out up to then, the others up to now', () => {
    const a = installed();
    const b = installed({
      id: '5e000000-0000-4000-8000-000000000002',
      removed: { at: '2026-01-11T00:00:00Z', why: 'Rebuilt' },
    });
    const c = installed({ id: '5e000000-0000-4000-8000-000000000003' });
    const fleet = fleetOf([a, b, c], [found()], '2026-01-21T00:00:00Z');
    expect(fleet.members.map(({ hours, failed }) => [hours, failed])).toEqual([
      [1500, true],
      [240, false],
      [480, false],
    ]);
    expect(fleet).toMatchObject({ partHours: 2220, failures: 1 });
    expect(fleet.failuresPerYearAtMost!).toBeCloseTo((4.744 / 2220) * 8766, 0);
    expect(fleetOf([], [], '2026-01-21T00:00:00Z')).toMatchObject({ partHours: 0, failuresPerYearAtMost: null });
  });
});
