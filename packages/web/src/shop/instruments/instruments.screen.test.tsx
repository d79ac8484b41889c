import type { Instrument, Place, PriceLine, PrintProgress } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { NOW } from '../../testing/testAnswers.ts';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const instrument = (id: string, kind: Instrument['kind'], more: Partial<Instrument> = {}): Instrument => ({
  id,
  kind,
  name: id,
  address: '127.0.0.1:4701',
  state: 'answers',
  lastGoodAt: NOW.toISOString(),
  refusedCount: 0,
  behaviour: 'well',
  ...more,
});
const LOGGER = instrument('rack-logger', 'humidity-logger');

function serverWith(instruments: Instrument[]) {
  const server = fakeServer();
  server.says('GET', 'instruments', () => instruments);
  server.says('GET', 'instruments/:id/air', () => []);
  server.says('PUT', 'instruments/:id/behaviour', ({ params, body }) => {
    const one = instruments.find(({ id }) => id === params.id)!;
    Object.assign(one, body, body.behaviour === 'off' ? { state: 'silent', problem: 'It does not answer' } : {});
    return one;
  });
  return server;
}
const TAB = '/spools?show=instruments';

test('a workshop without instruments is told how to go on', async () => {
  openApp(TAB);
  expect(await screen.findByText(/No instruments: weigh and read by hand/)).toBeVisible();
});

test('an instrument that falls silent says so with the reason, and a log is fetched on asking', async () => {
  const server = serverWith([instrument('scale-1', 'scale'), LOGGER]);
  let fetched = 0;
  server.says('POST', 'instruments/:id/log', () => {
    fetched += 1;
    return { added: 4 };
  });
  const { user } = openApp(TAB, { server });
  const row = within(await screen.findByRole('row', { name: /^scale-1/ }));
  expect(row.getByText('answers')).toBeVisible();
  await user.selectOptions(await field('How scale-1 behaves'), 'dead');
  expect(await row.findByText('silent')).toBeVisible();
  expect(row.getByText('It does not answer.')).toBeVisible();
  expect(row.queryByRole('button', { name: 'Read now' })).toBeNull();
  await user.click(await button('Read now'));
  await waitFor(() => expect(fetched).toBe(1));
});

test('what a logger saw has its gaps counted and told', async () => {
  const server = serverWith([LOGGER]);
  const reading = (h: number, humidityPct: number) => ({
    at: new Date(NOW.getTime() - h * 3600e3).toISOString(),
    humidityPct,
    temperatureC: 21,
  });
  server.says('GET', 'instruments/:id/air', () => [
    reading(30, 40),
    reading(29.75, 41),
    reading(3, 55),
    reading(2.75, 52),
  ]);
  openApp(TAB, { server });
  expect(await screen.findByRole('img', { name: /from 40 to 55 % over the last two weeks/ })).toBeVisible();
  expect(screen.getByText(/4 quarter hours of the last two weeks; 1 gap, each counted at the higher/)).toBeVisible();
});

test('a place is added with its logger and its usual air, in the reader’s units', async () => {
  const { user, server, over } = openApp(TAB, { server: serverWith([LOGGER]), settings: { units: 'inchPound' } });
  await user.click(await button('+ A place'));
  const save = await button('Save it');
  expect(save).toBeDisabled();
  await user.type(await field('Name'), 'Loft');
  await user.selectOptions(await field('Logger'), 'rack-logger');
  await over('Usual temperature', '86');
  await user.click(save);
  await waitFor(() => expect(server.kinds.places.byId.size).toBe(5));
  const [, made] = [...server.kinds.places.byId].at(-1)!;
  expect(made.value as Place).toMatchObject({
    name: 'Loft',
    loggerId: 'rack-logger',
    temperatureC: expect.closeTo(30, 6) as number,
  });
  expect(await screen.findByText(/rack-logger; without readings 60 % at 86 °F/)).toBeVisible();
  await user.click(await button('Change Loft'));
  await user.selectOptions(await field('Logger'), 'none');
  await user.click(await button('Save it'));
  expect(await screen.findByText('no logger: assumed 60 % at 86 °F')).toBeVisible();
});

test('a print that is over is written down once, with its spool and how it went', async () => {
  const server = serverWith([instrument('printer-1', 'printer')]);
  const progress: PrintProgress = {
    at: NOW.toISOString(),
    state: 'failed',
    job: 'Lamp arm',
    donePct: 61,
    leftH: 0,
    hours: 3.5,
    filamentG: 72,
  } as PrintProgress;
  server.says('GET', 'instruments/:id/progress', () => progress);
  server.says('PUT', 'prints/:id', ({ body }) => body);
  const { user } = openApp(TAB, { server });
  expect(await screen.findByText('Failed,')).toBeVisible();
  await user.selectOptions(await field('Spool'), 'S-04 clear');
  await user.selectOptions(await field('Machines'), 'Old wide frame');
  await user.type(await field('Outcome'), 'Came off the bed.');
  await user.click(await button('Save reading'));
  expect(await screen.findByText('Saved.')).toBeVisible();
  expect(server.asked.at(-1)?.body).toMatchObject({
    machineId: 'old-wide',
    spoolId: 'S-04',
    what: 'Lamp arm',
    hours: 3.5,
    massG: 72,
    succeeded: false,
    note: 'Came off the bed.',
  });
});

describe('a price list', () => {
  const line = (n: number, more: Partial<PriceLine>): PriceLine =>
    ({
      line: n,
      article: `A${n}`,
      name: `Article ${n}`,
      spoolUsd: 30,
      spoolG: 1000,
      pricePerKgUsd: 30,
      gradeId: null,
      gradeRevision: null,
      beforeUsd: null,
      supply: 'open',
      ...more,
    }) as PriceLine;
  const LINES = [
    line(1, { gradeId: 'tm-petg', gradeRevision: 1, beforeUsd: 24 }),
    line(2, { gradeId: 'tm-asa', gradeRevision: 1, beforeUsd: 5, doubt: 'six times dearer than before' }),
    line(3, { name: 'Something else' }),
    line(4, { name: 'Half a line', pricePerKgUsd: null, problem: 'no mass' }),
    line(5, { gradeId: 'tm-pla', gradeRevision: 1, beforeUsd: 30 }),
  ];
  const server = () => {
    const made = serverWith([instrument('supplier-1', 'supplier')]);
    made.says('GET', 'instruments/:id/price-list', () => ({ source: 'Supplier', lines: LINES }));
    made.says('POST', 'price-lists/preview', () => ({ source: 'prices.csv', lines: LINES }));
    made.says('POST', 'price-lists', ({ body }) => ({ changed: (body.prices as unknown[]).length }));
    return made;
  };

  test('is held against the library first: what is doubtful is not ticked, what is not usable cannot be', async () => {
    const { user, server: made } = openApp('/spools?show=prices', { server: server() });
    await user.click(await button('Fetch: supplier-1'));
    expect(await screen.findByText('Supplier: 5 articles, 2 with another price, 1 not in the library')).toBeVisible();
    const ticks = screen.getAllByRole('checkbox', { name: /^Apply the price of/ }) as HTMLInputElement[];
    expect(ticks.map(({ checked }) => checked)).toEqual([true, false, false, false, false]);
    expect(ticks.map(({ disabled }) => disabled)).toEqual([false, false, true, true, false]);
    expect(screen.getByText('+25.0 %', { exact: false })).toBeVisible();
    await user.click(ticks[1]!);
    await user.click(await button('Apply 2 prices'));
    expect(await screen.findByText(/^2 prices applied/)).toBeVisible();
    expect((made.asked.at(-1)!.body as { prices: unknown[] }).prices).toEqual([
      { gradeId: 'tm-petg', gradeRevision: 1, pricePerKgUsd: 30 },
      { gradeId: 'tm-asa', gradeRevision: 1, pricePerKgUsd: 30 },
    ]);
  });

  test('fetched again it is another list, though it be as long', async () => {
    const { user } = openApp('/spools?show=prices', { server: server() });
    await user.click(await button('Fetch: supplier-1'));
    await user.click(await button('Apply 1 price'));
    expect(await screen.findByText(/^1 price applied/)).toBeVisible();
    await user.click(await button('Fetch: supplier-1'));
    await waitFor(() => expect(screen.queryByText(/price applied/)).toBeNull());
    expect(await button('Apply 1 price')).toBeEnabled();
    await user.click(await button('Select none'));
    expect(await button('Apply 0 prices')).toBeDisabled();
    await user.click(await button('Select all without issues'));
    expect(await button('Apply 1 price')).toBeEnabled();
  });

  test('is read from a file; one that has changed under it is told', async () => {
    const made = server();
    made.says('POST', 'price-lists', () => {
      throw new Refused({ status: 409, title: 'Changed', detail: 'A grade was edited since.' });
    });
    const { user } = openApp('/spools?show=prices', { server: made });
    await user.upload(
      await field('A supplier’s list as CSV'),
      new File(['name;price'], 'prices.csv', { type: 'text/csv' }),
    );
    await user.click(await button('Apply 1 price'));
    expect(await screen.findByText('A grade was edited since.')).toBeVisible();
    expect(screen.getByText('Fetch the list again.')).toBeVisible();
  });
});
