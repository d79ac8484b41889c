import { readFile } from 'node:fs/promises';
import { expect, test, type Page, type TestInfo } from '@playwright/test';
import { lampArm } from '@anvilstone/core/sample';
import type { EvaluationResult } from '@anvilstone/schema';
import { makePart } from './part.ts';

const sideBySide = (page: Page) => page.getByRole('region', { name: 'Side by side' });
const finalists = async (page: Page) =>
  (await sideBySide(page).getByRole('row').first().getByRole('columnheader').allInnerTexts())
    .slice(1)
    .map((text) => text.split('\n')[1] ?? text);

async function downloaded(page: Page, testInfo: TestInfo, name: string, start: () => Promise<void>): Promise<string> {
  const waiting = page.waitForEvent('download');
  await start();
  const file = testInfo.outputPath(name);
  await (await waiting).saveAs(file);
  return file;
}

test('neat, glass and carbon of one base: ready, reordered, added to and taken along', async ({
  page,
  request,
}, testInfo) => {
  const part = await makePart(request, { title: 'An arm to compare fibres on' });
  await page.goto(`/parts/${part.id}/compare`);
  await page
    .getByLabel('Neat ↔ glass ↔ carbon, ready')
    .selectOption('PETG of Tarrowmill: neat ↔ glass fibre ↔ carbon fibre');
  await expect(page).toHaveURL(/grades=tm-petg%2Ctm-petg-gf%2Ctm-petg-cf/);
  await expect
    .poll(() => finalists(page))
    .toEqual(['Tarrowmill PETG Clearway', 'Tarrowmill PETG G15', 'Tarrowmill PETG C10']);
  const deflection = sideBySide(page).getByRole('row', { name: /^Deflection at load/ });
  await expect(deflection).toContainText(/\+ \d\d(\.\d)? %/);

  // Another base: the percentages turn round.
  await sideBySide(page)
    .getByRole('columnheader', { name: /C10/ })
    .getByRole('button', { name: 'Make it the base' })
    .click();
  await expect.poll(async () => (await finalists(page))[0]).toBe('Tarrowmill PETG C10');
  await expect(deflection).toContainText(/− \d\d(\.\d)? %/);
  await page.getByLabel('Add a grade').selectOption('Nine Elms ABS Trade');
  await expect.poll(() => finalists(page)).toHaveLength(4);
  await sideBySide(page).getByRole('button', { name: 'Remove Tarrowmill PETG G15' }).click();
  await expect
    .poll(() => finalists(page))
    .toEqual(['Tarrowmill PETG C10', 'Tarrowmill PETG Clearway', 'Nine Elms ABS Trade']);

  // What is refused says why, what is compared says of what.
  const properties = page.getByRole('region', { name: 'Properties like for like' });
  await expect(properties).toContainText('percentages are of Tarrowmill PETG C10');
  await expect(properties.getByText(/Not comparable/).first()).toContainText(/one is typical of the family|against/);

  // Cost of a use.
  await page.getByLabel('Uses that one part lasts').fill('200');
  const cost = page.getByRole('region', { name: 'Cost of one good part' });
  await expect(cost.getByRole('columnheader', { name: 'A use' })).toBeVisible();
  await expect(page).toHaveURL(/uses=200/);

  const svg = await downloaded(page, testInfo, 'modulus.svg', () =>
    page.getByRole('button', { name: 'Save “Modulus over temperature” as SVG' }).click(),
  );
  expect(await readFile(svg, 'utf8')).toMatch(/^<svg [\s\S]*Modulus, MPa[\s\S]*<\/svg>$/);
  const csv = await downloaded(page, testInfo, 'comparison.csv', () =>
    page.getByRole('button', { name: 'CSV' }).click(),
  );
  expect(await readFile(csv, 'utf8')).toContain('against Tarrowmill PETG C10');
  const pdf = await downloaded(page, testInfo, 'comparison.pdf', () => page.getByRole('link', { name: 'PDF' }).click());
  expect((await readFile(pdf)).subarray(0, 5).toString()).toBe('%PDF-');

  // The same finalists without their address, since they were looked at last here.
  await page.goto(`/parts/${part.id}/compare`);
  await expect
    .poll(() => finalists(page))
    .toEqual(['Tarrowmill PETG C10', 'Tarrowmill PETG Clearway', 'Nine Elms ABS Trade']);
});

test('too few to compare says so, and who leads each school is the start', async ({ page, request }) => {
  const part = await makePart(request, { title: 'An arm to begin comparing' });
  await page.goto(`/parts/${part.id}/compare?grades=ne-petg`);
  await expect(page.getByText('One alone cannot be compared.')).toBeVisible();
  await page.goto(`/parts/${part.id}/compare`);
  await expect.poll(() => finalists(page)).toContain('Nine Elms PETG Trade');
  // With nobody passing it names who comes nearest.
  const none = await makePart(request, { title: 'Too light an arm', asks: { ...lampArm.asks, maxMassG: 5 } });
  await page.goto(`/parts/${none.id}/compare`);
  await expect(page.getByText(/No grade passes every check\. .* comes nearest/)).toBeVisible();
});

test('what would change the answer: the value at which another wins, checked against the server', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { title: 'An arm whose answer may change' });
  await page.goto(`/parts/${part.id}/compare`);
  const panel = page.getByRole('region', { name: 'What would change the answer' });
  const size = panel.getByRole('row', { name: /^Depth along the load/ });
  await expect(size).toBeVisible({ timeout: 20_000 });
  await expect(panel.getByRole('progressbar')).toHaveCount(0, { timeout: 20_000 });
  const cells = await size.getByRole('cell').allInnerTexts();
  const turn = /^([\d.]+) mm\n+(.+)$/.exec(cells[3]!.trim());
  expect(turn).not.toBeNull();
  const [, above, winner] = turn!;
  const winnerAt = async (depthMm: number) => {
    const brief = { ...lampArm, part: { ...lampArm.part, section: { kind: 'rectangle', widthMm: 18, depthMm } } };
    const result = (await (await request.post('/api/v1/evaluations', { data: { brief } })).json()) as EvaluationResult;
    const passing = result.grades.filter(({ best }) => best.status === 'pass');
    return passing.sort((a, b) => a.best.costUsd! - b.best.costUsd!)[0]!.gradeId;
  };
  expect(await winnerAt(Number(above) - 0.3)).toBe('ne-petg');
  expect(await winnerAt(Number(above) + 0.3)).toBe('ne-abs');
  expect(winner).toBe('Nine Elms ABS Trade');
});
