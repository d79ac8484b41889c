import { lampArm } from '@anvilstone/core/education/sample';
import type { Part } from '@anvilstone/schema';
import type { Browser, Page } from '@playwright/test';
import { seriousFaults } from './accessibility.ts';
import { coldTest as test, expect } from './fixtures.ts';
import { startWorkshop, type WorkshopServer } from './workshopServer.ts';

const PASSWORD = 'correct horse battery';
test.describe.configure({ mode: 'serial' });

/** Of its own: once there is an account, everybody who uses a server has to sign in. */
let server: WorkshopServer;
test.beforeAll(async () => {
  server = await startWorkshop({ sample: false, args: ['--no-demo'] });
});
test.afterAll(() => server.close());

async function person(browser: Browser): Promise<Page> {
  return (await browser.newContext({ baseURL: server.url, viewport: { width: 1280, height: 800 } })).newPage();
}
async function signIn(page: Page, name: string): Promise<void> {
  await page.getByLabel('Sign-in name').fill(name);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
}
/** Makes a part as whoever the page is signed in as. */
async function makePart(page: Page, title: string): Promise<Part> {
  const response = await page.request.post('/api/v1/parts', {
    data: { brief: { ...lampArm, title } },
    headers: { Origin: server.url },
  });
  expect(response.status()).toBe(201);
  return (await response.json()) as Part;
}

test('from a workshop of one to a team: first account, invitation, roles, sign-in, a token, another workspace', async ({
  browser,
}) => {
  const ada = await person(browser);
  await ada.goto('/people');
  await expect(ada.getByText(/No accounts/)).toBeVisible();
  await ada.getByLabel('Your name').fill('Ada Brook');
  await ada.getByLabel('Sign-in name').fill('ada');
  await ada.getByLabel('Password').fill('short');
  await expect(ada.getByText('7 more characters are needed')).toBeVisible();
  await ada.getByLabel('Password').fill(PASSWORD);
  await ada.getByRole('button', { name: 'Create account' }).click();
  const people = ada.getByRole('region', { name: 'People of Workshop' });
  await people.getByLabel('Name', { exact: true }).fill('Bo Lind');
  await people.getByLabel('Sign-in name').fill('bo-lind');
  await people.getByLabel('Role', { exact: true }).selectOption('viewer');
  await people.getByRole('button', { name: 'Invite', exact: true }).click();
  const link = await people.getByRole('status').locator('code').innerText();
  expect(link.startsWith(`${server.url}/welcome#`)).toBe(true);

  // Whoever is not in sees the door, whatever they ask for.
  const bo = await person(browser);
  await bo.goto('/parts');
  await expect(bo.getByRole('heading', { name: 'Sign in' })).toBeVisible();
  expect(await seriousFaults(bo)).toEqual([]);
  await signIn(bo, 'bo-lind');
  await expect(bo.getByRole('alert')).toContainText('do not belong together');
  await bo.goto(link);
  await expect(bo.getByRole('heading', { name: 'Welcome, Bo Lind' })).toBeVisible();
  await bo.getByLabel('Password').fill(PASSWORD);
  await bo.getByRole('button', { name: 'Sign in' }).click();
  await expect(bo.getByText(/You are a viewer here/)).toBeVisible();
  // The way in was good once.
  const late = await person(browser);
  await late.goto(link);
  await expect(late.getByRole('alert')).toContainText('not good any more');

  // A viewer tries things out, and is told that nothing is kept.
  const part = await makePart(ada, 'Arm of the team');
  await bo.goto(`/parts/${part.id}/brief`);
  await bo.getByLabel('Name', { exact: true }).fill('Bo was here');
  await expect(bo.getByText(/Not saved: You are a viewer here; this takes an engineer/)).toBeVisible();

  // Given more, they may at once.
  await people.getByLabel('Role of Bo Lind').selectOption('engineer');
  await expect(people.getByText(/can change parts, grades, bench and service · last here/)).toBeVisible();
  await bo.reload();
  await expect(bo.getByText('Saved', { exact: true })).toBeVisible();
  await expect(bo.getByText(/You are a viewer here/)).toHaveCount(0);

  await ada.getByLabel('Purpose').fill('night script');
  await ada.getByRole('button', { name: 'Create token' }).click();
  const secret = await ada
    .getByRole('region', { name: 'Sessions and access tokens' })
    .getByRole('status')
    .locator('code')
    .first()
    .innerText();
  const asToken = (method: string) =>
    fetch(`${server.url}/api/v1/parts/${part.id}`, { method, headers: { Authorization: `Bearer ${secret}` } });
  expect([(await asToken('GET')).status, (await asToken('DELETE')).status]).toEqual([200, 403]);
  const calendar = await fetch(await ada.locator('code', { hasText: 'inspections.ics?key=' }).innerText());
  expect([calendar.status, calendar.headers.get('content-type')]).toEqual([200, 'text/calendar; charset=utf-8']);

  await ada.getByLabel('A new workspace’s name').fill('Annex Two');
  await ada.getByRole('button', { name: 'Create workspace' }).click();
  await ada.getByRole('link', { name: 'Annex Two' }).click();
  await expect(ada).toHaveURL(/\/w\/annex-two\//);
  await ada.goto('/w/annex-two/parts');
  await expect(ada.getByRole('navigation', { name: 'Main navigation' }).getByText('Annex Two')).toBeVisible();
  await expect(ada.getByText('Arm of the team')).toHaveCount(0);
  await bo.goto('/w/annex-two/parts');
  await expect(bo.getByText('Annex Two')).toHaveCount(0);
});

test('two people on one brief: who is here, both edits in, who changed what, and a state put back', async ({
  browser,
}) => {
  const [ada, bo] = [await person(browser), await person(browser)];
  await ada.goto('/parts');
  await signIn(ada, 'ada');
  await expect(ada.getByRole('heading', { name: 'Sign in' })).toHaveCount(0);
  await bo.goto('/parts');
  await signIn(bo, 'bo-lind');
  await expect(bo.getByRole('heading', { name: 'Sign in' })).toHaveCount(0);
  const part = await makePart(ada, 'Arm for two');
  await Promise.all([ada, bo].map((page) => page.goto(`/parts/${part.id}/brief`)));
  await expect(ada.getByRole('status', { name: 'Also here' })).toHaveText('Also here: Bo Lind');
  await expect(bo.getByRole('status', { name: 'Also here' })).toHaveText('Also here: Ada Brook');

  await bo.getByLabel('Name', { exact: true }).fill('Arm for two, by Bo');
  await expect(ada.getByRole('heading', { level: 1 })).toHaveText('Arm for two, by Bo');
  await expect(ada.getByText('Bo Lind changed this just now')).toBeVisible();
  await ada.getByLabel('From the root to the load', { exact: true }).fill('190');
  await expect(bo.getByLabel('From the root to the load', { exact: true })).toHaveValue('190');

  await ada.getByRole('button', { name: 'History' }).click();
  const history = ada.getByRole('dialog', { name: /History of/ });
  await expect(history.getByRole('listitem')).toHaveCount(3);
  await history.getByRole('button', { name: /Bo Lind changed/ }).click();
  await expect(history.getByRole('row', { name: /Title Arm for two Arm for two, by Bo/ })).toBeVisible();
  await history.getByRole('button', { name: 'Restore previous version' }).click();
  await expect(ada.getByRole('heading', { level: 1 })).toHaveText('Arm for two');
  await expect(bo.getByRole('heading', { level: 1 })).toHaveText('Arm for two');

  await bo.goto('about:blank');
  await expect(ada.getByRole('status', { name: 'Also here' })).toHaveCount(0);
  await ada.goto('/changes');
  await expect(
    ada
      .getByRole('main')
      .getByRole('button', { name: /Ada Brook changed part “Arm for two”/ })
      .first(),
  ).toBeVisible();
});

test('a session that ends in the middle of work: signed in again over it, and nothing that was typed is lost', async ({
  browser,
}) => {
  const bo = await person(browser);
  await bo.goto('/parts');
  await signIn(bo, 'bo-lind');
  await expect(bo.getByRole('heading', { name: 'Sign in' })).toHaveCount(0);
  const part = await makePart(bo, 'Arm of a long night');
  await bo.goto(`/parts/${part.id}/brief`);
  await expect(bo.getByLabel('From the root to the load', { exact: true })).toHaveValue('220');
  await expect(bo.getByText('Saved', { exact: true })).toBeVisible();
  await bo.context().clearCookies();
  await bo.getByLabel('Name', { exact: true }).fill('Typed without a session');
  await expect(bo.getByRole('heading', { name: 'Sign in again' })).toBeVisible();
  await signIn(bo, 'bo-lind');
  await expect(bo.getByRole('heading', { name: 'Sign in again' })).toHaveCount(0);
  await expect(bo.getByText('Saved', { exact: true })).toBeVisible();
  const now = (await (await bo.request.get(`/api/v1/parts/${part.id}`)).json()) as Part;
  expect(now.brief.title).toBe('Typed without a session');
});
