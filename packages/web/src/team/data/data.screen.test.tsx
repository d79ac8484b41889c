import type { Job } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import type { DecisionRow } from '../../stages/decision/decisionApi.ts';
import { keep } from '../../sync/outbox/outbox.ts';
import { NOW } from '../../testing/testAnswers.ts';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const zip = (name: string) => new File(['PK'], name, { type: 'application/zip' });
const job = (n: number, more: Partial<Job>): Job => ({
  id: `00000000-0000-4000-8000-00000000000${n}`,
  kind: 'back-up',
  title: `Job ${n}`,
  state: 'waiting',
  progress: 0,
  line: '',
  attempt: 1,
  failure: null,
  result: null,
  who: 'E. Ford',
  worker: null,
  createdAt: NOW.toISOString(),
  startedAt: null,
  endedAt: null,
  ...more,
});

describe('an archive', () => {
  const holding = () => {
    const server = fakeServer();
    server.says('GET', 'workshop/backups', () => ({ everyH: 24, keep: 14, files: [], trouble: null }));
    server.says('POST', 'workshop/archive/check', () => ({
      shape: '1',
      engineVersion: '0.5.1',
      holdsKey: true,
      files: [
        { name: 'parts.jsonl', table: 'parts', rows: 12 },
        { name: 'facts.jsonl', table: 'workshop_facts', rows: 2 },
        { name: 'grades.jsonl', table: 'grades', rows: 70 },
        { name: 'spools.jsonl', table: 'spools', rows: 0 },
      ],
    }));
    return server;
  };

  test('is looked into first, and then added beside what is here', async () => {
    const server = holding();
    const jobs: Job[] = [];
    server.says('GET', 'jobs', () => jobs);
    server.says('POST', 'workshop/archive', () => {
      jobs.push(
        job(1, { kind: 'restore', title: 'Import an archive', state: 'running', progress: 0.4, line: 'grades' }),
      );
      return jobs[0];
    });
    server.says('POST', 'jobs/:id/cancel', () => {
      jobs[0] = job(1, {
        kind: 'restore',
        title: 'Import an archive',
        state: 'done',
        result: {
          mode: 'merge',
          tables: [
            { table: 'parts', inArchive: 12, added: 10, kept: 2 },
            { table: 'grades', inArchive: 70, added: 70, kept: 0 },
          ],
        },
      });
      throw new Refused({ status: 409, title: 'Not now', detail: 'It is done.' });
    });
    const { user } = openApp('/data', { server });
    await user.upload(await field('Archive'), zip('ours.zip'));
    expect(await screen.findByText('✓ ours.zip is intact')).toBeVisible();
    // Tables that only the program knows are not told of.
    expect(screen.getByText('It holds 12 parts, 70 grades, and the key that seals its records.')).toBeVisible();
    await user.click(await button('Merge'));
    const taking = within(await screen.findByRole('region', { name: 'Import or restore' }));
    expect(await taking.findByRole('progressbar')).toHaveAttribute('aria-valuenow', '40');
    expect(taking.getByText(/until it is done, everything stays as it is/)).toBeVisible();
    // It is over before it can be stopped.
    await user.click(taking.getByRole('button', { name: 'Cancel' }));
    expect(await screen.findByText('✓ Imported')).toBeVisible();
    expect(screen.getByText('10 parts, 2 existed already')).toBeVisible();
    expect(server.asked.map(({ path }) => path)).toEqual([
      'workshop/archive/check',
      'workshop/archive?mode=merge&confirm=',
      `jobs/${job(1, {}).id}/cancel`,
    ]);
    expect(screen.getByText('10 parts, 2 existed already')).toBeVisible();
  });

  test('takes the place of everything only when that is written out', async () => {
    const server = holding();
    server.says('POST', 'workshop/archive', () => {
      throw new Refused({ status: 409, title: 'Not possible', detail: 'It is of a newer version.' });
    });
    const { user } = openApp('/data', { server });
    await user.upload(await field('Archive'), zip('theirs.zip'));
    const replace = await button('Replace');
    await user.type(await field('Type “replace everything”'), 'replace every');
    expect(replace).toBeDisabled();
    await user.type(await field('Type “replace everything”'), 'thing ');
    await user.click(replace);
    expect(await screen.findByText('It is of a newer version.')).toBeVisible();
    expect(server.asked.at(-1)!.path).toBe('workshop/archive?mode=replace&confirm=replace%20everything');
  });

  test('that is broken is refused before anything is asked', async () => {
    const server = holding();
    server.says('POST', 'workshop/archive/check', () => {
      throw new Refused({ status: 422, title: 'Not whole', detail: 'parts.jsonl does not have its digest.' });
    });
    const { user } = openApp('/data', { server });
    await user.upload(await field('Archive'), zip('bent.zip'));
    expect(await screen.findByText('parts.jsonl does not have its digest.')).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Merge' })).toBeNull();
  });
});

describe('backups', () => {
  test('are listed with their size, and one is made on asking', async () => {
    const server = fakeServer();
    const jobs: Job[] = [];
    const files = Array.from({ length: 10 }, (_, i) => ({
      name: `b${i}.zip`,
      at: NOW.toISOString(),
      bytes: 2_340_000,
      byHand: i === 1,
    }));
    server.says('GET', 'jobs', () => jobs);
    server.says('GET', 'workshop/backups', () => ({
      folder: '/backups',
      everyH: 12,
      keep: 10,
      files,
      trouble: 'the disk is full',
    }));
    server.says('POST', 'workshop/backups', () => {
      jobs.push(job(1, { state: 'waiting' }));
      return jobs[0];
    });
    const { user } = openApp('/data', { server });
    const panel = within(await screen.findByRole('region', { name: 'Backup' }));
    expect(await panel.findByText(/Backup every 12 h/)).toBeVisible();
    expect(panel.getAllByText('2.3 MB')).toHaveLength(8);
    expect(panel.getByText('and 2 older')).toBeVisible();
    expect(panel.getAllByText('on request')).toHaveLength(1);
    expect(panel.getByText('The last backup failed: the disk is full')).toBeVisible();
    await user.click(panel.getByRole('button', { name: 'Back up now' }));
    expect(await panel.findByText('Starting …')).toBeVisible();
    expect(panel.getByRole('button', { name: 'Back up now' })).toBeDisabled();
  });

  test('a server without a folder for them says so', async () => {
    const server = fakeServer();
    server.says('GET', 'workshop/backups', () => ({ everyH: 24, keep: 14, files: [], trouble: null }));
    openApp('/data', { server });
    expect(await screen.findByText(/No backups: the server was started/)).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Back up now' })).toBeNull();
  });
});

describe('long work', () => {
  test('is followed, cancelled, begun again; what failed says why', async () => {
    const server = fakeServer();
    const jobs = [
      job(1, { state: 'running', progress: 0.42, line: '420 of 1,000', worker: 'w1', attempt: 2 }),
      job(2, { state: 'failed', failure: 'The file was taken away.' }),
      job(3, { state: 'done', startedAt: '2026-06-01T12:00:00Z', endedAt: '2026-06-01T12:00:04.2Z' }),
    ];
    server.says('GET', 'jobs', () => jobs);
    server.says('POST', 'jobs/:id/cancel', () => (jobs[0] = { ...jobs[0]!, state: 'cancelled' }));
    server.says('POST', 'jobs/:id/retry', () => {
      throw new Refused({ status: 409, title: 'Not again', detail: 'Its file is not here any more.' });
    });
    const { user } = openApp('/jobs', { server });
    expect(await screen.findByRole('progressbar', { name: 'Job 1' })).toHaveAttribute('aria-valuenow', '42');
    expect(screen.getByText('420 of 1,000')).toBeVisible();
    expect(screen.getByText(/· try 2/)).toBeVisible();
    expect(screen.getByText('The file was taken away.')).toBeVisible();
    expect(screen.getByText(/in 4\.2 s/)).toBeVisible();
    await user.click(await button('Cancel'));
    expect(await screen.findByText('Running: 0')).toBeVisible();
    await user.click((await screen.findAllByRole('button', { name: 'Restart' }))[1]!);
    expect(await screen.findByText('Its file is not here any more.')).toBeVisible();
  });
});

describe('records', () => {
  const row = (n: number, more: Partial<DecisionRow>): DecisionRow =>
    ({
      id: `d${n}`,
      partId: 'p1',
      number: n,
      title: 'Lamp arm',
      gradeName: 'Tarrowmill ASA Outdoor',
      orientation: 'XZ',
      decidedAt: '2026-05-01T08:00:00Z',
      decidedBy: 'E. Ford',
      signedBy: null,
      supersedes: null,
      ...more,
    }) as unknown as DecisionRow;

  test('one from elsewhere is checked: intact, and kept by name; tampered with, and not', async () => {
    const server = fakeServer();
    const verdict = { value: 'intact' };
    server.says('GET', 'decisions', () => [row(1, {}), row(2, { supersedes: 1, signedBy: 'G. Hill' })]);
    server.says('POST', 'decision-files/check', () => ({
      verdict: verdict.value,
      findings: verdict.value === 'intact' ? [] : ['The grade was changed after it was sealed.'],
      differences: [],
      fingerprint: '12ab 34cd',
      ownKey: false,
      knownKey: false,
    }));
    server.says('POST', 'received-records', ({ body }) => ({ id: 'r1', ...body }));
    const { user } = openApp('/records', { server });
    expect(await screen.findByText('superseded')).toBeVisible();
    const choose = await field('Record from another installation');
    await user.upload(choose, new File(['no json'], 'note.txt', { type: 'application/json' }));
    expect(await screen.findByText(/note\.txt is not JSON/)).toBeVisible();
    await user.upload(choose, new File(['{"a":1}'], 'record.json', { type: 'application/json' }));
    expect(await screen.findByText('✓ Intact')).toBeVisible();
    expect(screen.getByText(/Unknown key: ask the sender/)).toBeVisible();
    const keepIt = await button('Save record');
    expect(keepIt).toBeDisabled();
    await user.type(await field('Saved by'), 'E. Ford');
    await user.click(keepIt);
    expect(await screen.findByText('Saved.')).toBeVisible();
    expect(server.asked.at(-1)!.body).toEqual({ file: { a: 1 }, receivedBy: 'E. Ford' });
    verdict.value = 'tampered';
    await user.upload(choose, new File(['{"a":2}'], 'other.json', { type: 'application/json' }));
    expect(await screen.findByText('✕ Tampered with')).toBeVisible();
    expect(screen.getByText('The grade was changed after it was sealed.')).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Save record' })).toBeNull();
  });

  test('all are computed again, and those that differ are named', async () => {
    const server = fakeServer();
    const jobs: Job[] = [];
    server.says('GET', 'jobs', () => jobs);
    server.says('POST', 'decisions/check', () => {
      jobs.push(
        job(1, {
          kind: 'check-records',
          title: 'Records computed again',
          state: 'done',
          result: {
            checked: 4,
            differing: [
              { decisionId: 'd1', partId: 'p1', title: 'No. 1, Lamp arm', differences: ['reserve 1.2 → 1.1'] },
            ],
          },
        }),
      );
      return jobs[0];
    });
    const { user } = openApp('/records', { server });
    await user.click(await button('Recompute all'));
    expect(await screen.findByRole('link', { name: 'No. 1, Lamp arm' })).toHaveAttribute(
      'href',
      '/parts/p1/decision?record=d1',
    );
    expect(screen.getByText(/reserve 1\.2 → 1\.1/)).toBeVisible();
  });
});

describe('what is not at the server yet', () => {
  const waiting = (n: number, refused: boolean) =>
    keep({
      kind: 'request',
      id: `request ${n}`,
      prefix: '',
      who: null,
      atMs: NOW.getTime() + n,
      what: `Spool S-0${n}`,
      place: `/spools/S-0${n}`,
      refused: refused
        ? {
            type: 'x',
            status: 400,
            title: 'Not stored',
            detail: 'No such grade.',
            errors: [{ pointer: '/spool/gradeId', detail: 'gone' }],
          }
        : null,
      method: 'PUT',
      url: `spools/S-0${n}`,
      body: { spool: { id: `S-0${n}` } },
      key: null,
    });

  test('is told on every page, sent again or let go, and never lost by one press', async () => {
    const { user } = openApp('/jobs');
    waiting(1, true);
    expect(
      await screen.findByText(/One change is stored on this computer, not sent yet; one was refused/),
    ).toBeVisible();
    await user.click(screen.getByRole('link', { name: 'Show it' }));
    expect(await screen.findByText('Not stored: No such grade.')).toBeVisible();
    expect(screen.getByRole('link', { name: 'Open' })).toHaveAttribute('href', '/spools/S-01');
    await user.click(await button('Discard'));
    expect(screen.getByText('1 stored')).toBeVisible();
    await user.click(await button('Discard: it is lost'));
    expect(await screen.findByText('All changes are sent.')).toBeVisible();
    await waitFor(() => expect(screen.queryByText(/stored on this computer, not sent/)).toBeNull());
  });
});
