import { sampleLibrary } from '@anvilstone/core/education/sample';
import type { Job, Machine } from '@anvilstone/schema';
import { JobRow } from '../../team/jobs/JobRow.tsx';
import { sampleParts } from '../../testing/testAnswers.ts';
import { answered, drawn, LEAKS, sampleWorkshop, textOf, wordsOf } from '../../testing/testPage.tsx';
import { MachineDetails } from './MachineDetails.tsx';

const details = (machine: Machine, units: 'metric' | 'inchPound' = 'metric') =>
  drawn(<MachineDetails record={{ machine, revision: 1 }} parts={sampleParts.slice(0, 2)} library={sampleWorkshop} />, {
    units,
    answers: answered(['prints', machine.id, []]),
  });

test.each(sampleLibrary.machines.map((machine) => [machine.name, machine] as const))(
  '%s: what it states, and what it does not',
  (_name, machine) => {
    const facts = details(machine)
      .querySelectorAll('dl div')
      .map((row) => [textOf(row.querySelector('dt')!), textOf(row.querySelector('dd')!)] as const);
    const said = new Map(facts);
    expect(said.get('Sensor holds to')).toBe(
      machine.sensorLimitC === undefined ? 'not stated' : `${machine.sensorLimitC} °C`,
    );
    expect(said.get('Filament supply')).toMatch(
      machine.closedSupply ? /^closed, [\d.]+ USD\/kg$/ : /^open: any spool$/,
    );
    expect(facts.every(([, value]) => value !== '')).toBe(true);
    expect(wordsOf(details(machine)).filter((text) => LEAKS.test(text))).toEqual([]);
  },
);

test('what a machine does not state is marked, and never nought', () => {
  const { sensorLimitC: _s, ownPlasticC: _p, bedSurfaces: _b, condition: _c, ...bare } = sampleLibrary.machines[0]!;
  const root = details(bare as Machine);
  const unknown = root.querySelectorAll('dd.text-unknown').map(textOf);
  expect(unknown.length).toBeGreaterThan(3);
  expect(new Set(unknown)).toEqual(new Set(['not stated']));
  expect(root.querySelectorAll('dd').map(textOf)).not.toContain('0');
});

test('each upgrade says about what it costs and what it would let print', () => {
  const root = details(sampleLibrary.machines.find(({ id }) => id === 'bench-open')!);
  const panel = root
    .querySelectorAll('section')
    .find((one) => one.getAttribute('aria-label')?.startsWith('Effect of upgrades'))!;
  const rows = panel.querySelectorAll('tbody tr');
  expect(rows.length).toBeGreaterThan(0);
  for (const row of rows) expect(textOf(row.querySelectorAll('td')[0]!)).toMatch(/^\d+ USD$/);
});

describe('a job', () => {
  const job = (rest: Partial<Job>): Job => ({
    id: '00000000-0000-4000-8000-000000000001',
    kind: 'back-up',
    title: 'Backup of the workshop',
    state: 'waiting',
    progress: 0,
    line: '',
    attempt: 1,
    failure: null,
    result: null,
    who: 'H. Orrin',
    worker: null,
    createdAt: '2026-06-01T12:00:00Z',
    startedAt: null,
    endedAt: null,
    ...rest,
  });
  const row = (rest: Partial<Job>) =>
    drawn(
      <ul>
        <JobRow job={job(rest)} />
      </ul>,
    );
  const buttons = (rest: Partial<Job>) => row(rest).querySelectorAll('button').map(textOf);
  test('can be cancelled while it waits or works, begun again once it failed, and left alone when it is done', () => {
    expect(buttons({ state: 'waiting' })).toEqual(['Cancel']);
    expect(buttons({ state: 'running' })).toEqual(['Cancel']);
    expect(buttons({ state: 'failed', failure: 'No room on the disk' })).toEqual(['Restart']);
    expect(buttons({ state: 'cancelled' })).toEqual(['Restart']);
    expect(buttons({ state: 'done' })).toEqual([]);
  });
  test('says how far it is, where, and at what', () => {
    const root = row({ state: 'running', progress: 0.42, line: 'grades', worker: 'process 2' });
    expect(root.querySelector('[role=progressbar]')!.getAttribute('aria-valuenow')).toBe('42');
    expect(textOf(root)).toContain('running in process 2');
    expect(textOf(root)).toContain('grades');
  });
  test('says why it failed, and on which try it is', () => {
    expect(textOf(row({ state: 'failed', failure: 'No room on the disk' }))).toMatch(/✕ failed.*No room on the disk/);
    expect(textOf(row({ attempt: 3 }))).toContain('try 3');
    expect(textOf(row({ attempt: 1 }))).not.toContain('try');
  });
  test('says how long it took', () =>
    expect(
      textOf(row({ state: 'done', startedAt: '2026-06-01T12:00:00Z', endedAt: '2026-06-01T12:00:03.4Z' })),
    ).toContain('✓ done in 3.4 s'));
});
