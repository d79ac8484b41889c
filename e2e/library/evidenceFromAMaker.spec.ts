import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { seriousFaults } from '../accessibility.ts';
import type { Page } from '@playwright/test';
import { expect, test } from '../fixtures.ts';

const sheet = join(import.meta.dirname, '../../docs/examples/nine-elms-grades.csv');

/** The example under another maker's name, so that tests do not meet each other's grades. */
async function ownSheet(name: string): Promise<Buffer> {
  return Buffer.from((await readFile(sheet, 'utf8')).replaceAll('Nine Elms', name));
}
async function handIn(page: Page, fileName: string, buffer: Buffer) {
  await page.goto('/grades/import');
  await page.getByLabel('Choose a file').setInputFiles({ name: fileName, mimeType: 'text/csv', buffer });
  await expect(page.getByRole('heading', { name: `Import of ${fileName}` })).toBeVisible();
}
const status = (page: Page) => page.getByRole('status').first();

test('a maker’s messy sheet goes in after two questions; two grades compare like for like, one pair is refused', async ({
  page,
}) => {
  await handIn(page, 'fenmoor.csv', await ownSheet('Fenmoor Works'));
  await expect(page.getByText('7 cells to correct')).toBeVisible();
  await expect(page.getByText('The maker is missing', { exact: false }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Import/ })).toBeDisabled();
  await page.getByLabel('Maker, where no column says so').fill('Fenmoor Works');
  await page.getByLabel('Maker, where no column says so').press('Enter');
  await expect(status(page)).toContainText('7 new, 0 changed');
  await expect(status(page)).toContainText('2 questions to answer');

  // The unit slip and the notch: nothing is chosen beforehand.
  const slip = page.getByRole('group', { name: /is 2.15 meant in MPa, or in GPa/ });
  await expect(slip.getByRole('radio', { checked: true })).toHaveCount(0);
  await slip.getByLabel(/^GPa/).check();
  await expect(status(page)).toContainText('1 question to answer');
  await page
    .getByRole('group', { name: /How deep was the bar under the notch/ })
    .getByLabel(/^10.16 mm/)
    .check();
  await expect(status(page)).toContainText('Nothing is open');
  await page.getByRole('button', { name: 'Import 7 grades' }).click();
  await expect(status(page)).toHaveText('Imported: 7 new and 0 changed grades.');

  // Found again, with what the sheet meant.
  await page.getByRole('link', { name: 'Open the library' }).click();
  await page.getByLabel('Search name, colour, source, note').fill('fenmoor');
  await expect(status(page)).toContainText('7 of');
  await page.getByRole('checkbox', { name: 'Choose Fenmoor Works ABS Trade' }).check();
  await page.getByRole('checkbox', { name: 'Choose Fenmoor Works ASA Trade' }).check();
  await page.getByRole('button', { name: 'Compare two' }).click();

  // Like for like: 2.15 → 2.05 GPa is − 4.65 %.
  const reported = page.getByRole('region', { name: 'As reported' });
  const modulus = reported.getByRole('row', { name: /^Tensile modulus/ });
  await expect(modulus).toContainText('2.15 GPa');
  await expect(modulus).toContainText('− 4.65 % of Fenmoor Works ABS Trade');
  // Refused: the sheet does not say how the bars were notched.
  const izod = reported.getByRole('row', { name: /^Izod impact, notched/ });
  await expect(izod).toContainText('Not comparable');
  await expect(izod).toContainText('Notch radius: not stated against not stated');
  await expect(izod).not.toContainText('%');
});

test('the server refuses a comparison too, and says why', async ({ request }) => {
  const refused = await request.post('/api/v1/observation-comparisons', {
    data: {
      first: { gradeId: 'tm-asa', observationId: 'tm-asa-2' },
      second: { gradeId: 'ol-pa6', observationId: 'ol-pa6-2' },
    },
  });
  expect(refused.status()).toBe(409);
  expect(await refused.text()).toContain('Specimen: printed against moulded');
});

test('an error in a cell is corrected in its place, a line is left out, a column is dragged to its meaning', async ({
  page,
}) => {
  const text = [
    'Name;Maker;Polymer;X1;Density (g/cm³)',
    'Askrigg One;Askrigg;PETG;46;1,27',
    'Askrigg Two;Askrigg;PETG;47;heavy',
    'Askrigg Three;Askrigg;PETG;48;1,2',
  ].join('\n');
  await handIn(page, 'askrigg.csv', Buffer.from(text));
  await expect(status(page)).toContainText('1 cell to correct');
  const cell = page.getByRole('button', { name: 'Line 3, Density (g/cm³): heavy. Change' });
  await expect(page.getByText('“heavy” is no number; Density needs one')).toBeVisible();
  await cell.click();
  await page.getByRole('textbox', { name: 'Line 3, Density (g/cm³)' }).fill('1,28');
  await page.keyboard.press('Enter');
  await expect(status(page)).toContainText('3 new, 0 changed, 0 as they were. Nothing is open');

  // X1 says nothing by its heading: a meaning is dragged onto it, which then asks for the unit.
  await page.getByPlaceholder('Find a property to drag').fill('Tensile strength');
  const from = await page.locator('[data-target="property.tensileStrength"]').boundingBox();
  const row = page.getByRole('row', { name: /^X1/ });
  const to = await row.boundingBox();
  await page.mouse.move(from!.x + 20, from!.y + 8);
  await page.mouse.down();
  await page.mouse.move(to!.x + 120, to!.y + to!.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect(page.getByLabel('X1: meaning')).toHaveValue('property.tensileStrength');
  await expect(status(page)).toContainText('1 question to answer');
  await page.getByRole('combobox', { name: 'In which unit is “X1”?' }).selectOption('MPa');
  await expect(status(page)).toContainText('Nothing is open');

  await page.getByLabel('Only rows with problems').uncheck();
  await page.getByRole('button', { name: 'Leave line 4 out' }).click();
  await expect(status(page)).toContainText('2 new');
  expect(await seriousFaults(page)).toEqual([]);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Cancelled. The library is unchanged.')).toBeVisible();
});
