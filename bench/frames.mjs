#!/usr/bin/env node
/**
 * Whether the page keeps its frames while a dimension is dragged in front of a library of 5,000 grades. Needs a running
 * server with the demo in it:
 *   node bench/frames.mjs http://127.0.0.1:4600
 * The library is multiplied on its way to the page, so that nothing is written.
 */
import { chromium } from '@playwright/test';
import { withManyGrades } from './manyGrades.mjs';

const base = process.argv[2];
if (!base) throw new Error('the address of a running server is needed');
const WANTED_GRADES = 5000;
const LAMP_ARM = '/parts/0a7c1d00-0000-4000-8000-000000000003/brief';

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await withManyGrades(page, WANTED_GRADES);
await page.goto(base + LAMP_ARM);
await page.getByText(`of ${WANTED_GRADES}`).waitFor();
await page.getByRole('list', { name: /Remaining grades/ }).waitFor({ timeout: 60_000 });
const handle = page.getByRole('slider', { name: /From the root to the load/ });
const box = await handle.boundingBox();
const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
await page.evaluate(() => {
  globalThis.frameTimes = [];
  let last = performance.now();
  const tick = (now) => {
    globalThis.frameTimes.push(now - last);
    last = now;
    globalThis.requestAnimationFrame(tick);
  };
  globalThis.requestAnimationFrame(tick);
});
const answers = new Set();
await page.mouse.move(x, y);
await page.mouse.down();
for (let i = 0; i < 180; i++) {
  await page.mouse.move(x - 120 * Math.abs(Math.sin(i / 25)), y);
  answers.add(await page.getByRole('list', { name: /Remaining grades/ }).innerText());
}
await page.mouse.up();
const times = (await page.evaluate(() => globalThis.frameTimes)).slice(5).sort((a, b) => a - b);
await browser.close();
const at = (share) => times[Math.floor(share * (times.length - 1))].toFixed(1);
console.log(
  `${times.length} frames while dragging, ${WANTED_GRADES} grades: median ${at(0.5)} ms, 95 % within ${at(0.95)} ms, longest ${at(1)} ms; ` +
    `${answers.size} different answers shown on the way`,
);
