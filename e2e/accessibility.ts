import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type { AxeResults, RunOptions } from 'axe-core';

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
type WithAxe = typeof globalThis & { axe?: { run(of: Document, options: RunOptions): Promise<AxeResults> } };

/**
 * What a page does that keeps people out, by axe: its serious and critical findings, with the elements. The rules on contrast take
 * it longer than all others together: `contrast` false leaves them out.
 */
export async function seriousFaults(page: Page, { contrast = true } = {}): Promise<string[]> {
  // Once a page: to hand the program over takes longer than to run it.
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE);
  const violations = await page.evaluate(async (withContrast) => {
    const { violations: found } = await (globalThis as WithAxe).axe!.run(document, {
      resultTypes: ['violations'],
      preload: false,
      selectors: false,
      rules: { 'color-contrast': { enabled: withContrast } },
    });
    return found.map(({ id, impact, nodes }) => ({ id, impact, html: nodes.slice(0, 3).map((node) => node.html) }));
  }, contrast);
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  return serious.map(({ id, html }) => `${id}: ${html.join(' | ')}`);
}
