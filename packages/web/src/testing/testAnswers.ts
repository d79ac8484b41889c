import {
  sampleBriefs,
  sampleCampaigns,
  sampleDryers,
  sampleLibrary,
  samplePlaces,
  sampleSchedule,
  sampleService,
  sampleSpools,
} from '@anvilstone/core/education/sample';
import { dryingOf, massLeft, spoolClock } from '@anvilstone/core/making';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { FindingRecord, InstallationRecord, PartSummary, Session, Stock } from '@anvilstone/schema';
import { answered } from './testPage.tsx';

/** When everything below is so. */
export const NOW = new Date('2026-06-01T12:00:00Z');
const DEMO = '0a7c1d00-0000-4000-8000-00000000000';
const gradeOf = (id: string) => sampleLibrary.grades.find((grade) => grade.id === id);

/** The demo’s parts are numbered otherwise than its briefs are listed: the gauge beam was first. */
const DEMO_NUMBER = [3, 2, 1, 4, 5, 6, 7, 8, 9, 10, 11];
export const sampleParts: PartSummary[] = sampleBriefs.map((brief, i) => ({
  id: `${DEMO}${DEMO_NUMBER[i]!.toString(16)}`,
  revision: 1,
  brief,
  updatedAt: NOW.toISOString(),
  campaignCount: i % 2,
  decisionCount: i % 3,
  decided:
    i % 3 === 0
      ? null
      : { number: i, gradeId: 'tm-asa', gradeName: 'Tarrowmill ASA Outdoor', orientation: 'XZ' as const },
  inServiceCount: i === 2 ? 1 : 0,
}));

/** The sample’s spools with their clocks, by what is usual at each place. */
export function sampleStock(spools = sampleSpools(NOW)): Stock {
  const air = { places: samplePlaces, readings: new Map() };
  return {
    at: NOW.toISOString(),
    spools: spools.map((spool) => {
      const grade = gradeOf(spool.gradeId);
      const drying = grade && dryingOf(grade);
      const clock = drying ? spoolClock(spool, drying, air, NOW.getTime()) : null;
      return {
        spool,
        revision: 1,
        clock: clock && { ...clock, useWithinH: Number.isFinite(clock.useWithinH) ? clock.useWithinH : null },
        ...massLeft(spool),
      };
    }),
    places: samplePlaces.map((place) => ({ place, revision: 1 })),
    dryers: sampleDryers.map((dryer) => ({ dryer, revision: 1 })),
    schedule: { schedule: sampleSchedule(NOW), revision: 1 },
  };
}

const sampleBench = sampleCampaigns(NOW);
const service = sampleService(NOW);
export const sampleInstallations: InstallationRecord[] = service.installations.map(({ installation }) => ({
  installation,
  revision: 1,
}));
export const sampleFindings: FindingRecord[] = service.findings.map((finding) => ({ finding, revision: 1 }));
const openDoor = { hasAccounts: false, member: null, workspaces: [] } as unknown as Session;

type Answer = readonly [endpointName: string, arg: unknown, value: unknown];
const always: readonly Answer[] = [
  ['session', undefined, openDoor],
  [
    'companyRules',
    undefined,
    { rules: defaultCompanyRules, revision: 1, changedAt: NOW.toISOString(), changedBy: 'A. Bell' },
  ],
  ['companyRulesHistory', undefined, { changes: [] }],
  ['jobs', undefined, []],
  ['instruments', undefined, []],
  ['received', undefined, []],
  ['allDecisions', undefined, []],
  ['notices', undefined, []],
  ['credentials', undefined, []],
  ['members', false, []],
  ['backups', undefined, { folder: '/var/backups', everyH: 24, keep: 14, files: [] }],
];

/** A workshop in which nobody has written anything down yet. */
export const emptyWorkshop = answered(
  ...always,
  ['library', undefined, { grades: [], machines: [] }],
  ['parts', undefined, []],
  ['machines', undefined, []],
  ['ownAgents', undefined, []],
  [
    'stock',
    undefined,
    {
      at: NOW.toISOString(),
      spools: [],
      places: [],
      dryers: [],
      schedule: { schedule: { runs: [], conditioning: [] }, revision: 0 },
    },
  ],
  ['campaigns', undefined, []],
  ['installations', undefined, []],
  ['findings', undefined, []],
);

/** The sample workshop as its server would tell it. */
export const fullWorkshop = answered(
  ...always,
  ['library', undefined, sampleLibrary],
  ['parts', undefined, sampleParts],
  ['machines', undefined, sampleLibrary.machines.map((machine) => ({ machine, revision: 1 }))],
  ['ownAgents', undefined, []],
  ['stock', undefined, sampleStock()],
  [
    'campaigns',
    undefined,
    sampleBench.map(({ campaign, trials }) => ({ campaign, revision: 1, done: trials.length, running: 0 })),
  ],
  ['installations', undefined, sampleInstallations],
  ['findings', undefined, sampleFindings],
  ...sampleBench.flatMap(({ campaign, trials }): Answer[] => [
    ['campaign', campaign.id, { campaign, revision: 1 }],
    ['trials', campaign.id, trials.map((trial) => ({ trial, revision: 1 }))],
    ['attachments', campaign.id, []],
  ]),
  ...sampleLibrary.grades.flatMap((grade): Answer[] => [
    ['grade', grade.id, { grade, revision: 1, updatedAt: NOW.toISOString() }],
    ['gradeHistory', grade.id, []],
    ['gradeUses', grade.id, { parts: [], decisions: [] }],
  ]),
  ...sampleLibrary.machines.map((machine): Answer => ['prints', machine.id, []]),
);
