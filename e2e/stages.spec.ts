import { expect, test } from '@playwright/test';
import { makePart, saved } from './part.ts';

test('a settled stage goes out of date when something it rests on changes, says what, and is settled anew by itself', async ({
  page,
  request,
}) => {
  const { id } = await makePart(request, { title: 'Arm with settled stages' });
  const state = page.getByRole('region', { name: 'State of this stage' });
  for (const stage of ['shortlist', 'plan']) {
    await page.goto(`/parts/${id}/${stage}`);
    await state.getByRole('button', { name: 'Settle this stage' }).click();
    await expect(state).toContainText('nothing that it rests on has changed');
  }
  await page.getByRole('link', { name: /Brief/ }).click();
  await page.getByLabel('From the root to the load', { exact: true }).fill('260');
  await saved(page);
  for (const name of [/Shortlist/, /Print plan/]) {
    const link = page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name });
    await expect(link).toContainText('out of date');
  }
  await page.getByRole('link', { name: /Print plan/ }).click();
  await expect(state).toContainText('Out of date');
  await expect(state.getByRole('row', { name: /span/ })).toContainText('260 mm');
  await state.getByRole('button', { name: 'Looked through: settle it anew' }).click();
  await expect(state).toContainText('nothing that it rests on has changed');
  // One by one: the other is still out of date, after a reload too.
  await page.reload();
  const stages = page.getByRole('navigation', { name: 'Stages' });
  await expect(stages.getByRole('link', { name: /Shortlist/ })).toContainText('out of date');
  await expect(stages.getByRole('link', { name: /Print plan/ })).toContainText('settled');
});

test('anything is found from anywhere by its words, by keyboard alone; a quantity is told in other units', async ({
  page,
  request,
}) => {
  // A part whose words say “compare” too: a place called by its name still leads.
  await makePart(request, { title: 'Compare of this and that' });
  await page.goto('/parts');
  await expect(page.getByRole('row', { name: /Lamp arm, pylon 7/ })).toBeVisible();
  await page.keyboard.press('/');
  const field = page.getByRole('combobox', { name: 'Find anything' });
  await field.fill('hose had slip');
  await expect(page.getByRole('option', { name: /D-1, Heater duct elbow/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/parts\/0a7c1d00-0000-4000-8000-000000000002\/service/);
  await page.keyboard.press('Control+k');
  await field.fill('12 lbf');
  await expect(page.getByText('= 53.38 N')).toBeVisible();
  await field.fill('compare of this');
  await expect(page.getByRole('option', { name: /Compare of this part/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/compare$/);
  await page.keyboard.press('Control+k');
  await field.fill('zebra crossing');
  await expect(page.getByText('Nothing with all of these words.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(field).toBeHidden();
});
