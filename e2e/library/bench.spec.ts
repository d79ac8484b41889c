import type { APIRequestContext, Page } from '@playwright/test';
import { expect, test } from '../fixtures.ts';
import type { GradeRecord, Misbehaviour } from '@anvilstone/schema';

// One rig, one library, and a server that is killed: these come one after the other.
test.describe.configure({ mode: 'default' });

const PAWL = '/parts/0a7c1d00-0000-4000-8000-000000000007';

const behave = (request: APIRequestContext, behaviour: Misbehaviour) =>
  request.put('/api/v1/instruments/force-gauge/behaviour', { data: { behaviour } });
const found = (page: Page) => page.getByRole('region', { name: /^Result \(/ });

async function load(page: Page): Promise<void> {
  await page.getByLabel(/^Shield up/).check();
  await page.getByRole('button', { name: 'Set to zero and load slowly' }).click();
}
const next = (page: Page) => page.getByRole('button', { name: /^Next: / }).click();

/** How many grades the shortlist says pass; NaN: it is not there yet. */
async function passing(page: Page): Promise<number> {
  const text = await page.getByRole('link', { name: /Shortlist/ }).innerText();
  const shown = await page
    .getByText(/\d+ pass · \d+ unknown/)
    .first()
    .innerText()
    .catch(() => text);
  return Number(/(\d+) pass/.exec(shown)?.[1] ?? NaN);
}

test('a campaign from plan to accepted evidence: a drop-out, a power cut, a file, a typed reading; the shortlist changes', async ({
  page,
  request,
  workshop,
}) => {
  test.setTimeout(180_000);
  await page.goto(`${PAWL}/shortlist`);
  await expect.poll(() => passing(page)).toBeGreaterThan(1);
  const before = await passing(page);
  await page.goto(`${PAWL}/bench?grade=ol-pa12`);
  const proposal = page.getByRole('row').filter({ has: page.getByRole('rowheader', { name: /^Fatigue/ }) });
  await expect(proposal).toContainText('Tensile test');
  await expect(proposal).toContainText('its break would not be read');
  await proposal.getByRole('link', { name: /^Plan “Tensile test”/ }).click();

  // The gauge cannot read such a bar: a thinner one fits.
  const expected = page.getByRole('region', { name: 'Prediction' });
  await expect(expected).toContainText('its break would not be read');
  await expected.getByRole('button', { name: /^Use specimens 2 mm thick/ }).click();
  await expect(expected).toContainText(/expected at the gauge/);
  await page.getByRole('button', { name: 'Start' }).click();
  await expect(page.getByRole('heading', { name: /^K5/ })).toBeVisible();

  await page.getByRole('button', { name: 'Add the 5 that are planned' }).click();
  await page.getByRole('button', { name: 'Describe K5-A1' }).click();
  await page.getByLabel('Mass').fill('3 g');
  await expect(page.getByRole('row', { name: /^K5-A1/ })).toContainText('another infill');
  await page.getByLabel('Mass').fill('0.73 g');
  await page.getByLabel('strings').check();
  await expect(page.getByText('Saved', { exact: true })).toBeVisible();
  const labels = await request.get(`/api/v1/campaigns/K5/labels.pdf?base=${encodeURIComponent(workshop.url)}`);
  expect((await labels.body()).subarray(0, 5).toString()).toBe('%PDF-');

  // The gauge falls silent in the middle and comes back: none of its readings is lost.
  await page.getByRole('tab', { name: 'Test' }).click();
  await expect(page.getByText('Stored energy: stand clear')).toBeVisible();
  await load(page);
  await expect(page.getByText(/^[\d.]+ N$/)).toBeVisible();
  await behave(request, 'off');
  await page.waitForTimeout(900);
  await behave(request, 'well');
  await expect(found(page)).toContainText('lost connection', { timeout: 20_000 });
  await expect(found(page)).toContainText('answers again');
  await expect(found(page)).toContainText(/First crack/);

  // The power goes while the next one is pulled.
  await next(page);
  await load(page);
  await expect(page.getByText(/^[\d.]+ N$/)).toBeVisible();
  await workshop.cutPower();
  await expect(found(page)).toContainText('server restarted', { timeout: 30_000 });
  await expect(found(page)).toContainText(/Largest force\s*\d/);

  await next(page);
  await load(page);
  await expect(found(page)).toContainText(/Largest force\s*\d/, { timeout: 20_000 });
  await next(page);
  await page.getByLabel('Largest force, at the gauge').fill('19.8 kgf');
  await expect(page.getByText('194 N on the specimen')).toBeVisible();
  await page.getByLabel('Location and mode of failure').fill('in the neck');
  await page.getByRole('button', { name: 'Save reading' }).click();
  await expect(found(page)).toContainText('19.8 kgf');
  await next(page);
  const curve = [
    'travel (mm),force (kgf)',
    ...Array.from({ length: 300 }, (_, i) => `${i / 100},${i < 290 ? (i * 0.069).toFixed(3) : 0}`),
  ];
  await page
    .getByLabel(/^CSV with a header/)
    .setInputFiles({ name: 'A5.csv', mimeType: 'text/csv', buffer: Buffer.from(curve.join('\n')) });
  await expect(found(page)).toContainText(/Largest force\s*196 N/);

  // Five readings: taken into the library with what that changes seen before.
  await page.getByRole('tab', { name: 'Results' }).click();
  const arm = page.getByRole('region', { name: /^A Osk & Linnet PA12/ });
  await expect(arm).toContainText('one more allows a basis value');
  await arm.getByRole('button', { name: 'Add to library' }).click();
  // Who leads depends on what others have brought into the library; that this one no longer passes does not.
  await expect(arm.getByRole('row', { name: /^Ratchet pawl/ })).toContainText(
    'Osk & Linnet PA12: passes before, fails now',
  );
  await arm.getByLabel('Approved by').fill('M. Aldous');
  await arm.getByRole('button', { name: 'Accept as evidence' }).click();
  await expect(arm).toContainText('In the library since');

  const { grade } = (await (await request.get('/api/v1/grades/ol-pa12')).json()) as GradeRecord;
  expect(grade.observations.find(({ id }) => id === 'bench-K5-A-strength')).toMatchObject({
    source: 'bench',
    count: 5,
    orientation: 'XY',
    specimen: 'printed',
  });
  await page.goto('/parts');
  await expect(page.getByRole('row', { name: /^Ratchet pawl/ })).toContainText(/Out of date: .*Osk & Linnet PA12/);
  await page.goto(`${PAWL}/shortlist`);
  await expect(page.getByRole('region', { name: 'Out of date' })).toContainText('passes before, fails now');
  await expect.poll(() => passing(page)).toBe(before - 1);
  await page.getByRole('button', { name: 'Acknowledge' }).click();
  await expect(page.getByRole('region', { name: 'Out of date' })).toBeHidden();
});
