import type { ChangeDetail, RecordedChange } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const change = (id: string, more: Partial<RecordedChange>): RecordedChange =>
  ({
    id,
    at: '2026-06-01T10:00:00Z',
    who: 'A. Bell',
    action: 'changed',
    kind: 'machines',
    record: 'old-wide',
    title: 'Old wide one',
    revision: 2,
    ...more,
  }) as RecordedChange;
const all = [
  change('9', {}),
  change('8', { who: 'C. Dow', action: 'removed', kind: 'spools', record: 'S-9', title: 'S-9', revision: null }),
  change('7', { action: 'added', kind: 'agents', record: 'rope-wash', title: 'Rope wash', revision: 1 }),
];
const detail = (id: string, more: Partial<ChangeDetail>): ChangeDetail =>
  ({ ...all.find((one) => one.id === id)!, before: null, after: null, canBePutBack: false, ...more }) as ChangeDetail;

function serverWithChanges() {
  const server = fakeServer();
  const asked: string[] = [];
  server.says('GET', 'changes', ({ query }) => {
    asked.push(query.toString());
    const who = query.get('who');
    const kind = query.get('kind');
    return all.filter((one) => (!who || one.who === who) && (!kind || one.kind === kind));
  });
  server.says('GET', 'changes/:id', ({ params }) =>
    params.id === '9'
      ? detail('9', {
          before: { id: 'old-wide', name: 'Old wide one', nozzleDiameterMm: 0.4 },
          after: { id: 'old-wide', name: 'Old wide one', nozzleDiameterMm: 0.6 },
          canBePutBack: true,
        })
      : detail(params.id!, {}),
  );
  return { server, asked };
}

test('changes tell who, what and which; each opens to its fields', async () => {
  const { server } = serverWithChanges();
  const { user } = openApp('/changes', { server });
  const first = await button(/A\. Bell changed machine “Old wide one”/);
  expect(await button(/C\. Dow removed spool “S-9”/)).toBeVisible();
  await user.click(first);
  const row = await screen.findByRole('row', { name: /nozzle/i });
  expect(
    within(row)
      .getAllByRole('cell')
      .slice(1)
      .map((cell) => cell.textContent),
  ).toEqual(['0.4 mm', '0.6 mm']);
  expect(screen.getByRole('link', { name: 'Open' })).toHaveAttribute('href', '/machines/old-wide/edit');
  await user.click(first);
  await waitFor(() => expect(screen.queryByRole('row', { name: /nozzle/i })).toBeNull());
});

test('what was removed is nowhere to be looked at, what was new has nothing before it', async () => {
  const { server } = serverWithChanges();
  const { user } = openApp('/changes', { server });
  await user.click(await button(/C\. Dow removed/));
  expect(await screen.findByText('Deleted.')).toBeVisible();
  expect(screen.queryByRole('link', { name: 'Open' })).toBeNull();
  await user.click(await button(/A\. Bell added/));
  expect(await screen.findByText('Created.')).toBeVisible();
  expect(screen.queryByRole('button', { name: 'Restore previous version' })).toBeNull();
  expect(screen.getByRole('link', { name: 'Open' })).toHaveAttribute('href', '/chemicals/rope-wash');
});

test('one is put back, and the list is read anew', async () => {
  const { server, asked } = serverWithChanges();
  server.says('POST', 'changes/:id/put-back', () => all[0]);
  const { user } = openApp('/changes', { server });
  await user.click(await button(/A\. Bell changed/));
  const before = asked.length;
  await user.click(await button('Restore previous version'));
  await waitFor(() => expect(asked.length).toBeGreaterThan(before));
  expect(server.asked.map(({ method, path }) => `${method} ${path}`)).toEqual(['POST changes/9/put-back']);
});

test('why one cannot be put back is told beside it', async () => {
  const { server } = serverWithChanges();
  server.says('POST', 'changes/:id/put-back', () => {
    throw new Refused({ status: 409, title: 'Not possible', detail: 'The machine was removed since.' });
  });
  const { user } = openApp('/changes', { server });
  await user.click(await button(/A\. Bell changed/));
  await user.click(await button('Restore previous version'));
  expect(await screen.findByText('The machine was removed since.')).toBeVisible();
});

test('only of one kind, only by one person, and by everybody again', async () => {
  const { server, asked } = serverWithChanges();
  const { user } = openApp('/changes', { server });
  await user.click(await button('C. Dow'));
  await waitFor(() => expect(screen.queryByRole('button', { name: /A\. Bell changed/ })).toBeNull());
  await user.click(await button('By C. Dow only ×'));
  expect(await button(/A\. Bell changed/)).toBeVisible();
  await user.selectOptions(await field('Of'), 'chemical');
  await waitFor(() => expect(screen.queryByRole('button', { name: /A\. Bell changed/ })).toBeNull());
  expect(asked).toContain('who=C.+Dow');
  expect(asked.at(-1)).toBe('kind=agents');
  await user.selectOptions(await field('Of'), 'trial');
  expect(await screen.findByText('None yet.')).toBeVisible();
});

test('the history of one record stands beside it and says so where there is none', async () => {
  const { server, asked } = serverWithChanges();
  const { user } = openApp('/chemicals/mineral-oil', { server });
  await user.click(await button('History'));
  const dialog = within(await screen.findByRole('dialog'));
  expect(await dialog.findByRole('button', { name: /A\. Bell added revision 1/ })).toBeVisible();
  // Which record it is need not be said of each.
  expect(dialog.queryByText(/Rope wash/)).toBeNull();
  expect(asked).toEqual(['kind=agents&record=mineral-oil']);
  await user.click(dialog.getByRole('button', { name: 'Close' }));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());

  server.says('GET', 'changes', () => []);
  await user.click(await button('History'));
  expect(await screen.findByText(/^No changes recorded/)).toBeVisible();
});
