import type { Machine } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { fakeServer, type FakeServer } from '../../testing/fakeServer.ts';

const machineOf = (server: FakeServer, id: string) => server.kinds.machines.byId.get(id)!.value as Machine;
const typeOver = async (user: ReturnType<typeof openApp>['user'], name: string, text: string) => {
  const one = await field(name);
  await user.clear(one);
  await user.type(one, text);
};

test('a new machine needs a name; what is not stated is not sent', async () => {
  const { user, server, where } = openApp('/machines/new');
  const save = await button('Save it');
  expect(save).toBeDisabled();
  await user.type(await field('Name'), 'Corner one');
  await user.selectOptions(await field('Enclosure'), 'heated chamber');
  await typeOver(user, 'Chamber up to', '158 °F');
  await user.selectOptions(await field('Exhaust'), 'ducted outside');
  await user.click(await field('Only its maker’s spools'));
  await typeOver(user, 'at, USD/kg', '120');
  await user.click(await field('Lays continuous strands'));
  await user.click(await field('glass with glue-stick film'));
  await user.click(save);
  await waitFor(() => expect(where()).toMatch(/^\/machines\?machine=/));
  const made = machineOf(server, new URLSearchParams(where().split('?')[1]).get('machine')!);
  expect(made).toMatchObject({
    name: 'Corner one',
    enclosure: 'heated',
    maximumChamberC: 70,
    ventilation: 'extracted',
    closedSupply: { pricePerKgUsd: 120 },
    laysFibre: true,
    bedSurfaces: ['glass with glue-stick film'],
  });
  for (const unsaid of ['sensorLimitC', 'ownPlasticC', 'supplyW', 'mainsBed', 'note'])
    expect(made).not.toHaveProperty(unsaid);
});

test('a chamber that is not heated has no temperature; ticks that are taken back are unsaid again', async () => {
  const { user, server, where } = openApp('/machines/old-wide/edit');
  const before = machineOf(server, 'old-wide');
  await user.selectOptions(await field('Enclosure'), 'heated chamber');
  await user.selectOptions(await field('Enclosure'), 'open frame');
  expect(screen.queryByLabelText('Chamber up to')).toBeNull();
  for (const tick of ['Release agent available', 'Only its maker’s spools']) {
    await user.click(await field(tick));
    await user.click(await field(tick));
  }
  await user.click(await button('Save it'));
  await waitFor(() => expect(where()).toBe('/machines?machine=old-wide'));
  expect(machineOf(server, 'old-wide')).toEqual({ ...before, enclosure: 'open', maximumChamberC: null });
});

test('a number out of its range is told at its field, and the last usable one is kept', async () => {
  const { user, server } = openApp('/machines/old-wide/edit');
  const { maximumNozzleC } = machineOf(server, 'old-wide');
  await typeOver(user, 'Nozzle up to', '9000');
  expect(await field('Nozzle up to')).toHaveAccessibleDescription(
    new RegExp(`Must be .* or less.*${maximumNozzleC} °C stays in force`),
  );
  await user.click(await button('Save it'));
  await waitFor(() => expect(server.asked).toHaveLength(1));
  expect(machineOf(server, 'old-wide').maximumNozzleC).toBe(maximumNozzleC);
});

test('how worn it is: a new nozzle starts from nought, and what is cleared is not known', async () => {
  const { user, server } = openApp('/machines/old-wide/edit');
  await typeOver(user, 'Abrasive through its nozzle', '900');
  await typeOver(user, 'Prints', '41.4');
  await typeOver(user, 'Hours run', '700');
  await user.clear(await field('Hours run'));
  await user.click(await button('A new nozzle is fitted'));
  await user.type(await field('Notes'), 'Belt is new.');
  await user.click(await button('Save it'));
  await waitFor(() => expect(server.asked).toHaveLength(1));
  const { condition } = machineOf(server, 'old-wide');
  expect(condition).toMatchObject({ nozzleAbrasiveG: 0, prints: 41 });
  expect(condition).not.toHaveProperty('hours');
  expect(condition!.note).toMatch(/Belt is new\.$/);
});

test('another’s newer machine is not written over', async () => {
  const { user, server } = openApp('/machines/old-wide/edit');
  await typeOver(user, 'Name', 'Mine');
  server.kinds.machines.changeElsewhere('old-wide', { ...machineOf(server, 'old-wide'), name: 'Theirs' });
  await user.click(await button('Save it'));
  await user.click(await button('Use the newer version'));
  expect(await field('Name')).toHaveValue('Theirs');
  await user.click(await button('Save it'));
  await waitFor(() => expect(server.kinds.machines.byId.get('old-wide')?.revision).toBe(3));
});

test('one of the list is looked at, changed, and removed', async () => {
  const { user, server, where } = openApp('/machines');
  const table = await screen.findByRole('table', { name: '' });
  const names = within(table)
    .getAllByRole('rowheader')
    .map((cell) => within(cell).getByRole('button').textContent);
  expect(names).toHaveLength(server.kinds.machines.byId.size);
  await user.click(within(table).getByRole('button', { name: names[2]! }));
  await waitFor(() => expect(where()).toMatch(/^\/machines\?machine=/));
  expect(within(table).getByRole('button', { name: names[2]! })).toHaveAttribute('aria-pressed', 'true');
  const id = where().split('=')[1]!;
  openApp(`/machines/${id}/edit`, { server });
  await user.click(await button(`Remove ${names[2]!}`));
  await user.click(within(await screen.findByRole('alertdialog')).getByRole('button', { name: 'Remove' }));
  await waitFor(() => expect(server.kinds.machines.byId.has(id)).toBe(false));
});

test('a machine that is not there, and a workshop with none', async () => {
  openApp('/machines/gone/edit');
  expect(await screen.findByText(/There is no machine “gone”/)).toBeVisible();
  const server = fakeServer();
  server.kinds.machines.byId.clear();
  openApp('/machines', { server });
  expect(await screen.findByText('No machines yet')).toBeVisible();
  expect(screen.getByText(/unknown does not pass/)).toBeVisible();
});
