import { expect, test } from '@playwright/test';
import { lampArm } from '@anvilstone/core/sample';
import type { EvaluationResult, GeometryOf } from '@anvilstone/schema';
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

test('four ways to choose: weights by drag and by key, what moved, and a wanted confidence', async ({
  page,
  request,
}) => {
  const part = await makePart(request, {
    ...lampArm,
    title: 'An arm to be ranked',
    part: { ...lampArm.part, section: { kind: 'rectangle', widthMm: 18, depthMm: 24 } },
  });
  await page.goto(`/parts/${part.id}/shortlist`);
  const schools = page.getByRole('radiogroup', { name: 'Ranked by' });
  const table = page.getByRole('region', { name: 'Reserves' });
  const leader = table.getByRole('rowheader').first();
  await schools.getByRole('radio', { name: /Weighted merit/ }).click();
  await expect(page.getByText(/Against “cheapest that passes”/)).toBeVisible();
  await expect(leader).toContainText(/merit \d\d/);
  // All weight to cost: the cheapest that passes leads again. A joint by key, another by pointer.
  const joint = page.getByRole('slider', { name: 'Weight of cost against mass' });
  await joint.focus();
  await page.keyboard.press('PageUp');
  await page.keyboard.press('PageUp');
  await expect(joint).toHaveAttribute('aria-valuenow', '40');
  await expect(page).toHaveURL(/weights=40%2C0%2C20%2C20%2C20/);
  const evidence = page.getByRole('slider', { name: 'Weight of own heat limit against own evidence' });
  const box = (await evidence.boundingBox())!;
  const bar = (await page.getByRole('group', { name: 'Weights' }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  // Past the end, where it stops: how wide the bar is may still change.
  await page.mouse.move(bar.x + bar.width + 60, box.y + 10, { steps: 8 });
  await page.mouse.up();
  await expect(page).toHaveURL(/weights=40%2C0%2C20%2C40%2C0/);
  // The lightest when sized is told once every grade has been sized.
  await expect(schools.getByRole('radio', { name: /Lightest when sized/ })).toContainText(/PA12|PA6|PP|PEEK|C\d\d/, {
    timeout: 20_000,
  });

  await schools.getByRole('radio', { name: /Cheapest that passes/ }).click();
  await expect(leader).toContainText('Nine Elms PETG Trade');
  const chance = async () =>
    Number(
      (
        await table
          .getByRole('row')
          .nth(1)
          .getByTitle(/4000 draws/)
          .innerText()
      ).replace(/[^\d.]/g, ''),
    );
  expect(await chance()).toBeLessThan(99);
  await page.getByLabel('As sure as').selectOption('99 %');
  await expect(page.getByText('at least 99 % of the draws come first')).toBeVisible({ timeout: 20_000 });
  await expect(leader).not.toContainText('Nine Elms PETG Trade');
  expect(await chance()).toBeGreaterThanOrEqual(99);
});

test('the chance in the page is the one that the server draws for the same seed', async ({ page, request }) => {
  const brief = {
    ...lampArm,
    title: 'An arm drawn twice',
    part: { ...lampArm.part, section: { kind: 'rectangle' as const, widthMm: 18, depthMm: 22 } },
  };
  const part = await makePart(request, brief);
  await page.goto(`/parts/${part.id}/shortlist?grade=ne-petg`);
  const sure = page.getByRole('region', { name: 'How sure' });
  await expect(sure).toContainText('of 4,000 draws');
  const answer = await request.post('/api/v1/evaluations', {
    data: { brief, gradeIds: ['ne-petg'], chance: { seed: 1, draws: 4000 } },
  });
  const { chance } = ((await answer.json()) as EvaluationResult).grades[0]!.best;
  const missed = chance!.byCheck[0]!;
  await expect(sure).toContainText(`Every check is met in ${percentText(chance!.all)} of`);
  await expect(sure.getByRole('listitem').first()).toContainText(percentText(missed.met));
});

test('the map: pass region, walked by arrow keys, brushed with the pointer, pinned and compared', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { title: 'An arm on the map' });
  await page.goto(`/parts/${part.id}/shortlist?view=map`);
  const chart = page.getByRole('application');
  const list = page.getByRole('region', { name: 'Their numbers' });
  await expect(list.getByRole('rowheader').first()).toContainText('Nine Elms PETG Trade');
  await expect(chart.getByText('passes here')).toBeVisible();
  // By keyboard: the walk begins at an undominated grade.
  await chart.focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/Nine Elms PETG Trade: cost of one part .*passes, not dominated/)).toBeVisible();
  await page.keyboard.press('Space');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Space');
  await expect(page.getByRole('status').filter({ hasText: '2 selected of' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('status').filter({ hasText: /^All / })).toBeVisible();
  // By pointer: a rectangle over the left upper corner.
  const box = (await chart.boundingBox())!;
  await page.mouse.move(box.x + 60, box.y + 14);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.18, { steps: 6 });
  await page.mouse.up();
  const selected = page.getByRole('status').filter({ hasText: /\d+ selected of/ });
  await expect(selected).toBeVisible();
  await page.getByRole('button', { name: /^Pin / }).click();
  await expect(page.getByRole('link', { name: /^Compare these \d$/ })).toBeVisible();
  await page.getByLabel('Upwards').selectOption('Own heat limit');
  await expect(list.getByRole('columnheader', { name: 'Own heat limit, °C' })).toBeVisible();
  await page.getByRole('link', { name: /^Compare these \d$/ }).click();
  await expect(page.getByRole('region', { name: 'Side by side' })).toBeVisible();
});

test('equal mass: every part weighs the same, and the mass is one’s own to set', async ({ page, request }) => {
  const part = await makePart(request, { title: 'An arm at equal mass' });
  await page.goto(`/parts/${part.id}/shortlist?view=equal-mass`);
  const table = page.getByRole('region', { name: 'At equal mass' });
  await expect(table.getByRole('row', { name: /Nine Elms PETG Trade/ })).toContainText('as drawn');
  await expect(table.getByRole('row', { name: /Nine Elms ABS Trade/ })).toContainText(/3\d(\.\d)? mm/);
  await page.getByLabel('Mass of every part').fill('120');
  await page.getByLabel('Mass of every part').blur();
  await expect(page).toHaveURL(/mass=120/);
  await expect(table.getByRole('row', { name: /Nine Elms PETG Trade/ })).toContainText('−20 %');
});

test('a view is kept under a name with the part, opened on another visit, and forgotten', async ({ page, request }) => {
  const part = await makePart(request, { title: 'An arm with views' });
  await page.goto(`/parts/${part.id}/shortlist?sort=mass-limit&falling=yes&group=family`);
  await page.getByRole('button', { name: 'Keep this view' }).click();
  await page.getByLabel('Keep what is set now as').fill('Light ones by family');
  await page.getByRole('button', { name: 'Keep', exact: true }).click();
  await expect(page.getByRole('link', { name: 'Light ones by family' })).toBeVisible();
  await page.goto(`/parts/${part.id}/shortlist`);
  await page.getByRole('button', { name: 'Views (1)' }).click();
  await page.getByRole('link', { name: 'Light ones by family' }).click();
  await expect(page).toHaveURL(/group=family/);
  await expect(page.getByRole('columnheader', { name: 'Mass' })).toHaveAttribute('aria-sort', 'descending');
  await page.getByRole('button', { name: 'Light ones by family' }).click();
  await page.getByRole('button', { name: 'Forget the view Light ones by family' }).click();
  await expect(page.getByText('None yet.')).toBeVisible();
});

/** As the page rounds: all of them is still no certainty. */
function percentText(share: number): string {
  return share >= 0.995 ? '> 99' : `${Math.round(100 * share)} %`;
}
