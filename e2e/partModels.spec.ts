import { expect, test, type Page } from '@playwright/test';
import { heaterDuct, nozzleBracket, ratchetPawl, scraperLever, snapCover } from '@anvilstone/core/sample';
import type { GeometryOf } from '@anvilstone/schema';
import { makePart, readPart, saved, settledStanding, standing } from './part.ts';

async function newPart(page: Page, does: RegExp): Promise<string> {
  await page.goto('/parts');
  await page.getByRole('button', { name: 'New part', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: does }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'New part' })).toBeVisible();
  return /parts\/([0-9a-f-]+)\//.exec(page.url())![1]!;
}
const funnelRow = (page: Page, check: string) =>
  page.getByRole('list', { name: 'Grades still standing after each ask' }).getByText(check, { exact: true });
const workingOf = (page: Page, check: string) => page.getByRole('region', { name: `Working: ${check}` });

test('bars: a prop that must not bow is drawn, sized by its handle, and told which check governs', async ({
  page,
  request,
}) => {
  const id = await newPart(page, /squeezed and slender/);
  await page.getByLabel('Force', { exact: true }).fill('90 N');
  await page.getByLabel('Stays on for').fill('1 year');
  await expect(funnelRow(page, 'Stability')).toBeVisible();
  const before = await settledStanding(page);
  // By keyboard: ten times a millimetre longer.
  const handle = page.getByRole('slider', { name: /^Free length/ });
  await handle.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByLabel('Free length', { exact: true })).toHaveValue('260');
  await expect.poll(() => standing(page)).toBeLessThan(before);
  await expect(page.locator('[data-governs="bows"]')).toBeVisible();
  // And with the pointer, back again.
  const box = (await handle.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x - 120, box.y + box.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect
    .poll(async () => Number(await page.getByLabel('Free length', { exact: true }).inputValue()))
    .toBeLessThan(215);
  await saved(page);
  const part = (await readPart(request, id)).brief.part as GeometryOf<'strut'>;
  expect(part.model).toBe('strut');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Free length', { exact: true })).toHaveValue('260');
});

test('members: what governs the bracket moves from the bowing strut to the peeling root as the strut gets thicker', async ({
  page,
  request,
}) => {
  const { maxSagMm: _unasked, ...weight } = nozzleBracket.loadCases[0]!;
  const part = await makePart(request, {
    ...nozzleBracket,
    title: 'Bracket of a test',
    loadCases: [{ ...weight, durationH: 2 }],
  });
  await page.goto(`/parts/${part.id}/brief`);
  await page.getByRole('button', { name: 'ZX upright' }).click();
  await page.getByRole('textbox', { name: /Depth of the strut/ }).fill('5');
  await expect(page.locator('[data-governs="strut-bows"]')).toBeVisible();
  await expect(page.getByText(/the strut bows out: stability/)).toBeVisible();
  await page.getByRole('textbox', { name: /Depth of the strut/ }).fill('22');
  await page.getByRole('textbox', { name: 'Width of the strut' }).fill('22');
  await expect(page.locator('[data-governs="tie-root"]')).toBeVisible();
  await expect(page.getByText(/peels: strength across layers/)).toBeVisible();
});

test('rings: the duct that passes strength and goes oval within months, and why', async ({ page, request }) => {
  const part = await makePart(request, { ...heaterDuct, title: 'Duct of a test' });
  await page.goto(`/parts/${part.id}/shortlist?grade=tm-asa&check=sag-after-duration`);
  const drawer = page.getByRole('dialog', { name: 'Tarrowmill ASA Outdoor' });
  await expect(drawer.getByRole('button', { name: /Strength in plane/ })).toContainText(/passes|[2-9]\./);
  const working = workingOf(page, 'Sag after duration');
  await expect(working.getByText('Out of round, quarters beside the clamp')).toBeVisible();
  await expect(working.getByText(/Growth by creep in 2190 h at 75 °C/)).toBeVisible();
  await expect(working.getByText(/fails/)).toBeVisible();
  // The same ring pressed from inside is asked for a pressure.
  await page.goto(`/parts/${part.id}/brief`);
  await page.getByLabel('It is', { exact: true }).selectOption('pressed-from-inside');
  await expect(page.getByLabel('Pressure', { exact: true })).toHaveValue('0.01');
  await page.getByLabel('Pressure', { exact: true }).fill('2 bar');
  await saved(page);
  expect((await readPart(request, part.id)).brief.loadCases[0]).toMatchObject({ pressureMPa: 0.2 });
});

test('springs: the lever held bent loses its force to heat and time, not to its stiffness', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { ...scraperLever, title: 'Lever of a test' });
  await page.goto(`/parts/${part.id}/shortlist?grade=tm-asa&check=holding-force`);
  const working = workingOf(page, 'Force still held');
  await expect(working.getByText(/the stiffness of the part cancels/)).toBeVisible();
  const left = async () =>
    Number(
      (await working.getByRole('row', { name: /Share of the force that is left/ }).innerText()).match(/([\d.]+) ×/)![1],
    );
  const cool = await left();
  await page.goto(`/parts/${part.id}/brief`);
  const load = page.getByRole('group', { name: 'Held bent for a season' });
  await load.getByLabel('Part temperature').fill('60');
  await saved(page);
  await page.goto(`/parts/${part.id}/shortlist?grade=tm-asa&check=holding-force`);
  await expect.poll(left).toBeLessThan(cool - 0.05);
});

test('hooks and eyes: strain after many openings, fatigue of the pawl, and a caution that goes everywhere', async ({
  page,
  request,
}) => {
  const hook = await makePart(request, { ...snapCover, title: 'Hook of a test' });
  await page.goto(`/parts/${hook.id}/shortlist?grade=ol-pa12&check=strain`);
  await expect(workingOf(page, 'Strain').getByText(/Share left after 150 bends/)).toBeVisible();
  const pawl = await makePart(request, { ...ratchetPawl, title: 'Pawl of a test' });
  await page.goto(`/parts/${pawl.id}/shortlist?grade=ol-pa12&check=fatigue-life`);
  await expect(workingOf(page, 'Fatigue').getByText('Static pull that is as bad')).toBeVisible();
  await expect(page.getByText(/Proof-test every one above its working load/).first()).toBeVisible();
  await page.goto('/parts');
  await expect(page.getByRole('row', { name: /Pawl of a test/ })).toContainText('proof test and sign-off needed');
});

test('knocks: an energy or a falling mass, usual sizes offered with their reasons', async ({ page, request }) => {
  const id = await newPart(page, /It cushions/);
  await page.getByLabel('How it acts').selectOption('knock');
  await expect(page.getByLabel('Energy', { exact: true })).toHaveValue('1');
  await page.getByRole('button', { name: 'Usual sizes' }).click();
  await page.getByRole('button', { name: /Kicked in passing/ }).click();
  await expect(page.getByLabel('Energy', { exact: true })).toHaveValue('10');
  await page.getByLabel('Known as').selectOption('fall');
  await page.getByLabel('Mass', { exact: true }).fill('2 kg');
  await page.getByLabel('Falls from').fill('1 ft');
  await page.getByLabel('Afterwards it must be').selectOption('unbroken');
  await expect(funnelRow(page, 'Knock without breaking')).toBeVisible();
  await expect(funnelRow(page, 'Knock without damage')).toBeHidden();
  await saved(page);
  const load = (await readPart(request, id)).brief.loadCases[0]!;
  expect(load).toMatchObject({ kind: 'knock', fallingMassG: 2000, mustStayWhole: 'unbroken' });
  expect(load.dropHeightMm).toBeCloseTo(304.8, 6);
  expect(load).not.toHaveProperty('forceN');
});

test('another kind of part keeps the loads’ names and times; surroundings bring their temperatures', async ({
  page,
  request,
}) => {
  const part = await makePart(request);
  await page.goto(`/parts/${part.id}/brief`);
  await page.getByRole('button', { name: 'Another kind of part' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /It twists/ })
    .click();
  await expect(page.getByLabel('Torque', { exact: true }).first()).toHaveValue('500');
  await expect(page.getByRole('textbox', { name: 'Load', exact: true }).first()).toHaveValue('Lamp weight, summer sun');
  await page.getByRole('button', { name: /Usual surroundings/ }).click();
  await page.getByRole('button', { name: /Sealed cabinet in full sun/ }).click();
  await expect(page.getByLabel('Steady temperature')).toHaveValue('60');
  await expect(page.getByLabel('Coldest temperature')).toHaveValue('−20');
  await saved(page);
  const { brief } = await readPart(request, part.id);
  expect(brief.part.model).toBe('torsion-shaft');
  expect(brief.moisture).toBe('dry');
  expect(brief.loadCases[0]).toMatchObject({ name: 'Lamp weight, summer sun', durationH: 17532, torqueNmm: 500 });
});

test('a brief is duplicated, offered as a template, exported and brought back from its file', async ({
  page,
  request,
}, testInfo) => {
  const part = await makePart(request, { ...nozzleBracket, title: 'Travelling bracket' });
  await page.goto(`/parts/${part.id}/brief`);
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  const file = testInfo.outputPath('travelling.json');
  await (await download).saveAs(file);
  await page.getByRole('button', { name: 'Duplicate' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Travelling bracket (2)' })).toBeVisible();
  await page.getByLabel('Offer this brief as a template').check();
  await saved(page);

  await page.goto('/parts');
  await page.getByRole('button', { name: 'New part', exact: true }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Travelling bracket (2)' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'New part' })).toBeVisible();
  await expect(page.getByLabel('From the wall to the load', { exact: true })).toHaveValue('160');
  await expect(page.getByLabel('Offer this brief as a template')).not.toBeChecked();

  await page.goto('/parts');
  await page.getByRole('button', { name: 'New part', exact: true }).click();
  await page
    .getByLabel('From a brief in a file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{not json') });
  await expect(page.getByRole('alert')).toContainText('x.json is not JSON');
  await page
    .getByLabel('From a brief in a file')
    .setInputFiles({ name: 'y.json', mimeType: 'application/json', buffer: Buffer.from('{"title":"Half a brief"}') });
  await expect(
    page
      .getByRole('alert')
      .filter({ hasText: /purpose|missing|required/i })
      .first(),
  ).toBeVisible();
  await page.getByLabel('From a brief in a file').setInputFiles(file);
  await expect(page.getByRole('heading', { level: 1, name: 'Travelling bracket' })).toBeVisible();
});

test('a quick sum follows what is typed, says what it cannot use, and travels by its link', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await page.goto('/calculations');
  await page.getByLabel('Find a formula').fill('living hinge');
  await page.getByRole('link', { name: 'Strain of a living hinge' }).click();
  const answer = page.getByRole('region', { name: 'Answer' });
  await expect(answer).toContainText('13.09 %');
  await page.getByLabel('Turn', { exact: true }).fill('90');
  await expect(answer).toContainText('6.545 %');
  await page.getByLabel('Length', { exact: true }).fill('-3');
  await expect(page.getByLabel('Length', { exact: true })).toHaveAccessibleDescription(/Must be above 0/);
  await page.getByLabel('Length', { exact: true }).fill('12');
  await expect(answer).toContainText('3.2725 %');
  await page.getByRole('button', { name: 'Copy the link' }).click();
  await expect(page.getByRole('button', { name: 'Link copied' })).toBeVisible();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  await page.goto('/parts');
  await page.goto(link);
  await expect(page.getByRole('region', { name: 'Answer' })).toContainText('3.2725 %');
  await page.goto('/calculations/hinge-strain?in=%7Bcut');
  await expect(page.getByRole('alert')).toContainText('could not be read');
});
