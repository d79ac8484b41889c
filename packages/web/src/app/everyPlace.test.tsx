import { calculators } from '@anvilstone/core/education';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import type { HTMLElement } from 'node-html-parser';
import type { ReactElement } from 'react';
import { Route, Routes } from 'react-router';
import { ChemicalPage } from '../library/chemicals/ChemicalPage.tsx';
import { ChemicalsPage } from '../library/chemicals/ChemicalsPage.tsx';
import { BenchPage } from '../stages/bench/BenchPage.tsx';
import { CampaignPage } from '../stages/bench/CampaignPage.tsx';
import { NewCampaignPage } from '../stages/bench/plan/NewCampaignPage.tsx';
import { CalculationsPage } from '../training/calculators/CalculationsPage.tsx';
import { GradePage } from '../library/grades/grade/GradePage.tsx';
import { GradeEditorPage } from '../library/grades/editor/GradeEditorPage.tsx';
import { GradesPage } from '../library/grades/list/GradesPage.tsx';
import { GlossaryPage } from '../help/GlossaryPage.tsx';
import { CompanyRulesPage } from '../library/companyRules/CompanyRulesPage.tsx';
import { ImportPage } from '../library/imports/ImportPage.tsx';
import { JobsPage } from '../team/jobs/JobsPage.tsx';
import { MachineEditorPage } from '../shop/machines/MachineEditorPage.tsx';
import { MachinesPage } from '../shop/machines/MachinesPage.tsx';
import { PartsPage } from '../stages/parts/list/PartsPage.tsx';
import { TrainingPage } from '../training/TrainingPage.tsx';
import { RecordsPage } from '../stages/decision/records/RecordsPage.tsx';
import { ReferencePage } from '../library/reference/ReferencePage.tsx';
import { ServicePage } from '../stages/service/ServicePage.tsx';
import { SpoolEditorPage } from '../shop/spools/SpoolEditorPage.tsx';
import { SpoolPage } from '../shop/spools/SpoolPage.tsx';
import { SpoolsPage } from '../shop/spools/SpoolsPage.tsx';
import { DataPage } from '../team/data/DataPage.tsx';
import { emptyWorkshop, fullWorkshop, sampleFindings, sampleParts } from '../testing/testAnswers.ts';
import { drawn, leftMetric, LEAKS, textOf, wordsOf, type Circumstances } from '../testing/testPage.tsx';

const PLACES: readonly [path: string, page: ReactElement, addresses: readonly string[]][] = [
  ['/parts', <PartsPage key="" />, ['/parts']],
  ['/grades', <GradesPage key="" />, ['/grades', '/grades?q=clearway']],
  ['/grades/reference', <ReferencePage key="" />, ['/grades/reference']],
  ['/grades/import', <ImportPage key="" />, ['/grades/import']],
  ['/data', <DataPage key="" />, ['/data']],
  ['/grades/new', <GradeEditorPage key="" />, ['/grades/new']],
  ['/grades/:gradeId/edit', <GradeEditorPage key="" />, ['/grades/tm-petg/edit']],
  [
    '/grades/:gradeId',
    <GradePage key="" />,
    ['', '?show=curves', '?show=history'].map((show) => `/grades/ol-pa6-gf${show}`),
  ],
  ['/chemicals', <ChemicalsPage key="" />, ['/chemicals']],
  ['/chemicals/:agentId', <ChemicalPage key="" />, ['/chemicals/mineral-oil']],
  ['/company-rules', <CompanyRulesPage key="" />, ['/company-rules', '/company-rules?scale=0.8']],
  ['/calculators/:calculatorId', <CalculationsPage key="" />, calculators.map(({ id }) => `/calculators/${id}`)],
  [
    '/spools',
    <SpoolsPage key="" />,
    ['', '?show=dryers', '?show=instruments', '?show=prices'].map((show) => `/spools${show}`),
  ],
  ['/spools/new', <SpoolEditorPage key="" />, ['/spools/new']],
  ['/spools/:spoolId', <SpoolPage key="" />, ['/spools/S-05']],
  ['/machines', <MachinesPage key="" />, ['/machines', '/machines?machine=bench-open']],
  ['/machines/:machineId/edit', <MachineEditorPage key="" />, ['/machines/old-wide/edit']],
  ['/service', <ServicePage key="" />, ['/service']],
  ['/jobs', <JobsPage key="" />, ['/jobs']],
  ['/records', <RecordsPage key="" />, ['/records']],
  ['/glossary', <GlossaryPage key="" />, ['/glossary']],
  ['/training', <TrainingPage key="" />, ['/training']],
  ['/training/:caseId', <TrainingPage key="" />, ['/training/coat-hook']],
  ['/bench', <BenchPage key="" />, ['/bench', '/bench?show=methods&method=pull-bar']],
  ['/bench/new', <NewCampaignPage key="" />, ['/bench/new?method=bend-bar&grades=ne-petg']],
  [
    '/bench/:campaignId',
    <CampaignPage key="" />,
    [
      '/bench/K1',
      '/bench/K1?show=specimens',
      '/bench/K3?show=capture',
      '/bench/K1?show=results',
      '/bench/K3?show=results',
      '/bench/K4?show=looks',
    ],
  ],
];
const ADDRESSES = PLACES.flatMap(([path, page, addresses]) => addresses.map((at) => ({ at, path, page })));
const shown = ({ at, path, page }: (typeof ADDRESSES)[number], circumstances: Circumstances) =>
  drawn(
    <Routes>
      <Route path={path} element={page} />
    </Routes>,
    { at, ...circumstances },
  );

/** Titles and remarks stay as somebody wrote them. */
const OWN_WORDS = [
  ...sampleParts.map(({ brief }) => brief.title),
  ...sampleLibrary.machines.flatMap(({ note, condition }) => [note, condition?.note]),
  ...sampleFindings.map(({ finding }) => finding.text),
].filter((text) => text !== undefined);
/** What is shown as it was reported, in the units it was reported in, on purpose. */
const AS_REPORTED = /^\/(grades|chemicals|glossary|training|calculators)/;

function expectSound(root: HTMLElement): void {
  expect(textOf(root).length).toBeGreaterThan(10);
  expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  expect(root.querySelectorAll('h1').length).toBeLessThanOrEqual(1);
  expect(root.outerHTML).not.toMatch(/="[^"]*NaN[^"]*"/);
  const labelled = new Set(root.querySelectorAll('label[for]').map((one) => one.getAttribute('for')));
  const nameless = root
    .querySelectorAll('input:not([aria-hidden=true]),select:not([aria-hidden=true]),textarea')
    .filter((one) => !labelled.has(one.id) && !one.getAttribute('aria-label') && !one.closest('label'));
  expect(nameless.map(({ outerHTML }) => outerHTML)).toEqual([]);
  const ids = root.querySelectorAll('[id]').map(({ id }) => id);
  expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([]);
}

/** One drawing of each place holds all of it, in the units that leave the most to be forgotten. */
test.each(ADDRESSES)(
  '$at: no code, one heading of the first order, controls named, no number lost, no amount left metric',
  (address) => {
    const isAsReported = AS_REPORTED.test(address.at);
    const root = shown(address, { answers: fullWorkshop, units: isAsReported ? 'metric' : 'inchPound' });
    expectSound(root);
    if (!isAsReported) expect(leftMetric(root, OWN_WORDS)).toEqual([]);
  },
);

test.each(ADDRESSES)('$at is drawn where nothing is there yet', (address) =>
  expectSound(shown(address, { answers: emptyWorkshop })),
);

test('every grade of the sample has its page', () => {
  for (const { id, name } of sampleLibrary.grades) {
    const root = shown(
      { at: `/grades/${id}`, path: '/grades/:gradeId', page: <GradePage /> },
      { answers: fullWorkshop },
    );
    expect(textOf(root)).toContain(name);
    expect(textOf(root)).toMatch(/sample data/i);
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  }
});
