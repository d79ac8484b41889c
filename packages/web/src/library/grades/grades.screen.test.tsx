import type { Grade, GradeChange } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const table = () => within(screen.getByRole('region', { name: 'Grades' }));
const names = () =>
  table()
    .getAllByRole('rowheader')
    .map((cell) => cell.textContent);
const counted = (n: number) => screen.findByText((text) => text.startsWith(`${n} of `) && text.includes(' grades'));
const sampleGrades = [...fakeServer().kinds.grades.byId.values()].map(({ value }) => value as Grade);

test('is narrowed down by words, family and price, and the address keeps it', async () => {
  const { user, where } = openApp('/grades');
  await counted(sampleGrades.length);
  await user.type(await field(/^Search name, colour, source, note/), 'petg');
  const petg = sampleGrades.filter(({ name }) => /petg/i.test(name));
  await counted(petg.length);
  expect([...names()].sort()).toEqual(petg.map(({ name }) => name).sort());
  await user.type(await field('Price, at most'), '30');
  const cheap = petg.filter(({ pricePerKgUsd }) => pricePerKgUsd !== null && pricePerKgUsd <= 30);
  await counted(cheap.length);
  await waitFor(() => expect(where()).toContain('q=petg'));
  // A colleague who opens the link sees the same.
  const link = where();
  const second = openApp(link);
  await counted(cheap.length);
  expect(await field(/^Search name, colour, source, note/)).toHaveValue('petg');
  await second.user.click(await button('Clear filters'));
  await counted(sampleGrades.length);
});

test('facets tell how many grades each choice leaves; none is said to be none', async () => {
  const { user } = openApp('/grades');
  await counted(sampleGrades.length);
  const [carbon] = screen.getAllByRole('checkbox', { name: /carbon.*\d+$/i, hidden: true });
  const left = Number(/(\d+)$/.exec(carbon!.closest('label')!.textContent)![1]);
  await user.click(carbon!);
  await counted(left);
  await user.type(await field(/^Search name, colour, source, note/), 'zebra');
  expect(await screen.findByText(/No grade matches/)).toBeVisible();
  await user.click(await button('Clear filters'));
  await counted(sampleGrades.length);
});

test('a range leaves out what is not known, and says how many', async () => {
  const { user } = openApp('/grades');
  await counted(sampleGrades.length);
  await user.selectOptions(await field('Add a range'), 'Friction on steel, dry');
  await user.type(
    within(screen.getByRole('group', { name: 'Friction on steel, dry' })).getByLabelText('at least'),
    '0.1',
  );
  const said = await screen.findByText(/no known value there and (is|are) excluded: unknown does not match/);
  const unknown = Number(/^\d+/.exec(said.textContent)![0]);
  const shown = Number(/^\d+/.exec(screen.getByText(/ of \d+ grades/).textContent)![0]);
  expect(shown).toBeGreaterThan(0);
  expect(shown + unknown).toBeLessThanOrEqual(sampleGrades.length);
  await user.click(await button('Remove range'));
  await counted(sampleGrades.length);
});

test('is ordered by any column, and the other way round', async () => {
  const { user, where } = openApp('/grades');
  await counted(sampleGrades.length);
  const byName = table().getByRole('columnheader', { name: /^Grade/ });
  const sorted = sampleGrades.map(({ name }) => name).sort((a, b) => a.localeCompare(b));
  await user.click(within(byName).getByRole('button'));
  const first = names()[0]!;
  const order = byName.getAttribute('aria-sort');
  await user.click(within(byName).getByRole('button'));
  expect(byName.getAttribute('aria-sort')).not.toBe(order);
  expect(new Set([first, names()[0]])).toEqual(new Set([sorted[0], sorted.at(-1)]));
  const price = table().getByRole('columnheader', { name: /^Price/ });
  await user.click(within(price).getByRole('button'));
  expect(price).toHaveAttribute('aria-sort', 'ascending');
  await waitFor(() => expect(where()).toContain('sort=price'));
  const cheapest = sampleGrades
    .filter(({ pricePerKgUsd: one }) => one !== null)
    .sort((a, b) => a.pricePerKgUsd! - b.pricePerKgUsd!)[0]!;
  expect(sampleGrades.find(({ name }) => name === names()[0])?.pricePerKgUsd).toBe(cheapest.pricePerKgUsd);
});

test('columns are chosen, kept for the next visit, and the usual ones come back', async () => {
  const { user } = openApp('/grades');
  await counted(sampleGrades.length);
  await user.click(await button(/^Columns \(6\)/));
  await user.click(within(await screen.findByRole('dialog')).getByLabelText('Density'));
  expect(await table().findByRole('columnheader', { name: /^Density/ })).toBeInTheDocument();
  const again = openApp('/grades', { isBack: true });
  await counted(sampleGrades.length);
  expect(await table().findByRole('columnheader', { name: /^Density/ })).toBeInTheDocument();
  await again.user.click(await button(/^Columns \(7\)/));
  await again.user.click(await button('Default columns'));
  await waitFor(() => expect(table().queryByRole('columnheader', { name: /^Density/ })).toBeNull());
});

test('values are of the condition that is chosen: warmer is less stiff', async () => {
  const { user } = openApp('/grades?q=Nine Elms PETG Trade');
  await counted(1);
  const stiffness = () => Number(/[\d.]+/.exec(table().getAllByRole('cell')[3]!.textContent)![0]);
  const cold = stiffness();
  await user.clear(await field('Temperature'));
  await user.type(await field('Temperature'), '60');
  await waitFor(() => expect(stiffness()).toBeLessThan(cold));
});

test('two are chosen and held against each other; chosen ones alone go out', async () => {
  const { user, server, where } = openApp('/grades?q=pa6');
  server.says('GET', 'grades/:first/comparison/:second', () => {
    throw new Refused({ status: 404, title: 'Not here', detail: 'Not in this test.' });
  });
  await screen.findByText(/ of \d+ grades/);
  const compare = await button('Compare two');
  expect(compare).toBeDisabled();
  await user.click(await field('Choose Osk & Linnet PA6 Natural'));
  await user.click(await field('Choose Nine Elms Nylon 6'));
  await user.click(await button('Export 2 chosen'));
  const formats = within(await screen.findByRole('menu')).getAllByRole('menuitem');
  expect(formats.length).toBeGreaterThan(3);
  for (const one of formats) expect(one.getAttribute('href')).toMatch(/\/exports\/[a-z-]+\?ids=ol-pa6,ne-pa6$/);
  await user.keyboard('{Escape}');
  await user.click(compare);
  await waitFor(() => expect(where()).toBe('/grades/compare?first=ol-pa6&second=ne-pa6'));
});

test('an empty library says how to begin', async () => {
  const server = fakeServer();
  server.kinds.grades.byId.clear();
  openApp('/grades', { server });
  expect(await screen.findByText('The library is empty')).toBeVisible();
  expect(screen.getAllByRole('link', { name: 'Import' }).length).toBeGreaterThan(0);
  expect(screen.getByRole('button', { name: 'Add sample grades and machines' })).toBeVisible();
});

describe('one grade', () => {
  test('is removed only when that is meant; why it cannot be is told in place', async () => {
    const server = fakeServer();
    const { user } = openApp('/grades/tm-petg', { server });
    server.says('DELETE', 'grades/:id', () => {
      throw new Refused({ status: 409, title: 'Changed meanwhile', detail: 'It was edited since you opened it.' });
    });
    await user.click(await button('Remove Tarrowmill PETG Clearway'));
    const sure = within(await screen.findByRole('alertdialog'));
    await user.click(sure.getByRole('button', { name: 'Remove' }));
    expect(await sure.findByText('It was edited since you opened it.')).toBeVisible();
    await user.click(sure.getByRole('button', { name: 'Save record' }));
    await waitFor(() => expect(screen.queryByRole('alertdialog')).toBeNull());
  });

  test('its history tells what changed, and an earlier state is brought back', async () => {
    const server = fakeServer();
    const past: GradeChange[] = [
      { revision: 2, action: 'edited', at: '2026-05-02T08:00:00Z', differences: ['price: 24 → 26 USD/kg'] },
      { revision: 1, action: 'delivered', at: '2026-05-01T08:00:00Z', differences: [] },
    ] as unknown as GradeChange[];
    server.kinds.grades.changeElsewhere('tm-petg', server.kinds.grades.byId.get('tm-petg')!.value);
    server.says('GET', 'grades/:id/history', () => past);
    server.says('POST', 'grades/:id/history/:revision/restore', () => server.kinds.grades.told('tm-petg'));
    const { user } = openApp('/grades/tm-petg?show=history', { server });
    const list = within(await screen.findByRole('region', { name: 'History' }));
    expect(await list.findByText('price: 24 → 26 USD/kg')).toBeVisible();
    const back = list.getAllByRole('button', { name: 'Restore this version' });
    // The newest state is there already.
    expect(back).toHaveLength(1);
    await user.click(back[0]!);
    await waitFor(() => expect(server.asked.map(({ path }) => path)).toEqual(['grades/tm-petg/history/1/restore']));
  });

  test('tabs lead to its curves, by keyboard too', async () => {
    const { user, where } = openApp('/grades/tm-petg');
    const evidence = await screen.findByRole('tab', { name: 'Evidence' });
    await user.click(evidence);
    await user.keyboard('{ArrowRight}');
    await waitFor(() => expect(where()).toBe('/grades/tm-petg?show=curves'));
    expect(await screen.findByText('Growth of deflection under load')).toBeVisible();
  });
});
