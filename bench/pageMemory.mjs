#!/usr/bin/env node
/**
 * What a page with its worker holds in memory before libraries of 70 and of 5,000 grades, its shortlist shown, ranked and with chances. Needs a
 * running server with the demo in it, and Linux, whose /proc is read:
 *   node bench/pageMemory.mjs http://127.0.0.1:4600
 * The library is multiplied on its way to the page, so that nothing is written.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { withManyGrades } from './manyGrades.mjs';

const base = process.argv[2];
if (!base) throw new Error('the address of a running server is needed');
const SHORTLIST = '/parts/0a7c1d00-0000-4000-8000-000000000003/shortlist';
const WANTED_MB = 150;

/** Memory that the browser’s page processes have for themselves, MB. */
function privateMb() {
  let kb = 0;
  for (const pid of readdirSync('/proc').filter((name) => /^\d+$/.test(name))) {
    try {
      if (!readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')) continue;
      for (const [, value] of readFileSync(`/proc/${pid}/smaps_rollup`, 'utf8').matchAll(/^Private_\w+:\s+(\d+) kB/gm))
        kb += Number(value);
    } catch {
      // It ended meanwhile.
    }
  }
  return kb / 1024;
}

async function measure(grades) {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const empty = privateMb();
  await withManyGrades(page, grades);
  await page.goto(base + SHORTLIST);
  const region = page.getByRole('region', { name: 'Reserves' });
  await region.getByRole('row').nth(5).waitFor({ timeout: 120_000 });
  await page.waitForTimeout(8000);
  await page.requestGC();
  await page.waitForTimeout(1500);
  const held = privateMb();
  await browser.close();
  return { empty, held };
}

const few = await measure(70);
const many = await measure(5000);
console.log(
  `page and worker: ${Math.round(few.held)} MB with 70 grades, ${Math.round(many.held)} MB with 5,000 (an empty page: ${Math.round(many.empty)} MB); ` +
    `5,000 grades hold ${Math.round(many.held - few.held)} MB more (wanted: under ${WANTED_MB})`,
);
