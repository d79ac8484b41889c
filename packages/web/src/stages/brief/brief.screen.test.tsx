import { lampArm, ratchetPawl } from '@anvilstone/core/education/sample';
import { briefIssues } from '@anvilstone/core/evaluation';
import { findPartModel } from '@anvilstone/core/shapes';
import type { Brief } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const LAMP = partPath('Lamp arm');
const idOf = (path: string) => path.split('/')[2]!;
const saved = () => waitFor(() => expect(screen.getByText('Saved')).toBeVisible());
/** The brief at the server, once it is there. */
const stored = async (server: ReturnType<typeof fakeServer>, id: string): Promise<Brief> => {
  await saved();
  return server.briefOf(id);
};

test('the browser’s title says the stage and the part, as the part is renamed', async () => {
  const { over, go } = openApp(`${LAMP}/brief`);
  await field('Name');
  await waitFor(() => expect(document.title).toBe(`Brief · ${lampArm.title} · Anvilstone`));
  await over('Name', 'Lamp arm two');
  await waitFor(() => expect(document.title).toBe('Brief · Lamp arm two · Anvilstone'));
  await go('/parts');
  await waitFor(() => expect(document.title).toBe('Parts · Anvilstone'));
});

test('a dimension is typed in another unit, demands and funnel follow, and it is saved by itself', async () => {
  const { user, server, over } = openApp(`${LAMP}/brief`);
  const demands = within(await screen.findByRole('region', { name: 'Required material properties' }));
  const before = demands.getAllByRole('definition').map((one) => one.textContent);
  await over('From the root to the load', '12 in');
  await user.tab();
  expect(await field('From the root to the load')).toHaveValue('304.8');
  expect(demands.getAllByRole('definition').map((one) => one.textContent)).not.toEqual(before);
  const funnel = await screen.findByRole('list', { name: 'Remaining grades after each requirement' });
  const remaining = within(funnel)
    .getAllByRole('listitem')
    .map((one) => Number(/(\d+)$/.exec(one.textContent)![1]));
  // What falls out stays out.
  expect([...remaining].sort((a, b) => b - a)).toEqual(remaining);
  await waitFor(() => expect((server.briefOf(idOf(LAMP)).part as { spanMm: number }).spanMm).toBeCloseTo(304.8, 6));
});

test('what cannot be used is told at its field; the last usable brief is what counts and what is stored', async () => {
  const { user, server, over } = openApp(`${LAMP}/brief`);
  await over('From the root to the load', 'a long way');
  const span = await field('From the root to the load');
  expect(span).toHaveAccessibleDescription(/220 mm stays in force/);
  expect(span).toHaveValue('a long way');
  await user.clear(await field('Name'));
  expect(await field('Name')).toHaveAccessibleDescription('A name is needed before it can be saved.');
  expect(await screen.findByText(/^Not saved: /)).toBeVisible();
  expect(server.briefOf(idOf(LAMP))).toEqual(lampArm);
  await user.type(await field('Name'), 'Lamp arm two');
  expect((await stored(server, idOf(LAMP))).title).toBe('Lamp arm two');
});

test('a load is added, made another kind, named and removed; the last one stays', async () => {
  const { user, server, over } = openApp(`${LAMP}/brief`);
  await user.click(await button('Add a load'));
  const added = within(await screen.findByRole('group', { name: 'Load 3' }));
  await user.selectOptions(added.getByLabelText('Load type'), added.getByRole('option', { name: /impact/i }));
  expect(added.queryByLabelText('Duration')).toBeNull();
  await user.selectOptions(added.getByLabelText('Given as'), 'A falling mass');
  await over(added.getByLabelText('Drop height'), '1 ft');
  await over(added.getByLabelText('Load'), 'Dropped spanner');
  const brief = await stored(server, idOf(LAMP));
  await waitFor(() => expect(server.briefOf(idOf(LAMP)).loadCases[2]?.name).toBe('Dropped spanner'));
  expect(server.briefOf(idOf(LAMP)).loadCases[2]).toMatchObject({
    kind: 'knock',
    dropHeightMm: expect.closeTo(304.8, 6) as number,
  });
  expect(server.briefOf(idOf(LAMP)).loadCases[2]).not.toHaveProperty('energyJ');
  expect(brief.loadCases).toHaveLength(3);
  for (const name of ['Dropped spanner', 'Wind gust with ice, winter'])
    await user.click(await button(`Remove ${name}`));
  await waitFor(() => expect(server.briefOf(idOf(LAMP)).loadCases).toHaveLength(1));
  expect(screen.queryByRole('button', { name: 'Remove Lamp weight, summer sun' })).toBeNull();
});

test('a repeated load is asked for its number of times, in any writing', async () => {
  const { server, over } = openApp(`${partPath('Snap cover')}/brief`);
  const [times] = await screen.findAllByLabelText('Cycles');
  await over(times!, '2e4');
  await waitFor(() => expect(server.briefOf(idOf(partPath('Snap cover'))).loadCases[0]?.cycles).toBe(20_000));
});

test('cycles may be counted by a rate, which then asks for a service life', async () => {
  const { user, server, over } = openApp(`${partPath('Snap cover')}/brief`);
  const id = idOf(partPath('Snap cover'));
  const [counted] = await screen.findAllByLabelText('Cycles given as');
  await user.selectOptions(counted!, 'Rate and service life');
  await over((await screen.findAllByLabelText('Rate'))[0]!, '3/min');
  await waitFor(() => expect(server.briefOf(id).loadCases[0]).toMatchObject({ cyclesPerH: 180 }));
  expect(server.briefOf(id).loadCases[0]!.cycles).toBeUndefined();
  expect(server.briefOf(id).asks.lifeYears).toBe(5);
});

test('asks come from a palette and go again without a trace', async () => {
  const { user, server, over } = openApp(`${partPath('Hot-stamp pad')}/brief`);
  const id = idOf(partPath('Hot-stamp pad'));
  const before = server.briefOf(id).asks;
  await user.click(await button('+ Mass limit'));
  const row = within(screen.getByRole('group', { name: 'Mass limit' }));
  await over(row.getByRole('textbox'), '4 oz');
  await waitFor(() => expect(server.briefOf(id).asks.maxMassG).toBeCloseTo(113.4, 1));
  expect(screen.queryByRole('button', { name: '+ Mass limit' })).toBeNull();
  await user.click(await button('Remove requirement: mass limit'));
  await waitFor(() => expect(server.briefOf(id).asks).toEqual(before));
  await user.click(await button('Undo'));
  expect(screen.getByRole('group', { name: 'Mass limit' })).toBeVisible();
});

test('with only some machines allowed, at least one has to be', async () => {
  const { user, server } = openApp(`${LAMP}/brief`);
  await user.click(await button('+ Only these machines'));
  expect(await screen.findByText(/^Choose at least one machine/)).toBeVisible();
  await user.click(await field('Hot chamber'));
  await waitFor(() => expect(server.briefOf(idOf(LAMP)).asks.machineIds).toEqual(['hot-chamber']));
});

test('usual surroundings fill in heat and moisture, to be corrected', async () => {
  const { user, server } = openApp(`${LAMP}/brief`);
  await user.click(await button(/Typical surroundings/));
  const places = within(await screen.findByRole('dialog')).getAllByRole('button');
  expect(places.length).toBeGreaterThan(4);
  const before = server.briefOf(idOf(LAMP)).asks.heat;
  await user.click(places.find((one) => /car|engine|oven|dish/i.test(one.textContent)) ?? places.at(-1)!);
  await waitFor(() => expect(server.briefOf(idOf(LAMP)).asks.heat).not.toEqual(before));
  await user.click(await button('Undo'));
  await waitFor(() => expect(server.briefOf(idOf(LAMP)).asks.heat).toEqual(before));
});

test('another kind of part keeps what fits of its loads', async () => {
  const { user, server } = openApp(`${LAMP}/brief`);
  await user.click(await button('Another type of part …'));
  const cards = within(await screen.findByRole('dialog')).getAllByRole('button', { name: /^It / });
  expect(cards.filter((one) => one.getAttribute('aria-pressed') === 'true')).toHaveLength(1);
  await user.click(cards.find((one) => /two supports|carried at both/i.test(one.textContent)) ?? cards[1]!);
  await waitFor(() => expect(server.briefOf(idOf(LAMP)).part.model).not.toBe('cantilever-arm'));
  expect(server.briefOf(idOf(LAMP)).loadCases.map(({ name }) => name)).toEqual(
    lampArm.loadCases.map(({ name }) => name),
  );
});

test('whether it could hurt somebody is said, warned of, and stays in sight', async () => {
  const server = fakeServer();
  server.kinds.parts.byId.set(idOf(LAMP), { value: { ...lampArm, failureCouldHurt: 'unanswered' }, revision: 1 });
  const { user } = openApp(`${LAMP}/brief`, { server });
  await user.click(await button('consequence of failure'));
  const harm = await field(/^Could a failure hurt someone/);
  expect(harm).toHaveFocus();
  await user.selectOptions(harm, 'Yes: someone could be hurt');
  expect((await screen.findAllByText(/do not approve this part/)).length).toBe(2);
  await user.click(screen.getByRole('link', { name: /Shortlist/ }));
  expect(await screen.findByText(/do not approve this part/)).toBeVisible();
  await waitFor(() => expect(server.briefOf(idOf(LAMP)).failureCouldHurt).toBe('yes'));
});

test('a brief that becomes a template, annealed and wet: each is one field', async () => {
  const { user, server } = openApp(`${partPath('Ratchet pawl')}/brief`);
  await user.click(await field('Offer this brief as a template for new parts'));
  await user.click(await screen.findByRole('checkbox', { name: /^Annealed after printing/ }));
  await user.selectOptions(await field('Moisture in service'), 'Dry');
  const id = idOf(partPath('Ratchet pawl'));
  await waitFor(() => expect(server.briefOf(id)).toMatchObject({ template: true, annealed: true, moisture: 'dry' }));
  await user.click(await field('Offer this brief as a template for new parts'));
  await user.click(await screen.findByRole('checkbox', { name: /^Annealed after printing/ }));
  await waitFor(() => expect(server.briefOf(id)).toEqual({ ...ratchetPawl, moisture: 'dry' }));
});

test('a server that is away keeps the edit here and sends it when it is back', async () => {
  const server = fakeServer();
  const { over } = openApp(`${LAMP}/brief`, { server });
  await field('From the root to the load');
  const { answer } = server;
  globalThis.fetch = (input, init) =>
    (input as Request).method === 'PUT' ? Promise.reject(new TypeError('no answer')) : answer(input, init);
  await over('From the root to the load', '250');
  expect(await screen.findByText(/Server unreachable: stored on this computer/)).toBeVisible();
  expect(server.briefOf(idOf(LAMP)).part).toMatchObject({ spanMm: 220 });
  globalThis.fetch = answer;
  await waitFor(() => expect(server.briefOf(idOf(LAMP)).part).toMatchObject({ spanMm: 250 }), { timeout: 10_000 });
});

test('what the server refuses is told at its field', async () => {
  const server = fakeServer();
  server.says('PUT', 'parts/:id', () => {
    throw new Refused({
      status: 400,
      title: 'Not stored',
      detail: 'The brief is not right.',
      errors: [{ pointer: '/brief/title', detail: 'title is taken', accepted: 'another' }],
    });
  });
  const { user } = openApp(`${LAMP}/brief`, { server });
  await user.type(await field('Name'), ' B');
  await waitFor(async () =>
    expect(await field('Name')).toHaveAccessibleDescription('title is taken. Accepted: another.'),
  );
  expect(screen.getByText('Not saved: 1 field to correct')).toBeVisible();
  expect(await field('Name')).toHaveValue(`${lampArm.title} B`);
});

test('steps are taken back and again by keys, but not out of a field being typed in', async () => {
  const { user } = openApp(`${LAMP}/brief`);
  await user.selectOptions(await field('Moisture in service'), 'Dry');
  await user.click(screen.getByRole('heading', { level: 1 }));
  await user.keyboard('{Control>}z{/Control}');
  expect(await field('Moisture in service')).toHaveDisplayValue(/Room air|Saturated/);
  await user.keyboard('{Control>}{Shift>}z{/Shift}{/Control}');
  expect(await field('Moisture in service')).toHaveDisplayValue('Dry');
  await user.click(await field('Name'));
  await user.keyboard('{Control>}z{/Control}');
  expect(await field('Moisture in service')).toHaveDisplayValue('Dry');
});

test('loads that act at the same time are combined, judged together, and let apart again', async () => {
  const { user, server, over } = openApp(`${LAMP}/brief`);
  const id = idOf(LAMP);
  await user.click(await button('Add a combination'));
  const panel = within(screen.getByRole('region', { name: 'Load combinations' }));
  const group = within(await panel.findByRole('group'));
  const [first, second] = lampArm.loadCases;
  await waitFor(() => expect(server.briefOf(id).combinations?.[0]?.loadIds).toEqual([first!.id, second!.id]));
  // Two are the fewest that act together.
  for (const load of lampArm.loadCases) expect(group.getByRole('checkbox', { name: load.name })).toBeDisabled();
  await over(group.getByLabelText('Combined deflection limit'), '0.5 in');
  await waitFor(() => expect(server.briefOf(id).combinations?.[0]?.maxMovementMm).toBeCloseTo(12.7, 6));
  await user.click(group.getByRole('button', { name: /^Remove / }));
  await waitFor(() => expect(server.briefOf(id)).not.toHaveProperty('combinations'));
});

test('a feature has its own model, loads and axes; the part is left as it is', async () => {
  const { user, server, over } = openApp(`${LAMP}/brief`);
  const id = idOf(LAMP);
  const models = () => within(screen.getByRole('group', { name: 'Models of this part' }));
  await user.click(await button('+ Add a feature …'));
  const dialog = within(await screen.findByRole('dialog', { name: 'Does this part have other features?' }));
  await user.click(dialog.getByRole('button', { name: new RegExp(findPartModel('pinned-lug').title) }));
  await waitFor(() => expect(server.briefOf(id).features?.[0]?.part.model).toBe('pinned-lug'));
  const lug = within(await screen.findByRole('region', { name: /^Feature: / }));
  await over(lug.getByLabelText('Name'), 'Hanger lug');
  await user.selectOptions(await field('Length of the feature lies along'), 'depth');
  await user.click(await button('Add a load'));
  await waitFor(() => expect(server.briefOf(id).features?.[0]?.loadCases).toHaveLength(2));
  const { features, ...rest } = server.briefOf(id);
  expect(features![0]).toMatchObject({ name: 'Hanger lug', lengthAlong: 'depth', depthAlong: 'length' });
  expect(rest).toEqual(lampArm);
  await user.click(models().getByRole('button', { name: findPartModel('cantilever-arm').title }));
  expect(await field('From the root to the load')).toHaveValue('220');
  await user.click(models().getByRole('button', { name: 'Hanger lug' }));
  await user.click(await button('Remove Hanger lug'));
  await waitFor(() => expect(server.briefOf(id)).toEqual(lampArm));
});

test('how hard it rubs may be told as force on an area, which makes the pressure', async () => {
  const { user, server, over } = openApp(`${LAMP}/brief`);
  const id = idOf(LAMP);
  await user.click(await button('+ Wear and friction'));
  await user.selectOptions(await field('Contact known as'), 'Force on an area');
  await over('Contact force', '9 lbf');
  await over('Contact area', '20');
  await user.tab();
  await waitFor(() => expect(server.briefOf(id).asks.sliding?.contactAreaMm2).toBe(20));
  const { sliding } = server.briefOf(id).asks;
  expect(sliding!.pressureMPa).toBeCloseTo((9 * 4.44822) / 20, 4);
  expect(briefIssues(server.briefOf(id))).toEqual([]);
  await user.selectOptions(await field('Contact known as'), 'Pressure');
  await waitFor(() => expect(server.briefOf(id).asks.sliding).not.toHaveProperty('contactForceN'));
  expect(server.briefOf(id).asks.sliding!.pressureMPa).toBe(sliding!.pressureMPa);
});
