import type { Page } from '@playwright/test';
import { expect, test } from '../fixtures.ts';
import { heaterDuct } from '@anvilstone/core/education/sample';
import { makePart } from '../part.ts';

const DAY_MS = 86_400_000;
const daysAgo = (days: number) => new Date(Date.now() - days * DAY_MS).toISOString().slice(0, 10);

/** Freezes what leads; its name. */
async function decide(page: Page, partId: string, reasons: string): Promise<string> {
  await page.goto(`/parts/${partId}/decision`);
  await page.getByLabel('Reason for this choice').fill(reasons);
  await page.getByLabel('Decided by').fill('A. Tester');
  await page.getByRole('button', { name: 'Freeze the decision' }).click();
  const heading = page.getByRole('article', { name: /^Decision \d+$/ }).getByRole('heading', { level: 2 });
  await expect(heading).toContainText('built');
  return (await heading.innerText()).split(', built')[0]!;
}

test('a failure in service becomes a finding, the finding evidence, the evidence a new brief and another decision', async ({
  page,
  request,
}) => {
  test.setTimeout(120_000);
  const { id } = await makePart(request, { ...heaterDuct, title: 'Duct of a test' });
  const first = await decide(page, id, 'The lowest cost in the warm air.');
  const record = page.url();

  // To work with it: what to look at follows from what it is closest to failing by.
  await page
    .getByRole('link', { name: /Service/ })
    .last()
    .click();
  await page.getByRole('button', { name: 'Commission' }).click();
  await page.getByLabel('Serial number').fill('T-1');
  await page.getByLabel('Where').fill('Test cabinet');
  await page.getByLabel('Installed by').fill('A. Fitter');
  await page.getByLabel('In service since').fill(daysAgo(70));
  await expect(page.getByRole('region', { name: 'Inspections' })).toContainText('Creep at the loaded end');
  await page.getByRole('button', { name: 'Commission' }).click();
  await expect(page.getByRole('region', { name: 'Inspections due' })).toContainText('overdue');

  // It has failed: by picture, with what was measured.
  await page.getByRole('button', { name: 'Record finding' }).click();
  await page.getByText('Failed', { exact: false }).last().click();
  await page.getByText('Creep deformation').click();
  await page.getByLabel('Distortion').fill('6 mm');
  await page.getByLabel('Highest temperature since the last inspection').fill('84');
  await page.getByLabel('Inspected by').fill('A. Fitter');
  await page.getByLabel('Observed').fill('Oval, the hose is off.');
  await page.getByLabel('Lesson').fill('Measure its creep in the heat first.');
  await page.getByRole('button', { name: 'Save reading' }).click();
  const card = page.getByRole('article', { name: /^Finding of/ });
  await expect(card).toContainText('It failed within its brief');
  // Correct where it was wrong, until something rests on it.
  await card.getByRole('button', { name: 'Correct' }).click();
  await page.getByLabel('Observed').fill('Oval, and the hose is off.');
  await page.getByRole('button', { name: 'Save reading' }).click();
  await expect(card).toContainText('Oval, and the hose is off.');
  await expect(card.getByRole('row', { name: /Distortion/ })).toContainText('beyond the prediction');
  await card.getByLabel('Add a photo').setInputFiles({
    name: 'oval.png',
    mimeType: 'image/png',
    buffer: Buffer.from(
      'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
      'base64',
    ),
  });
  await expect(card.getByRole('img', { name: 'oval.png' })).toBeVisible();

  // Into the evidence, after a look at what it moves.
  await card.getByRole('button', { name: 'Add to the evidence' }).click();
  const taking = card.getByRole('region', { name: 'Add to the evidence' });
  await expect(taking).toContainText('Creep modulus');
  await expect(taking.getByRole('row', { name: /Duct of a test/ })).toContainText('fails now');
  await taking.getByLabel('Approved by').fill('B. Chief');
  await taking.getByRole('button', { name: 'Accept as evidence' }).click();
  await expect(card).toContainText('Added to the evidence');
  await expect(card.getByRole('button', { name: 'Correct' })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'Out of date' })).toContainText('T-1');

  // A new brief with the lesson, and another answer.
  await card.getByRole('button', { name: 'New brief from this finding' }).click();
  await expect(page.getByRole('region', { name: 'Lessons' })).toContainText('Measure its creep in the heat first.');
  const replacement = /\/parts\/([0-9a-f-]+)\//.exec(page.url())![1]!;
  expect(replacement).not.toBe(id);
  const second = await decide(page, replacement, 'What the first one taught.');
  expect(second).not.toBe(first);

  // The first record stays what it was, and says that it would now differ.
  await page.goto(record);
  await expect(page.getByText('every number agrees')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Would now differ' })).toContainText('New evidence on the candidates');

  // And it is found again by its words.
  await page.goto('/service');
  await page.getByLabel('Search findings and lessons').fill('creep heat first');
  await expect(page.getByRole('link', { name: 'T-1, Duct of a test' })).toBeVisible();
});
