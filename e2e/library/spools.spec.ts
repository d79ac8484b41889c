import { expect, test, type Page } from '@playwright/test';
import type { DryerScheduleRecord, Stock } from '@anvilstone/schema';
import { makePart } from './part.ts';

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
  await page.getByRole('tab', { name: 'Dry spool' }).click();
  const wet = page.getByRole('row', { name: /^S-03/ });
  await expect(wet).toContainText('too wet: dry 12 h');
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
  await logger.getByRole('button', { name: 'Fetch now' }).click();
  await expect(logger).toContainText('nothing listens there');
  const still = (await (await request.get('/api/v1/instruments/rack-logger/air')).json()) as unknown[];
  expect(still.length).toBeGreaterThanOrEqual(kept.length);

  // Meanwhile the dryers are planned all the same.
  await page.getByRole('tab', { name: 'Dryers' }).click();
  await page.getByRole('button', { name: 'Plan the best' }).click();
  await expect(page.getByText(/Nothing speaks against it/)).toBeVisible();
  const run = page.getByRole('button', { name: /^Drying oven, 80 °C: .*S-03/ });
  await expect(run).toBeVisible();

  // By keyboard to a day later: too late, and it says for what. Back again: nothing speaks against it.
  await run.focus();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowRight');
  await expect(page.getByText(/S-03 .* is ready .* too late/)).toBeVisible();
  for (let i = 0; i < 12; i++) await page.keyboard.press('Shift+ArrowLeft');
  await expect(page.getByText(/Nothing speaks against it/)).toBeVisible();

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
  await page.getByRole('button', { name: 'Plan the best' }).click();
  await expect(page.getByText(/Nothing speaks against it/)).toBeVisible();
  expect(
    (await (await request.get('/api/v1/dryer-schedule.ics')).text()).match(/BEGIN:VEVENT/g)!.length,
  ).toBeGreaterThan(1);

  // What is put in at once comes out, and its clock starts anew: which spools that are depends on how damp the rack was of late.
  const cameOut = page.getByRole('button', { name: /^S-\d+.* came out$/ }).first();
  const itCameOut = (await cameOut.getAttribute('aria-label'))!;
  await cameOut.click();
  await expect(page.getByRole('button', { name: itCameOut })).toHaveCount(0);
  const [first] = itCameOut.split(/,| came out/);
  // Only some seconds were dry, and the history says so.
  const { spools } = (await (await request.get('/api/v1/stock')).json()) as Stock;
  const dried = spools.find(({ spool }) => spool.id === first)!.spool.events.at(-1) as { kind: string; hours: number };
  expect(dried.kind).toBe('dried');
  expect(dried.hours).toBeLessThan(0.05);

  await page.getByRole('tab', { name: 'Instruments' }).click();
  await behaves(page, /^Logger in the spool rack/).selectOption('as it should');
  await logger.getByRole('button', { name: 'Fetch now' }).click();
  await expect(logger).toContainText('answers');
});

async function scheduleOf(request: Parameters<typeof makePart>[0]): Promise<DryerScheduleRecord['schedule']> {
  return ((await (await request.get('/api/v1/stock')).json()) as Stock).schedule.schedule;
}

test('a spool of one’s own: added, weighed by a scale that drifts at first, used, dried, moved and used up', async ({
  page,
}) => {
  await page.goto('/spools');
  await page.getByRole('link', { name: 'Add a spool' }).click();
  await page.getByLabel('Short name on its label').fill('s 1');
  await expect(page.getByText(/Two to sixteen capitals/)).toBeVisible();
  await page.getByLabel('Short name on its label').fill('t-77');
  await page.getByLabel('Grade').selectOption({ label: 'Tarrowmill ASA Outdoor' });
  await page.getByLabel('Paid for it').fill('33');
  await page.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByRole('heading', { name: /^T-77/ })).toBeVisible();
  const state = page.getByRole('status').first();
  await expect(state).toContainText('dryness not known');

  await page.goto('/spools?show=instruments');
  await behaves(page, /^Scale by the rack/).selectOption('drifts');
  await expect(behaves(page, /^Scale by the rack/)).toHaveValue('drifts');
  await page.goto('/spools/T-77');
  await page.getByRole('button', { name: 'Read the scale' }).click();
  await expect(page.getByRole('alert')).toContainText(/for its own check weight of 200 g: it drifts/);
  await page.goto('/spools?show=instruments');
  await behaves(page, /^Scale by the rack/).selectOption('as it should');
  await expect(behaves(page, /^Scale by the rack/)).toHaveValue('well');
  await page.goto('/spools/T-77');
  await page.getByRole('button', { name: 'Read the scale' }).click();
  await expect(page.getByText(/weighed, 1227 g with its reel, on the scale/)).toBeVisible();

  // A typed mass that cannot be is asked about before it is written down.
  await page.getByLabel('Or type it in').fill('1500');
  await expect(page.getByText(/a spool gains none/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Write down' })).toBeDisabled();
  await page.getByLabel('Or type it in').fill('1220');
  await page.getByRole('button', { name: 'Write down' }).click();
  await expect(page.getByText(/weighed, 1220 g with its reel, typed in/)).toBeVisible();

  await page.getByRole('button', { name: 'Dried, out just now' }).click();
  await expect(state).toContainText(/dry, use within \d+/);
  await page.getByLabel('Brought to').selectOption({ label: 'Dry box with desiccant' });
  await expect(state).toContainText('keeps where it lies');
  await page.getByLabel('Used').fill('90');
  await page.getByLabel('For what').first().fill('A bracket');
  await page.getByRole('button', { name: 'Take off' }).click();
  await expect(page.getByText('90 g used: A bracket')).toBeVisible();
  await expect(page.getByRole('region', { name: 'What is known' })).toContainText('900 g of');
  await page.getByRole('button', { name: 'It is empty' }).click();
  await page.goto('/spools');
  await expect(page.getByRole('link', { name: 'S-01' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'T-77' })).toHaveCount(0);
  await page.getByLabel('with empty ones').check();
  await expect(page.getByRole('row', { name: /T-77/ })).toContainText('empty');
});

test('a print is followed, lost from sight and found again, and written down: the machine wears, the spool empties', async ({
  page,
}) => {
  await page.goto('/spools?show=instruments');
  const panel = page.getByRole('region', { name: 'Workshop enclosed (stand-in)' });
  await panel.getByLabel('Print').fill('Gauge beam');
  await panel.getByLabel('Lasts').fill('1');
  await panel.getByRole('button', { name: /Have the stand-in print it/ }).click();
  await expect(panel.getByRole('progressbar', { name: 'Gauge beam' })).toBeVisible();
  await behaves(page, /^Workshop enclosed/).selectOption('hangs up halfway');
  await expect(panel).toContainText(/No word from it/);
  await behaves(page, /^Workshop enclosed/).selectOption('as it should');
  await expect(panel).toContainText('Done', { timeout: 15_000 });
  await panel.getByLabel('From which spool').selectOption('S-08');
  await panel.getByLabel('How it went').fill('One corner lifted');
  await panel.getByRole('button', { name: 'Write it down' }).click();
  await expect(panel).toContainText('Written down');
  await page.goto('/spools/S-08');
  await expect(page.getByText('120 g used: Gauge beam')).toBeVisible();
  await page.goto('/machines?machine=workshop-enclosed');
  await expect(page.getByRole('list', { name: 'Latest prints' })).toContainText(/good.*Gauge beam.*One corner lifted/);
  await expect(page.getByText('19 of 389')).toBeVisible();
});

test('a machine is changed, and what it can print changes with it', async ({ page }) => {
  await page.goto('/machines/new');
  await page.getByLabel('Name').fill('A hand-me-down');
  await page.getByLabel('Bed up to').fill('1000');
  await expect(page.getByText(/Must be 300 °C or less/)).toBeVisible();
  await page.getByLabel('Bed up to').fill('60');
  await page.getByLabel('Prints', { exact: true }).fill('10');
  await page.getByLabel('Of these failed').fill('20');
  await page.getByRole('button', { name: 'Save it' }).click();
  await expect(page.getByRole('alert')).toContainText('20 prints failed of 10');
  await page.getByLabel('Of these failed').fill('2');
  await page.getByLabel('Takes only its maker’s spools').check();
  await page.getByRole('button', { name: 'Save it' }).click();
  const facts = page.getByRole('region', { name: 'A hand-me-down' });
  await expect(facts).toContainText('2 of 10');
  await expect(facts).toContainText('closed, 100 USD/kg');
  await facts.getByRole('link', { name: 'Change' }).click();
  await page.getByRole('button', { name: 'Remove A hand-me-down' }).click();
  await page.getByRole('alertdialog').getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByRole('heading', { name: 'Machines' })).toBeVisible();
  await expect(page.getByText('A hand-me-down')).toHaveCount(0);
});

test('a supplier’s prices are looked at, and one is taken over; a slipped decimal point is not ticked', async ({
  page,
  request,
}) => {
  await page.goto('/spools?show=instruments');
  await behaves(page, /^Supplier’s list/).selectOption('drifts');
  await expect(behaves(page, /^Supplier’s list/)).toHaveValue('drifts');
  await page.getByRole('tab', { name: 'Prices' }).click();
  await page.getByRole('button', { name: /^Fetch/ }).click();
  const slipped = page.getByRole('row', { name: /Tarrowmill PETG C10/ });
  await expect(slipped).toContainText(/times what it cost/);
  await expect(slipped.getByRole('checkbox')).not.toBeChecked();
  await page.getByRole('button', { name: 'Tick none' }).click();
  await page.getByLabel('Take the price of Harrowgate PEI Amber').check();
  await page.getByRole('button', { name: 'Take over 1 price' }).click();
  await expect(page.getByRole('status')).toContainText('1 price taken over');
  const { grade } = (await (await request.get('/api/v1/grades/ht-pei')).json()) as { grade: { pricePerKgUsd: number } };
  expect(grade.pricePerKgUsd).not.toBe(200);
});
