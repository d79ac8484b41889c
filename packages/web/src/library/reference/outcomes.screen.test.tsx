import { screen, within } from '@testing-library/react';
import { button, openApp } from '../../testing/testApp.tsx';

test('the engine is asked for what anybody knows; hits and misses are counted and shown', async () => {
  const { user } = openApp('/grades/reference');
  await user.click(await button('Run the engine'));
  const table = screen.getByRole('region', { name: 'Table of known outcomes' });
  const rows = within(table).getAllByRole('row');
  const missed = rows.filter((row) => /miss$/.test(row.textContent ?? '')).length;
  const hit = rows.filter((row) => /hit$/.test(row.textContent ?? '')).length;
  expect(missed).toBeGreaterThan(0);
  expect(screen.getByRole('status')).toHaveTextContent(
    `${hit} of ${hit + missed} reproduced; ${missed} not reproduced.`,
  );
  expect(within(table).getByRole('rowheader', { name: 'Neat ABS yellows and embrittles outdoors' })).toBeVisible();
});
