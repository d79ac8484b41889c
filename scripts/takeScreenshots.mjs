// Takes the pictures in docs/screenshots from a running app with untouched demo data.
//   npm start            (in another terminal)
//   node scripts/takeScreenshots.mjs [http://127.0.0.1:4600]
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { root } from './paths.mjs';

const base = process.argv[2] ?? 'http://127.0.0.1:4600';
/** Either draws the same. */
const browsers = ['/usr/bin/chromium', '/usr/bin/chromium-headless-shell'];
const gaugeBeam = '/parts/0a7c1d00-0000-4000-8000-000000000001';
const heaterDuct = '/parts/0a7c1d00-0000-4000-8000-000000000002';
const lampArm = '/parts/0a7c1d00-0000-4000-8000-000000000003';

/** name, address, theme, what to do before the picture */
const views = [
  ['parts', '/parts', 'light'],
  ['brief', `${lampArm}/brief`, 'light'],
  ['shortlist', `${lampArm}/shortlist`, 'light'],
  ['map', `${lampArm}/shortlist?view=map&school=weighted-merit&was=cheapest-that-passes`, 'dark', walkTheMap],
  ['compare', `${lampArm}/compare?grades=tm-petg,tm-petg-gf,tm-petg-cf`, 'light'],
  ['orientation', `${lampArm}/build?grade=ne-petg`, 'light'],
  ['fibre', `${gaugeBeam}/build?show=fibre&grade=ne-petg`, 'dark'],
  ['3d-part', `${lampArm}/build?show=shape`, 'light', cutAMesh],
  ['decision', `${heaterDuct}/decision`, 'light', firstOfTwo],
  [
    'service',
    `${heaterDuct}/service?at=5e000000-0000-4000-8000-000000000001`,
    'light',
    (page) => page.mouse.wheel(0, 250),
  ],
  ['grades', '/grades?printable=fits&range=tensileModulus~1500~&sort=tensileStrength~down', 'light'],
  ['grade', '/grades/ol-pc', 'light', (page) => page.getByRole('button', { name: /Tensile strength/ }).click()],
  ['print-plan', '/parts/0a7c1d00-0000-4000-8000-000000000003/plan?grade=ol-pa6-gf&way=XZ', 'light'],
  ['bench-results', '/bench/K1?show=results', 'light'],
  ['bench-run', '/bench/K3?show=capture', 'light', loadABar],
  ['import', '/grades/import', 'light', askedAboutASheet],
  ['company-rules', '/company-rules', 'light', (page) => changeARule(page)],
  ['spools', '/spools', 'light'],
  ['training', '/training/upright-post', 'light', answerACase],
];

async function askedAboutASheet(page) {
  await page.getByRole('button', { name: /messy sample/ }).click();
  const maker = page.getByLabel('Maker, where no column says so');
  await maker.fill('Nine Elms Compounding');
  await maker.press('Enter');
  await page.getByText('2 questions to answer').waitFor();
  await page.getByLabel(/^GPa/).check();
  await page.getByText('1 question to answer').waitFor();
}

async function firstOfTwo(page) {
  await page.getByRole('button', { name: /No. 2/ }).click();
  await page.getByRole('region', { name: 'Would now differ' }).waitFor();
}

async function answerACase(page) {
  await page.getByRole('radio', { name: /PET C15/ }).check();
  await page.getByRole('radio', { name: 'In-plane strength' }).check();
  await page.getByRole('button', { name: 'Submit answer' }).click();
  await page.getByRole('heading', { name: /^It is/ }).waitFor();
  await page.mouse.wheel(0, 330);
}

async function loadABar(page) {
  await page.getByLabel(/^Nobody is below the weight/).check();
  await page.getByRole('button', { name: 'Set to zero and load slowly' }).click();
  // Two days pass in nine seconds.
  await page.waitForTimeout(8000);
}

async function walkTheMap(page) {
  await page.getByRole('application').focus();
  for (const key of ['ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
}

async function cutAMesh(page) {
  await page.getByLabel('Mesh file').setInputFiles(join(root, 'docs/examples/waisted-arm.stl'));
  await page.getByRole('button', { name: /^Cut at the highest stress/ }).click();
  await page.waitForTimeout(600);
  await page.evaluate(() => globalThis.scrollTo(0, 0));
}

async function changeARule(page) {
  await page.getByLabel(/B-basis/).check();
  await page.getByText('parts are unchanged').waitFor();
}

const browser = await chromium.launch({
  executablePath: browsers.find(existsSync),
  args: [
    '--no-sandbox',
    '--disable-background-networking',
    // Three dimensions drawn without a graphics card.
    '--use-gl=angle',
    '--use-angle=swiftshader',
    '--enable-unsafe-swiftshader',
  ],
});
for (const [name, address, theme, prepare] of views) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: theme });
  await page.goto(base + address, { waitUntil: 'networkidle' });
  await page.waitForTimeout(800);
  await prepare?.(page);
  await page.waitForTimeout(400);
  await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
  await page.close();
}
await browser.close();
