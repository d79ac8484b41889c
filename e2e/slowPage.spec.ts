import type { Page } from '@playwright/test';
import { expect, test } from './fixtures.ts';
import { makePart } from './part.ts';

/** So many times slower than this machine, as a page is beside everything else that is open. */
const SLOWER = 8;

/** What a hand does is not slowed down: it does not wait for the page. */
async function slowDown(page: Page): Promise<void> {
  const browser = await page.context().newCDPSession(page);
  await browser.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
}
const pressQuickly = (page: Page, keys: readonly string[]) => Promise.all(keys.map((key) => page.keyboard.press(key)));
const setting = (page: Page, name: string) => new URL(page.url()).searchParams.get(name);

test.describe('on a slow page no input is lost', () => {
  test('every press counts on a weight, also those after the hand has rested', async ({ page, request }) => {
    const part = await makePart(request, { title: 'Weighed on a slow page' });
    await page.goto(`/parts/${part.id}/shortlist?school=weighted-merit`);
    const joint = page.getByRole('slider').first();
    await expect(joint).toBeVisible();
    const before = Number(await joint.getAttribute('aria-valuenow'));
    await joint.focus();
    await slowDown(page);
    for (let turn = 0; turn < 2; turn++) {
      await pressQuickly(page, ['PageUp', 'ArrowLeft', 'ArrowLeft']);
      // Until what was set is on its way into the address, and the page has had no time to show it.
      await expect.poll(() => setting(page, 'weights')).not.toBeNull();
    }
    await expect(joint).toHaveAttribute('aria-valuenow', String(before + 2 * 8));
    await expect.poll(() => setting(page, 'weights')).toContain(String(before + 2 * 8));
  });

  test('a heading pressed twice sorts the other way; what is pinned one after the other stays pinned', async ({
    page,
    request,
  }) => {
    const part = await makePart(request, { title: 'Sorted on a slow page' });
    await page.goto(`/parts/${part.id}/shortlist`);
    const cost = page.getByRole('columnheader', { name: /^Cost per part/ });
    await expect(cost).toBeVisible();
    const first = page.getByRole('button', { name: /^Pin / }).first();
    const cheapest = await first.getAttribute('aria-label');
    await slowDown(page);
    await cost.getByRole('button').focus();
    await pressQuickly(page, ['Enter', 'Enter']);
    await expect(cost).toHaveAttribute('aria-sort', 'descending');
    // The rows follow the heading: those of before are soon out of sight, and out of the page.
    await expect(first).not.toHaveAttribute('aria-label', cheapest!);
    // The rows are as they were when the second and the third are pinned.
    await page.evaluate(() => {
      const pins = [...document.querySelectorAll<HTMLElement>('[aria-label^="Pin "]')].slice(0, 3);
      for (const [i, pin] of pins.entries()) setTimeout(() => pin.click(), i);
    });
    await expect.poll(() => setting(page, 'pin')?.split(',').length).toBe(3);
  });

  test('axes swapped twice are as they were', async ({ page, request }) => {
    const part = await makePart(request, { title: 'Mapped on a slow page' });
    await page.goto(`/parts/${part.id}/shortlist?view=map`);
    const [up, right] = [page.getByLabel('Vertical axis'), page.getByLabel('Horizontal axis')];
    await expect(up).toBeVisible();
    const before = [await up.inputValue(), await right.inputValue()];
    await slowDown(page);
    await page.getByRole('button', { name: 'Swap' }).focus();
    // Twice before the page can have drawn the first: a swap of what was drawn would count once.
    await page.getByRole('button', { name: 'Swap' }).evaluate((button: HTMLElement) => {
      button.click();
      button.click();
    });
    await pressQuickly(page, ['Enter']);
    await expect(up).toHaveValue(before[1]!);
    await expect(right).toHaveValue(before[0]!);
    await pressQuickly(page, ['Enter']);
    await expect(up).toHaveValue(before[0]!);
  });

  test('finalists removed one after the other stay out', async ({ page, request }) => {
    const part = await makePart(request, { title: 'Compared on a slow page' });
    await page.goto(`/parts/${part.id}/compare?grades=tm-petg,tm-petg-gf,ne-abs,ne-petg`);
    const remove = page.getByRole('button', { name: /^Remove Tarrowmill PETG/ });
    await expect(remove).toHaveCount(2);
    await slowDown(page);
    // The table is still of the four when the second is pressed.
    await page.evaluate(() => {
      const buttons = [...document.querySelectorAll<HTMLElement>('[aria-label^="Remove Tarrowmill PETG"]')];
      for (const [i, button] of buttons.entries()) setTimeout(() => button.click(), i);
    });
    await expect.poll(() => setting(page, 'grades')).toBe('ne-abs,ne-petg');
    await expect(page.getByRole('button', { name: /^Remove / })).toHaveCount(2);
  });

  test('what is typed quickly is all there, in the field and in the address', async ({ page }) => {
    await page.goto('/grades');
    const find = page.getByLabel(/^Search name, colour, source, note/);
    await expect(page.getByRole('status').filter({ hasText: / grades$/ })).toBeVisible();
    await slowDown(page);
    await find.focus();
    await pressQuickly(page, [...'tarrowmill abs']);
    await expect(find).toHaveValue('tarrowmill abs');
    await expect.poll(() => setting(page, 'q')).toBe('tarrowmill abs');
    await page.goto('/service');
    const lessons = page.getByLabel('Search findings and lessons');
    await lessons.focus();
    await pressQuickly(page, [...'peeled']);
    await expect(lessons).toHaveValue('peeled');
    await expect.poll(() => setting(page, 'find')).toBe('peeled');
  });

  test('numbers typed into two fields of a sum both count', async ({ page }) => {
    await page.goto('/calculators/hinge-strain');
    const answer = page.getByRole('region', { name: 'Result' });
    await expect(answer).toContainText('13.09 %');
    await slowDown(page);
    await page.getByLabel('Turn', { exact: true }).fill('90');
    await page.getByLabel('Length', { exact: true }).fill('12');
    await expect(answer).toContainText('3.2725 %');
    expect(JSON.parse(setting(page, 'in')!)).toMatchObject({ lengthMm: 12 });
  });
});
