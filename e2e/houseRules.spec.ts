import { expect, test } from '@playwright/test';

// Alone and last to leave: house rules hold for the whole workshop, so what is changed is put back.
test('whose numbers lead: the library follows at once, saved by itself, undone by a click', async ({ page }) => {
  await page.goto('/house-rules');
  const saved = page.getByRole('status').filter({ hasText: /^Saved$/ });
  try {
    await page.getByLabel('Labour for one print').fill('4.5');
    await expect(saved).toBeVisible();
    await page.getByLabel('Prints that fail, share').fill('2');
    await expect(page.getByText(/Must be 0.95 or less/)).toBeVisible();
    await page.reload();
    await expect(page.getByLabel('Labour for one print')).toHaveValue('4.5');
  } finally {
    await page.getByRole('button', { name: 'As in a new workshop' }).click();
    await expect(saved).toBeVisible();
  }
  await expect(page.getByLabel('Labour for one print')).toHaveValue('4');
});
