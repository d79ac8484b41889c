import { ROLES, type Role } from '@anvilstone/schema';
import request from 'supertest';
import { needsOf, type Operation } from '../http/operation.ts';
import type { Needs } from '../http/principal.ts';
import { allOperations } from '../testOperations.ts';
import { testServer } from '../testServer.ts';
import { listening, makeTeam } from './testTeam.ts';

let server: Awaited<ReturnType<typeof testServer>>;
let at: Awaited<ReturnType<typeof listening>>;
let team: Awaited<ReturnType<typeof makeTeam>>;
let operations: Operation[];
beforeAll(async () => {
  server = await testServer();
  at = await listening(server.app);
  team = await makeTeam(at.origin);
  operations = allOperations(server);
});
afterAll(async () => {
  await at.close();
  await server.close();
});

/** What every route asks, written down by hand: a new route, or another role for one, has to be said here as well. */
const ASKED: Record<Needs, string> = {
  anyone: 'getSession signIn makeFirstAccount lookAtInvitation acceptInvitation',
  person: 'signOut changeOwnAccount listCredentials makeToken endCredential',
  viewer: `
    listParts getPart listViews listStageMarks exportComparisonPDF listGrades getGrade gradeHistory
    gradeUses compareGrades compareObservations getLibrary getCompanyRules listCompanyRuleChanges listImports
    getImport importRows exportLibrary exportFeaCard listMachines listPrints listAgents exportSpoolLabels
    listSpools listPlaces listDryers getStock proposeDryerSchedule exportDryerCalendar listInstruments
    listAirReadings getPrintProgress previewPriceList previewSupplierList listCampaigns getCampaign
    listTrials getTrialCurve previewAcceptance exportSpecimenLabels exportInspectionCalendar
    listMethodResults listPartResults listPartNotices listAttachments getAttachment listInstallations
    listServiceFindings listInstallationsOfPart listFindingsOfPart planInspections readFinding
    previewFindingEvidence exportServiceCalendar listFindingPhotos getFindingPhoto evaluate listDecisions
    getDecision recomputeDecision decisionDrift decisionDifferences listSignOffs listAllDecisions
    checkDecisionFile listReceivedRecords getReceivedRecord exportDecisionJSON exportDecisionCSV
    exportDecisionPDF exportDecisionHTML search listCalculators runCalculator listChanges getChange sayPresent sayGone
    checkRecords listJobs getJob
  `,
  engineer: `
    addSample
    createPart updatePart deletePart saveView removeView settleStage unsettleStage createGrade updateGrade
    deleteGrade restoreGrade startImport changeImport commitImport cancelImport saveMachine removeMachine
    recordPrint saveAgent removeAgent saveSpool removeSpool savePlace removePlace saveDryer removeDryer
    saveDryerSchedule finishDryerRun setInstrumentBehaviour fetchAirLog beginStandInPrint weighSpool
    takePrices saveCampaign removeCampaign saveTrial startRun endRun importCurve acceptResult
    clearPartNotices addAttachment removeAttachment saveInstallation removeInstallation saveFinding
    removeFinding takeFindingEvidence replaceFailedPart addFindingPhoto removeFindingPhoto freezeDecision
    keepReceivedRecord putBack cancelJob retryJob
  `,
  approver: 'signDecision updateCompanyRules',
  people: 'inviteMember changeMember inviteAgain',
  administrator: 'listMembers exportWorkshop checkWorkshop importWorkshop listBackups makeBackup getBackup',
  installation: 'makeWorkspace listAccountEvents',
};

test('every route is in the table, and asks what the table says', () => {
  const asked = Object.entries(ASKED).flatMap(([needs, ids]) =>
    ids
      .trim()
      .split(/\s+/)
      .map((id) => [id, needs] as const),
  );
  const known = new Map(asked);
  expect(asked.length).toBe(known.size);
  expect(Object.fromEntries(operations.map((one) => [one.id, needsOf(one)]))).toEqual(Object.fromEntries(known));
});

const reaches = (role: Role, needs: Needs) =>
  needs === 'anyone' ||
  needs === 'person' ||
  (needs === 'installation' || needs === 'people'
    ? role === 'administrator'
    : ROLES.indexOf(role) >= ROLES.indexOf(needs));
const addressOf = ({ path }: Operation) => `/api/v1${path.replaceAll(/:\w+/g, 'nothing-of-this-name')}`;

test.each([...ROLES])('as %s every route lets in or refuses as the table says', async (role) => {
  const wrong: string[] = [];
  // Signing out comes last: it ends what the others are asked with.
  for (const operation of [...operations].sort((a, b) => Number(a.id === 'signOut') - Number(b.id === 'signOut'))) {
    const { status } = await team.ask(operation.method, addressOf(operation), team.cookies[role]).send({});
    const isIn = status !== 401 && status !== 403;
    if (isIn !== reaches(role, needsOf(operation))) wrong.push(`${operation.id}: ${status}`);
    if (status >= 500) wrong.push(`${operation.id}: ${status}`);
  }
  expect(wrong).toEqual([]);
});

test('nobody gets past anything but signing in', async () => {
  const through: string[] = [];
  for (const operation of operations) {
    const { status } = await request(at.origin)[operation.method](addressOf(operation)).send({});
    if (status !== 401) through.push(operation.id);
  }
  expect(through.sort()).toEqual(ASKED.anyone.split(' ').sort());
});

test('a token reaches no further than it was given, and changes no accounts', async () => {
  const fresh = await makeTokenHolder();
  for (const mostRole of ROLES) {
    const secret = await fresh(mostRole);
    const wrong: string[] = [];
    for (const operation of operations) {
      const needs = needsOf(operation);
      const sent = request(at.origin)[operation.method](addressOf(operation));
      const { status } = await sent.set('Authorization', `Bearer ${secret}`).send({});
      const ofPeople: readonly Needs[] = ['person', 'people', 'installation'];
      const reach = !ofPeople.includes(needs) && reaches(mostRole, needs);
      if ((status !== 401 && status !== 403) !== reach) wrong.push(`${mostRole} ${operation.id}: ${status}`);
    }
    expect(wrong).toEqual([]);
  }
});

/** Of an administrator of their own, since the others have signed out by then. */
async function makeTokenHolder() {
  const signedIn = await team
    .ask('post', '/api/v1/session')
    .send({ signIn: 'ada', password: 'correct horse battery' })
    .expect(204);
  team.cookies.administrator = team.cookieOf(signedIn);
  return (mostRole: Role) => team.token('administrator', mostRole);
}
