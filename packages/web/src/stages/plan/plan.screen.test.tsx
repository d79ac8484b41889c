import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';

const LAMP = partPath('Lamp arm');
const PLAN = `${LAMP}/plan?grade=ne-petg`;
const costs = () =>
  within(screen.getByRole('region', { name: 'Cost by lot size' }))
    .getAllByRole('row')
    .slice(1)
    .map((row) => Number(within(row).getAllByRole('cell')[0]!.textContent));

test('a machine is chosen for the plan, and every tab keeps it', async () => {
  const { user, where } = openApp(PLAN);
  await user.click(await button('Plan on Old wide frame'));
  await waitFor(() => expect(where()).toContain('machine=old-wide'));
  await user.click(screen.getByRole('tab', { name: 'Process card' }));
  const card = await screen.findByRole('article', { name: 'Process card' });
  expect(card.textContent).toContain('on Old wide frame');
  await user.selectOptions(await field('Build orientation'), 'ZX upright');
  await waitFor(() => expect(card.textContent).toContain('built ZX'));
  await user.selectOptions(
    await field('Machine'),
    within(await field('Machine')).getByRole('option', { name: /^Hot chamber/ }),
  );
  await waitFor(() =>
    expect(screen.getByRole('article', { name: 'Process card' }).textContent).toContain('on Hot chamber'),
  );
});

test('a card of a machine that cannot print it says so first', async () => {
  openApp(`${LAMP}/plan?grade=ht-peek&machine=bench-open&show=card`);
  expect(await screen.findByRole('alert')).toHaveTextContent(/^Do not print on this machine: /);
});

test('what one costs falls with the lot, and follows what is set, in the brief', async () => {
  const { user, over } = openApp(`${PLAN}&show=cost`);
  await screen.findByRole('region', { name: 'Cost by lot size' });
  const before = costs();
  expect([...before].sort((a, b) => b - a)).toEqual(before);
  expect(before[0]).toBeGreaterThan(before.at(-1)!);
  await over('Set-up cost', '50');
  await waitFor(() => expect(costs()[0]).toBeGreaterThan(before[0]!));
  // Once for the lot: of a hundred, one costs little more.
  expect(costs().at(-1)! - before.at(-1)!).toBeLessThan(1);
  await over('Support of each part', '40');
  await waitFor(() => expect(costs().at(-1)!).toBeGreaterThan(before.at(-1)! + 0.5));
  await user.click(await screen.findByRole('button', { name: 'Consumable part' }));
  await over('Uses per part', '500');
  expect(await screen.findByRole('columnheader', { name: /Cost per use, USD/ })).toBeVisible();
  expect(await field('Replacement')).toBeVisible();
});

test('treatments are told apart: what works, what needs care, what is not suitable, what has no effect', async () => {
  openApp(`${LAMP}/plan?grade=ne-abs&show=after`);
  const rows = within(await screen.findByRole('region', { name: /^After printing/ }))
    .getAllByRole('row')
    .slice(1);
  const verdicts = rows.map((row) => /works|with care|not suitable|no effect/.exec(row.textContent)?.[0]);
  expect(verdicts).not.toContain(undefined);
  expect(new Set(verdicts).size).toBeGreaterThan(2);
});

test('a spool is dried as its air asks: stretches are added and taken away', async () => {
  const { user, over } = openApp(`${LAMP}/plan?grade=ol-pa6-gf&show=dry`);
  const add = await button('+ Add storage period');
  const count = () => screen.queryAllByRole('button', { name: /^Remove period \d+$/ }).length;
  const before = count();
  await user.click(add);
  await waitFor(() => expect(count()).toBe(before + 1));
  await over('Hours, 1', '72');
  await user.click(await button(`Remove period ${before + 1}`));
  await waitFor(() => expect(count()).toBe(before));
});

test('a grade whose polymer nobody states cannot be planned, and that is said', async () => {
  openApp(`${LAMP}/plan?grade=vp-unlisted`);
  expect(await screen.findByText(/so how it is printed is not known/)).toBeVisible();
});
