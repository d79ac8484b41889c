import { lampArm } from '@anvilstone/core/education/sample';
import type { Brief, SavedView } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';
import { fakeServer } from '../../testing/fakeServer.ts';

const LAMP = partPath('Lamp arm');
const id = LAMP.split('/')[2]!;
const shortlist = `${LAMP}/shortlist`;
/** Grades in the order of the table. */
const names = () =>
  screen
    .getAllByRole('rowheader')
    .map((cell) => within(cell).queryAllByRole('button')[0]?.textContent ?? '')
    .filter(Boolean);
const ready = () => screen.findByText((_, one) => one?.textContent === '22 pass · 1 unknown · 47 fail');

test('the lowest cost leads, and the counts are told', async () => {
  openApp(shortlist);
  await ready();
  expect(screen.getByRole('radio', { name: /Lowest cost/ })).toBeChecked();
  await waitFor(() => expect(names()[0]).toBe('Tarrowmill PETG Clearway'));
});

test('another way to choose says whom it puts first, what moved, and stays in the address', async () => {
  const { user, where } = openApp(shortlist);
  await ready();
  const ways = screen.getAllByRole('radio');
  expect(ways).toHaveLength(4);
  await user.click(screen.getByRole('radio', { name: /Highest minimum reserve/i }));
  await waitFor(() => expect(where()).toContain('school=weakest-link'));
  await waitFor(() => expect(where()).toContain('was=cheapest-that-passes'));
  await waitFor(() => expect(names()[0]).not.toBe('Tarrowmill PETG Clearway'));
});

test('weights go from one criterion to its neighbour by keys, and all alike again', async () => {
  const { user, where } = openApp(`${shortlist}?school=weighted-merit`);
  await ready();
  const [joint] = screen.getAllByRole('slider');
  const before = Number(joint!.getAttribute('aria-valuenow'));
  joint!.focus();
  await user.keyboard('{PageUp}{ArrowRight}');
  expect(Number(joint!.getAttribute('aria-valuenow'))).toBe(before + 11);
  await waitFor(() => expect(where()).toContain('weights='));
  await user.click(await button('Reset'));
  expect(Number(screen.getAllByRole('slider')[0]!.getAttribute('aria-valuenow'))).toBe(before);
});

test('is found in, sorted by a heading the likelier way first, and back to its order by a third press', async () => {
  const { user, where } = openApp(shortlist);
  await ready();
  await user.type(await field('Find'), 'abs');
  await waitFor(() => expect(where()).toContain('find=abs'));
  await waitFor(() => expect(names().filter((name) => !/abs/i.test(name))).toEqual([]));
  expect(names().length).toBeGreaterThan(2);
  const order = names();
  const cost = screen.getByRole('columnheader', { name: /^Cost per part/ });
  await user.click(within(cost).getByRole('button'));
  await waitFor(() => expect(cost).toHaveAttribute('aria-sort', 'ascending'));
  await user.click(within(cost).getByRole('button'));
  await waitFor(() => expect(cost).toHaveAttribute('aria-sort', 'descending'));
  const falling = names();
  await user.click(within(cost).getByRole('button'));
  await waitFor(() => expect(cost).toHaveAttribute('aria-sort', 'none'));
  await waitFor(() => expect(names()).toEqual(order));
  expect([...falling].sort()).toEqual([...order].sort());
});

test('grades are pinned to the top and compared', async () => {
  const { user, where } = openApp(shortlist);
  await ready();
  const pins = screen.getAllByRole('button', { name: /^Pin / });
  await user.click(pins[3]!);
  await waitFor(() => expect(where()).toContain('pin='));
  // It has gone to the top: what is pressed next stays where it is.
  await waitFor(() =>
    expect(screen.getAllByRole('button', { name: /^(Pin|Unpin) / })[0]).toHaveAccessibleName(/^Unpin/),
  );
  await user.click(screen.getAllByRole('button', { name: /^Pin / })[4]!);
  const compare = await screen.findByRole('link', { name: 'Compare these 2' });
  const pinned = new URLSearchParams(where().split('?')[1]).get('pin')!.split(',');
  expect(pinned).toHaveLength(2);
  expect(new URLSearchParams(compare.getAttribute('href')!.split('?')[1]).get('grades')!.split(',')).toEqual(pinned);
});

test('a grade opens with its working; another check, another orientation, and closed again by a key', async () => {
  const { user, where } = openApp(`${shortlist}?grade=vp-pa666`);
  const drawer = within(await screen.findByRole('dialog', { name: 'Veld PA 6/66' }));
  const working = await drawer.findByRole('region', { name: /^Working:/ });
  const checks = drawer
    .getAllByRole('button')
    .filter((one) => one.getAttribute('aria-current') !== null || /reserve|deflection/i.test(one.textContent));
  expect(working.textContent).toMatch(/\d/);
  const up = drawer.getByRole('button', { name: /upright|ZX/i });
  await user.click(up);
  await waitFor(() => expect(where()).toContain('built=ZX'));
  expect(up).toHaveAttribute('aria-pressed', 'true');
  expect(checks.length).toBeGreaterThan(0);
  await user.keyboard('{Escape}');
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  await waitFor(() => expect(where()).not.toContain('grade='));
});

test('a grade that fails says why, and the nearest change is written into the brief and taken back', async () => {
  const server = fakeServer();
  const thin: Brief = {
    ...lampArm,
    part: { ...lampArm.part, section: { kind: 'rectangle', widthMm: 18, depthMm: 19 } } as Brief['part'],
  };
  server.kinds.parts.byId.set(id, { value: thin, revision: 1 });
  const { user } = openApp(`${shortlist}?grade=ne-petg`, { server });
  const drawer = within(await screen.findByRole('dialog', { name: 'Nine Elms PETG Trade' }));
  const fixes = within(await drawer.findByRole('region', { name: 'Changes that would make it pass' }));
  const thicker = (await fixes.findAllByRole('listitem')).find((one) =>
    /Depth along the load 19 → 21/.test(one.textContent),
  )!;
  expect(thicker.textContent).toMatch(/\+\d\.\d\d USD, \+\d+(\.\d+)? g/);
  await user.click(within(thicker).getByRole('button'));
  await waitFor(() =>
    expect((server.briefOf(id).part as { section: { depthMm: number } }).section.depthMm).toBeGreaterThan(21),
  );
  await waitFor(() => expect(screen.queryByRole('region', { name: 'Changes that would make it pass' })).toBeNull());
  await user.click(await button('Undo'));
  await waitFor(() => expect(server.briefOf(id)).toEqual(thin));
});

test('the chosen one is taken to the decision', async () => {
  const { user, where } = openApp(`${shortlist}?grade=ne-petg`);
  await user.click(within(await screen.findByRole('dialog')).getByRole('button', { name: 'Choose' }));
  await waitFor(() => expect(where()).toMatch(/\/decision\?.*grade=ne-petg/));
  expect(await field(/^Grade, by/)).toHaveValue('ne-petg');
});

test('other parts are shown: each at its own size, and all at one mass', async () => {
  const { user, where, over } = openApp(shortlist);
  await ready();
  await user.click(await button('Sized to pass'));
  await waitFor(() => expect(where()).toContain('view=sized'));
  const [take] = await screen.findAllByRole('button', { name: /^Apply / });
  expect(take).toBeVisible();
  await user.click(await button('Equal mass'));
  await over('Mass of each part', '150');
  await waitFor(() => expect(where()).toContain('mass=150'));
  await user.click(await button('As drawn'));
  await waitFor(() => expect(where()).not.toContain('view='));
});

test('a view is kept under a name, opened, replaced and forgotten', async () => {
  const server = fakeServer();
  const views: SavedView[] = [];
  server.says('GET', 'parts/:id/views', () => views);
  server.says('PUT', 'parts/:id/views', ({ body }) => {
    const view = body as unknown as SavedView;
    const same = views.findIndex(({ name }) => name === view.name);
    views.splice(same < 0 ? views.length : same, same < 0 ? 0 : 1, view);
    return view;
  });
  server.says('DELETE', 'parts/:id/views', ({ query }) => {
    views.splice(
      views.findIndex(({ name }) => name === query.get('name')),
      1,
    );
    return undefined;
  });
  const { user, where } = openApp(`${shortlist}?find=abs&grade=ne-abs`, { server });
  await user.click(await button('Save view'));
  await user.type(await field('Keep what is set now as'), 'ABS only');
  await user.click(await button('Keep'));
  await waitFor(() => expect(views).toHaveLength(1));
  // What is open for a moment is no part of a view.
  expect(views[0]).toMatchObject({ name: 'ABS only', stage: 'shortlist', search: 'find=abs' });
  await user.type(await field('Keep what is set now as'), 'ABS only');
  expect(await button('Replace')).toBeVisible();
  await user.click(await screen.findByRole('link', { name: 'ABS only' }));
  await waitFor(() => expect(where()).toBe(`${shortlist}?find=abs`));
  await user.click(await button('ABS only'));
  await user.click(await button('Forget the view ABS only'));
  await waitFor(() => expect(views).toEqual([]));
});
