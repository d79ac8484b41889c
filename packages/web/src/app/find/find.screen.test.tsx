import type { SearchHit } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const HITS: SearchHit[] = [
  { kind: 'finding', id: 'f1', partId: 'p9', title: 'P-1', line: 'failed', snippet: 'a crack at the «root»' },
  { kind: 'grade', id: 'tm-petg', title: 'Tarrowmill PETG Clearway', line: 'PETG', snippet: '' },
  { kind: 'campaign', id: 'K1', title: 'K1', line: '', snippet: '' },
] as unknown as SearchHit[];
const finding = (hits: SearchHit[] = HITS) => {
  const server = fakeServer();
  server.says('GET', 'search', () => hits);
  return server;
};
const options = () => screen.getAllByRole('option').map((one) => one.textContent);
const chosen = () => screen.getAllByRole('option').find((one) => one.getAttribute('aria-selected') === 'true')!;

test('a key opens it anywhere, arrows choose, Enter goes there', async () => {
  const { user, where } = openApp('/grades/reference', { server: finding() });
  await screen.findByRole('heading', { level: 1 });
  await user.keyboard('/');
  const field = await screen.findByRole('combobox', { name: 'Search' });
  expect(field).toHaveFocus();
  const all = options().length;
  expect(all).toBeGreaterThan(8);
  const first = chosen().textContent;
  await user.keyboard('{ArrowDown}');
  expect(chosen().textContent).not.toBe(first);
  await user.keyboard('{ArrowUp}{ArrowUp}');
  expect(chosen().textContent).toBe(first);
  await user.type(field, 'company ru');
  expect(chosen().textContent).toContain('Company rules');
  await user.keyboard('{Enter}');
  await waitFor(() => expect(where()).toBe('/company-rules'));
  expect(screen.queryByRole('dialog')).toBeNull();
});

test('what is written anywhere is found by kind, with the words that were found, and leads to its place', async () => {
  const { user, where } = openApp('/parts', { server: finding() });
  await user.click(await button('Find'));
  await user.type(await screen.findByRole('combobox', { name: 'Search' }), 'root');
  const crack = await screen.findByRole('option', { name: /a crack at the/ });
  expect(within(crack).getByText('root').tagName).toBe('MARK');
  expect(within(crack).getByText('Findings in service')).toBeVisible();
  await user.click(crack);
  await waitFor(() => expect(where()).toBe('/parts/p9/service'));
});

test('of a part its stages are offered too', async () => {
  const { user, where } = openApp(`${partPath('Lamp arm')}/brief`, { server: finding([]) });
  await field('Name');
  await user.keyboard('{Control>}k{/Control}');
  await user.type(await screen.findByRole('combobox', { name: 'Search' }), 'shortl');
  await user.keyboard('{Enter}');
  await waitFor(() => expect(where()).toBe(`${partPath('Lamp arm')}/shortlist`));
});

test('a quantity is told in other units; nothing found is said; what went wrong as well', async () => {
  const server = finding([]);
  const { user } = openApp('/parts', { server });
  await user.click(await button('Find'));
  const input = await screen.findByRole('combobox', { name: 'Search' });
  await user.type(input, '12 lbf');
  expect(await screen.findByText(/^= 53\.\d+ N/)).toBeVisible();
  await user.clear(input);
  await user.type(input, 'ŋ');
  expect(screen.getByText('No match. Two letters search everything.')).toBeVisible();
  await user.type(input, 'ŋŋ');
  expect(await screen.findByText('No match.')).toBeVisible();
  server.says('GET', 'search', () => {
    throw new Refused({ status: 500, title: 'Broken', detail: 'The list of words is being made.' });
  });
  await user.type(input, 'y');
  expect(await screen.findByText('The list of words is being made.')).toBeVisible();
  expect(screen.queryByText(/^Nothing/)).toBeNull();
  await user.keyboard('{Escape}');
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
});
