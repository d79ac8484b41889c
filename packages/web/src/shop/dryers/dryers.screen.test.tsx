import type { DryerAtHand, DryerSchedule, ScheduledRun } from '@anvilstone/schema';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { api } from '../../sync/api/api.ts';
import { NOW } from '../../testing/testAnswers.ts';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer, type FakeServer } from '../../testing/fakeServer.ts';

const hoursOn = (h: number) => new Date(NOW.getTime() + h * 3600e3).toISOString();
const run = (id: string, dryerId: string, h: number, temperatureC: number, loads: string[]): ScheduledRun => ({
  id,
  dryerId,
  start: hoursOn(h),
  temperatureC,
  loads,
});
const planned = (runs: ScheduledRun[]) => {
  const server = fakeServer();
  const { schedule, revision } = server.server.schedule;
  server.server.schedule = { schedule: { ...schedule, runs }, revision };
  return server;
};
const kept = (server: FakeServer): DryerSchedule => server.server.schedule.schedule;
const TAB = '/spools?show=dryers';

test('the best plan is asked for, taken over, and said to be the best', async () => {
  const server = fakeServer();
  const runs = [run('r1', 'oven', 1, 80, ['S-03'])];
  server.says('POST', 'dryer-schedule/proposal', () => ({
    schedule: { ...kept(server), runs },
    exact: true,
    impossible: [{ id: 'S-07', why: 'no dryer is cool enough' }],
  }));
  const { user } = openApp(TAB, { server });
  expect(await screen.findByText(/^Nothing is planned; \d+ loads? waits?$/)).toBeVisible();
  await user.click(await button('Plan automatically'));
  await waitFor(() => expect(kept(server).runs).toEqual(runs));
  expect(await screen.findByText('S-07 cannot be dried here: no dryer is cool enough.')).toBeVisible();
  expect(screen.getByText('1 run planned')).toBeVisible();
});

test('a run goes by keys along the hours and across the dryers; what speaks against it is said in words', async () => {
  const { user, server } = openApp(TAB, { server: planned([run('r1', 'oven', 2, 80, ['S-03'])]) });
  const bar = await screen.findByRole('button', { name: /^Drying oven, 80 °C: S-03, from/ });
  bar.focus();
  await user.keyboard('{ArrowRight}');
  await waitFor(() => expect(kept(server).runs[0]!.start).toBe(hoursOn(2.25)));
  (await screen.findByRole('button', { name: /^Drying oven, 80 °C/ })).focus();
  await user.keyboard('{Shift>}{ArrowLeft}{/Shift}');
  await waitFor(() => expect(kept(server).runs[0]!.start).toBe(hoursOn(0.25)));
  (await screen.findByRole('button', { name: /^Drying oven, 80 °C/ })).focus();
  await user.keyboard('{ArrowUp}');
  await waitFor(() => expect(kept(server).runs[0]!.dryerId).toBe('box-dryer'));
  expect(await screen.findByText(/conflict/)).toBeVisible();
  expect(screen.getByRole('button', { name: /in conflict/ })).toBeVisible();
});

test('everything of a run is set in its row as well', async () => {
  const { user, server, over } = openApp(TAB, {
    server: planned([run('r1', 'oven', 2, 80, ['S-03']), run('r2', 'oven', 20, 65, ['S-02'])]),
  });
  await over('Temperature of S-03', '176 °F');
  await waitFor(() => expect(kept(server).runs[0]!.temperatureC).toBeCloseTo(80, 6));
  await user.selectOptions(await field('Dryer of S-03'), 'Box dryer');
  await waitFor(() => expect(kept(server).runs[0]!.dryerId).toBe('box-dryer'));
  fireEvent.change(await field('When to put in S-03'), { target: { value: '2026-06-02T06:00' } });
  await waitFor(() => expect(new Date(kept(server).runs[0]!.start)).toEqual(new Date('2026-06-02T06:00')));
  await user.selectOptions(await field('Move S-03 to'), 'to S-02');
  await waitFor(() => expect(kept(server).runs.map(({ loads }) => loads)).toEqual([['S-02', 'S-03']]));
  await user.selectOptions(await field('Move S-02 to'), 'to a run of its own');
  await waitFor(() => expect(kept(server).runs).toHaveLength(2));
  await user.click(await button('Remove the run of S-02 from the plan'));
  await waitFor(() => expect(kept(server).runs.map(({ loads }) => loads)).toEqual([['S-03']]));
});

test('one that has begun may come out, and only that', async () => {
  const server = planned([run('r1', 'oven', -6, 80, ['S-03']), run('r2', 'box-dryer', 5, 65, ['S-02'])]);
  server.says('DELETE', 'dryer-schedule/runs/:id', () => server.server.schedule);
  const { user } = openApp(TAB, { server });
  await user.click(await button('S-03 taken out'));
  await waitFor(() => expect(server.asked.map(({ path }) => path)).toEqual(['dryer-schedule/runs/r1?revision=1']));
  expect(screen.queryByRole('button', { name: 'S-02 taken out' })).toBeNull();
});

test('a plan that somebody else has changed is not written over', async () => {
  const server = planned([run('r1', 'oven', 2, 80, ['S-03'])]);
  const { user } = openApp(TAB, { server });
  await button('Remove the run of S-03 from the plan');
  server.server.schedule = { ...server.server.schedule, revision: 9 };
  await user.click(await button('Remove the run of S-03 from the plan'));
  expect(await screen.findByText('Somebody has saved it since.')).toBeVisible();
  expect(kept(server).runs).toHaveLength(1);
});

test('nor is one that came in while a change of one’s own was not sent yet', async () => {
  const server = planned([run('r1', 'oven', 2, 80, ['S-03'])]);
  const { user, store } = openApp(TAB, { server });
  await user.click(await button('Remove the run of S-03 from the plan'));
  const others = { ...kept(server), runs: [run('r1', 'oven', 4, 80, ['S-03', 'S-02'])] };
  server.server.schedule = { schedule: others, revision: 9 };
  store.dispatch(api.util.invalidateTags(['Stock']));
  expect(await screen.findByText('Somebody has saved it since.')).toBeVisible();
  expect(kept(server)).toEqual(others);
  expect(await button('Remove the run of S-03, S-02 from the plan')).toBeVisible();
});

test('an answer from before the last change does not bring back what was before it', async () => {
  const server = planned([run('r1', 'oven', 2, 80, ['S-03']), run('r2', 'oven', 20, 65, ['S-02'])]);
  const { user, store } = openApp(TAB, { server });
  const before = server.server.schedule;
  await user.click(await button('Remove the run of S-03 from the plan'));
  await waitFor(() => expect(kept(server).runs).toHaveLength(1));
  const after = server.server.schedule;
  server.server.schedule = before;
  store.dispatch(api.util.invalidateTags(['Stock']));
  const seen = () => Object.values(store.getState().api.queries).find((query) => query?.endpointName === 'stock');
  await waitFor(() => expect(seen()?.data).toMatchObject({ schedule: { revision: before.revision } }));
  expect(screen.queryByRole('button', { name: 'Remove the run of S-03 from the plan' })).toBeNull();
  server.server.schedule = after;
  await user.click(await button('Remove the run of S-02 from the plan'));
  await waitFor(() => expect(kept(server).runs).toHaveLength(0));
  expect(screen.queryByText('Somebody has saved it since.')).toBeNull();
});

test('a run comes out after the change before it is stored: it is not put in again', async () => {
  const server = planned([run('r1', 'oven', -6, 80, ['S-03']), run('r2', 'box-dryer', 5, 65, ['S-02'])]);
  const { user } = openApp(TAB, { server });
  await user.click(await button('Remove the run of S-02 from the plan'));
  expect(await button('S-03 taken out')).toBeDisabled();
  await waitFor(async () => expect(await button('S-03 taken out')).toBeEnabled());
  expect(kept(server).runs.map(({ id }) => id)).toEqual(['r1']);
});

test('parts wait for water: added with what is needed, and taken off again', async () => {
  const { user, server, over } = openApp(TAB);
  await user.click(await button('+ Parts to condition'));
  const panel = within(screen.getByRole('region', { name: 'Parts to condition' }));
  const texts = panel.getAllByRole('textbox');
  await over(texts[0]!, 'Two clamps');
  await user.click(panel.getByRole('button', { name: /save|add|wait/i }));
  await waitFor(() => expect(kept(server).conditioning.map(({ title }) => title)).toContain('Two clamps'));
  expect(await screen.findByText(/for nine tenths of its water/, { selector: 'li:last-child *' })).toBeVisible();
  await user.click(await button('Remove Two clamps'));
  await waitFor(() => expect(kept(server).conditioning).toHaveLength(1));
});

test('a dryer is added, changed and removed; why one stays is said', async () => {
  const { user, server, over } = openApp(TAB);
  await user.click(await button('+ A dryer'));
  await user.type(await field('Name'), 'Cupboard');
  await over('Capacity', '5.4');
  await over('Maximum temperature', '150 °F');
  await user.click(await button('Save it'));
  await waitFor(() => expect(server.kinds.dryers.byId.size).toBe(4));
  const [, made] = [...server.kinds.dryers.byId].at(-1)!;
  expect(made.value as DryerAtHand).toMatchObject({
    name: 'Cupboard',
    slots: 5,
    maximumC: expect.closeTo(65.56, 1) as number,
  });
  await user.click(await button('Change Cupboard'));
  await over('Name', 'Warm cupboard');
  await user.click(await button('Save it'));
  expect(await button('Remove Warm cupboard')).toBeVisible();
  server.says('DELETE', 'dryers/:id', () => {
    throw new Refused({ status: 409, title: 'In use', detail: 'A run is planned in it.' });
  });
  await user.click(await button('Remove Warm cupboard'));
  expect(await screen.findByText('A run is planned in it.')).toBeVisible();
});
