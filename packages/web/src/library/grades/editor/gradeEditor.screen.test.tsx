import type { Grade } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp } from '../../../testing/testApp.tsx';
import type { FakeServer } from '../../../testing/fakeServer.ts';

const gradeOf = (server: FakeServer, id: string) => server.kinds.grades.byId.get(id)!.value as Grade;
type User = ReturnType<typeof openApp>['user'];
const typeOver = async (user: User, name: string, text: string) => {
  const one = await field(name);
  await user.clear(one);
  await user.type(one, text);
};
const panel = (name: string | RegExp) => within(screen.getByRole('region', { name }));
/** Opens the form of the report of that number in the list. */
const openReport = async (user: User, number = 0) => {
  const list = panel(/^Evidence/).getAllByRole('button', { expanded: false });
  await user.click(list[number]!);
};

describe('a new grade', () => {
  test('cannot be stored without a name, a maker, and where each number comes from', async () => {
    const { user, server, where } = openApp('/grades/new');
    const save = await button('Save');
    expect(save).toBeDisabled();
    await user.type(await field('Name'), 'Nylon Trial');
    await user.click(panel(/^Evidence/).getByRole('button', { name: 'Add a report' }));
    await user.type(await field('Value'), '48.5');
    expect(screen.getByRole('status').textContent).toMatch(/^Not saved: 2 fields have to be corrected/);
    expect(await field('Maker')).toHaveAccessibleDescription('The maker is missing');
    expect(await field('Document or campaign')).toHaveAccessibleDescription('Say where the number comes from');
    await user.type(await field('Maker'), 'Own Make');
    expect(screen.getByRole('status').textContent).toMatch(/^Not saved: 1 field has/);
    await user.type(await field('Document or campaign'), 'Sheet 3');
    await user.selectOptions(await field('Polymer family'), 'PA6');
    await user.type(await field('Colours, with commas between'), 'red, deep blue,');
    await user.click(save);
    await waitFor(() => expect(where()).toBe('/grades/own-nylon-trial'));
    expect(gradeOf(server, 'own-nylon-trial')).toMatchObject({
      familyId: 'pa6',
      colours: ['red', 'deep blue'],
      pricePerKgUsd: null,
      process: {},
      observations: [
        {
          property: 'tensileStrength',
          value: 48.5,
          unit: 'MPa',
          source: 'bench',
          specimen: 'printed',
          reference: 'Sheet 3',
        },
      ],
    });
    // Stored, it is not an edit of an earlier visit any more.
    openApp('/grades/new', { server, isBack: true });
    expect(await field('Name')).toHaveValue('');
  });

  test('what was typed and not saved is there on the next visit, and may be discarded', async () => {
    const { user } = openApp('/grades/tm-petg/edit');
    await user.type(await field('Remarks'), ' Strings a lot.');
    expect(screen.getByRole('status').textContent).toBe('Not saved yet; stored on this computer.');
    const again = openApp('/grades/tm-petg/edit', { isBack: true });
    expect(await screen.findByText(/edits from an earlier session/)).toBeVisible();
    expect(((await field('Remarks')) as HTMLInputElement).value).toMatch(/Strings a lot\.$/);
    await again.user.click(await button('Discard changes'));
    expect(((await field('Remarks')) as HTMLInputElement).value).not.toMatch(/Strings/);
    openApp('/grades/tm-petg/edit', { isBack: true });
    await field('Remarks');
    expect(screen.queryByText(/edits from an earlier session/)).toBeNull();
  });
});

describe('how its maker prints it', () => {
  test('one end of a range stands for both until the other is given', async () => {
    const { user, server } = openApp('/grades/qh-pla/edit');
    await user.clear(await field('Nozzle, low'));
    await user.type(await field('Nozzle, low'), '205');
    expect(await field('Nozzle, high')).toHaveValue('205');
    await typeOver(user, 'Nozzle, high', '225');
    expect(await field('Nozzle, low')).toHaveValue('205');
    await typeOver(user, 'Nozzle, low', '210');
    await user.click(await button('Save'));
    await waitFor(() => expect(gradeOf(server, 'qh-pla').process.nozzleC).toEqual({ low: 210, high: 225 }));
  });

  test('what is emptied is the family’s, told in the reader’s units', async () => {
    const { user } = openApp('/grades/tm-petg/edit', { settings: { units: 'inchPound' } });
    await user.clear(await field('Bed, low'));
    await user.tab();
    // The high end is still there, alone.
    expect(await field('Bed, low')).not.toHaveValue('');
    await user.clear(await field('Bed, high'));
    expect(await field('Bed, low')).toHaveAccessibleDescription(/^family: \d+ °F$/);
    expect(await field('Bed, high')).toHaveValue('');
  });

  test('a range the wrong way round is told at its low end, and not stored', async () => {
    const { user } = openApp('/grades/tm-petg/edit');
    await typeOver(user, 'Nozzle, low', '290');
    await typeOver(user, 'Nozzle, high', '230');
    expect((await field('Nozzle, low')).getAttribute('aria-invalid')).toBe('true');
    expect(await button('Save')).toBeDisabled();
  });

  test('what the family says of fumes and wear can be said otherwise, or left to it', async () => {
    const { user, server } = openApp('/grades/tm-petg/edit');
    await user.selectOptions(await field('Abrasive (wears brass nozzles)'), 'Yes');
    await user.selectOptions(await field('Enclosure'), 'Enclosed');
    await user.selectOptions(await field('Enclosure'), 'Not stated: family value');
    await typeOver(user, 'Drying time', '390 min');
    await user.click(await button('Save'));
    await waitFor(() => expect(server.asked).toHaveLength(1));
    expect(gradeOf(server, 'tm-petg').process).toMatchObject({ abrasive: true, dryingH: 6.5 });
    expect(gradeOf(server, 'tm-petg').process).not.toHaveProperty('enclosure');
  });
});

describe('evidence', () => {
  test('a report is copied, changed and taken away; each step can be undone', async () => {
    const { user } = openApp('/grades/tm-petg/edit');
    const title = () => screen.getByRole('heading', { name: /^Evidence/ }).textContent;
    await button('Add a report');
    const before = title();
    const count = Number(/\d+/.exec(before)![0]);
    await user.click(panel(/^Evidence/).getAllByRole('button', { name: /^Copy / })[0]!);
    expect(title()).toContain(`${count + 1} reports`);
    await user.click(panel(/^Evidence/).getAllByRole('button', { name: /^Delete / })[0]!);
    await user.click(panel(/^Evidence/).getAllByRole('button', { name: /^Delete / })[0]!);
    expect(title()).toContain(`${count - 1} reports`);
    for (let step = 0; step < 3; step++) await user.click(await button('Undo'));
    expect(title()).toBe(before);
    await user.click(await button('Redo'));
    expect(title()).toContain(`${count + 1} reports`);
  });

  test('a value becomes a range, a lower bound and a value again, and no number is lost on the way', async () => {
    const { user, server } = openApp('/grades/tm-petg/edit');
    await button('Save');
    await openReport(user);
    const id = gradeOf(server, 'tm-petg').observations.find(({ value }) => value !== undefined)!;
    expect(id.value).toBeDefined();
    const value = ((await field('Value')) as HTMLInputElement).value;
    await user.selectOptions(await field('Result is'), 'a range');
    expect(await field('Low')).toHaveValue(value);
    expect(await field('High')).toHaveValue(value);
    await user.selectOptions(await field('Result is'), 'a lower bound');
    expect(await field('Value')).toHaveValue(value);
    expect(screen.queryByLabelText('Standard deviation')).toBeNull();
    await user.selectOptions(await field('Result is'), 'a value');
    expect(await field('Value')).toHaveValue(value);
  });

  test('another property has units and conditions of its own', async () => {
    const { user } = openApp('/grades/new');
    await user.click(await button('Add a report'));
    await user.selectOptions(await field('Property'), 'Charpy impact, notched');
    expect(((await field('Unit')) as HTMLSelectElement).value).toBe('kJ/m²');
    await user.selectOptions(await field('Property'), 'Heat deflection temperature (HDT)');
    expect(((await field('Unit')) as HTMLSelectElement).value).toBe('°C');
    expect(screen.getByLabelText(/stress.*\(MPa\)/i)).toBeVisible();
    await user.selectOptions(await field('Property'), 'Flame class');
    expect(screen.queryByLabelText('Value')).toBeNull();
    expect(screen.getByLabelText('Class')).toBeVisible();
  });

  test('a number that cannot be read stays typed with the reason; half a specimen is none', async () => {
    const { user } = openApp('/grades/new');
    await user.click(await button('Add a report'));
    await user.type(await field('Value'), '4,8.5x');
    expect((await field('Value')).getAttribute('aria-invalid')).toBe('true');
    expect(await field('Value')).toHaveValue('4,8.5x');
    await user.type(await field('Specimens (n)'), '2.5');
    expect(await field('Specimens (n)')).toHaveAccessibleDescription('Enter a whole number.');
    await user.type(await field('Date (YYYY-MM-DD)'), '31.12.2025');
    expect((await field('Date (YYYY-MM-DD)')).getAttribute('aria-invalid')).toBe('true');
  });
});

test('a claim needs a statement and where it stands; what is left empty is not stored', async () => {
  const { user, server } = openApp('/grades/tm-petg/edit');
  await button('Save');
  const claims = gradeOf(server, 'tm-petg').claims?.length ?? 0;
  await user.click(panel(/^Certificates/).getByRole('button', { name: 'Add one' }));
  expect(await button('Save')).toBeDisabled();
  const last = (label: string) =>
    panel(/^Certificates/)
      .getAllByLabelText(label)
      .at(-1)!;
  await user.type(last('Statement'), 'V-0 at 1.6 mm');
  await user.type(last('Stated in'), 'Sheet 9');
  await user.type(last('Thickness'), '1.6');
  await user.type(last('Colour'), 'b');
  await user.clear(last('Colour'));
  await user.click(await button('Save'));
  await waitFor(() => expect(server.asked).toHaveLength(1));
  const made = gradeOf(server, 'tm-petg').claims!;
  expect(made).toHaveLength(claims + 1);
  expect(made.at(-1)).toEqual({
    kind: 'flame',
    statement: 'V-0 at 1.6 mm',
    scope: 'not-stated',
    reference: 'Sheet 9',
    thicknessMm: 1.6,
  });
});

describe('saved by somebody else meanwhile', () => {
  const changedElsewhere = async () => {
    const open = openApp('/grades/tm-petg/edit');
    await typeOver(open.user, 'Maker', 'Mine');
    open.server.kinds.grades.changeElsewhere('tm-petg', { ...gradeOf(open.server, 'tm-petg'), maker: 'Theirs' });
    await open.user.click(await button('Save'));
    await button('Save mine over revision 2');
    return open;
  };

  test('mine is saved over theirs only when that is meant', async () => {
    const { user, server, where } = await changedElsewhere();
    expect(gradeOf(server, 'tm-petg').maker).toBe('Theirs');
    await user.click(await button('Save mine over revision 2'));
    await waitFor(() => expect(where()).toBe('/grades/tm-petg'));
    expect(gradeOf(server, 'tm-petg').maker).toBe('Mine');
  });

  test('theirs is taken, and undo brings mine back', async () => {
    const { user } = await changedElsewhere();
    await user.click(await button(/^Use the newer version/));
    expect(await field('Maker')).toHaveValue('Theirs');
    await user.click(await button('Undo'));
    expect(await field('Maker')).toHaveValue('Mine');
  });
});

test('a grade that is not there leads back to all', async () => {
  openApp('/grades/nothing/edit');
  expect(await screen.findByText('There is no grade “nothing”.')).toBeVisible();
  expect(screen.getByRole('link', { name: 'All grades' })).toHaveAttribute('href', '/grades');
});
