import { readFile } from 'node:fs/promises';
import { expect, test, type APIRequestContext } from '@playwright/test';
import { sampleLibrary } from '@anvilstone/core/sample';
import type { Grade, GradeRecord } from '@anvilstone/schema';

async function makeGrade(request: APIRequestContext, facts: Partial<Grade>): Promise<GradeRecord> {
  const grade = { ...sampleLibrary.grades.find(({ id }) => id === 'tm-abs')!, ...facts };
  const response = await request.post('/api/v1/grades', { data: { grade } });
  expect(response.status()).toBe(201);
  return (await response.json()) as GradeRecord;
}

test('narrowed by facets, a range at a condition, and words; ordered; the view is in the address', async ({ page }) => {
  await page.goto('/grades');
  const count = page.getByRole('status').first();
  await expect(count).toContainText(/\d+ of \d+ grades/);
  await page.getByText('Morphology', { exact: true }).click();
  await page.getByLabel(/^semi-crystalline/).check();
  await page.getByRole('combobox', { name: 'Add a range' }).selectOption('tensileModulus');
  await page.getByRole('group', { name: 'Tensile modulus' }).getByLabel('at least').fill('5 GPa');
  await page.getByRole('group', { name: 'Tensile modulus' }).getByLabel('at least').blur();
  await page.getByRole('button', { name: /^Tensile modulus/ }).click();
  await page.getByRole('button', { name: /^Tensile modulus/ }).click();
  const rows = page.getByRole('region', { name: 'Grades' }).getByRole('row');
  await expect(rows.nth(1)).toContainText(/C20|C15/);
  const dry = Number(/^(\d+) of/.exec(await count.innerText())![1]);
  expect(dry).toBeGreaterThan(3);

  // The same need, conditioned and hot: fewer meet it.
  await page.getByLabel('Moisture state').selectOption('conditioned');
  await page.getByLabel('Temperature').fill('176 °F');
  await page.getByLabel('Temperature').blur();
  await expect.poll(async () => Number(/^(\d+) of/.exec(await count.innerText())![1])).toBeLessThan(dry);

  await page.reload();
  await expect(page.getByRole('group', { name: 'Tensile modulus' }).getByLabel('at least')).toHaveValue('5000');
  await page.getByRole('button', { name: 'Show all' }).click();
  await page.getByLabel('Find by any word').fill('unobtainium');
  await expect(page.getByText('No grade meets all of this.')).toBeVisible();
});

test('columns are chosen and kept; a gap is said to be unknown', async ({ page }) => {
  await page.goto('/grades?q=veld%20vx');
  await page.getByRole('button', { name: /^Columns/ }).click();
  await page.getByLabel('Wear rate on steel').check();
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(page.getByRole('columnheader', { name: /Wear rate on steel/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /VX-7/ })).toContainText('unknown');
});

test('why this value: the derivation step by step, at another condition', async ({ page }) => {
  await page.goto('/grades/ol-pa6');
  await page.getByRole('button', { name: /Tensile strength/ }).click();
  const steps = page.getByRole('list', { name: 'Derivation of Tensile strength' });
  await expect(steps).toContainText('× 0.80 moulded to printed');
  await page.getByLabel('Moisture state').selectOption('conditioned');
  await expect(steps).toContainText('to conditioned');
  await page.getByLabel('Direction').selectOption('across');
  await expect(steps).toContainText('across the layers, typical of the family');
});

test('edited with undo and a fault beside its field; saved once, kept in the history, and brought back', async ({
  page,
  request,
}) => {
  const { grade } = await makeGrade(request, { id: 'edit-me', name: 'Edit me ABS' });
  await page.goto(`/grades/${grade.id}/edit`);
  await page.getByLabel('Price').fill('42');
  await page.getByRole('button', { name: 'Add a report' }).click();
  await expect(page.getByRole('status')).toContainText('have to be put right');
  await expect(page.getByText('Tensile strength has no number', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByRole('status')).toContainText('Not saved yet');
  await page.getByRole('button', { name: 'Redo', exact: true }).click();
  await page.getByLabel('Value', { exact: true }).fill('38,5');
  await page.getByLabel('Specimens (n)').fill('5');
  await page.getByLabel('Document or campaign').fill('Own bench, August');

  // A closed tab loses nothing.
  await page.reload();
  await expect(page.getByText('edits of an earlier visit')).toBeVisible();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page).toHaveURL(/\/grades\/edit-me$/);
  await expect(page.getByText('42.00 USD/kg')).toBeVisible();
  await page.getByRole('tab', { name: 'History' }).click();
  await expect(page.getByText('Tensile strength: nothing → 38.5 MPa, Own bench, August')).toBeVisible();
  await page.getByRole('button', { name: 'Bring this state back' }).click();
  await expect(page.getByText('Earlier state brought back')).toBeVisible();
  await expect(page.getByText('42.00 USD/kg')).toBeHidden();
});

test('changed elsewhere meanwhile: nothing is overwritten, and the choice is mine', async ({ page, request }) => {
  const { grade, revision } = await makeGrade(request, { id: 'edit-together', name: 'Edit together ABS' });
  await page.goto(`/grades/${grade.id}/edit`);
  await page.getByLabel('Name', { exact: true }).fill('Mine');
  await request.put(`/api/v1/grades/${grade.id}`, { data: { grade: { ...grade, name: 'Theirs' }, revision } });
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('Changed by someone else');
  await page.getByRole('button', { name: /Take the newer one/ }).click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Theirs');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Mine' })).toBeVisible();
});

test('a new grade is written down, exported as a material card, and removed', async ({ page }) => {
  await page.goto('/grades/new');
  await page.getByLabel('Name', { exact: true }).fill('Whinfell PETG');
  await page.getByLabel('Maker', { exact: true }).fill('Whinfell');
  await page.getByLabel('Polymer family').selectOption('petg');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Whinfell PETG' })).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Material card' }).click();
  const card = await readFile(await (await download).path(), 'utf8');
  expect(card).toContain('*ELASTIC, TYPE=ENGINEERING CONSTANTS');
  expect(card).toContain('evidence class D');
  await page.getByRole('button', { name: /^Remove/ }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Remove' }).click();
  await expect(page).toHaveURL(/\/grades$/);
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

test('by keyboard alone: from the table to a derivation', async ({ page }) => {
  await page.goto('/grades?q=clearway');
  const link = page.getByRole('link', { name: 'Tarrowmill PETG Clearway' });
  await link.focus();
  await page.keyboard.press('Enter');
  const density = page.getByRole('button', { name: /Density/ });
  await density.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('list', { name: 'Derivation of Density' })).toBeVisible();
});
