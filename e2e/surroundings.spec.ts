import type { Page } from '@playwright/test';
import { expect, test } from './fixtures.ts';
import { readPart, saved, settledRemaining, shortlistRow, remaining } from './part.ts';

async function blankPart(page: Page, does: RegExp): Promise<string> {
  await page.goto('/parts');
  await page.getByRole('button', { name: 'New part', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: does }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'New part' })).toBeVisible();
  return /parts\/([0-9a-f-]+)\//.exec(page.url())![1]!;
}
const ask = (page: Page, title: string) => page.getByRole('button', { name: `+ ${title}`, exact: true }).click();
const toShortlist = async (page: Page) => {
  await page.getByRole('link', { name: /Shortlist/ }).click();
  await expect(page.getByText(/\d+ pass · \d+ unknown · \d+ fail/)).toBeVisible();
};
const cell = async (page: Page, grade: string, check: RegExp) =>
  (await shortlistRow(page, grade)).getByRole('button', { name: check });

test('drip cup: oil and a degreaser by pictures of contact; what stands them, what cracks, what is unknown', async ({
  page,
  request,
}) => {
  const id = await blankPart(page, /pressed on evenly/);
  await page.getByLabel('Name', { exact: true }).fill('Drip cup of a test');
  await page.getByLabel('Pressure', { exact: true }).fill('0.6 kPa');
  const before = await settledRemaining(page);
  await ask(page, 'Chemical contact');
  const oil = page.getByRole('group', { name: 'Fluid 1' });
  await oil.getByLabel('Temperature').fill('45');
  await oil.getByLabel('Total exposure').fill('2 years');
  // By keyboard: the picture of the bath.
  await oil.getByRole('radio', { name: 'Splash' }).focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowRight');
  await expect(oil.getByRole('radio', { name: 'Immersion' })).toBeChecked();
  await expect(oil.getByText(/Under sustained tension ABS, ASA/)).toBeVisible();
  await page.getByRole('button', { name: '+ Another fluid' }).click();
  await page.getByRole('group', { name: 'Fluid 2' }).getByLabel('Chemical').selectOption('Detergent');
  await expect.poll(() => remaining(page)).toBeLessThan(before);
  await expect(page.getByRole('region', { name: 'Cautions' }).getByText(/Slippery; long skin contact/)).toBeVisible();
  await saved(page);
  expect((await readPart(request, id)).brief.asks.fluids).toMatchObject([
    { agentId: 'mineral-oil', contact: 'immersion', temperatureC: 45, hours: 17532 },
    { agentId: 'detergent', contact: 'wipe' },
  ]);

  await toShortlist(page);
  // Typical of the family is marked as no promise; the workshop's own soak overrides and says so.
  await expect(
    await cell(page, 'Nine Elms PETG Trade', /^Chemical resistance: passes on typical values, not tested/),
  ).toBeVisible();
  await (await cell(page, 'Tarrowmill PETG Clearway', /^Chemical resistance:/)).click();
  const drawer = page.getByRole('dialog');
  await expect(
    drawer.getByText(/Mineral oil and grease: resistant \(own immersion test, 14 days at 45 °C\)/).first(),
  ).toBeVisible();
  await drawer.getByRole('button', { name: /^Stress cracking/ }).click();
  await expect(drawer.getByText('Own soak of a bent specimen: no crack at this stress.')).toBeVisible();
});
