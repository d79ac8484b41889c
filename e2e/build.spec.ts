import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './fixtures.ts';
import { gaugeBeam, lampArm } from '@anvilstone/core/education/sample';
import { makePart, readPart, saved } from './part.ts';

/** Deep at its root, with a waist of 9 × 16 mm at 40 of its 120 mm: there it gives first. */
const waistedArm = readFileSync(new URL('../docs/examples/waisted-arm.stl', import.meta.url), 'utf8');

const reserves = (page: Page) => page.getByRole('table', { name: 'Checks by build orientation' });

test('a beam too soft: the least fibre beside thickening, taken, and the reserve passes', async ({ page, request }) => {
  const [touch] = gaugeBeam.loadCases;
  const part = await makePart(request, {
    ...gaugeBeam,
    title: 'Gauge beam, finer',
    loadCases: [{ ...touch!, maxDeflectionMm: 0.3 }],
  });
  await page.goto(`/parts/${part.id}/build?grade=ne-petg&show=fibre`);
  const plan = page.getByRole('region', { name: 'Minimum fibre that passes, and alternatives' });
  await expect(plan.getByRole('status')).toContainText(/Only fibre makes it pass/);
  await expect(plan.getByRole('row', { name: /^As drawn/ })).toContainText(/fails|0\.\d\d/);
  const carbon = plan.getByRole('row', { name: /^Continuous carbon in polyamide, / });
  await expect(carbon.getByRole('img', { name: 'passes' })).toBeVisible();
  await carbon.getByRole('button', { name: /^Apply Continuous carbon/ }).click();
  await saved(page);
  const { brief } = await readPart(request, part.id);
  expect(brief.fibre).toMatchObject({ towId: 'carbon-polyamide' });
  await expect(page.getByText(/Cut strand ends pierce skin/)).toBeVisible();
  // Upright no strand can lie, nor tilted by 45°.
  await page.getByRole('tab', { name: 'Build orientation' }).click();
  const laid = reserves(page).getByRole('row', { name: /^Fibre placement/ });
  await expect(laid.getByRole('img', { name: 'fails' })).toHaveCount(2);
  await page.goto(`/parts/${part.id}/shortlist?grade=ne-petg&check=fibre-strength`);
  await expect(page.getByRole('region', { name: 'Working: Fibre stress' })).toContainText('E_f');
});

test('a mesh: opened, cut where it is stressed most, taken into the brief, tilted, strands added until it passes', async ({
  page,
  request,
}, testInfo) => {
  const [gust] = lampArm.loadCases;
  const pull = { ...gust!, name: 'Cable pulled', forceN: 100, kind: 'short' as const, durationH: 1, temperatureC: 23 };
  const { maxSagMm: _sag, maxDeflectionMm: _movement, ...load } = pull;
  const brief = { ...lampArm, title: 'Arm from a mesh', failureCouldHurt: 'no' as const, asks: {}, loadCases: [load] };
  const part = await makePart(request, brief);
  await page.goto(`/parts/${part.id}/build?grade=ne-petg&show=shape`);
  const file = (name: string, text: string | Buffer) => ({ name, mimeType: 'model/stl', buffer: Buffer.from(text) });
  await page.getByLabel('Mesh file').setInputFiles(file('broken.stl', 'solid nothing\nendsolid nothing\n'));
  await expect(page.getByRole('alert')).toContainText(/broken\.stl: /);
  await page.getByLabel('Mesh file').setInputFiles(file('arm.stl', waistedArm));
  const mesh = page.getByRole('region', { name: 'The mesh' });
  await expect(mesh).toContainText('closed');
  await expect(mesh).toContainText('120 mm × 16 mm × 24 mm');
  await page.getByRole('button', { name: /^Cut at the highest stress, at 40 mm/ }).click();
  const cut = page.getByRole('region', { name: 'The cut' });
  await expect(cut).toContainText('9 mm × 16 mm');
  // 100 N · 80 mm · 4.5 mm / (16 · 9³/12) = 37.0 MPa
  await expect(cut).toContainText('37 MPa');
  const [svg] = await Promise.all([page.waitForEvent('download'), cut.getByRole('button', { name: 'SVG' }).click()]);
  const path = testInfo.outputPath('section.svg');
  await svg.saveAs(path);
  expect(readFileSync(path, 'utf8')).toContain('<svg');

  await cut.getByRole('button', { name: 'Apply this cut to the brief' }).click();
  await saved(page);
  const taken = (await readPart(request, part.id)).brief.part;
  expect(taken).toMatchObject({ model: 'section-at-plane', section: { kind: 'polygon' } });
  if (taken.model === 'section-at-plane') expect(taken.leverMm).toBeCloseTo(80, 1);

  // Tilted: the layers run through the cut askew, and part first; no build orientation passes.
  await page.getByRole('tab', { name: 'Build orientation' }).click();
  const way = (name: RegExp) => reserves(page).getByRole('row', { name });
  const across = way(/^Interlayer strength \(Z\)/)
    .getByRole('cell')
    .nth(3);
  await expect(across).toContainText(/0\.\d\d/);
  await page.getByRole('slider', { name: 'Tilt' }).focus();
  await page.keyboard.press('Home');
  const inPlane = way(/^In-plane strength/).getByRole('cell');
  await expect(inPlane.nth(0).getByRole('img', { name: 'fails' })).toBeVisible();

  // Strands in the faces of the cut: the least that makes it pass.
  await page.getByRole('tab', { name: 'Continuous fibre' }).click();
  const plan = page.getByRole('region', { name: 'Minimum fibre that passes, and alternatives' });
  const glass = plan.getByRole('row', { name: /^Continuous glass/ }).first();
  await expect(glass.getByRole('img', { name: 'passes' })).toBeVisible();
  await glass.getByRole('button', { name: /^Apply Continuous glass/ }).click();
  await saved(page);
  await page.getByRole('tab', { name: 'Build orientation' }).click();
  await expect(inPlane.nth(0).getByRole('img', { name: 'passes' })).toBeVisible();
  await expect(
    way(/^Fibre stress/)
      .getByRole('img', { name: 'passes' })
      .first(),
  ).toBeVisible();

  await page.reload();
  await page.getByRole('tab', { name: '3D part' }).click();
  await expect(page.getByRole('region', { name: 'The mesh' })).toContainText('closed');
  // The file does not say its unit: in inches everything is 25.4 times as large.
  await page.getByLabel('Mesh unit').selectOption('inches');
  await expect(page.getByRole('region', { name: 'The mesh' })).toContainText('3048 mm');
});

test('a layup: moved by keyboard, mirrored or not, its warnings, and taken along and opened again', async ({
  page,
  request,
}, testInfo) => {
  const part = await makePart(request, { title: 'Arm for a layup' });
  await page.goto(`/parts/${part.id}/build?show=layup`);
  const plies = page.getByRole('list', { name: 'Plies, the upper ones first' });
  await expect(plies.getByRole('listitem')).toHaveCount(2);
  const failure = page.getByRole('region', { name: /^When it gives way/ });
  await expect(failure.getByRole('row', { name: /^Tsai–Wu/ })).toContainText(/\d/);
  await page.getByLabel(/^Symmetric/).uncheck();
  await expect(page.getByText(/Not symmetric about its middle/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/Not symmetric about its middle/)).toBeHidden();

  // The upper ply below the lower one, with Space and the arrow key.
  const angleOf = (row: number) => plies.getByRole('listitem').nth(row).getByLabel('Angle');
  await expect(angleOf(0)).toHaveValue('90');
  await plies.getByRole('button', { name: 'Move ply 2', exact: true }).focus();
  await page.keyboard.press('Space');
  await page.waitForTimeout(150);
  await page.keyboard.press('ArrowDown');
  await page.waitForTimeout(300);
  await page.keyboard.press('Space');
  await expect(angleOf(0)).toHaveValue('0');

  await page.getByLabel('Start from a standard layup').selectOption('Quasi-isotropic: 0, ±45, 90');
  await expect(plies.getByRole('listitem')).toHaveCount(4);
  const [json] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'JSON', exact: true }).click(),
  ]);
  const path = testInfo.outputPath('layup.json');
  await json.saveAs(path);
  const [deck] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Input deck' }).click(),
  ]);
  const deckPath = testInfo.outputPath('layup.inp');
  await deck.saveAs(deckPath);
  expect(readFileSync(deckPath, 'utf8')).toContain('*SHELL SECTION, ELSET=STRIP, COMPOSITE');
  await page.getByLabel('Start from a standard layup').selectOption('Unidirectional: 0');
  await expect(plies.getByRole('listitem')).toHaveCount(1);
  await page.getByLabel('Layup file').setInputFiles(path);
  await expect(plies.getByRole('listitem')).toHaveCount(4);
  await page
    .getByLabel('Layup file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{}') });
  await expect(page.getByRole('alert')).toContainText(/x\.json: This is not a layup/);

  // Strands round an eye, and a corner that is too tight for them.
  await page.getByRole('button', { name: '+ Another loop' }).click();
  const loops = page.getByRole('region', { name: 'Loop capacity' });
  await expect(loops.getByRole('row', { name: /^Around both eyes/ })).toContainText(/kN|N/);
  await page.getByLabel('Radius inside').fill('4');
  await expect(loops).toContainText(/Cannot be laid: Its innermost bend has a radius of 4.45 mm; 8 mm or more/);
  // It belongs to the part: saved, and there again.
  await saved(page);
  expect((await readPart(request, part.id)).brief.layup).toMatchObject({ loops: [{ radiusMm: 4 }] });
  await page.reload();
  await expect(page.getByLabel('Radius inside')).toHaveValue('4');
});
