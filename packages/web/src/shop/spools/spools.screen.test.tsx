import type { Instrument, Spool } from '@anvilstone/schema';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer, type FakeServer } from '../../testing/fakeServer.ts';

const spoolOf = (server: FakeServer, id: string) => server.kinds.spools.byId.get(id)!.value as Spool;
const rows = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => within(row).getByRole('rowheader').textContent.slice(0, 4));
const typeOver = async (user: ReturnType<typeof openApp>['user'], name: string, text: string) => {
  const one = await field(name);
  await user.clear(one);
  await user.type(one, text);
};

describe('the stock', () => {
  test('is found by words of the label, the grade or the place, and by how wet it is', async () => {
    const { user } = openApp('/spools');
    expect(await screen.findByText('13 of 14')).toBeVisible();
    await user.type(await field('Find'), 'elms clear');
    expect(rows()).toEqual(['S-04']);
    await typeOver(user, 'Find', 'valley');
    expect(rows()).toEqual(['S-10']);
    await typeOver(user, 'Find', 'no such thing');
    expect(screen.getByText('No spool matches. Remove a filter.')).toBeVisible();
    await user.clear(await field('Find'));
    const all = rows();
    await user.selectOptions(await field('Moisture'), 'too moist');
    const wet = rows();
    await user.selectOptions(await field('Moisture'), 'not known');
    const unknown = rows();
    await user.selectOptions(await field('Moisture'), 'usable now');
    // Every spool is in one of the three states, and none in two.
    expect([...wet, ...unknown, ...rows()].sort()).toEqual([...all].sort());
    expect(unknown).toEqual(['S-06', 'S-12']);
  });

  test('empty ones are shown on asking, and labels are made of those that are ticked', async () => {
    const { user } = openApp('/spools');
    const labels = await screen.findByRole('link', { name: 'All labels (PDF)' });
    expect(labels.getAttribute('href')).not.toContain('ids=');
    await user.click(await field('show empty'));
    expect(rows()).toContain('S-14');
    await user.click(await field('Label of S-01'));
    await user.click(await field('Label of S-14'));
    expect(screen.getByRole('link', { name: '2 labels (PDF)' }).getAttribute('href')).toMatch(/&ids=S-01,S-14$/);
    await user.click(await field('Label of S-01'));
    expect(screen.getByRole('link', { name: '1 label (PDF)' }).getAttribute('href')).toMatch(/&ids=S-14$/);
  });

  test('spools that look alike say how they are told apart', async () => {
    const { user } = openApp('/spools');
    const panel = within(await screen.findByRole('region', { name: /pairs? of spools look alike/ }));
    const few = panel.getAllByRole('listitem').length;
    const more = panel.queryByRole('button', { name: /\d+ more/ });
    if (more) {
      await user.click(more);
      expect(panel.getAllByRole('listitem').length).toBeGreaterThan(few);
    }
    for (const item of panel.getAllByRole('listitem'))
      expect(item.textContent).toMatch(/^≈ S-\d+ and S-\d+: .+ Distinguish them: .+\.$/);
  });
});

describe('a new spool', () => {
  test('takes the next free name and the colours of its grade, and leads to its page', async () => {
    const { user, server, where } = openApp('/spools/new?grade=tm-asa');
    expect(await field('Short name on its label')).toHaveValue('S-15');
    expect(await field('Grade')).toHaveDisplayValue('Tarrowmill ASA Outdoor');
    await user.type(await field('Lot, if stated'), 'L-220');
    await typeOver(user, 'Net mass when new', '2.2 lb');
    await typeOver(user, 'Price paid', '31');
    await user.selectOptions(await field('Location'), 'unknown location');
    await user.click(await button('Save it'));
    await waitFor(() => expect(where()).toBe('/spools/S-15'));
    const made = spoolOf(server, 'S-15');
    expect(made).toMatchObject({ gradeId: 'tm-asa', lot: 'L-220', pricePaidUsd: 31, placeId: null, events: [] });
    expect(made.netMassG).toBeCloseTo(997.9, 1);
    expect(await screen.findByText('31.00 USD, 31.07 USD/kg')).toBeVisible();
  });

  test('a name that is taken, or none of ours, is refused where it is typed', async () => {
    const { user, server } = openApp('/spools/new');
    await typeOver(user, 'Short name on its label', 's-04');
    expect(await field('Short name on its label')).toHaveAccessibleDescription(
      'A spool with this name exists already.',
    );
    expect(await button('Save it')).toBeDisabled();
    await typeOver(user, 'Short name on its label', '4s');
    expect(await field('Short name on its label')).toHaveAccessibleDescription(/starting with a letter/);
    await typeOver(user, 'Short name on its label', 'rack-9');
    expect(await button('Save it')).toBeEnabled();
    expect(server.asked).toEqual([]);
  });

  test('of another grade, it takes a colour that the grade has', async () => {
    const { user, server } = openApp('/spools/new?grade=tm-asa');
    const grades = server.kinds.grades;
    const colours = (id: string) => (grades.byId.get(id)!.value as { colours: string[] }).colours;
    await user.selectOptions(await field('Grade'), 'Nine Elms PETG Trade');
    const colour = (await field('Colour')) as HTMLInputElement;
    expect(colours('ne-petg')).toContain(colour.value);
  });
});

test('an unknown spool leads back; a changed one keeps its name', async () => {
  const { user, server, go, where } = openApp('/spools/S-99');
  expect(await screen.findByText(/There is no spool “S-99”/)).toBeVisible();
  await go('/spools/S-04/edit');
  expect(await screen.findByText(/S-04 cannot change/)).toBeVisible();
  expect(screen.queryByLabelText('Location')).toBeNull();
  await user.selectOptions(await field('Supply'), 'closed: its maker’s machines only');
  await user.type(await field('Remarks'), 'Opened with a knife.');
  await user.click(await button('Save it'));
  await waitFor(() => expect(where()).toBe('/spools/S-04'));
  expect(spoolOf(server, 'S-04')).toMatchObject({
    supply: 'closed',
    note: expect.stringMatching(/knife\.$/) as string,
  });
});

describe('what is done to a spool', () => {
  test('opened, dried, brought elsewhere, used, empty, and not empty after all: each is written down', async () => {
    const { user, server } = openApp('/spools/S-06');
    await user.click(await button('Opened now'));
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Opened now' })).toBeNull());
    await typeOver(user, 'For', '7');
    await user.click(await button('Drying finished'));
    await waitFor(() => expect(spoolOf(server, 'S-06').events).toHaveLength(1));
    await user.selectOptions(await field('Moved to'), 'Dry box with desiccant');
    await waitFor(() => expect(spoolOf(server, 'S-06').placeId).toBe('dry-box'));
    const take = await button('Record use');
    expect(take).toBeDisabled();
    await user.type(await field('Used'), '85');
    await user.type((await screen.findAllByLabelText('Purpose'))[0]!, 'Bracket');
    await user.click(take);
    await waitFor(() => expect(spoolOf(server, 'S-06').events).toHaveLength(3));
    expect(spoolOf(server, 'S-06').events).toEqual([
      expect.objectContaining({ kind: 'dried', hours: 7 }),
      expect.objectContaining({ kind: 'moved', placeId: 'dry-box', fromPlaceId: 'rack' }),
      expect.objectContaining({ kind: 'used', massG: 85, what: 'Bracket' }),
    ]);
    await user.click(await button('Empty'));
    await user.click(await button('Not empty'));
    await waitFor(() => expect(spoolOf(server, 'S-06').empty).toBeUndefined());
    const told = within(screen.getByRole('region', { name: 'History' })).getAllByRole('listitem');
    expect(told.map((one) => one.textContent).join(' ')).toMatch(/85 g used: Bracket.*brought to Dry box.*dried 7 h/);
  });

  test('what could not be saved stays typed, with the reason', async () => {
    const server = fakeServer();
    server.says('PUT', 'spools/:id', () => {
      throw new Refused({ status: 422, title: 'Not possible', detail: 'More than is on the spool.' });
    });
    const { user } = openApp('/spools/S-04', { server });
    await user.type(await field('Used'), '20000');
    await user.type((await screen.findAllByLabelText('Purpose'))[0]!, 'Bracket');
    await user.click(await button('Record use'));
    expect(await screen.findByText('More than is on the spool.')).toBeVisible();
    expect(await field('Used')).toHaveValue('20000');
    expect((await screen.findAllByLabelText('Purpose'))[0]).toHaveValue('Bracket');
  });

  test('a mass that cannot be is asked about first, and written down with a reason', async () => {
    const { user, server } = openApp('/spools/S-04');
    const write = await button('Save weighing');
    expect(write).toBeDisabled();
    await typeOver(user, 'Or enter it', '4000');
    const why = await field('Reason for accepting it');
    expect(write).toBeDisabled();
    await user.type(why, 'Wound on a steel reel');
    await user.click(write);
    await waitFor(() => expect(spoolOf(server, 'S-04').events.at(-1)).toMatchObject({ kind: 'weighed', grossG: 4000 }));
    expect(spoolOf(server, 'S-04').events.at(-1)).toMatchObject({ from: 'typed', note: 'Wound on a steel reel' });
  });

  test('the scale is read when there is one; what it says and nobody believes asks for a reason', async () => {
    const server = fakeServer();
    server.says('GET', 'instruments', () => [{ id: 'scale-1', kind: 'scale', name: 'Scale' } as unknown as Instrument]);
    server.says('POST', 'spools/:id/weighings/:scale', ({ body }) => {
      if (!body.note)
        throw new Refused({ status: 422, title: 'Hard to believe', detail: '90 g is less than its empty reel.' });
      return server.kinds.spools.told('S-04');
    });
    const { user } = openApp('/spools/S-04', { server });
    await user.click(await button('Read the scale'));
    expect(await screen.findByText('90 g is less than its empty reel.')).toBeVisible();
    await user.type(await field('Reason for accepting it'), 'The reel is broken');
    await user.click(await button('Read the scale'));
    await waitFor(() => expect(server.asked).toHaveLength(2));
    expect(server.asked[1]).toMatchObject({
      path: 'spools/S-04/weighings/scale-1',
      body: { note: 'The reel is broken' },
    });
  });

  test('it is asked for by a time, the time is changed, and nobody waits any more', async () => {
    const { user, server } = openApp('/spools/S-04');
    const ask = await button('Add');
    expect(ask).toBeDisabled();
    await user.type((await screen.findAllByLabelText('Purpose'))[1]!, 'Lamp arm');
    await user.click(ask);
    await waitFor(() => expect(spoolOf(server, 'S-04').need?.what).toBe('Lamp arm'));
    const first = spoolOf(server, 'S-04').need!.at;
    const when = await field('When');
    fireEvent.change(when, { target: { value: '2026-06-20T08:30' } });
    await user.click(await button('Change'));
    await waitFor(() => expect(spoolOf(server, 'S-04').need?.at).not.toBe(first));
    expect(new Date(spoolOf(server, 'S-04').need!.at)).toEqual(new Date('2026-06-20T08:30'));
    await user.click(await button('Not needed'));
    await waitFor(() => expect(spoolOf(server, 'S-04').need).toBeUndefined());
  });

  test('what is done before the answer to the last deed is there counts too', async () => {
    const server = fakeServer();
    let answer = () => {};
    const held = new Promise<void>((resolve) => (answer = resolve));
    server.says('PUT', 'spools/:id', async ({ params, body }) => {
      await held;
      return server.kinds.spools.put(params.id!, body);
    });
    const { user } = openApp('/spools/S-04', { server });
    await user.type((await screen.findAllByLabelText('Purpose'))[1]!, 'Lamp arm');
    await user.click(await button('Add'));
    await typeOver(user, 'Or enter it', '700');
    await user.click(await button('Save weighing'));
    answer();
    await waitFor(() => expect(spoolOf(server, 'S-04').events.at(-1)).toMatchObject({ kind: 'weighed', grossG: 700 }));
    expect(spoolOf(server, 'S-04').need?.what).toBe('Lamp arm');
  });

  test('a spool is removed only when that is meant', async () => {
    const { user, server, where } = openApp('/spools/S-04');
    await user.click(await button('Remove S-04'));
    const sure = within(await screen.findByRole('alertdialog'));
    expect(sure.getByText(/Mark a used-up spool as empty/)).toBeVisible();
    await user.keyboard('{Escape}');
    expect(server.kinds.spools.byId.has('S-04')).toBe(true);
    await user.click(await button('Remove S-04'));
    await user.click(within(await screen.findByRole('alertdialog')).getByRole('button', { name: 'Remove' }));
    await waitFor(() => expect(where()).toBe('/spools'));
    await waitFor(() => expect(screen.queryByRole('link', { name: 'S-04' })).toBeNull());
  });
});
