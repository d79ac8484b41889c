import type { Installation, ServiceFinding } from '@anvilstone/schema';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { api } from '../../sync/api/api.ts';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';
import { Refused, fakeServer, type FakeServer } from '../../testing/fakeServer.ts';

const at = (n: number) => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const placeOf = (server: FakeServer, id: string) => server.kinds.installations.byId.get(id)!.value as Installation;
const findingsOf = (server: FakeServer) =>
  [...server.kinds['service-findings'].byId.values()].map(({ value }) => value as ServiceFinding);
const PAWL = partPath('Ratchet pawl');
const DRIP = partPath('Drip cup');

describe('a part that is put in service', () => {
  const planning = () => {
    const server = fakeServer();
    server.says('POST', 'inspection-plans', () => ({
      items: [
        { modeId: 'sagged', checkId: 'sag-after-duration', reserve: 1.1, why: 'sag has the least left', days: [30] },
      ],
      dates: [{ on: '2026-07-01', modeIds: ['sagged'] }],
    }));
    return server;
  };

  test('is told where, by whom and under which mark; what to look at follows from it', async () => {
    const server = planning();
    const { user } = openApp(`${DRIP}/service`, { server });
    expect(await screen.findByText(/No decision yet; the part can be commissioned/)).toBeVisible();
    await user.click(await button('Commission …'));
    const put = await button('Commission');
    expect(put).toBeDisabled();
    await user.selectOptions(await field('Grade'), 'Veld PP Copo');
    await user.type(await field('Serial number'), 'C-1');
    await user.type(await field('Where'), 'Oiler 3');
    await user.type(await field('Installed by'), 'E. Ford');
    expect(await screen.findByText(/sag has the least left/)).toBeVisible();
    expect(screen.getByText(/^1 looks: 2026-07-01/)).toBeVisible();
    await user.click(put);
    await waitFor(() => expect(server.kinds.installations.byId.size).toBe(8));
    const [, made] = [...server.kinds.installations.byId].at(-1)!;
    expect(made.value).toMatchObject({
      mark: 'C-1',
      place: 'Oiler 3',
      installedBy: 'E. Ford',
      gradeId: 'vp-pp',
      inspections: [{ on: '2026-07-01', modeIds: ['sagged'] }],
    });
    expect(made.value).not.toHaveProperty('decisionId');
    expect(await screen.findByRole('region', { name: 'C-1, Oiler 3' })).toBeVisible();
  });

  test('a mark that a sister bears already is not taken', async () => {
    const { user } = openApp(`${PAWL}/service`, { server: planning() });
    await user.click(await button('Commission …'));
    await user.type(await field('Serial number'), 'P-1');
    expect(await field('Serial number')).toHaveAccessibleDescription(/Serial number P-1 exists already/);
    await user.type(await field('Where'), 'x');
    await user.type(await field('Installed by'), 'y');
    expect(await button('Commission')).toBeDisabled();
    await user.click(await button('Cancel'));
    expect(screen.queryByLabelText('Serial number')).toBeNull();
  });
});

describe('a look', () => {
  test('is moved to another day; two on one day are one for both', async () => {
    const { user, server } = openApp(`${PAWL}/service?at=${at(4)}`);
    const due = within(await screen.findByRole('region', { name: 'Inspections due' }));
    const [first] = placeOf(server, at(4)).inspections.filter(({ on }) => on > '2026-05-02');
    const other = placeOf(server, at(4)).inspections.at(-1)!;
    const date = due.getByLabelText(`Inspection due ${first!.on}, move to`);
    fireEvent.change(date, { target: { value: other.on } });
    fireEvent.blur(date);
    await waitFor(() => expect(placeOf(server, at(4)).inspections.map(({ on }) => on)).not.toContain(first!.on));
    expect(new Set(placeOf(server, at(4)).inspections.at(-1)!.modeIds)).toEqual(
      new Set([...first!.modeIds, ...other.modeIds]),
    );
    const another = await field('Another inspection on');
    fireEvent.change(another, { target: { value: other.on } });
    expect(another).toHaveAccessibleDescription('An inspection on that day exists already.');
    expect(await button('Add')).toBeDisabled();
    fireEvent.change(another, { target: { value: '2026-12-24' } });
    await user.click(await button('Add'));
    await waitFor(() => expect(placeOf(server, at(4)).inspections.at(-1)?.on).toBe('2026-12-24'));
  });

  test('finds it sound: who looked is needed, what was measured is kept in our units', async () => {
    const { user, server, over } = openApp(`${PAWL}/service?at=${at(4)}`, { settings: { units: 'inchPound' } });
    const before = findingsOf(server).length;
    const [look] = await screen.findAllByRole('button', { name: 'Inspect …' });
    await user.click(look!);
    const write = await button('Save reading');
    expect(write).toBeDisabled();
    await over('Highest temperature since the last inspection', '95');
    await user.type(await field('Inspected by'), 'E. Ford');
    await user.click(write);
    await waitFor(() => expect(findingsOf(server)).toHaveLength(before + 1));
    const made = findingsOf(server).at(-1)!;
    expect(made).toMatchObject({
      state: 'sound',
      by: 'E. Ford',
      measured: { hottestC: expect.closeTo(35, 6) as number },
    });
    expect(made.forDate).toMatch(/^2026-/);
    expect(made).not.toHaveProperty('modeId');
  });

  test('finds it changed: most like which picture, under which load, and what was typed for another way goes', async () => {
    const { user, server, over } = openApp(`${PAWL}/service?at=${at(4)}`);
    await user.click(await button('Record finding …'));
    await user.click(screen.getByRole('radio', { name: /Changed, still in use/ }));
    await user.type(await field('Inspected by'), 'E. Ford');
    const write = await button('Save reading');
    // Without a picture it is not told how it changed.
    expect(write).toBeDisabled();
    const pictures = screen.getAllByRole('radio').filter((one) => (one as HTMLInputElement).name === 'mode');
    await user.click(pictures.find((one) => /^Wear/i.test(one.closest('label')!.textContent))!);
    await over('Wear depth', '0.4');
    await user.click(pictures.find((one) => /crack/i.test(one.closest('label')!.textContent))!);
    expect(screen.queryByLabelText('Wear depth')).toBeNull();
    await user.selectOptions(await field('Load'), 'Drops one tooth under load');
    await user.type(await field('Observed'), 'A hair at the root.');
    await user.type(await field('Lesson: change for the next part'), 'A larger fillet.');
    await user.click(write);
    await waitFor(() => expect(findingsOf(server).at(-1)?.text).toBe('A hair at the root.'));
    expect(findingsOf(server).at(-1)).toMatchObject({ state: 'changed', lesson: 'A larger fillet.', measured: {} });
    expect(findingsOf(server).at(-1)!.loadCaseId).toBeDefined();
  });

  test('that is refused says so at its field, and keeps what was typed', async () => {
    const server = fakeServer();
    server.says('PUT', 'service-findings/:id', () => {
      throw new Refused({
        status: 400,
        title: 'Not possible',
        detail: 'The look does not fit.',
        errors: [{ pointer: '/finding/at', detail: 'lies before it was put in service', accepted: 'a later day' }],
      });
    });
    const { user } = openApp(`${PAWL}/service?at=${at(4)}`, { server });
    await user.click(await button('Record finding …'));
    await user.type(await field('Inspected by'), 'E. Ford');
    await user.click(await button('Save reading'));
    await waitFor(async () =>
      expect(await field('When')).toHaveAccessibleDescription(
        'lies before it was put in service. Accepted: a later day.',
      ),
    );
    expect(await field('Inspected by')).toHaveValue('E. Ford');
  });
});

test('a fluid is called by its name where something crazed in it', async () => {
  const server = fakeServer();
  const id = DRIP.split('/')[2]!;
  server.kinds.installations.put(at(20), {
    installation: { ...placeOf(server, at(4)), id: at(20), partId: id, mark: 'C-1', inspections: [] },
    revision: 0,
  });
  const { user } = openApp(`${DRIP}/service?at=${at(20)}`, { server });
  await user.click(await button('Record finding …'));
  await user.click(screen.getByRole('radio', { name: /Failed/ }));
  const pictures = screen.getAllByRole('radio').filter((one) => (one as HTMLInputElement).name === 'mode');
  await user.click(pictures.find((one) => /stress cracking/i.test(one.closest('label')!.textContent))!);
  const fluids = within(await field('Fluid'))
    .getAllByRole('option')
    .map((one) => one.textContent);
  expect(fluids).toContain('Mineral oil and grease');
});

test('a correction does not write over what somebody else has saved since it was opened', async () => {
  const { user, server, store } = openApp(`${PAWL}/service?at=${at(3)}`);
  await user.click((await screen.findAllByRole('button', { name: 'Correct …' }))[0]!);
  const { value: text } = (await field('Observed')) as HTMLTextAreaElement;
  const [id, { value }] = [...server.kinds['service-findings'].byId].find(
    ([, one]) => (one.value as ServiceFinding).text === text,
  )!;
  await user.type(await field('Observed'), ' Seen again.');
  server.kinds['service-findings'].changeElsewhere(id, { ...(value as ServiceFinding), lesson: 'Theirs' });
  store.dispatch(api.util.invalidateTags(['Service']));
  // The page has heard of it, and what is being corrected stays as it was opened.
  await waitFor(() => expect(JSON.stringify(store.getState().api.queries)).toContain('"lesson":"Theirs"'));
  await user.click(await button('Save reading'));
  expect(await screen.findByText('Somebody has saved it since.')).toBeVisible();
  expect((server.kinds['service-findings'].byId.get(id)!.value as ServiceFinding).lesson).toBe('Theirs');
});

describe('one that failed', () => {
  test('begins a new brief that knows of it', async () => {
    const server = fakeServer();
    const bracket = partPath('De-icing').split('/')[2]!;
    server.says('POST', 'service-findings/:id/replacement', () => ({ id: bracket }));
    const { user, where } = openApp(`${PAWL}/service?at=${at(3)}`, { server });
    await user.click(await button('New brief from this finding'));
    await waitFor(() => expect(where()).toBe(`/parts/${bracket}/brief`));
  });

  test('says what it may change: a rule to be tried, a test to be planned, evidence to be taken by name', async () => {
    const server = fakeServer();
    server.says('GET', 'service-findings/:id/reading', () => ({
      decisionNumber: 3,
      proposals: [
        { kind: 'rule', says: 'Prints fail more often.', ruleId: 'scrapShare', was: 0.1, value: 0.2 },
        { kind: 'test', says: 'Bend it.', methodId: 'bend-bar' },
        {
          kind: 'evidence',
          says: 'It bore 20 MPa.',
          observation: {},
          checks: [{ checkId: 'strength', title: 'Strength', before: 1.2, after: null }],
        },
      ],
    }));
    server.says('POST', 'service-findings/:id/evidence/preview', () => {
      throw new Refused({ status: 422, title: 'Not evidence', detail: 'One specimen is a hint.' });
    });
    const { user } = openApp(`${PAWL}/service?at=${at(3)}`, { server });
    const [panel] = await screen.findAllByRole('region', { name: 'Possible changes' });
    expect(within(panel!).getByRole('link', { name: 'Try it in the company rules' })).toHaveAttribute(
      'href',
      '/company-rules?try=scrapShare&value=0.2',
    );
    expect(within(panel!).getByRole('link', { name: 'Three-point bending to failure' }).getAttribute('href')).toMatch(
      /method=bend-bar$/,
    );
    expect(panel!.textContent).toMatch(/strength 1\.2\d* → unknown/);
    await user.click(within(panel!).getByRole('button', { name: 'Add to the evidence …' }));
    expect(await screen.findByText('One specimen is a hint.')).toBeVisible();
  });

  test('is taken out of service with a reason', async () => {
    const { user, server } = openApp(`${PAWL}/service?at=${at(4)}`);
    await user.click(await button('Take out of service …'));
    expect(await button('Take out of service')).toBeDisabled();
    await user.type(await field('Reason for removal'), 'Its jig is gone.');
    await user.click(await button('Take out of service'));
    await waitFor(() => expect(placeOf(server, at(4)).removed?.why).toBe('Its jig is gone.'));
    expect(await screen.findByText(/removed on .*: Its jig is gone\./)).toBeVisible();
  });
});

test('all that is in service: what is due, how parts last, and lessons found by their words', async () => {
  const { user, where } = openApp('/service');
  const lessons = within(await screen.findByRole('region', { name: 'Failures and lessons' }));
  const all = lessons.getAllByRole('listitem').length;
  expect(all).toBeGreaterThan(1);
  await user.type(lessons.getByLabelText('Search findings and lessons'), 'pawl');
  expect(lessons.getAllByRole('listitem').length).toBeLessThan(all);
  await waitFor(() => expect(where()).toBe('/service?find=pawl'));
  await user.type(lessons.getByLabelText('Search findings and lessons'), ' unicorn');
  expect(lessons.getByText('No match.')).toBeVisible();
  const fleets = within(screen.getByRole('region', { name: 'Service life by part' }));
  expect(fleets.getAllByRole('rowheader').map((cell) => cell.textContent)).toContain('Lamp arm, pylon 7 walkway');
  const due = within(screen.getByRole('region', { name: 'Inspections due' }))
    .getAllByRole('row')
    .slice(1);
  expect(due.length).toBeGreaterThan(0);
  expect(due[0]!.textContent).toMatch(/overdue|due/);
});
