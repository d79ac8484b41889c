import type { Page } from '@playwright/test';
import { expect, test } from '../fixtures.ts';
import type { DryerScheduleRecord, Stock } from '@anvilstone/schema';
import { makePart } from '../part.ts';

// The stock, the dryers and the instruments are one for all: these come one after the other.
test.describe.configure({ mode: 'default' });

const behaves = (page: Page, instrument: RegExp) =>
  page.getByRole('row', { name: instrument }).getByLabel(/^How .* behaves$/);

test('from a chosen grade to its printed card and a dryer plan; the logger dies midway and nothing is lost', async ({
  page,
  request,
}) => {
  const part = await makePart(request, { title: 'Arm of wet polyamide', failureCouldHurt: 'no' });
  await page.goto(`/parts/${part.id}/plan?grade=ol-pa6-gf&way=XZ&machine=workshop-enclosed&show=card`);
  const card = page.getByRole('article', { name: 'Process card' });
  await expect(card).toContainText(/Dry the spool.*12 h at 80 °C/);
  await expect(card.getByRole('img', { name: /^Code that leads to/ })).toBeVisible();
  // On paper it is one page, and the buttons stay on the screen.
  await page.emulateMedia({ media: 'print' });
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'screen' });

  // The wet spool is caught before it is printed.
  await page.getByRole('tab', { name: 'Drying' }).click();
  const wet = page.getByRole('row', { name: /^S-03/ });
  await expect(wet).toContainText('too moist: dry 12 h');
  await expect(wet).toContainText(/enough for \d/);
  await wet.getByRole('link', { name: 'S-03' }).click();
  await expect(page.getByRole('heading', { name: /^S-03/ })).toBeVisible();

  // The logger dies.
  await page.goto('/spools?show=instruments');
  const logger = page.getByRole('row', { name: /^Logger in the spool rack/ });
  await expect(logger).toContainText('answers');
  await expect(page.getByText(/^1\d\d\d quarter hours/)).toBeVisible();
  const kept = (await (await request.get('/api/v1/instruments/rack-logger/air')).json()) as unknown[];
  await behaves(page, /^Logger in the spool rack/).selectOption('dead');
  await logger.getByRole('button', { name: 'Read now' }).click();
  await expect(logger).toContainText('nothing listens there');
  const still = (await (await request.get('/api/v1/instruments/rack-logger/air')).json()) as unknown[];
  expect(still.length).toBeGreaterThanOrEqual(kept.length);

  // Meanwhile the dryers are planned all the same.
  await page.getByRole('tab', { name: 'Dryers' }).click();
  await page.getByRole('button', { name: 'Plan automatically' }).click();
  await expect(page.getByText(/No conflicts/)).toBeVisible();
  const run = page.getByRole('button', { name: /^Drying oven, 80 °C: .*S-03/ });
  await expect(run).toBeVisible();

  // By keyboard to a day later: too late, and it says for what. Back again: nothing speaks against it.
  await run.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText(/S-03 .* is ready .* too late/)).toBeVisible();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(page.getByText(/No conflicts/)).toBeVisible();

  // Dragged into the box dryer, which is too cool for what is in it: a conflict in words.
  const row = await page.getByText('Box dryer', { exact: true }).first().boundingBox();
  const box = (await run.locator('rect').first().boundingBox())!;
  await page.mouse.move(box.x + 10, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, row!.y + 8, { steps: 6 });
  await page.mouse.up();
  await expect(page.getByText(/Box dryer reaches 75 °C, not 80 °C/)).toBeVisible();
  await expect
    .poll(async () => (await scheduleOf(request)).runs.find(({ loads }) => loads.includes('S-03'))?.dryerId)
    .toBe('box-dryer');
  await page.getByRole('button', { name: 'Plan automatically' }).click();
  await expect(page.getByText(/No conflicts/)).toBeVisible();
  expect(
    (await (await request.get('/api/v1/dryer-schedule.ics')).text()).match(/BEGIN:VEVENT/g)!.length,
  ).toBeGreaterThan(1);

  // What is put in at once comes out, and its clock starts anew: which spools that are depends on how damp the rack was of late.
  const cameOut = page.getByRole('button', { name: /^S-\d+.* taken out$/ }).first();
  const itCameOut = (await cameOut.getAttribute('aria-label'))!;
  await cameOut.click();
  await expect(page.getByRole('button', { name: itCameOut })).toHaveCount(0);
  const [first] = itCameOut.split(/,| taken out/);
  // Only some seconds were dry, and the history says so.
  const { spools } = (await (await request.get('/api/v1/stock')).json()) as Stock;
  const dried = spools.find(({ spool }) => spool.id === first)!.spool.events.at(-1) as { kind: string; hours: number };
  expect(dried.kind).toBe('dried');
  expect(dried.hours).toBeLessThan(0.05);

  await page.getByRole('tab', { name: 'Instruments' }).click();
  await behaves(page, /^Logger in the spool rack/).selectOption('normal');
  await logger.getByRole('button', { name: 'Read now' }).click();
  await expect(logger).toContainText('answers');
});

async function scheduleOf(request: Parameters<typeof makePart>[0]): Promise<DryerScheduleRecord['schedule']> {
  return ((await (await request.get('/api/v1/stock')).json()) as Stock).schedule.schedule;
}
