#!/usr/bin/env node
/**
 * How soon the shortlist shows a change of the brief, and whether it keeps its frames while it is scrolled, before libraries
 * of 500 and of 5,000 grades. Needs a running server with the demo in it:
 *   node bench/shortlistFrames.mjs http://127.0.0.1:4600 [trace.zip]
 * The library is multiplied on its way to the page; the part is made for this and removed. With a name, a trace is kept.
 */
import { chromium } from '@playwright/test';
import { withManyGrades } from './manyGrades.mjs';

const [base, traceFile] = process.argv.slice(2);
if (!base) throw new Error('the address of a running server is needed');
const LAMP_ARM = '0a7c1d00-0000-4000-8000-000000000003';
const CHANGES = 10;

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
const api = `${base}/api/v1/parts`;
const { brief } = await (await globalThis.fetch(`${api}/${LAMP_ARM}`)).json();
const part = await (
  await globalThis.fetch(api, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ brief: { ...brief, title: 'Shortlist bench' } }),
  })
).json();

try {
  for (const grades of [500, 5000]) await measure(grades);
} finally {
  const { revision } = await (await globalThis.fetch(`${api}/${part.id}`)).json();
  await globalThis.fetch(`${api}/${part.id}?revision=${revision}`, { method: 'DELETE' });
  await browser.close();
}

async function measure(wanted) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await withManyGrades(page, wanted);
  await page.goto(`${base}/parts/${part.id}/brief`);
  const depth = page.getByLabel('Along the load', { exact: true });
  await depth.fill(wanted === 500 ? '31' : '32');
  await depth.blur();
  await page.getByRole('link', { name: /Shortlist/ }).click();
  const region = page.getByRole('region', { name: 'Reserves' });
  await region.getByRole('row').nth(5).waitFor({ timeout: 60_000 });
  await region.getByText('Calculating …').first().waitFor({ state: 'detached', timeout: 60_000 });
  if (traceFile && wanted === 5000) await context.tracing.start({ screenshots: true, snapshots: false });

  // Undo and redo change the brief from here: how long until the first row shows other numbers?
  const paints = [];
  for (let i = 0; i < CHANGES; i++) {
    const name = i % 2 === 0 ? 'Undo' : 'Redo';
    paints.push(
      await page.evaluate(async (button) => {
        const table = globalThis.document.querySelector('[aria-label="Reserves"]');
        const firstCost = () => table.querySelector('tbody tr[aria-rowindex] td:nth-of-type(2)')?.textContent;
        const before = firstCost();
        const press = [...globalThis.document.querySelectorAll('button')].find((one) => one.textContent === button);
        const start = performance.now();
        press.click();
        return new Promise((resolve) => {
          const look = () => {
            const now = firstCost();
            if (now !== undefined && now !== before) resolve(performance.now() - start);
            else globalThis.requestAnimationFrame(look);
          };
          globalThis.requestAnimationFrame(look);
        });
      }, name),
    );
    await page.waitForTimeout(1500);
  }

  // Whatever is sized or drawn behind the page goes on meanwhile.
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
  const box = await region.boundingBox();
  await page.mouse.move(box.x + 300, box.y + 200);
  for (let i = 0; i < 150; i++) {
    await page.mouse.wheel(0, i < 100 ? 90 : -60);
    await page.waitForTimeout(10);
  }
  const frames = (await page.evaluate(() => globalThis.frameTimes)).slice(5).sort((a, b) => a - b);
  if (traceFile && wanted === 5000) await context.tracing.stop({ path: traceFile });
  const at = (sorted, share) => sorted[Math.floor(share * (sorted.length - 1))].toFixed(1);
  paints.sort((a, b) => a - b);
  console.log(
    `${wanted} grades: changed numbers shown after ${at(paints, 0.5)} ms (median of ${CHANGES}; ${at(paints, 0)} to ${at(paints, 1)} ms); ` +
      `${frames.length} frames while scrolling: median ${at(frames, 0.5)} ms, 95 % within ${at(frames, 0.95)} ms, longest ${at(frames, 1)} ms`,
  );
  await context.close();
}
