import { defaultCompanyRules } from '@anvilstone/core/materials';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const KEPT = 'Data-sheet strength factor';
const typeOver = async (user: ReturnType<typeof openApp>['user'], name: string, text: string) => {
  const one = await field(name);
  await user.clear(one);
  await user.type(one, text);
};
const pending = () => screen.queryByRole('region', { name: 'Changed, not yet in force' });

test('a changed value counts only once it is signed, and says what it moves before', async () => {
  const { user, server } = openApp('/company-rules');
  await typeOver(user, KEPT, '0.5');
  const panel = within(pending()!);
  expect(panel.getByText(/Data-sheet strength factor: .* →/)).toBeVisible();
  const put = panel.getByRole('button', { name: 'Put into force' });
  expect(put).toBeDisabled();
  expect(panel.getByText(/enter your name/)).toBeVisible();
  // Half of every data sheet’s strength moves at least one of the sample’s parts.
  const moved = await screen.findByRole('table');
  expect(within(moved).getAllByRole('row').length).toBeGreaterThan(1);
  expect(server.asked).toEqual([]);
  await user.type(panel.getByLabelText('Your name'), ' E. Ford ');
  await user.type(panel.getByLabelText('Reason'), 'Campaign K1');
  await user.click(put);
  await waitFor(() => expect(pending()).toBeNull());
  expect(server.asked).toEqual([
    {
      method: 'PUT',
      path: 'company-rules',
      body: {
        rules: { ...defaultCompanyRules, datasheetStrengthFactor: 0.5 },
        revision: 1,
        changedBy: 'E. Ford',
        why: 'Campaign K1',
      },
    },
  ]);
});

test('steps are taken back and again; what is as it was is not changed', async () => {
  const { user } = openApp('/company-rules');
  const undo = await button('Undo');
  expect(undo).toBeDisabled();
  await typeOver(user, 'Minimum drying time', '9 h');
  await user.click(screen.getByRole('radio', { name: 'The lower of bench and data sheet' }));
  expect(within(pending()!).getAllByRole('listitem')).toHaveLength(2);
  await user.click(undo);
  expect(within(pending()!).getAllByRole('listitem')).toHaveLength(1);
  await user.click(await button('Redo'));
  expect(within(pending()!).getAllByRole('listitem')).toHaveLength(2);
  await user.click(within(pending()!).getByRole('button', { name: 'Discard changes' }));
  expect(pending()).toBeNull();
});

test('one that differs from a new workshop’s says so, and all go back at once', async () => {
  const server = fakeServer();
  server.server.rules = { value: { ...defaultCompanyRules, labourPerPartUsd: 9 }, revision: 4 };
  const { user } = openApp('/company-rules', { server });
  expect(await screen.findByText(/Default: /)).toBeVisible();
  await user.click(await button('Reset to defaults'));
  expect(within(pending()!).getAllByRole('listitem')).toHaveLength(1);
  expect(screen.queryByText(/Default: /)).toBeNull();
});

test('the price of a machine hour may be left to the machines', async () => {
  const { user, server } = openApp('/company-rules');
  await typeOver(user, 'Machine hour rate, all machines', '3.5');
  await user.type(await field('Your name'), 'E. Ford');
  await user.click(await button('Put into force'));
  await waitFor(() => expect(server.server.rules.value.machineHourUsd).toBe(3.5));
  await user.clear(await field('Machine hour rate, all machines'));
  await user.type(await field('Your name'), 'E. Ford');
  await user.click(await button('Put into force'));
  await waitFor(() => expect(server.server.rules.value).not.toHaveProperty('machineHourUsd'));
});

test('rules that somebody else changed meanwhile are taken, not written over', async () => {
  const server = fakeServer();
  server.says('PUT', 'company-rules', () => {
    throw new Refused({
      status: 409,
      title: 'Changed meanwhile',
      detail: 'C. Dow has changed them since.',
      current: { rules: { ...defaultCompanyRules, scrapShare: 0.21 }, revision: 2 },
    });
  });
  const { user } = openApp('/company-rules', { server });
  await typeOver(user, KEPT, '0.5');
  await user.type(await field('Your name'), 'E. Ford');
  await user.click(await button('Put into force'));
  expect(await screen.findByText('C. Dow has changed them since.')).toBeVisible();
  await user.click(await button('Use the newer rules'));
  await waitFor(() => expect(pending()).toBeNull());
  expect(await field('Scrap rate')).toHaveValue('0.21');
});

test('what the bench or a part in service suggests is tried by a click, and is nothing until signed', async () => {
  const { user, server, go } = openApp('/company-rules?scale=0.8');
  const value = Number((defaultCompanyRules.datasheetStrengthFactor * 0.8).toFixed(3));
  await user.click(await button(`Try ${value}`));
  expect(await field(KEPT)).toHaveValue(String(value));
  await go('/company-rules?try=scrapShare&value=0.3');
  expect(await screen.findByText(/“Scrap rate” at/)).toBeVisible();
  await user.click(await button(/^Try 30/));
  expect(await field('Scrap rate')).toHaveValue('0.3');
  expect(server.asked).toEqual([]);
  await go('/company-rules?try=no-such-rule&value=0.3');
  await waitFor(() => expect(screen.queryByText(/was found in service/)).toBeNull());
});

test('who changed what is listed, newest first, and an earlier set is taken up again', async () => {
  const server = fakeServer();
  const changes = [
    { revision: 3, changedBy: 'C. Dow', why: 'Too kind', rules: { ...defaultCompanyRules, purgeShare: 0.2 } },
    { revision: 2, changedBy: '', why: '', rules: { ...defaultCompanyRules, purgeShare: 0.1 } },
  ].map((one) => ({ ...one, changedAt: '2026-05-01T08:00:00Z' }));
  server.says('GET', 'company-rules/history', () => ({ changes }));
  const { user } = openApp('/company-rules', { server });
  const list = within(await screen.findByRole('region', { name: 'Change history' }));
  const told = (await list.findAllByRole('listitem')).map((one) => one.textContent);
  expect(told[0]).toMatch(/^C\. Dow.*Too kind.*purge.*10 %? ?.*→.*20/i);
  expect(told.join(' ')).toContain('No name');
  await user.click(list.getByRole('button', { name: 'Use these again' }));
  expect(await field('Purge share')).toHaveValue('0.1');
});
