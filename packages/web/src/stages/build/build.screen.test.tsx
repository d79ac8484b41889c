import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { WallsAndInfill } from '@anvilstone/schema';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';

const LAMP = partPath('Lamp arm');
const id = LAMP.split('/')[2]!;
const BUILD = `${LAMP}/build?grade=ne-petg`;
const filledIn = (server: ReturnType<typeof openApp>['server']) =>
  server.briefOf(id).filled as WallsAndInfill | undefined;

describe('which build orientation', () => {
  test('the recommended way is said; only one is written into the brief and left open again', async () => {
    const { user, server } = openApp(BUILD);
    const table = within(await screen.findByRole('table', { name: 'Checks by build orientation' }));
    expect(table.getByText(/^recommended/)).toBeVisible();
    // Layers along its width: the arm is taller than wide, so it then lies flat.
    await user.click(await button('Use only XY'));
    await waitFor(() => expect(server.briefOf(id).asks.orientations).toEqual(['XZ']));
    expect((await screen.findAllByText(/excluded by the brief/)).length).toBe(2);
    await user.click(await button('Allow any'));
    await waitFor(() => expect(server.briefOf(id).asks).not.toHaveProperty('orientations'));
  });

  test('a tilt is tried out by its handle: it gets a column of its own, with nothing to write down', async () => {
    openApp(BUILD);
    const handle = await screen.findByRole('slider', { name: 'Tilt' });
    fireEvent.change(handle, { target: { value: '35' } });
    expect(handle).toHaveAttribute('aria-valuetext', '35 degrees');
    expect(await screen.findByText(/^selected/)).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Use only tilted' })).toBeNull();
  });

  test('a reserve leads to its working', async () => {
    const { user, where } = openApp(BUILD);
    await user.click((await screen.findAllByRole('link', { name: /, XY: show working$/ }))[0]!);
    await waitFor(() => expect(where()).toMatch(/\/shortlist\?grade=ne-petg&check=.*&built=XZ$/));
  });
});

describe('what it is filled with', () => {
  test('walls around an infill, set one by one; solid again leaves nothing behind', async () => {
    const { user, server, over } = openApp(`${BUILD}&show=filling`);
    await user.selectOptions(await field('Body'), 'Walls around an infill');
    await over('Walls', '4.4');
    await waitFor(() => expect(filledIn(server)?.walls).toBe(4));
    await over('Share of the core', '35');
    await user.selectOptions(
      await field('Infill'),
      within(await field('Infill'))
        .getAllByRole('option')
        .at(-1)!,
    );
    await waitFor(() => expect(filledIn(server)?.infillShare).toBeCloseTo(0.35, 9));
    expect(await screen.findByRole('region', { name: /^Other ways to use the same mass/ })).toBeVisible();
    await user.selectOptions(await field('Body'), 'Solid throughout');
    await waitFor(() => expect(server.briefOf(id)).not.toHaveProperty('filled'));
  });

  test('one that would do is taken by a click, and says that it is set', async () => {
    const { user, server } = openApp(`${BUILD}&show=filling`);
    const take = await screen.findByRole('button', { name: 'Apply 6 walls, 30 % infill' });
    await user.click(take);
    await waitFor(() => expect(filledIn(server)).toMatchObject({ walls: 6, infillShare: 0.3 }));
    await waitFor(() => expect(screen.queryByRole('button', { name: 'Apply 6 walls, 30 % infill' })).toBeNull());
    expect(screen.getAllByText('current').length).toBeGreaterThan(0);
  });

  test('what has no drawn section is taken as solid, and that is said', async () => {
    openApp(`${partPath('Heater duct')}/build?show=filling`);
    expect(await screen.findByText(/: treated as solid\. Walls and infill are worked out for/)).toBeVisible();
  });
});

describe('continuous strands', () => {
  const BEAM = partPath('Inspection gauge');
  test('are laid in the faces under their cover, and taken out again', async () => {
    const { user, server, over } = openApp(`${BEAM}/build?show=fibre`);
    const beam = BEAM.split('/')[2]!;
    const choose = (await screen.findAllByRole('combobox')).find((one) =>
      within(one).queryByRole('option', { name: /Continuous carbon in polyamide/ }),
    )!;
    await user.selectOptions(choose, within(choose).getByRole('option', { name: /Continuous carbon in polyamide/ }));
    await over('Printed cover', '1.2 mm');
    await waitFor(() => expect(server.briefOf(beam).fibre?.insetMm).toBe(1.2), { timeout: 30_000 });
    await user.selectOptions(choose, within(choose).getAllByRole('option')[0]!);
    // Other ways to the same stiffness are being tried meanwhile, here in the page’s own thread.
    await waitFor(() => expect(server.briefOf(beam)).not.toHaveProperty('fibre'), { timeout: 50_000 });
  });

  test('what has no faces that bend is told where strands go', async () => {
    openApp(`${partPath('Drip cup')}/build?show=fibre`);
    expect(await screen.findByText(/For plates and other stacks use the layup/)).toBeVisible();
  });
});

test('one part of two materials: the second is of another family, and an unknown bond never passes', async () => {
  const { user, where } = openApp(`${BUILD}&show=split`);
  const second = (await field('Second material')) as HTMLSelectElement;
  await waitFor(() => expect(second.selectedOptions[0]?.textContent).toMatch(/^(?!.*PETG)./));
  const rows = await screen.findAllByRole('row');
  const unknown = rows.filter((row) => row.textContent.includes('not known'));
  for (const row of unknown) expect(row.textContent).not.toMatch(/passes$/);
  await user.selectOptions(second, 'Tarrowmill PETG Clearway');
  await waitFor(() => expect(where()).toContain('second=tm-petg'));
});
