import { expect, test } from './fixtures.ts';
import { makePart } from './part.ts';

test('can we print it: every machine with what blocks it, what would mend that and for how much', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { title: 'Arm to be printed', failureCouldHurt: 'no' });
  await page.goto(`/parts/${part.id}/plan?grade=ol-pa6-gf&way=XZ`);
  await page.getByRole('combobox', { name: 'Material' }).waitFor();
  const machines = page.getByRole('region', { name: /machines can print it$/ });
  const open = machines.getByRole('row', { name: /^Bench open frame/ });
  await expect(open).toContainText('blocked');
  await expect(open).toContainText(/Wears a brass nozzle through/);
  await expect(open).toContainText(/hardened nozzle.*about \d+ USD/);
  await expect(machines.getByRole('row', { name: /^Old wide frame/ })).toContainText(/Takes 2.85 mm filament/);

  // Planned on the enclosed one: its card, by keyboard to the next tab.
  const enclosed = machines.getByRole('row', { name: /^Workshop enclosed/ });
  const take = enclosed.getByRole('button', { name: 'Plan on Workshop enclosed' });
  if (await take.isVisible()) await take.click();
  await expect(enclosed).toContainText('planned');
  await page.getByRole('tab', { name: 'Machines' }).focus();
  await page.keyboard.press('ArrowRight');
  const card = page.getByRole('article', { name: 'Process card' });
  await expect(card).toContainText(/on Workshop enclosed/);
  await expect(card.getByRole('region', { name: 'Before' })).toContainText(/Dry the spool.*\d+ h at \d+ °C/);
  await expect(card.getByRole('region', { name: 'Heat and air' })).toContainText(/Part fan.*off/);
  await expect(card.getByRole('img', { name: /^Code that leads to .*machine=workshop-enclosed/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Cautions' })).toContainText(/fibre|dust/i);

  // Out over night in damp air it has to be dried again.
  await page.getByRole('tab', { name: 'Drying' }).click();
  await page.getByLabel('Hours, 1').fill('2');
  await expect(page.getByRole('status').filter({ hasText: 'use it within' })).toBeVisible();
  await page.getByLabel('Hours, 1').fill('14');
  await page.getByLabel('Humidity').fill('75');
  await expect(
    page.getByRole('status').filter({ hasText: /too moist to print: dry it for \d+ h at \d+ °C/ }),
  ).toBeVisible();

  await page.getByRole('tab', { name: 'Supports' }).click();
  await expect(page.getByRole('region', { name: /^Supports for/ }).getByRole('row')).not.toHaveCount(1);
  await page.getByRole('tab', { name: 'After printing' }).click();
  await expect(page.getByRole('row', { name: /^Smoothing by vapour/ })).toContainText('not suitable');
});
