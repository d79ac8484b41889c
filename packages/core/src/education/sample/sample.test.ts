import { findMethod } from '../../evidence/bench/index.ts';
import { briefIssues } from '../../evaluation/index.ts';
import { findAgent, findFamily, findReinforcement, gradeIssues } from '../../materials/index.ts';
import {
  sampleBriefs,
  sampleCampaigns,
  sampleDryers,
  sampleLibrary,
  samplePlaces,
  sampleSchedule,
  sampleService,
  sampleSpools,
} from './index.ts';

const NOW = new Date('2026-06-01T12:00:00Z');
const { grades, machines } = sampleLibrary;
const gradeIds = new Set(grades.map(({ id }) => id));
const machineIds = new Set(machines.map(({ id }) => id));
const twice = (all: readonly string[]) => all.filter((one, i) => all.indexOf(one) !== i);

test('nothing has the name of another', () => {
  expect(twice(grades.map(({ id }) => id))).toEqual([]);
  expect(twice(grades.map(({ name }) => name))).toEqual([]);
  expect(twice(machines.map(({ id }) => id))).toEqual([]);
  expect(twice(sampleBriefs.map(({ title }) => title))).toEqual([]);
  expect(twice(sampleSpools(NOW).map(({ id }) => id))).toEqual([]);
});

test('all of it says that it is made up', () => {
  for (const grade of grades) expect([grade.id, grade.sampleData]).toEqual([grade.id, true]);
  for (const machine of machines) expect([machine.id, machine.sampleData]).toEqual([machine.id, true]);
  for (const spool of sampleSpools(NOW)) expect([spool.id, spool.sampleData]).toEqual([spool.id, true]);
  for (const dryer of sampleDryers) expect([dryer.id, dryer.sampleData]).toEqual([dryer.id, true]);
  for (const { campaign, trials } of sampleCampaigns(NOW))
    expect([campaign.id, campaign.sampleData, trials.every((trial) => trial.sampleData)]).toEqual([
      campaign.id,
      true,
      true,
    ]);
  for (const { title, purpose } of sampleBriefs) expect([title, /not for design/.test(purpose)]).toEqual([title, true]);
});

describe.each(grades.map((grade) => [grade.id, grade] as const))('%s', (_id, grade) => {
  test('contradicts itself nowhere, and is of a family and a filler that are known', () => {
    expect(gradeIssues(grade)).toEqual([]);
    if (grade.familyId !== 'not-stated') expect(findFamily(grade.familyId)?.id).toBe(grade.familyId);
    if (grade.reinforcementId !== null)
      expect(findReinforcement(grade.reinforcementId)?.id).toBe(grade.reinforcementId);
  });

  test('each of its numbers says where it is from, and none is of a day to come', () => {
    expect(twice(grade.observations.map(({ id }) => id))).toEqual([]);
    for (const { id, reference, date, agentId } of grade.observations) {
      expect([id, reference.trim() !== '']).toEqual([id, true]);
      if (date !== undefined) expect(Date.parse(date)).toBeLessThan(Date.now());
      if (agentId !== undefined) expect([agentId, findAgent(agentId)?.id]).toEqual([agentId, agentId]);
    }
  });
});

test.each(sampleBriefs.map((brief) => [brief.title, brief] as const))(
  'the brief of the %s can be computed',
  (_title, brief) => {
    expect(briefIssues(brief)).toEqual([]);
    expect(twice(brief.loadCases.map(({ id }) => id))).toEqual([]);
    for (const { agentId } of brief.asks.fluids ?? []) expect(findAgent(agentId)?.id).toBe(agentId);
    for (const id of brief.asks.machineIds ?? []) expect(machineIds.has(id)).toBe(true);
  },
);

test('spools are of grades that there are, and lie where something can lie', () => {
  const places = new Set(samplePlaces.map(({ id }) => id));
  for (const { id, gradeId, placeId, events, openedAt, netMassG, emptyReelG } of sampleSpools(NOW)) {
    expect([id, gradeIds.has(gradeId)]).toEqual([id, true]);
    if (placeId !== null) expect([id, places.has(placeId)]).toEqual([id, true]);
    for (const event of events) {
      expect([id, Date.parse(event.at) <= NOW.getTime()]).toEqual([id, true]);
      // Weighed with its reel, it is never lighter than that, nor heavier than new.
      if (event.kind === 'weighed') {
        expect(event.grossG).toBeGreaterThanOrEqual(emptyReelG);
        expect(event.grossG).toBeLessThanOrEqual(netMassG + emptyReelG + 20);
      }
    }
    if (openedAt !== undefined) expect(Date.parse(openedAt)).toBeLessThanOrEqual(NOW.getTime());
  }
});

test('what waits for water is of a grade that there is', () => {
  for (const { id, gradeId } of sampleSchedule(NOW).conditioning)
    expect([id, gradeIds.has(gradeId)]).toEqual([id, true]);
});

test.each(sampleCampaigns(NOW).map(({ campaign, trials }) => [campaign.id, campaign, trials] as const))(
  'campaign %s tests what it says, by a method that there is',
  (id, campaign, trials) => {
    expect(findMethod(campaign.methodId)?.id).toBe(campaign.methodId);
    const arms = new Set(campaign.arms.map((arm) => arm.id));
    for (const arm of campaign.arms) expect([id, gradeIds.has(arm.gradeId)]).toEqual([id, true]);
    for (const specimen of campaign.specimens)
      expect([specimen.id, arms.has(specimen.armId)]).toEqual([specimen.id, true]);
    const specimens = new Set(campaign.specimens.map((one) => one.id));
    expect(twice(trials.map((trial) => trial.id))).toEqual([]);
    for (const trial of trials) {
      expect([trial.campaignId, specimens.has(trial.specimenId)]).toEqual([id, true]);
      expect(Date.parse(trial.at)).toBeLessThanOrEqual(NOW.getTime());
    }
    for (const { findings } of campaign.inspections)
      for (const { specimenId } of findings)
        expect([specimenId, specimens.has(specimenId)]).toEqual([specimenId, true]);
  },
);

describe('what is in service', () => {
  const { installations, findings, before, after, taken } = sampleService(NOW);
  const places = new Map(installations.map(({ installation }) => [installation.id, installation]));

  test('was decided first, and is of grades that there are', () => {
    expect(before.length).toBeGreaterThan(0);
    for (const { request } of [...before, ...after])
      expect([request.gradeId, gradeIds.has(request.gradeId)]).toEqual([request.gradeId, true]);
    for (const { installation } of installations)
      expect([installation.mark, gradeIds.has(installation.gradeId)]).toEqual([installation.mark, true]);
  });

  test('no sister bears the mark of another of her part', () => {
    expect(twice(installations.map(({ installation: { partId, mark } }) => `${partId} ${mark}`))).toEqual([]);
  });

  test('is found after it was put there, and not in days to come', () => {
    for (const { id, installationId, at } of findings) {
      const place = places.get(installationId);
      expect([id, place !== undefined]).toEqual([id, true]);
      expect(Date.parse(at)).toBeGreaterThanOrEqual(Date.parse(place!.installedAt));
      expect(Date.parse(at)).toBeLessThanOrEqual(NOW.getTime());
    }
  });

  test('what was taken for evidence was found before', () => {
    for (const { findingId, at } of taken) {
      const found = findings.find(({ id }) => id === findingId)!;
      expect(Date.parse(at)).toBeGreaterThanOrEqual(Date.parse(found.at));
    }
  });
});
