import type { Page } from '@playwright/test';
import { coldTest, expect, follow } from './fixtures.ts';
import { seriousFaults } from './accessibility.ts';
import { faintTexts } from './contrast.ts';

const DEMO = '/parts/0a7c1d00-0000-4000-8000-00000000000';
const LAMP_ARM = `${DEMO}3`;
const screens = [
  ['parts', '/parts', 'Lamp arm, pylon 7 walkway'],
  ['brief', `${LAMP_ARM}/brief`, 'Remaining grades'],
  ['brief of a bracket', `${DEMO}9/brief`, 'Remaining grades'],
  ['brief of a ring', `${DEMO}2/brief`, 'Remaining grades'],
  ['brief that could hurt', `${DEMO}7/brief`, 'Proof-test every one'],
  ['shortlist', `${LAMP_ARM}/shortlist`, 'Tarrowmill PETG Clearway'],
  ['sized', `${LAMP_ARM}/shortlist?view=sized`, 'Apply this size'],
  ['equal mass', `${LAMP_ARM}/shortlist?view=equal-mass`, 'Mass of each part'],
  ['weights', `${LAMP_ARM}/shortlist?school=weighted-merit&was=weakest-link&sure=0.9`, 'Own evidence'],
  ['map', `${LAMP_ARM}/shortlist?view=map&pin=ne-petg`, 'pass region'],
  ['compare', `${LAMP_ARM}/compare?grades=tm-petg,tm-petg-gf,ne-abs`, 'Other wins below'],
  ['drawer', `${LAMP_ARM}/shortlist?grade=vp-pa666&check=sag-after-duration`, 'Reserve factor against temperature'],
  ['build orientation', `${LAMP_ARM}/build?grade=ne-petg`, 'Reserves from on edge to upright'],
  ['filling', `${LAMP_ARM}/build?grade=ne-petg&show=filling`, '8 walls, 50 % infill'],
  ['fibre', `${DEMO}1/build?show=fibre`, 'Continuous carbon in polyamide, 1 deep'],
  ['two materials', `${LAMP_ARM}/build?grade=ne-petg&show=split`, 'Required bond'],
  ['layup', `${LAMP_ARM}/build?show=layup`, 'Modulus by direction'],
  ['shape', `${LAMP_ARM}/build?show=shape`, 'Drop the part’s mesh here'],
  ['print plan', `${LAMP_ARM}/plan?grade=ol-pa6-gf`, 'Upgrades'],
  ['process card', `${LAMP_ARM}/plan?grade=ne-petg&show=card`, 'Dry the spool'],
  ['what it costs', `${LAMP_ARM}/plan?grade=ne-petg&show=cost`, 'Set-up cost'],
  ['after printing', `${LAMP_ARM}/plan?grade=ne-abs&show=after`, 'Solvent bonding'],
  ['dry spool', `${LAMP_ARM}/plan?grade=ol-pa6-gf&show=dry`, 'Storage since drying'],
  ['supports', `${LAMP_ARM}/plan?grade=ne-petg&show=supports`, 'Removal'],
  ['decision', `${LAMP_ARM}/decision`, 'every number agrees'],
  ['deciding', `${LAMP_ARM}/decision?grade=tm-tpu95`, 'Freeze the decision'],
  ['overtaken decision', `${DEMO}2/decision?record=`, 'every number agrees'],
  ['part in service', `${DEMO}2/service?at=5e000000-0000-4000-8000-000000000001`, 'Possible changes'],
  ['not in service', `${DEMO}9/service`, 'Not in service yet'],
  ['service', '/service', 'Failures and lessons'],
  ['records', '/records', 'Verify a record from another installation'],
  ['workshop', '/data', 'Import or restore'],
  ['people', '/people', 'Set up accounts'],
  // The sample’s own are on a later page once other tests have changed enough.
  ['changes', '/changes', /the sample project|this computer/],
  ['jobs', '/jobs', 'Running'],
  ['not at the server yet', '/unsent', 'All changes are sent'],
  ['grades', '/grades?q=clearway', 'Tarrowmill PETG Clearway'],
  ['one grade', '/grades/tm-petg', 'Show properties without any value'],
  ['curves', '/grades/tm-petg?show=curves', 'Growth of deflection under load'],
  ['history', '/grades/tm-petg?show=history', 'From the sample library'],
  ['comparison', '/grades/compare?first=ol-pa6&second=ne-pa6', 'Not comparable'],
  ['edit a grade', '/grades/tm-petg/edit', 'Maker’s print settings'],
  ['new grade', '/grades/new', 'No reports yet'],
  ['import', '/grades/import', 'Drop a file here'],
  ['reference', '/grades/reference', 'Continuous carbon in polyamide'],
  ['agents', '/chemicals', 'Chloride de-icing solution'],
  ['one agent', '/chemicals/mineral-oil', 'Bent strips in haul-rope oil'],
  ['new agent', '/chemicals/new', 'Safety notes'],
  ['brief in fluids', `${DEMO}6/brief`, 'Under sustained tension'],
  ['company rules', '/company-rules', 'Evidence policy'],
  ['tests of a part', `${LAMP_ARM}/bench?grade=ne-petg`, 'Campaigns for this part'],
  ['bench', '/bench', 'How well layers hold'],
  ['test methods', '/bench?show=methods&method=pull-bar', 'Stored energy'],
  ['new campaign', '/bench/new?method=bend-bar&grades=ne-petg', 'Prediction'],
  ['plan of a campaign', '/bench/K1', 'between two layers'],
  ['specimens', '/bench/K1?show=specimens', '2 notches'],
  ['testing', '/bench/K3?show=capture', 'Set to zero and load slowly'],
  ['results', '/bench/K1?show=results', 'parted in the grip'],
  ['sag', '/bench/K3?show=results', 'extrapolated'],
  ['looks', '/bench/K4?show=looks', 'failed between'],
  ['spools', '/spools', 'look alike'],
  ['one spool', '/spools/S-05', 'History'],
  ['new spool', '/spools/new', 'Short name on its label'],
  ['dryers', '/spools?show=dryers', 'Four ratchet pawls, first batch'],
  ['instruments', '/spools?show=instruments', 'quarter hours of the last two weeks'],
  ['prices', '/spools?show=prices', 'Nothing changes until'],
  ['edit a machine', '/machines/old-wide/edit', 'Bed surfaces available'],
  ['machines', '/machines?machine=bench-open', 'fit an all-metal hot end'],
  ['practice', '/training', 'Eight training cases'],
  ['a practice case', '/training/coat-hook', 'Submit answer'],
  ['words', '/glossary', 'Service temperature limit'],
  ['calculators', '/calculators/part-wall-bracket', 'Upper fibre at the root of the tie'],
] as const;

/** One page goes through all screens of a worker by itself: what is looked at is the screens and not how the app loads. */
const test = coldTest.extend<object, { tour: { page: Page; errors: string[] } }>({
  tour: [
    async ({ browser, workshop }, use) => {
      const context = await browser.newContext({ baseURL: workshop.url, colorScheme: 'light' });
      const page = await context.newPage();
      const errors: string[] = [];
      page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
      page.on('pageerror', (error) => errors.push(error.message));
      await page.goto(BETWEEN);
      await use({ page, errors });
      await context.close();
    },
    { scope: 'worker' },
  ],
});

/** A light page that is passed through, so that nothing of the screen before is taken for the next one. */
const BETWEEN = '/jobs';

async function visit(page: Page, path: string): Promise<void> {
  for (const to of [BETWEEN, path]) {
    await follow(page, to);
    if (to === BETWEEN) await expect(page.getByRole('heading', { name: 'Jobs' })).toBeVisible();
  }
}

/** One of each layout: there the contrast is also looked at by a second way, which sees what lies over a text. */
const LAYOUTS = new Set([
  'parts',
  'brief',
  'shortlist',
  'map',
  'drawer',
  'compare',
  'layup',
  'process card',
  'decision',
]);

/** By how much the page is wider than its window, px. */
const sidewaysOf = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
const setTheme = (page: Page, theme: string) =>
  page.evaluate((name) => void (document.documentElement.dataset.theme = name), theme);

for (const [name, path, landmark] of screens) {
  test(`${name}: nothing serious for accessibility in light and dark, nothing cut off sideways, no error in the console`, async ({
    tour: { page, errors },
  }) => {
    errors.length = 0;
    await page.setViewportSize({ width: 1280, height: 800 });
    await visit(page, path);
    await expect(page.getByText(landmark).first()).toBeVisible();
    expect(await page.title()).toMatch(/\S · Anvilstone$/);
    expect(await seriousFaults(page, { contrast: LAYOUTS.has(name) })).toEqual([]);
    expect(await faintTexts(page)).toEqual([]);
    // Only colours change with the theme; the rest was looked at in the light.
    await setTheme(page, 'dark');
    expect(await faintTexts(page)).toEqual([]);
    await setTheme(page, 'light');
    // On the usual screen, a large one of each layout, on a small one, and at 200 % zoom on the usual one.
    for (const size of [
      { width: 1280, height: 800 },
      ...(LAYOUTS.has(name) ? [{ width: 1920, height: 1080 }] : []),
      { width: 1024, height: 640 },
      { width: 640, height: 400 },
    ]) {
      await page.setViewportSize(size);
      await expect.poll(() => sidewaysOf(page), { message: `cut off at ${size.width}` }).toBeLessThanOrEqual(0);
    }
    expect(errors).toEqual([]);
  });
}
