import { coldTest, expect, test } from './fixtures.ts';
import { remaining } from './part.ts';
import { startWorkshop } from './workshopServer.ts';

const LAMP_ARM = '/parts/0a7c1d00-0000-4000-8000-000000000003';

/** On a server with nothing in it. */
const emptyTest = coldTest.extend({
  // oxlint-disable-next-line no-empty-pattern -- Playwright reads from the pattern what a fixture needs
  baseURL: async ({}, use) => {
    const empty = await startWorkshop({ sample: false, args: ['--no-demo'] });
    await use(empty.url);
    await empty.close();
  },
});
test.describe('a workshop with nothing in it', () => {
  emptyTest(
    'leads from a question to a first part with grades to choose from, and offers the sample to explore',
    async ({ page }) => {
      await page.goto('/');
      await expect(page.getByRole('heading', { name: 'What does your part do?' })).toBeVisible();
      await expect(page.getByText('No grades yet')).toBeVisible();
      await page.getByRole('button', { name: 'Add sample grades and machines' }).click();
      await expect(page.getByText('No grades yet')).toBeHidden();

      await page.getByRole('button', { name: /^It holds out a load/ }).click();
      await expect(page.getByRole('heading', { level: 1, name: 'New part' })).toBeVisible();
      await expect.poll(() => remaining(page)).toBeGreaterThan(10);

      // Other places say what to do next, too.
      for (const [place, words] of [
        ['/spools', /No spools yet/],
        ['/records', /None yet: a part’s Decision stage/],
        ['/bench', /No tests yet/],
      ] as const) {
        await page.goto(place);
        await expect(page.getByText(words).first()).toBeVisible();
      }

      // The look around says what is missing instead of leading nowhere.
      await page.goto('/parts');
      await page.getByRole('button', { name: 'Remove' }).click();
      await page
        .getByRole('alertdialog')
        .getByRole('button', { name: /Remove/ })
        .click();
      await page.getByRole('button', { name: 'Help', exact: true }).click();
      await page.getByRole('button', { name: 'Two-minute tour' }).click();
      const look = page.getByRole('region', { name: 'Tour' });
      await expect(look.getByText('No part yet')).toBeVisible();
      await look.getByRole('link', { name: 'Go to parts' }).click();
      await expect(look).toBeHidden();

      await page.getByRole('button', { name: 'Add the sample parts' }).click();
      await expect(page.getByRole('row', { name: /Lamp arm, pylon 7 walkway/ })).toContainText(
        'Tarrowmill PETG Clearway',
      );
    },
  );
});

test('the look around leads by keyboard from the list to a decision, and is not offered again once it was taken', async ({
  page,
}) => {
  await page.goto('/parts');
  await page.getByRole('region', { name: 'New here' }).getByRole('button', { name: 'Tour' }).focus();
  await page.keyboard.press('Enter');
  const look = page.getByRole('region', { name: 'Tour' });
  const stops = ['', '/brief', '/brief', '/shortlist', '/shortlist', '/build', '/plan', '/bench', '/decision'];
  for (const [index, stop] of stops.entries()) {
    await expect(look.getByText(`${index + 1} of 9`)).toBeVisible();
    if (stop) await expect(page).toHaveURL(new RegExp(`${LAMP_ARM}${stop}$`));
    // From the heading, which has the focus, the next thing is the way on.
    await expect(look.getByRole('heading')).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(look.getByRole('button', { name: /Next|Finish/ })).toBeFocused();
    await page.keyboard.press('Enter');
  }
  await expect(look.getByRole('heading', { name: 'Next steps' })).toBeVisible();
  await look.getByRole('link', { name: 'New part' }).click();
  await expect(page.getByRole('dialog', { name: 'What does the part do?' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/parts$/);
  await page.reload();
  await expect(page.getByRole('row', { name: /Lamp arm/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'New here' })).toBeHidden();
});

test('the offer can be sent away for good, and a look can be ended in the middle', async ({ page }) => {
  await page.goto('/parts');
  await page.getByRole('button', { name: 'Do not show again' }).click();
  await page.reload();
  await expect(page.getByRole('row', { name: /Lamp arm/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'New here' })).toBeHidden();

  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Two-minute tour' }).click();
  const look = page.getByRole('region', { name: 'Tour' });
  await look.getByRole('button', { name: 'Next' }).click();
  // What is framed is on the screen, and not under the words about it.
  await expect(page.getByRole('heading', { name: 'Loads' })).toBeInViewport();
  await page.keyboard.press('Escape');
  await expect(look).toBeHidden();
  await expect(page).toHaveURL(/\/brief$/);
});

test('a heading explains its word on focus', async ({ page }) => {
  await page.goto(`${LAMP_ARM}/bench?grade=ne-petg`);
  await page.getByRole('button', { name: 'Specimens' }).first().focus();
  await expect(page.getByRole('tooltip')).toContainText('One printed piece that is tested');
});
