import { readFile } from 'node:fs/promises';
import { expect, test } from './fixtures.ts';
import { makePart, saved } from './part.ts';

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

test('units and theme are remembered, and terms explain themselves on focus', async ({ page }) => {
  await page.goto('/machines');
  await page.getByRole('button', { name: /^Units: metric/ }).click();
  await page.getByRole('button', { name: /^Theme: light/ }).click();
  await page.goto('/parts');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dark');
  await page.getByRole('button', { name: 'Minimum reserve' }).focus();
  await expect(page.getByRole('tooltip')).toContainText('1.00 or more passes');
  await page.goto('/machines');
  await expect(page.getByRole('row', { name: /Hot chamber/ })).toContainText('788 °F');
});
