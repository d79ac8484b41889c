import { screen, waitFor, within } from '@testing-library/react';
import type { Agent, Observation } from '@anvilstone/schema';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const row = (name: string) => screen.getByRole('row', { name: new RegExp(`^${name}[ ,]`) });

test('an agent of our own is written down, with what it does to a family, and listed', async () => {
  const { user, server, where, go } = openApp('/chemicals/new');
  const save = await button('Save it');
  expect(save).toBeDisabled();
  await user.type(await field('Name'), 'Rope wash');
  await user.type(await field('Examples, with commas between'), 'tank 3,  hand spray,');
  await user.type(await field('Safety notes'), 'Gloves.');
  await user.selectOptions(await field('PETG: lasting contact'), 'Not resistant');
  await user.click(await field('PC cracks under tension'));
  await user.click(save);
  expect(await screen.findByRole('heading', { name: 'Rope wash' })).toBeVisible();
  await waitFor(() => expect(where()).toBe('/chemicals/rope-wash'));
  expect(server.asked).toEqual([
    {
      method: 'PUT',
      path: 'chemicals/rope-wash',
      body: {
        revision: 0,
        agent: {
          id: 'rope-wash',
          name: 'Rope wash',
          examples: ['tank 3', 'hand spray'],
          referenceTemperatureC: 23,
          handlingCaution: 'Gloves.',
          ratings: {
            petg: { rating: 'unsuitable', stressCrack: false },
            pc: { rating: 'unknown', stressCrack: true },
          },
        },
      },
    },
  ]);
  expect(screen.getByText('tank 3, hand spray · ratings at 23 °C · own entry')).toBeVisible();
  await go('/chemicals');
  expect((await screen.findByRole('row', { name: /Rope wash/ })).textContent).toContain('own entry');
});

test('a second agent of the same name gets an address of its own', async () => {
  const server = fakeServer();
  server.kinds.chemicals.put('rope-wash', {
    agent: { ...server.referenceAgent('water-fresh'), id: 'rope-wash' },
    revision: 0,
  });
  const { user } = openApp('/chemicals/new', { server });
  await user.type(await field('Name'), 'Rope wash');
  await user.type(await field('Safety notes'), 'Gloves.');
  await user.click(await button('Save it'));
  await waitFor(() => expect(server.asked[0]?.path).toBe('chemicals/rope-wash-2'));
});

test('a rating of the table is corrected for this workshop, the table’s word stays in sight, and the correction goes again', async () => {
  const { user, server, where } = openApp('/chemicals/mineral-oil');
  await user.click(await screen.findByRole('link', { name: 'Correct for this workspace' }));
  const lasting = await field('PC: lasting contact');
  const before = (lasting as HTMLSelectElement).selectedOptions[0]!.textContent;
  const after = before === 'Not resistant' ? 'Resistant' : 'Not resistant';
  await user.selectOptions(lasting, after);
  await user.type(await field('PC: why'), ' Seen on our own clamps.');
  await user.click(await button('Save it'));
  expect(await screen.findByText(/corrected in this workspace/)).toBeVisible();
  const pc = within(row('PC'));
  expect(pc.getByText(/^table: /)).toBeVisible();
  expect(pc.getByText(/Seen on our own clamps\.$/)).toBeVisible();

  await user.click(await button(/^Remove the corrections to/));
  const sure = within(await screen.findByRole('alertdialog'));
  expect(sure.getByText(/reference table’s ratings count again/)).toBeVisible();
  await user.click(sure.getByRole('button', { name: 'Save record' }));
  expect(server.asked.map(({ method }) => method)).toEqual(['PUT']);
  await user.click(await button(/^Remove the corrections to/));
  await user.click(within(await screen.findByRole('alertdialog')).getByRole('button', { name: 'Remove' }));
  await waitFor(() => expect(where()).toBe('/chemicals'));
  expect(server.asked[1]).toMatchObject({ method: 'DELETE', path: 'chemicals/mineral-oil?revision=1' });
});

test('what somebody else saved meanwhile is not written over: theirs can be taken', async () => {
  const server = fakeServer();
  const own: Agent = { ...server.referenceAgent('water-fresh'), id: 'rope-wash', name: 'Rope wash', examples: [] };
  server.kinds.chemicals.put('rope-wash', { agent: own, revision: 0 });
  const { user } = openApp('/chemicals/rope-wash/edit', { server });
  const name = await field('Name');
  await user.clear(name);
  await user.type(name, 'Mine');
  server.kinds.chemicals.changeElsewhere('rope-wash', { ...own, name: 'Theirs' });
  await user.click(await button('Save it'));
  await user.click(await button('Use the newer version'));
  expect(await field('Name')).toHaveValue('Theirs');
  await user.type(await field('Name'), ' and mine');
  await user.click(await button('Save it'));
  expect(await screen.findByRole('heading', { name: 'Theirs and mine' })).toBeVisible();
  expect(server.kinds.chemicals.byId.get('rope-wash')?.revision).toBe(3);
});

test('a refusal is told at its cause, and what was typed stays', async () => {
  const server = fakeServer();
  server.says('PUT', 'chemicals/:id', () => {
    throw new Refused({
      status: 422,
      title: 'Not possible',
      detail: 'The name is taken by a family.',
      errors: [{ pointer: '/agent/name', detail: 'PETG is a family', accepted: 'another name' }],
    });
  });
  const { user } = openApp('/chemicals/new', { server });
  await user.type(await field('Name'), 'PETG');
  await user.type(await field('Safety notes'), 'Nothing.');
  await user.click(await button('Save it'));
  expect(await screen.findByText('The name is taken by a family.')).toBeVisible();
  expect(await field('Name')).toHaveAccessibleDescription('PETG is a family. Accepted: another name.');
  expect(await field('Name')).toHaveValue('PETG');
});

test('an agent that no table knows leads back to all', async () => {
  const { user, where } = openApp('/chemicals/moon-dust');
  expect(await screen.findByText(/There is no chemical “moon-dust”/)).toBeVisible();
  await user.click(screen.getByRole('link', { name: 'All chemicals' }));
  await waitFor(() => expect(where()).toBe('/chemicals'));
});

test('all families are shown on asking, and own soaks stand out', async () => {
  const { user } = openApp('/chemicals');
  const table = await screen.findByRole('table');
  const few = within(table).getAllByRole('columnheader').length;
  await user.click(await field('Only families in the library'));
  expect(within(table).getAllByRole('columnheader').length).toBeGreaterThan(few);
  expect(within(row('Mineral')).getAllByText(', own soak results').length).toBeGreaterThan(0);
});

describe('a soak of our own', () => {
  const soaksOf = (server: ReturnType<typeof fakeServer>, id: string) =>
    (server.kinds.grades.told(id).grade as { observations: Observation[] }).observations.filter(
      ({ property, source, agentId }) =>
        property === 'chemicalResistance' && source === 'bench' && agentId === 'water-fresh',
    );

  test('needs a grade and where it is written down; then it is evidence of that grade', async () => {
    const { user, server } = openApp('/chemicals/water-fresh');
    const record = await button('Record');
    expect(record).toBeDisabled();
    await user.selectOptions(await field('Grade'), 'Nine Elms PETG Trade');
    await user.selectOptions(await field('Outcome'), 'Limited: swells, softens or fades');
    await user.type(await field('Reference'), 'Book 4, page 12');
    await waitFor(() => expect(record).toBeEnabled());
    await user.click(record);
    expect(await screen.findByText('Recorded with the grade.')).toBeVisible();
    expect(soaksOf(server, 'ne-petg')).toEqual([
      expect.objectContaining({
        classValue: 'limited',
        durationH: 168,
        temperatureC: 23,
        count: 3,
        method: 'ISO 175',
        reference: 'Book 4, page 12',
      }),
    ]);
    expect(soaksOf(server, 'ne-petg')[0]).not.toHaveProperty('creepStressMPa');
    // It is listed at once, and the next one is told from it.
    expect(await screen.findByText(/n = 3 · Book 4, page 12/)).toBeVisible();
    await user.type(await field('Bent to a stress of'), '8');
    await user.type(await field('Reference'), 'Book 4, page 13');
    await waitFor(() => expect(record).toBeEnabled());
    await user.click(record);
    await waitFor(() => expect(soaksOf(server, 'ne-petg')).toHaveLength(2));
    const [first, bent] = soaksOf(server, 'ne-petg');
    expect(bent).toMatchObject({ creepStressMPa: 8, method: 'ISO 22088-3' });
    expect(bent!.id).not.toBe(first!.id);
  });

  test('a temperature that no test is made at is told at its field, and the last usable one counts', async () => {
    const { user } = openApp('/chemicals/water-fresh');
    const hours = await field('For');
    await user.clear(hours);
    await user.type(hours, '-3 h');
    expect(hours).toHaveAccessibleDescription(/stays in force/);
  });
});
