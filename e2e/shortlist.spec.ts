import { expect, test } from '@playwright/test';
import { lampArm } from '@anvilstone/core/sample';
import type { GeometryOf } from '@anvilstone/schema';
import { makePart, readPart, saved } from './part.ts';

const names = (rows: string[]) => rows.map((row) => row.split('\n').find((line) => /[A-Za-z]{3}/.test(line)));

test('the shortlist is sorted by a check, grouped by what decides, pinned and found, and its address holds the view', async ({
  page,
  request,
}) => {
  const part = await makePart(request);
  await page.goto(`/parts/${part.id}/shortlist`);
  const table = page.getByRole('region', { name: 'Reserves' });
  const rows = table.getByRole('row').filter({ has: page.getByRole('button', { name: /^(Unpin|Pin) / }) });
  await expect(rows.first()).toContainText('Nine Elms PETG Trade');
  // Once: largest first. Again: smallest first. A third time: back to the school's order.
  const head = table.getByRole('columnheader', { name: 'Deflection at load' });
  await head.getByRole('button').click();
  await expect(head).toHaveAttribute('aria-sort', 'descending');
  await expect(rows.first()).not.toContainText('Nine Elms PETG Trade');
  const reserves = async () =>
    (await table.getByRole('button', { name: /^Deflection at load: reserve/ }).allInnerTexts()).map((text) =>
      Number(text.replace(/[^\d.]/g, '')),
    );
  await expect.poll(async () => (await reserves()).length).toBeGreaterThan(5);
  await expect
    .poll(async () => (await reserves()).slice(0, 6))
    .toEqual((await reserves()).slice(0, 6).sort((a, b) => b - a));
  await head.getByRole('button').click();
  await expect(head).toHaveAttribute('aria-sort', 'ascending');
  await head.getByRole('button').click();
  await expect(rows.first()).toContainText('Nine Elms PETG Trade');

  await page.getByLabel('Grouped').selectOption('By what decides');
  await expect(table.getByText(/^Pass every check \(\d+\)$/)).toBeVisible();
  await page.getByLabel('Find', { exact: true }).fill('pc clear');
  await expect(rows).toHaveCount(1);
  await rows.first().getByRole('button', { name: 'Pin Osk & Linnet PC Clear to the top' }).click();
  await page.getByLabel('Find', { exact: true }).fill('');
  await expect(rows.first()).toContainText('Osk & Linnet PC Clear');
  // Another visit by the same address.
  await page.reload();
  await expect(rows.first()).toContainText('Osk & Linnet PC Clear');
  await expect(table.getByText(/^Pinned \(1\)$/)).toBeVisible();
  await page.getByLabel('Find', { exact: true }).fill('nothing like it');
  await expect(page.getByText('No grade has these words')).toBeVisible();
});

test('only the rows in sight are in the page, and the last of them is reached by keyboard', async ({
  page,
  request,
}) => {
  const part = await makePart(request);
  await page.goto(`/parts/${part.id}/shortlist`);
  const table = page.getByRole('region', { name: 'Reserves' });
  await expect(table.getByRole('table')).toHaveAttribute('aria-rowcount', '71');
  expect(await table.getByRole('row').count()).toBeLessThan(30);
  const before = names(await table.getByRole('rowheader').allInnerTexts());
  await table.focus();
  await page.keyboard.press('End');
  await expect(table.getByRole('row').last()).toHaveAttribute('aria-rowindex', '71');
  await expect.poll(async () => names(await table.getByRole('rowheader').allInnerTexts())).not.toEqual(before);
  await expect(table.getByText('Working it out …')).toHaveCount(0);
});

test('sized to pass: each grade as thin as it may be, its size taken into the brief and back again', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { ...lampArm, title: 'An arm to be sized' });
  await page.goto(`/parts/${part.id}/shortlist`);
  await page.getByRole('button', { name: 'Sized to pass' }).click();
  const table = page.getByRole('region', { name: 'Sized to pass' });
  const row = table.getByRole('row', { name: /Nine Elms PETG Trade/ });
  await expect(row).toContainText(/21\.\d mm/);
  await expect(row).toContainText('Own heat limit, peak');
  await expect(page.getByText(/Cannot be sized/).first()).toBeVisible({ timeout: 30_000 });
  await page.getByLabel('Find', { exact: true }).fill('nine elms petg trade');
  await row.getByRole('button', { name: 'Take the size of Nine Elms PETG Trade' }).click();
  await saved(page);
  const { section } = (await readPart(request, part.id)).brief.part as GeometryOf<'cantilever-arm'>;
  expect(section).toMatchObject({ kind: 'rectangle', widthMm: 18 });
  const { depthMm } = section as { depthMm: number };
  expect(depthMm).toBeGreaterThan(21);
  expect(depthMm).toBeLessThan(22);
  // Drawn so, it just passes.
  await page.getByRole('button', { name: 'As drawn' }).click();
  await expect(
    page
      .getByRole('row', { name: /Nine Elms PETG Trade/ })
      .getByRole('button', { name: /heat limit, peak: reserve 1\.0\d, passes.*governs/ }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
  expect((await readPart(request, part.id)).brief.part).toEqual(lampArm.part);
});

test('how sure: a chance beside each grade, the same on another visit, with what is missed most in the drawer', async ({
  page,
  request,
}) => {
  const part = await makePart(request, {
    ...lampArm,
    title: 'An arm near its limit',
    part: { ...lampArm.part, section: { kind: 'rectangle', widthMm: 18, depthMm: 22 } },
  });
  await page.goto(`/parts/${part.id}/shortlist`);
  const chance = page.getByRole('row', { name: /Nine Elms PETG Trade/ }).getByTitle(/4000 draws/);
  await expect(chance).toHaveText(/^\d\d %$/);
  const before = await chance.innerText();
  await page.reload();
  await expect(chance).toHaveText(before);
  await page.goto(`/parts/${part.id}/shortlist?grade=ne-petg`);
  const sure = page.getByRole('region', { name: 'How sure' });
  await expect(sure).toContainText(`Every check is met in ${before} of 4,000 draws`);
  await expect(sure.getByRole('listitem').first()).toContainText('Own heat limit, peak');
});

test('why not: the nearest change with its price, applied by a click and undone', async ({ page, request }) => {
  const part = await makePart(request, {
    ...lampArm,
    title: 'An arm that is a little too thin',
    part: { ...lampArm.part, section: { kind: 'rectangle', widthMm: 18, depthMm: 19 } },
  });
  await page.goto(`/parts/${part.id}/shortlist?grade=ne-petg`);
  const fixes = page.getByRole('region', { name: 'What would make it pass' });
  const thicker = fixes.getByRole('listitem').filter({ hasText: /Depth along the load 19 → 21\.\d mm/ });
  await expect(thicker).toContainText(/\+\d\.\d\d USD, \+\d+(\.\d+)? g/);
  await expect(thicker).toContainText('Own heat limit, peak governs');
  await thicker.getByRole('button').click();
  // It passes now, so there is nothing left to mend.
  await expect(fixes).toHaveCount(0);
  await saved(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await saved(page);
  expect((await readPart(request, part.id)).brief.part).toEqual(part.brief.part);
});
