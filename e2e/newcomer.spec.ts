import { spawn, type ChildProcess } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@playwright/test';
import { standing } from './part.ts';

const LAMP_ARM = '/parts/0a7c1d00-0000-4000-8000-000000000003';

test.describe('a workshop with nothing in it', () => {
  const PORT = 4793;
  let server: ChildProcess;
  test.use({ baseURL: `http://127.0.0.1:${PORT}` });
  test.beforeAll(async () => {
    const script = fileURLToPath(new URL('serve.mjs', import.meta.url));
    server = spawn(process.execPath, [script, `${PORT}`, '--no-demo'], { stdio: 'ignore' });
    const isReady = () =>
      fetch(`http://127.0.0.1:${PORT}/ready`).then(
        ({ ok }) => ok,
        () => false,
      );
    await expect.poll(isReady, { timeout: 60_000 }).toBe(true);
  });
  test.afterAll(async () => {
    const gone = new Promise((resolve) => server.once('exit', resolve));
    server.kill('SIGTERM');
    await gone;
  });

  test('leads from a question to a first part with grades to choose from, and offers the sample to explore', async ({
    page,
  }) => {
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'What does your part do?' })).toBeVisible();
    await expect(page.getByText('There are no grades to choose from yet')).toBeVisible();
    await page.getByRole('button', { name: 'Take the sample grades and machines' }).click();
    await expect(page.getByText('There are no grades to choose from yet')).toBeHidden();

    await page.getByRole('button', { name: /^It holds out a load/ }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'New part' })).toBeVisible();
    await expect.poll(() => standing(page)).toBeGreaterThan(10);

    // Other places say what to do next, too.
    for (const [place, words] of [
      ['/spools', /No spools yet/],
      ['/records', /None yet: a part’s Decision stage/],
      ['/bench', /Nothing has been tested yet/],
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
    await page.getByRole('button', { name: 'Look around in two minutes' }).click();
    const look = page.getByRole('region', { name: 'A look around' });
    await expect(look.getByText('There is no part to look at yet')).toBeVisible();
    await look.getByRole('link', { name: 'To the list of parts' }).click();
    await expect(look).toBeHidden();

    await page.getByRole('button', { name: 'Bring in the sample parts' }).click();
    await expect(page.getByRole('row', { name: /Lamp arm, pylon 7 walkway/ })).toContainText('Nine Elms PETG Trade');
  });
});

test('the look around leads by keyboard from the list to a decision, and is not offered again once it was taken', async ({
  page,
}) => {
  await page.goto('/parts');
  await page.getByRole('region', { name: 'New here' }).getByRole('button', { name: 'Look around' }).focus();
  await page.keyboard.press('Enter');
  const look = page.getByRole('region', { name: 'A look around' });
  const stops = ['', '/brief', '/brief', '/shortlist', '/shortlist', '/build', '/plan', '/bench', '/decision'];
  for (const [index, stop] of stops.entries()) {
    await expect(look.getByText(`${index + 1} of 9`)).toBeVisible();
    if (stop) await expect(page).toHaveURL(new RegExp(`${LAMP_ARM}${stop}$`));
    // From the heading, which has the focus, the next thing is the way on.
    await expect(look.getByRole('heading')).toBeFocused();
    await page.keyboard.press('Tab');
    await expect(look.getByRole('button', { name: /Next|And now/ })).toBeFocused();
    await page.keyboard.press('Enter');
  }
  await expect(look.getByRole('heading', { name: 'Your turn' })).toBeVisible();
  await look.getByRole('link', { name: 'A part of my own' }).click();
  await expect(page.getByRole('dialog', { name: 'What does the part do?' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page).toHaveURL(/\/parts$/);
  await page.reload();
  await expect(page.getByRole('row', { name: /Lamp arm/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'New here' })).toBeHidden();
});

test('the offer can be sent away for good, and a look can be ended in the middle', async ({ page }) => {
  await page.goto('/parts');
  await page.getByRole('button', { name: 'Do not offer again' }).click();
  await page.reload();
  await expect(page.getByRole('row', { name: /Lamp arm/ })).toBeVisible();
  await expect(page.getByRole('region', { name: 'New here' })).toBeHidden();

  await page.keyboard.press('?');
  await page.getByRole('button', { name: 'Look around in two minutes' }).click();
  const look = page.getByRole('region', { name: 'A look around' });
  await look.getByRole('button', { name: 'Next' }).click();
  // What is framed is on the screen, and not under the words about it.
  await expect(page.getByRole('heading', { name: 'Loads' })).toBeInViewport();
  await page.keyboard.press('Escape');
  await expect(look).toBeHidden();
  await expect(page).toHaveURL(/\/brief$/);
});

test('help says what a screen is for, its words and its keys; words can be searched', async ({ page }) => {
  await page.goto(`${LAMP_ARM}/shortlist`);
  const find = page.getByLabel('Find', { exact: true });
  await find.fill('what?');
  await expect(page.getByRole('dialog')).toBeHidden();
  await find.fill('');
  await find.blur();
  await page.keyboard.press('?');
  const help = page.getByRole('dialog', { name: 'Shortlist' });
  await expect(help.getByText('What survives, what is first, and why?')).toBeVisible();
  await expect(help.getByText('R = capacity ÷ demand')).toBeVisible();
  await expect(help.getByRole('row', { name: /Ctrl K/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(help).toBeHidden();

  await page.keyboard.press('?');
  await help.getByRole('link', { name: 'All words' }).click();
  await page.getByLabel('Find a word').fill('relax');
  await expect(page.getByText('Relaxation', { exact: true })).toBeVisible();
  await expect(page.getByText('Weibull fit')).toBeHidden();
  await page.getByLabel('Find a word').fill('xyzzy');
  await expect(page.getByText(/No word or explanation has “xyzzy”/)).toBeVisible();
});

test('a heading explains its word on focus', async ({ page }) => {
  await page.goto(`${LAMP_ARM}/bench?grade=ne-petg`);
  await page.getByRole('button', { name: 'Specimens' }).first().focus();
  await expect(page.getByRole('tooltip')).toContainText('One printed piece that is tested');
});

test('practice: a wrong answer is explained by numbers, a right one counts, and a case can be opened as a part', async ({
  page,
}) => {
  await page.goto('/practice');
  await page.getByRole('link', { name: 'Begin' }).click();
  const answer = page.getByRole('button', { name: 'That is my answer' });
  await expect(answer).toBeDisabled();
  await page.getByRole('radio', { name: /Quernhollow PLA Plain/ }).check();
  await page.getByRole('radio', { name: 'Strength in plane' }).check();
  await answer.click();
  const reckoning = page.getByRole('region', { name: 'The reckoning' });
  await expect(reckoning.getByRole('heading')).toHaveText(
    'It is Nine Elms PETG Trade, governed by sag after duration.',
  );
  await expect(reckoning.getByRole('row', { name: /PLA Plain/ })).toContainText(/0\.56.*Sag after duration/);
  await expect(page.getByText('0 of 1 right')).toBeVisible();

  await reckoning.getByRole('button', { name: 'Answer again' }).click();
  await page.getByRole('radio', { name: /Nine Elms PETG Trade/ }).check();
  await page.getByRole('radio', { name: 'Sag after duration' }).check();
  await answer.click();
  await expect(page.getByText('1 of 1 right')).toBeVisible();
  await page.reload();
  await expect(page.getByText('1 of 1 right')).toBeVisible();

  await reckoning.getByRole('link', { name: 'Next case' }).click();
  await expect(page.getByRole('heading', { name: 'A rail beside the oven' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'The reckoning' })).toBeHidden();
  await page.goto('/practice/coat-hook');
  await page.getByRole('button', { name: 'Open it as a part of mine' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Coat hook, drying room' })).toBeVisible();
  await expect.poll(() => standing(page)).toBeGreaterThan(0);
  await page.goto('/practice/no-such-case');
  await expect(page.getByText('There is no case of this name')).toBeVisible();
});

test('a new part begins at its kinds, and its brief leads to what is still to be said', async ({ page }) => {
  await page.goto('/parts?new=part');
  const cards = page.getByRole('dialog', { name: 'What does the part do?' });
  await expect(cards.getByRole('button', { name: /^It holds out a load/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'New part' })).toBeVisible();

  await page.getByRole('button', { name: 'its name' }).click();
  await expect(page.getByLabel('Name', { exact: true })).toBeFocused();
  await page.keyboard.press('Control+A');
  await page.keyboard.type('Bag hook under the desk');
  await expect(page.getByRole('button', { name: 'its name' })).toBeHidden();
  await page.getByRole('button', { name: 'what it does', exact: true }).click();
  await page.keyboard.type('Holds a backpack off the floor.');
  await page.getByRole('button', { name: /whether someone could be hurt/ }).click();
  const harm = page.getByLabel('Could someone be hurt');
  await expect(harm).toBeFocused();
  await harm.selectOption('no');
  await expect(page.getByText('Still to say')).toBeHidden();
});
