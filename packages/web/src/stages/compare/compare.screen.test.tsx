import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';

const COMPARE = `${partPath('Lamp arm')}/compare`;
const bases = () =>
  screen.getAllByText('baseline, 100 %').map((one) => one.closest('th')!.querySelector('strong')!.textContent);
const gradesIn = (where: string) => new URLSearchParams(where.split('?')[1]).get('grades');

test('without a choice the leaders of the ranking methods are there', async () => {
  openApp(COMPARE);
  await waitFor(() => expect(screen.getAllByRole('button', { name: /^Remove / }).length).toBeGreaterThan(1));
  expect(bases()[0]).toBe('Tarrowmill PETG Clearway');
});

test('finalists are added, made the base and removed; two are the fewest, five the most', async () => {
  const { user, where } = openApp(`${COMPARE}?grades=tm-petg,tm-asa`);
  await waitFor(() => expect(bases()[0]).toBe('Tarrowmill PETG Clearway'));
  await user.selectOptions(
    await field('Add a grade'),
    within(await field('Add a grade')).getByRole('option', { name: /^Nine Elms ABS Trade/ }),
  );
  await waitFor(() => expect(gradesIn(where())).toBe('tm-petg,tm-asa,ne-abs'));
  await user.click((await screen.findAllByRole('button', { name: 'Set as baseline' })).at(-1)!);
  await waitFor(() => expect(gradesIn(where())).toBe('ne-abs,tm-petg,tm-asa'));
  await waitFor(() => expect(bases()[0]).toBe('Nine Elms ABS Trade'));
  await user.click(await button('Remove Nine Elms ABS Trade'));
  await waitFor(() => expect(gradesIn(where())).toBe('tm-petg,tm-asa'));
  await user.click(await button('Remove Tarrowmill PETG Clearway'));
  expect(await screen.findByText('Choose at least two grades to compare.')).toBeVisible();
});

test('neat, glass and carbon of one base are there by one choice', async () => {
  const { user, where } = openApp(`${COMPARE}?grades=tm-petg,tm-asa`);
  const sets = await field('Neat ↔ glass ↔ carbon, ready');
  const [, first] = within(sets).getAllByRole('option');
  await user.selectOptions(sets, first!);
  await waitFor(() => expect(gradesIn(where())).not.toBe('tm-petg,tm-asa'));
  expect(gradesIn(where())!.split(',').length).toBeGreaterThanOrEqual(2);
});

test('what was compared last for this part is there again', async () => {
  openApp(`${COMPARE}?grades=vp-abs,ol-pc`);
  await waitFor(() => expect(bases()[0]).toBe('Veld ABS Natural'));
  openApp(COMPARE, { isBack: true });
  await waitFor(() => expect(bases()[0]).toBe('Veld ABS Natural'));
});

test('is taken along as a table and as a sheet with the same grades', async () => {
  const { user } = openApp(`${COMPARE}?grades=tm-petg,tm-asa`);
  const taken: Blob[] = [];
  URL.createObjectURL = (blob: Blob) => {
    taken.push(blob);
    return 'blob:x';
  };
  URL.revokeObjectURL = () => undefined;
  await user.click(await button('CSV'));
  expect(await taken[0]!.text()).toMatch(/Tarrowmill PETG Clearway.*Tarrowmill ASA Outdoor/);
  expect(screen.getByRole('link', { name: 'PDF' }).getAttribute('href')).toContain('grades=tm-petg%2Ctm-asa');
});
