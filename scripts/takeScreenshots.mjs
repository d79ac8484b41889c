// Takes the pictures in docs/screenshots from a running app with untouched demo data.
//   npm start            (in another terminal)
//   node scripts/takeScreenshots.mjs [http://127.0.0.1:4600]
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import { root } from './paths.mjs';

const base = process.argv[2] ?? 'http://127.0.0.1:4600';
const bracket = '/parts/0a7c1d00-0000-4000-8000-000000000009';
const dripCup = '/parts/0a7c1d00-0000-4000-8000-000000000006';
const lampArm = '/parts/0a7c1d00-0000-4000-8000-000000000003';

/** name, address, theme, what to do before the picture */
const views = [
  ['parts', '/parts', 'light'],
  ['brief', `${lampArm}/brief`, 'light'],
  ['brief-bracket', `${bracket}/brief`, 'dark', (page) => page.getByRole('button', { name: 'ZX upright' }).click()],
  ['brief-asks', `${dripCup}/brief`, 'light', fluidsInInches],
  ['shortlist', `${lampArm}/shortlist`, 'light'],
  ['working', `${lampArm}/shortlist?grade=tm-asa&check=sag-after-duration`, 'light'],
  ['map', `${lampArm}/shortlist?view=map&school=weighted-merit&was=cheapest-that-passes`, 'dark', walkTheMap],
  ['compare', `${lampArm}/compare?grades=tm-petg,tm-petg-gf,tm-petg-cf`, 'light'],
  [
    'compare-curves',
    `${lampArm}/compare?grades=tm-petg,tm-petg-gf,tm-petg-cf`,
    'light',
    (page) => page.getByText('Modulus over temperature', { exact: true }).evaluate((title) => title.scrollIntoView()),
  ],
  ['decision', `${lampArm}/decision`, 'light'],
  ['grades', '/grades?printable=fits&range=tensileModulus~1500~&sort=tensileStrength~down', 'light'],
  ['grade', '/grades/ol-pc', 'light', (page) => page.getByRole('button', { name: /Tensile strength/ }).click()],
  ['curves', '/grades/tm-petg?show=curves', 'dark'],
  ['two-grades', '/grades/compare?first=ol-pa6&second=ne-pa6', 'light'],
  ['agents', '/agents', 'light'],
  ['import', '/grades/import', 'light', askedAboutASheet],
  ['house-rules', '/house-rules', 'light', (page) => changeARule(page)],
  ['machines', '/machines', 'light'],
  ['quick-sums', '/calculations/part-wall-bracket', 'light'],
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

async function walkTheMap(page) {
  await page.getByRole('application').focus();
  for (const key of ['ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
}

async function fluidsInInches(page) {
  await page.getByRole('button', { name: /^Units/ }).click();
  await page
    .getByText('Fluids touch it')
    .last()
    .evaluate((heading) => heading.scrollIntoView({ block: 'start' }));
  await page.mouse.wheel(0, -160);
}

async function changeARule(page) {
  await page.getByLabel('What nine of ten').check();
  await page.getByText('parts stay as they are').waitFor();
}

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
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
