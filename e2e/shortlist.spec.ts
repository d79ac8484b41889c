import { expect, test } from './fixtures.ts';
import { lampArm } from '@anvilstone/core/education/sample';
import type { EvaluationResult } from '@anvilstone/schema';
import { makePart } from './part.ts';

const names = (rows: string[]) => rows.map((row) => row.split('\n').find((line) => /[A-Za-z]{3}/.test(line)));

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
  await expect(table.getByText('Calculating …')).toHaveCount(0);
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
  // As expected, where the cheapest leads however unsure it is.
  await page.goto(`/parts/${part.id}/shortlist?sure=0`);
  const chance = page.getByRole('row', { name: /Nine Elms PETG Trade/ }).getByTitle(/4000 draws/);
  await expect(chance).toHaveText(/^\d\d %$/);
  const before = await chance.innerText();
  await page.reload();
  await expect(chance).toHaveText(before);
  await page.goto(`/parts/${part.id}/shortlist?grade=ne-petg`);
  const sure = page.getByRole('region', { name: 'Confidence' });
  await expect(sure).toContainText(`All checks are met in ${before} of 4,000 draws`);
  await expect(sure.getByRole('listitem').first()).toContainText('Service temperature limit, peak');
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
  const rankingMethods = page.getByRole('radiogroup', { name: 'Ranked by' });
  const table = page.getByRole('region', { name: 'Reserves' });
  const leader = table.getByRole('rowheader').first();
  await rankingMethods.getByRole('radio', { name: /Weighted merit/ }).click();
  await expect(page.getByText(/Against “lowest cost”/)).toBeVisible();
  await expect(leader).toContainText(/merit \d\d/);
  // All weight to cost: the lowest cost leads again. A joint by key, another by pointer.
  const joint = page.getByRole('slider', { name: 'Weight of cost against mass' });
  await joint.focus();
  await page.keyboard.press('PageUp');
  await page.keyboard.press('PageUp');
  await expect(joint).toHaveAttribute('aria-valuenow', '40');
  await expect(page).toHaveURL(/weights=40%2C0%2C20%2C20%2C20/);
  const evidence = page.getByRole('slider', { name: 'Weight of service temperature limit against own evidence' });
  const box = (await evidence.boundingBox())!;
  const bar = (await page.getByRole('group', { name: 'Weights' }).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  // Past the end, where it stops: how wide the bar is may still change.
  await page.mouse.move(bar.x + bar.width + 60, box.y + 10, { steps: 8 });
  await page.mouse.up();
  await expect(page).toHaveURL(/weights=40%2C0%2C20%2C40%2C0/);
  // The lightest when sized is told once every grade has been sized.
  await expect(rankingMethods.getByRole('radio', { name: /Lowest mass when sized/ })).toContainText(
    /PA12|PA6|PP|PEEK|C\d\d/,
    {
      timeout: 20_000,
    },
  );

  // Nine prints in ten have to meet everything unless somebody says otherwise.
  await rankingMethods.getByRole('radio', { name: /Lowest cost/ }).click();
  await expect(page.getByLabel('Confidence')).toHaveValue('0.9');
  await expect(leader).toContainText('Nine Elms ABS Trade');
  await page.getByLabel('Confidence').selectOption('expected');
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
  await page.getByLabel('Confidence').selectOption('99 %');
  await expect(page.getByText('at least 99 % of the draws')).toBeVisible({ timeout: 20_000 });
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
  const sure = page.getByRole('region', { name: 'Confidence' });
  await expect(sure).toContainText('of 4,000 draws');
  const answer = await request.post('/api/v1/evaluations', {
    data: { brief, gradeIds: ['ne-petg'], chance: { seed: 1, draws: 4000 } },
  });
  const { chance } = ((await answer.json()) as EvaluationResult).grades[0]!.best;
  const missed = chance!.byCheck[0]!;
  await expect(sure).toContainText(`All checks are met in ${percentText(chance!.all)} of`);
  await expect(sure.getByRole('listitem').first()).toContainText(percentText(missed.met));
});

test('the map: pass region, walked by arrow keys, brushed with the pointer, pinned and compared', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { title: 'An arm on the map' });
  await page.goto(`/parts/${part.id}/shortlist?view=map`);
  const chart = page.getByRole('application');
  const list = page.getByRole('region', { name: 'Values' });
  await expect(list.getByRole('rowheader').first()).toContainText('Tarrowmill PETG Clearway');
  await expect(chart.getByText('pass region')).toBeVisible();
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
  await page.getByLabel('Vertical axis').selectOption('Service temperature limit');
  await expect(list.getByRole('columnheader', { name: 'Service temperature limit, °C' })).toBeVisible();
  await page.getByRole('link', { name: /^Compare these \d$/ }).click();
  await expect(page.getByRole('region', { name: 'Side by side' })).toBeVisible();
});

/** As the page rounds: all of them is still no certainty. */
function percentText(share: number): string {
  return share >= 0.995 ? '> 99' : `${Math.round(100 * share)} %`;
}
