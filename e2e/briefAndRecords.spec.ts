import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { makePart, readPart, saved, settledStanding, shortlistRow, standing } from './part.ts';

test('asks come from a palette and go again, and the brief keeps exactly what is asked', async ({ page, request }) => {
  const part = await makePart(request, { asks: {} });
  await page.goto(`/parts/${part.id}/brief`);
  await expect(page.getByText('Nothing yet: only the loads decide.')).toBeVisible();
  await page.getByRole('button', { name: '+ Peak heat' }).click();
  await page.getByLabel('Peak temperature').fill('90');
  await page.getByLabel('Lasts for').fill('30 min');
  await page.getByRole('button', { name: '+ Mass limit' }).click();
  await page.getByLabel('At most').fill('5 oz');
  await page.getByRole('button', { name: '+ Only this way up' }).click();
  await page.getByRole('checkbox', { name: 'ZX' }).check();
  await page.getByRole('checkbox', { name: 'XY' }).uncheck();
  await saved(page);
  const { asks } = (await readPart(request, part.id)).brief;
  expect(asks.heat).toEqual({ peak: { temperatureC: 90, durationH: 0.5 } });
  expect(asks.maxMassG).toBeCloseTo(141.748, 3);
  expect(asks.orientations).toEqual(['ZX']);
  for (const ask of ['peak heat', 'mass limit', 'only this way up']) {
    await page.getByRole('button', { name: `Stop asking for ${ask}` }).click();
  }
  await saved(page);
  expect((await readPart(request, part.id)).brief.asks).toEqual({});
});

test('with only the open frame allowed, what it cannot print falls out of the count with the reason', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { asks: {} });
  await page.goto(`/parts/${part.id}/brief`);
  await expect.poll(() => standing(page)).toBeGreaterThan(20);
  const before = await settledStanding(page);
  await page.getByRole('button', { name: '+ Only these machines' }).click();
  await expect(page.getByText('Tick at least one machine')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Bench open frame' }).check();
  await expect.poll(() => standing(page)).toBeLessThan(before - 10);
  await saved(page);
  await page.getByRole('link', { name: /Shortlist/ }).click();
  await expect(await shortlistRow(page, 'Osk & Linnet PC Clear')).toContainText(/toxic fumes|reaches/);
});

test('loads are added, named and removed, and each shows what it demands', async ({ page, request }) => {
  const part = await makePart(request);
  await page.goto(`/parts/${part.id}/brief`);
  await page.getByRole('button', { name: 'Add a load' }).click();
  const added = page.getByRole('group', { name: 'Load 3' });
  await added.getByLabel('Load', { exact: true }).fill('Ladder leant on it');
  await page.getByRole('group', { name: 'Ladder leant on it' }).getByLabel('Force', { exact: true }).fill('50 lbf');
  await expect(page.getByRole('region', { name: 'What this demands of a material' })).toContainText(
    'Ladder leant on it',
  );
  await saved(page);
  expect((await readPart(request, part.id)).brief.loadCases[2]).toMatchObject({ name: 'Ladder leant on it' });
  await page.getByRole('button', { name: 'Remove Ladder leant on it' }).click();
  await saved(page);
  expect((await readPart(request, part.id)).brief.loadCases).toHaveLength(2);
});

test('whether a failure could hurt someone must be answered, and the warning then follows the part', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { failureCouldHurt: 'unanswered' });
  await page.goto(`/parts/${part.id}/decision?grade=tm-asa`);
  await page.getByLabel('Why this one').fill('Because it passes every check.');
  await page.getByLabel('Decided by').fill('A. Tester');
  await page.getByRole('button', { name: 'Freeze the decision' }).click();
  await expect(page.getByRole('alert')).toContainText('does not yet say whether a failure could hurt someone');
  await page.getByRole('link', { name: /Brief/ }).click();
  await page.getByLabel('Could someone be hurt').selectOption('yes');
  await saved(page);
  for (const stage of ['Shortlist', 'Decision']) {
    await page.getByRole('link', { name: new RegExp(stage) }).click();
    await expect(page.getByRole('banner').getByText('the numbers here do not approve this part')).toBeVisible();
  }
  await page.getByLabel('Why this one').fill('Because it passes every check.');
  await page.getByLabel('Decided by').fill('A. Tester');
  await page.getByRole('button', { name: 'Freeze the decision' }).click();
  await expect(page.getByRole('article')).toContainText('Proof-test every one above its working load');
});

test('a record says when the brief has moved on, and stays as it was', async ({ page, request }) => {
  const part = await makePart(request);
  const choice = {
    partRevision: 1,
    gradeId: 'tm-asa',
    orientation: 'XZ',
    reasons: 'It stands the weather.',
    openRisks: '',
    decidedBy: 'A. Tester',
  };
  expect((await request.post(`/api/v1/parts/${part.id}/decisions`, { data: choice })).status()).toBe(201);
  await page.goto(`/parts/${part.id}/brief`);
  await page.getByLabel('From the root to the load', { exact: true }).fill('260');
  await saved(page);
  await expect(page.getByRole('link', { name: /Decision/ })).toContainText('brief changed since');
  await page.getByRole('link', { name: /Decision/ }).click();
  await expect(page.getByRole('region', { name: 'Would now differ' })).toContainText('The brief was changed');
  await expect(page.getByText('every number agrees')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Cautions' })).toContainText('styrene');
  for (const [kind, start] of [
    ['CSV', '\uFEFFgrade,maker'],
    ['PDF', '%PDF-'],
    ['HTML', '<!doctype html>'],
  ] as const) {
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: kind }).click();
    const file = await (await download).path();
    expect((await readFile(file, 'utf8')).startsWith(start)).toBe(true);
  }
});

test('a part is removed only after asking; one with decisions stays', async ({ page, request }) => {
  const part = await makePart(request, { title: 'A part to be removed' });
  await page.goto('/parts');
  const row = page.getByRole('row', { name: /A part to be removed/ });
  await row.getByRole('button', { name: 'Remove A part to be removed' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Keep it' }).click();
  await expect(row).toBeVisible();
  await row.getByRole('button', { name: 'Remove A part to be removed' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Remove' }).click();
  // While the question stands, everything behind it is hidden anyway.
  await expect(page.getByRole('alertdialog')).toBeHidden();
  await expect(row).toBeHidden();
  expect((await request.get(`/api/v1/parts/${part.id}`)).status()).toBe(404);
  await expect(page.getByRole('row', { name: /Lamp arm, pylon 7/ })).toContainText('kept: has decisions');
});

test('units and theme are remembered, and terms explain themselves on focus', async ({ page }) => {
  await page.goto('/machines');
  await page.getByRole('button', { name: /^Units: metric/ }).click();
  await page.getByRole('button', { name: /^Theme: light/ }).click();
  await page.goto('/parts');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.getByRole('button', { name: 'Smallest reserve' }).focus();
  await expect(page.getByRole('tooltip')).toContainText('1.00 or more passes');
  await page.goto('/machines');
  await expect(page.getByRole('row', { name: /Hot chamber/ })).toContainText('788 °F');
});

test('every record is computed again as long work, which is listed with what came of it', async ({ page }) => {
  await page.goto('/records');
  const panel = page.getByRole('region', { name: 'Do they still come out?' });
  await panel.getByRole('button', { name: 'Compute all again' }).click();
  await expect(panel.getByText(/^All \d+ records come to what was frozen\.$/)).toBeVisible({ timeout: 60_000 });
  await page.goto('/jobs');
  const done = page.getByRole('listitem').filter({ hasText: 'Compute every frozen record again' }).first();
  await expect(done).toContainText('✓ done in');
  await expect(done).toContainText('records come to what was frozen');
});
