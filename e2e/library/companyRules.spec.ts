import { expect, test } from '../fixtures.ts';

// Alone and last to leave: company rules hold for the whole workshop, so what is changed is put back.
test('a changed rule shows which answers it moves, is signed, kept with its reason, and put back', async ({ page }) => {
  await page.goto('/company-rules');
  const labour = page.getByLabel('Labour per print');
  const pending = page.getByRole('region', { name: 'Changed, not yet in force' });
  await expect(pending).toHaveCount(0);
  await labour.fill('40');
  await expect(pending.getByText('Labour per print: 4 USD → 40 USD')).toBeVisible();
  // Everything gets dearer: parts with a cost limit lose grades.
  const moved = page.getByRole('region', { name: 'Parts affected' });
  await expect(moved.getByRole('row', { name: /Drip cup/ })).toContainText('→ 0');
  await page.getByLabel('Scrap rate').fill('2');
  await expect(page.getByText(/Must be 0.95 or less/)).toBeVisible();
  await expect(pending.getByRole('button', { name: 'Put into force' })).toBeDisabled();
  await pending.getByLabel('Your name').fill('M. Arkwright');
  await pending.getByLabel('Reason').fill('Tried what labour does');
  try {
    await pending.getByRole('button', { name: 'Put into force' }).click();
    await expect(pending).toHaveCount(0);
    const history = page.getByRole('region', { name: 'Change history' });
    await expect(history.getByText('Tried what labour does')).toBeVisible();
    await expect(history.getByText('Labour per print: 4 USD → 40 USD')).toBeVisible();
    await page.reload();
    await expect(labour).toHaveValue('40');
  } finally {
    await page.getByRole('button', { name: 'Reset to defaults' }).click();
    await pending.getByLabel('Your name').fill('M. Arkwright');
    await pending.getByRole('button', { name: 'Put into force' }).click();
    await expect(pending).toHaveCount(0);
  }
  await expect(labour).toHaveValue('4');
});
