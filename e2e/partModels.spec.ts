import type { Page } from '@playwright/test';
import { expect, test } from './fixtures.ts';
import { heaterDuct } from '@anvilstone/core/education/sample';
import type { GeometryOf } from '@anvilstone/schema';
import { makePart, readPart, saved, settledRemaining, remaining } from './part.ts';

async function newPart(page: Page, does: RegExp): Promise<string> {
  await page.goto('/parts');
  await page.getByRole('button', { name: 'New part', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: does }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'New part' })).toBeVisible();
  return /parts\/([0-9a-f-]+)\//.exec(page.url())![1]!;
}
const funnelRow = (page: Page, check: string) =>
  page.getByRole('list', { name: 'Remaining grades after each requirement' }).getByText(check, { exact: true });
const workingOf = (page: Page, check: string) => page.getByRole('region', { name: `Working: ${check}` });

test('bars: a prop that must not bow is drawn, sized by its handle, and told which check governs', async ({
  page,
  request,
}) => {
  const id = await newPart(page, /squeezed and slender/);
  await page.getByLabel('Force', { exact: true }).fill('90 N');
  await page.getByLabel('Duration').fill('1 year');
  await expect(funnelRow(page, 'Stability')).toBeVisible();
  const before = await settledRemaining(page);
  // By keyboard: ten times a millimetre longer.
  const handle = page.getByRole('slider', { name: /^Free length/ });
  await handle.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByLabel('Free length', { exact: true })).toHaveValue('260');
  await expect.poll(() => remaining(page)).toBeLessThan(before);
  await expect(page.locator('[data-governs="bows"]')).toBeVisible();
  // And with the pointer, back again.
  const box = (await handle.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x - 120, box.y + box.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect
    .poll(async () => Number(await page.getByLabel('Free length', { exact: true }).inputValue()))
    .toBeLessThan(215);
  await saved(page);
  const part = (await readPart(request, id)).brief.part as GeometryOf<'strut'>;
  expect(part.model).toBe('strut');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Free length', { exact: true })).toHaveValue('260');
});

test('rings: the duct that passes strength and goes oval within months, and why', async ({ page, request }) => {
  const part = await makePart(request, { ...heaterDuct, title: 'Duct of a test' });
  await page.goto(`/parts/${part.id}/shortlist?grade=tm-asa&check=sag-after-duration`);
  const drawer = page.getByRole('dialog', { name: 'Tarrowmill ASA Outdoor' });
  await expect(drawer.getByRole('button', { name: /In-plane strength/ })).toContainText(/passes|[2-9]\./);
  const working = workingOf(page, 'Creep deflection');
  await expect(working.getByText('Ovalisation, quarters beside the clamp')).toBeVisible();
  await expect(working.getByText(/Creep factor over 2190 h at 75 °C/)).toBeVisible();
  await expect(working.getByText(/fails/)).toBeVisible();
  // The same ring pressed from inside is asked for a pressure.
  await page.goto(`/parts/${part.id}/brief`);
  await page.getByLabel('Condition', { exact: true }).selectOption('pressed-from-inside');
  await expect(page.getByLabel('Pressure', { exact: true })).toHaveValue('0.01');
  await page.getByLabel('Pressure', { exact: true }).fill('2 bar');
  await saved(page);
  expect((await readPart(request, part.id)).brief.loadCases[0]).toMatchObject({ pressureMPa: 0.2 });
});

test('a calculator follows what is typed, says what it cannot use, and travels by its link', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto('/calculators');
  await page.getByLabel('Find a formula').fill('living hinge');
  await page.getByRole('link', { name: 'Strain of a living hinge' }).click();
  const answer = page.getByRole('region', { name: 'Result' });
  await expect(answer).toContainText('13.09 %');
  await page.getByLabel('Turn', { exact: true }).fill('90');
  await expect(answer).toContainText('6.545 %');
  await page.getByLabel('Length', { exact: true }).fill('-3');
  await expect(page.getByLabel('Length', { exact: true })).toHaveAccessibleDescription(/Must be above 0/);
  await page.getByLabel('Length', { exact: true }).fill('12');
  await expect(answer).toContainText('3.2725 %');
  await page.getByRole('button', { name: 'Copy the link' }).click();
  await expect(page.getByRole('button', { name: 'Link copied' })).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  await page.goto('/parts');
  await page.goto(link);
  await expect(page.getByRole('region', { name: 'Result' })).toContainText('3.2725 %');
  await page.goto('/calculators/hinge-strain?in=%7Bcut');
  await expect(page.getByRole('alert')).toContainText('could not be read');
});
