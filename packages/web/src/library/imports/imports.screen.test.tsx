import type { ImportJob, ImportPlan, ImportQuestion } from '@anvilstone/schema';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { NOW } from '../../testing/testAnswers.ts';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const ID = '00000000-0000-4000-8000-00000000000a';
const question = (more: Partial<ImportQuestion> = {}): ImportQuestion =>
  ({
    id: 'comma',
    kind: 'decimal',
    text: 'What does the comma in “1,234” stand for?',
    detail: 'Both can be.',
    count: 2,
    examples: [{ text: '1,234', line: 4 }],
    choices: [
      { id: 'decimal', label: 'Decimal comma', means: '1.234' },
      { id: 'thousands', label: 'Thousands', means: '1234' },
    ],
    answer: null,
    ...more,
  }) as ImportQuestion;
const plan = (more: Partial<ImportPlan> = {}): ImportPlan =>
  ({
    layout: 'wide',
    format: 'csv',
    sheets: [],
    sheet: null,
    delimiter: ';',
    decimal: 'point',
    headerLine: 1,
    columns: [
      { column: 0, header: 'Name', samples: ['PETG A'], target: 'name', guessed: true, conditions: {} },
      {
        column: 1,
        header: 'Strength',
        samples: ['48'],
        target: 'property.tensileStrength',
        unit: 'MPa',
        guessed: true,
        conditions: {},
      },
      { column: 2, header: 'Rubbish', samples: [], target: 'ignore', guessed: true, conditions: {} },
    ],
    rowCount: 3,
    newCount: 2,
    changedCount: 1,
    unchangedCount: 0,
    errorCount: 0,
    remarkCount: 0,
    questions: [],
    issues: [],
    grades: [{ gradeId: 'petg-a', name: 'PETG A', kind: 'new', differences: [] }],
    ...more,
  }) as unknown as ImportPlan;
const job = (more: Partial<ImportJob> = {}): ImportJob =>
  ({
    id: ID,
    fileName: 'maker.csv',
    state: 'ready',
    progress: 1,
    settings: {},
    plan: plan(),
    failure: null,
    createdAt: NOW.toISOString(),
    ...more,
  }) as unknown as ImportJob;

function importing(first: ImportJob) {
  const server = fakeServer();
  const now = { job: first };
  server.says('GET', 'imports', () => [now.job]);
  server.says('GET', 'imports/:id', () => now.job);
  server.says('GET', 'imports/:id/rows', () => ({
    total: 2,
    rows: [
      { line: 2, cells: ['PETG A', '48', ''], issues: [], leftOut: false },
      {
        line: 3,
        cells: ['PETG B', 'lots', ''],
        issues: [
          {
            line: 3,
            column: 1,
            header: 'Strength',
            text: 'lots',
            severity: 'error',
            message: '“lots” is not a number',
          },
        ],
        leftOut: false,
      },
    ],
  }));
  server.says(
    'PUT',
    'imports/:id/settings',
    ({ body }) => (now.job = { ...now.job, settings: body as ImportJob['settings'] }),
  );
  return { server, now };
}
const AT = `/grades/import/${ID}`;

test('a file is handed in by choosing or dropping it, and its import opens; a refusal is told', async () => {
  const { server } = importing(job());
  server.says('POST', 'imports', () => job());
  const { user, where } = openApp('/grades/import', { server });
  expect(await screen.findByRole('link', { name: 'maker.csv' })).toHaveAttribute('href', AT);
  expect(screen.getByText('waiting for input')).toBeVisible();
  await user.upload(await field('Choose a file'), new File(['a;b'], 'maker.csv', { type: 'text/csv' }));
  await waitFor(() => expect(where()).toBe(AT));
  server.says('POST', 'imports', () => {
    throw new Refused({ status: 413, title: 'Too large', detail: 'At most 40 MB.' });
  });
  openApp('/grades/import', { server });
  const area = (await screen.findByText('Drop a file here')).parentElement!;
  fireEvent.dragOver(area);
  fireEvent.drop(area, { dataTransfer: { files: [new File(['x'], 'big.csv')] } });
  expect(await screen.findByText('At most 40 MB.')).toBeVisible();
});

test('nothing goes in before what only a person can decide is answered', async () => {
  const { server } = importing(job({ plan: plan({ questions: [question()] }) }));
  const { user } = openApp(AT, { server });
  const go = await button('Import 3 grades');
  expect(go).toBeDisabled();
  expect(screen.getByText(/Before it can go in: 1 question to answer\./)).toBeVisible();
  expect(screen.getByText('2 cells: “1,234” in line 4 …')).toBeVisible();
  // Nothing is chosen beforehand.
  for (const one of screen.getAllByRole('radio')) expect(one).not.toBeChecked();
  await user.click(screen.getByRole('radio', { name: /Decimal comma/ }));
  await waitFor(() => expect(server.asked.at(-1)?.body).toEqual({ answers: { comma: 'decimal' } }));
  expect(await screen.findByText('✓ answered')).toBeVisible();
  await waitFor(() => expect(screen.getByRole('button', { name: 'Import 3 grades' })).toBeEnabled());
});

test('what a column is taken for is chosen in its row, and said to be one’s own choice', async () => {
  const { server, now } = importing(job());
  const { user } = openApp(AT, { server });
  expect(await screen.findByRole('heading', { name: 'Columns (2 of 3 wanted)' })).toBeVisible();
  const taken = await field('Strength: meaning');
  await user.selectOptions(taken, within(taken).getByRole('option', { name: 'Flexural strength' }));
  await waitFor(() =>
    expect(server.asked.at(-1)?.body).toEqual({ columns: [{ column: 1, target: 'property.flexuralStrength' }] }),
  );
  expect(now.job.settings.columns).toHaveLength(1);
});

test('a cell with a problem is corrected in its place, a row left out', async () => {
  const { server } = importing(job({ plan: plan({ errorCount: 1 }) }));
  const { user } = openApp(AT, { server });
  expect(await button('Import 3 grades')).toBeDisabled();
  expect(screen.getByText(/1 cell to correct/)).toBeVisible();
  expect(await screen.findByText('“lots” is not a number')).toBeVisible();
  await user.click(await button('Leave line 3 out'));
  await waitFor(() => expect(server.asked.at(-1)?.body).toMatchObject({ leftOut: [3] }));
});

test('it is committed once, and may be stopped while nothing is written', async () => {
  const { server, now } = importing(job());
  server.says('POST', 'imports/:id/commit', () => (now.job = job({ state: 'committing', progress: 0.3 })));
  server.says('POST', 'imports/:id/cancel', () => (now.job = job({ state: 'cancelled' })));
  const { user } = openApp(AT, { server });
  await user.click(await button('Import 3 grades'));
  await user.click(await button('Stop without writing'));
  expect(await screen.findByText('Cancelled. The library is unchanged.')).toBeVisible();
  expect(screen.getByRole('link', { name: 'Another file' })).toHaveAttribute('href', '/grades/import');
  expect(server.asked.map(({ path }) => path)).toEqual([`imports/${ID}/commit`, `imports/${ID}/cancel`]);
});

test('done it leads to the library; a file that cannot be read says why', async () => {
  const { server } = importing(job({ state: 'done' }));
  openApp(AT, { server });
  expect(await screen.findByText('Imported: 2 new and 1 changed grades.')).toBeVisible();
  expect(screen.getByRole('link', { name: 'Open the library' })).toBeVisible();
  const broken = importing(job({ state: 'failed', plan: null, failure: 'Line 7 has more cells than the heading.' }));
  openApp(AT, { server: broken.server });
  expect(await screen.findByRole('alert')).toHaveTextContent('Line 7 has more cells than the heading.');
  expect(screen.getByText('Nothing was changed.')).toBeVisible();
});

test('choices made quickly after each other all hold, though answers come late and tell of the time before', async () => {
  const { server, now } = importing(job());
  const put: ((job: ImportJob) => void)[] = [];
  let most = 0;
  // The server takes its time, and is asked meanwhile how far it is: it answers with what it has had.
  server.says('PUT', 'imports/:id/settings', ({ body }) => {
    now.job = { ...now.job, state: 'reading', settings: body as ImportJob['settings'] };
    const answer = now.job;
    most = Math.max(most, put.length + 1);
    return new Promise((resolve) => put.push(() => resolve(answer)));
  });
  const before = now.job;
  server.says('GET', 'imports/:id', () => before);
  const { user } = openApp(AT, { server });
  await user.type(await field('Document or campaign'), 'Sheet 7{Enter}');
  await user.selectOptions(await field('Strength: meaning'), 'property.flexuralStrength');
  await user.selectOptions(await field('Unit of Strength'), 'psi');
  await user.selectOptions(await field('Values are from'), 'bench');
  const wanted = {
    reference: 'Sheet 7',
    source: 'bench',
    columns: [{ column: 1, target: 'property.flexuralStrength', unit: 'psi', conditions: {} }],
  };
  // It shows at once, and nothing can be written before the server has had it.
  expect(await field('Document or campaign')).toHaveValue('Sheet 7');
  expect(await field('Strength: meaning')).toHaveValue('property.flexuralStrength');
  expect(await field('Unit of Strength')).toHaveValue('psi');
  expect(screen.getByRole('button', { name: /^Import \d+ grades/ })).toBeDisabled();
  await waitFor(() => {
    put.shift()?.(now.job);
    expect(now.job.settings).toEqual(wanted);
  });
  put.shift()?.(now.job);
  expect(most).toBe(1);
  server.says('GET', 'imports/:id', () => ({ ...now.job, state: 'ready' }));
  await waitFor(() => expect(screen.getByRole('button', { name: /^Import \d+ grades/ })).toBeEnabled());
  expect(await field('Unit of Strength')).toHaveValue('psi');
});

test('an answer asked for before a change and given after it does not put the old plan back', async () => {
  const { server, now } = importing(job());
  const before = now.job;
  let ask = (): void => undefined;
  const asked = new Promise<void>((resolve) => (ask = resolve));
  let change = (): void => undefined;
  const changed = new Promise<void>((resolve) => (change = resolve));
  let changing = false;
  let isLate = false;
  let askedSince = 0;
  server.says('PUT', 'imports/:id/settings', async () => {
    changing = true;
    // Until the page asks how far it is, which it does before the change is through.
    await asked;
    changing = false;
    now.job = { ...now.job, plan: plan({ newCount: 7 }) };
    change();
    return now.job;
  });
  server.says('GET', 'imports/:id', async () => {
    if (isLate) askedSince += 1;
    if (!changing) return now.job;
    ask();
    await changed;
    // Well after the answer to the change.
    await new Promise((resolve) => setTimeout(resolve, 200));
    isLate = true;
    return before;
  });
  const { user, settled } = openApp(AT, { server });
  await user.type(await field('Maker, where no column says so'), 'Fenmoor Works{Enter}');
  // The old plan is on the page again, until it asks once more.
  await waitFor(() => expect(askedSince).toBe(1));
  await settled();
  // 7 new and 1 changed.
  expect(await screen.findByRole('button', { name: 'Import 8 grades' })).toBeEnabled();
});
