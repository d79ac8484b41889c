import { findCalculator } from '@anvilstone/core/education';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

/** A server that runs the same calculators. */
function calculatingServer() {
  const server = fakeServer();
  server.says('POST', 'calculators/:id', ({ params, body }) => findCalculator(params.id!)!.run(body as never));
  return server;
}
const answer = () => within(screen.getByRole('region', { name: 'Result' }));
const typeOver = async (user: ReturnType<typeof openApp>['user'], name: string, text: string) => {
  const one = await field(name);
  await user.clear(one);
  await user.type(one, text);
};

test('an answer follows the numbers, and the address keeps them', async () => {
  const { user, where } = openApp('/calculators/knock-force', { server: calculatingServer() });
  const input = findCalculator('knock-force')!.example as Record<string, unknown>;
  await waitFor(() => expect(answer().getAllByRole('definition').length).toBeGreaterThan(0));
  const before = answer()
    .getAllByRole('definition')
    .map((one) => one.textContent);
  const numbers = screen.getAllByRole('textbox').filter((one) => (one as HTMLInputElement).inputMode === 'text');
  await user.clear(numbers[0]!);
  await user.type(numbers[0]!, '0.9');
  await waitFor(() =>
    expect(
      answer()
        .getAllByRole('definition')
        .map((one) => one.textContent),
    ).not.toEqual(before),
  );
  const kept = JSON.parse(new URLSearchParams(where().split('?')[1]).get('in')!) as Record<string, unknown>;
  expect(Object.keys(kept)).toEqual(Object.keys(input));
  expect(Object.values(kept)).toContain(0.9);
});

test('a formula is found by its words; none is said to be none', async () => {
  const { user, where } = openApp('/calculators', { server: calculatingServer() });
  await user.type(await field('Find a formula'), 'snap hook');
  const list = within(screen.getByRole('navigation', { name: 'Formulas' }));
  expect(list.getAllByRole('link').length).toBeGreaterThan(0);
  for (const link of list.getAllByRole('link')) expect(link.textContent.toLowerCase()).toMatch(/snap|hook/);
  await user.click(list.getAllByRole('link')[0]!);
  await waitFor(() => expect(where()).toMatch(/^\/calculators\/[a-z-]*snap/));
  await typeOver(user, 'Find a formula', 'perpetual motion');
  expect(list.getByText('No match.')).toBeVisible();
});

test('numbers in a broken link are an example’s, and that is said', async () => {
  openApp('/calculators/knock-force?in=%7Bbroken', { server: calculatingServer() });
  expect(await screen.findByText(/could not be read; an example is shown/)).toBeVisible();
  await waitFor(() => expect(answer().getAllByRole('definition').length).toBeGreaterThan(0));
});

test('what makes no sense is told at its field, over the last usable answer', async () => {
  const server = calculatingServer();
  const { user } = openApp('/calculators/convert-unit', { server });
  await waitFor(() => expect(answer().getAllByRole('definition').length).toBeGreaterThan(0));
  server.says('POST', 'calculators/:id', () => {
    throw new Refused({
      status: 400,
      title: 'Not possible',
      detail: 'The input is not right.',
      errors: [{ pointer: '/from', detail: 'from: “furlong” is not a unit here' }],
    });
  });
  const [first] = screen.getAllByRole('textbox').filter((one) => one.closest('nav') === null);
  await user.type(first!, '1');
  expect(await answer().findByRole('alert')).toHaveTextContent(
    'from: “furlong” is not a unit here The result below is from the last valid numbers.',
  );
  expect(answer().getAllByRole('definition').length).toBeGreaterThan(0);
});

test('a list has lines: one more is a copy of the last, and one is taken away', async () => {
  const { user, where } = openApp('/calculators/dryer-plan', { server: calculatingServer() });
  const [first] = await screen.findAllByRole('button', { name: /^Remove .+, 1$/ });
  const name = first!.getAttribute('aria-label')!.replace(/^Remove (.+), 1$/, '$1');
  const count = () => screen.getAllByRole('button', { name: new RegExp(`^Remove ${name}, \\d+$`) }).length;
  const before = count();
  const list = first!.closest('fieldset')!.parentElement!;
  await user.click(within(list).getByRole('button', { name: '+ Another' }));
  await waitFor(() => expect(count()).toBe(before + 1));
  await user.click(await button(`Remove ${name}, 1`));
  await waitFor(() => expect(count()).toBe(before));
  const kept = JSON.parse(new URLSearchParams(where().split('?')[1]).get('in')!) as Record<string, unknown>;
  expect(Object.values(kept).some((value) => Array.isArray(value) && value.length === before)).toBe(true);
});

test('the link with its numbers is copied', async () => {
  const { user } = openApp('/calculators/knock-force', { server: calculatingServer() });
  const write = jest.spyOn(navigator.clipboard, 'writeText').mockResolvedValue();
  await user.click(await button('Copy the link'));
  expect(await button('Link copied')).toBeVisible();
  const copied = write.mock.calls[0]![0];
  expect(copied).toContain('/calculators/knock-force?in=');
  const input = JSON.parse(decodeURIComponent(copied.split('?in=')[1]!)) as unknown;
  expect(input).toEqual(findCalculator('knock-force')!.example);
});
