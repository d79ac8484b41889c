import type { Locator, Page } from '@playwright/test';
import { expect, test } from './fixtures.ts';
import { saved, remaining } from './part.ts';

/** Goes on with Tab until the wanted thing has the focus, as somebody without a pointer has to. */
async function tabTo(page: Page, wanted: Locator, most = 140): Promise<void> {
  for (let i = 0; i < most; i++) {
    if (await wanted.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error(`${String(wanted)} was not reached with ${most} tabs`);
}

test('from nothing to a frozen decision without a pointer', async ({ page }) => {
  test.slow();
  await page.goto('/parts');
  await expect(page.getByRole('row', { name: /Lamp arm/ })).toBeVisible();
  // The first thing leads past the rail.
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to the page' })).toBeFocused();
  await page.keyboard.press('Enter');
  await tabTo(page, page.getByRole('button', { name: 'New part', exact: true }), 10);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^It holds out a load/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'New part' })).toBeVisible();
  await expect.poll(() => remaining(page)).toBeGreaterThan(5);

  const dimension = page.getByRole('slider', { name: /From the root to the load/ });
  await tabTo(page, dimension);
  await page.keyboard.press('Shift+ArrowLeft');
  await expect(page.getByLabel('From the root to the load', { exact: true })).toHaveValue('110');
  const force = page.getByLabel('Force', { exact: true });
  await tabTo(page, force);
  await page.keyboard.press('Control+A');
  await page.keyboard.type('6 lbf');
  await page.keyboard.press('Tab');
  await expect(force).toHaveValue(/^26\.68/);
  await tabTo(page, page.getByLabel('Name', { exact: true }));
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Bag hook, by keyboard');
  const harm = page.getByLabel('Could a failure hurt someone');
  await tabTo(page, harm);
  await page.keyboard.type('No:');
  await expect(harm).toHaveValue('no');
  await saved(page);

  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog').getByRole('combobox')).toBeFocused();
  await page.keyboard.type('Shortlist');
  await page.keyboard.press('Enter');
  const governs = page
    .getByRole('region', { name: 'Reserves' })
    .getByRole('button', { name: /, governs/ })
    .first();
  await expect(governs).toBeVisible();
  await tabTo(page, governs);
  await page.keyboard.press('Enter');
  const choose = page.getByRole('dialog').getByRole('button', { name: 'Choose' });
  await expect(choose).toBeVisible();
  // Closed and opened again: the focus comes back to where it was.
  await page.keyboard.press('Escape');
  await expect(governs).toBeFocused();
  await page.keyboard.press('Enter');
  await tabTo(page, choose);
  await page.keyboard.press('Enter');

  const why = page.getByLabel('Reason for this choice');
  await expect(why).toBeVisible();
  await tabTo(page, why);
  await page.keyboard.type('The lowest cost, with room to spare.');
  await tabTo(page, page.getByLabel('Decided by'));
  await page.keyboard.type('A. Tester');
  await tabTo(page, page.getByRole('button', { name: 'Freeze the decision' }));
  await page.keyboard.press('Enter');
  await expect(page.getByRole('article', { name: /^Decision \d+$/ })).toContainText('The lowest cost');
});

test('a dialog keeps the focus within, and gives it back', async ({ page }) => {
  await page.goto('/grades');
  const help = page.getByRole('button', { name: 'Help', exact: true });
  await help.focus();
  await page.keyboard.press('Enter');
  const sheet = page.getByRole('dialog', { name: 'Grades' });
  await expect(sheet).toBeVisible();
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press('Tab');
    expect(await sheet.evaluate((element) => element.contains(document.activeElement))).toBe(true);
  }
  await page.keyboard.press('Escape');
  await expect(help).toBeFocused();
});

test('whoever wants no motion gets none', async ({ page }) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.goto('/parts');
  await expect(page.getByRole('row', { name: /Lamp arm/ })).toBeVisible();
  const moving = await page.evaluate(
    () =>
      [...document.querySelectorAll('*')].filter((element) => {
        const { transitionProperty, transitionDuration, animationName } = getComputedStyle(element);
        return animationName !== 'none' || (transitionProperty !== 'none' && parseFloat(transitionDuration) > 0);
      }).length,
  );
  expect(moving).toBe(0);
});

test('by keyboard alone: from the parts to a working and back', async ({ page }) => {
  await page.goto('/parts/0a7c1d00-0000-4000-8000-000000000003/shortlist');
  await page.getByLabel('Find', { exact: true }).focus();
  await page.keyboard.type('tarrowmill abs');
  const cell = page.getByRole('row', { name: /Tarrowmill ABS/ }).getByRole('button', { name: /Creep deflection/ });
  await expect(cell).toBeVisible();
  await cell.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Working: Creep deflection' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
});
