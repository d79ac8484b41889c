import { readFile } from 'node:fs/promises';
import type { APIRequestContext } from '@playwright/test';
import { expect, test } from '../fixtures.ts';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import type { Grade, GradeRecord } from '@anvilstone/schema';

async function makeGrade(request: APIRequestContext, facts: Partial<Grade>): Promise<GradeRecord> {
  const grade = { ...sampleLibrary.grades.find(({ id }) => id === 'tm-abs')!, ...facts };
  const response = await request.post('/api/v1/grades', { data: { grade } });
  expect(response.status()).toBe(201);
  return (await response.json()) as GradeRecord;
}

test('edited with undo and a fault beside its field; saved once, kept in the history, and brought back', async ({
  page,
  request,
}) => {
  const { grade } = await makeGrade(request, { id: 'edit-me', name: 'Edit me ABS' });
  await page.goto(`/grades/${grade.id}/edit`);
  await page.getByLabel('Price').fill('42');
  await page.getByRole('button', { name: 'Add a report' }).click();
  await expect(page.getByRole('status')).toContainText('have to be corrected');
  await expect(page.getByText('Tensile strength has no number', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('status')).toContainText('Not saved yet');
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await page.getByLabel('Value', { exact: true }).fill('38,5');
  await page.getByLabel('Specimens (n)').fill('5');
  await page.getByLabel('Document or campaign').fill('Own bench, August');

  // A closed tab loses nothing.
  await page.reload();
  await expect(page.getByText('edits from an earlier session')).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/grades\/edit-me$/);
  await expect(page.getByText('42.00 USD/kg')).toBeVisible();
  await page.getByRole('tab', { name: 'History' }).click();
  await expect(page.getByText('Tensile strength: nothing → 38.5 MPa, Own bench, August')).toBeVisible();
  await page.getByRole('button', { name: 'Restore this version' }).click();
  await expect(page.getByText('Earlier version restored')).toBeVisible();
  await expect(page.getByText('42.00 USD/kg')).toBeHidden();
});

test('every format of the library can be fetched from the menu', async ({ page }) => {
  await page.goto('/grades');
  await page
    .getByRole('checkbox', { name: 'Choose Tarrowmill ABS' })
    .or(page.getByRole('checkbox', { name: 'Choose Harrowgate PBT' }))
    .first()
    .check();
  await page.getByRole('button', { name: 'Export 1 chosen' }).click();
  await expect(page.getByRole('menuitem')).toHaveCount(5);
  const download = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'CSV, one table' }).click();
  expect(await readFile(await (await download).path(), 'utf8')).toContain('Harrowgate PBT');
});
