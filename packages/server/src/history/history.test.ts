import { lampArm } from '@anvilstone/core/education/sample';
import type { ChangeDetail, MachineRecord, Part, Problem, RecordedChange } from '@anvilstone/schema';
import { listening, makeTeam } from '../accounts/testTeam.ts';
import { actingAs } from '../db/actor.ts';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
let at: Awaited<ReturnType<typeof listening>>;
let team: Awaited<ReturnType<typeof makeTeam>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
  at = await listening(server.app);
  team = await makeTeam(at.origin);
});
afterAll(async () => {
  await at.close();
  await server.close();
});
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const as = (who: 'engineer' | 'approver' | 'viewer', method: 'get' | 'post' | 'put' | 'delete', path: string) =>
  team.ask(method, `/api/v1${path}`, team.cookies[who]);
const changesOf = async (kind: string, record: string) =>
  json<RecordedChange[]>(await as('viewer', 'get', `/changes?kind=${kind}&record=${record}`).expect(200));
const makePart = async (title: string) =>
  json<Part>(
    await as('engineer', 'post', '/parts')
      .send({ brief: { ...lampArm, title } })
      .expect(201),
  );
const save = async (who: 'engineer' | 'approver', part: Part, title: string) =>
  json<Part>(
    await as(who, 'put', `/parts/${part.id}`)
      .send({ brief: { ...part.brief, title }, revision: part.revision })
      .expect(200),
  );

test('who changed a brief and when, with what was there before and after', async () => {
  const part = await makePart('First');
  const second = await save('approver', part, 'Second');
  await save('engineer', second, 'Third');
  const changes = await changesOf('parts', part.id);
  expect(changes.map(({ who, action, revision, title }) => [who, action, revision, title])).toEqual([
    ['engineer-1 of the tests', 'changed', 3, 'Third'],
    ['approver-1 of the tests', 'changed', 2, 'Third'],
    ['engineer-1 of the tests', 'added', 1, 'Third'],
  ]);
  expect(Date.now() - Date.parse(changes[0]!.at)).toBeLessThan(60_000);
  const middle = json<ChangeDetail>(await as('viewer', 'get', `/changes/${changes[1]!.id}`).expect(200));
  expect(middle).toMatchObject({ before: { title: 'First' }, after: { title: 'Second' }, isLast: false });
  const last = json<ChangeDetail>(await as('viewer', 'get', `/changes/${changes[0]!.id}`).expect(200));
  expect(last).toMatchObject({ before: { title: 'Second' }, after: { title: 'Third' }, isLast: true });
});

test('a save that changes nothing is no change', async () => {
  const part = await makePart('Agrees');
  await save('engineer', part, 'Agrees');
  expect(await changesOf('parts', part.id)).toHaveLength(1);
});

test('an earlier state is put back as a new one, by whoever does it; nothing of its history goes', async () => {
  const part = await makePart('Good');
  await save('engineer', part, 'Spoilt');
  const [spoiling, making] = await changesOf('parts', part.id);
  await as('viewer', 'post', `/changes/${spoiling!.id}/put-back`).expect(403);
  await as('approver', 'post', `/changes/${spoiling!.id}/put-back`).expect(200);
  const now = json<Part>(await as('viewer', 'get', `/parts/${part.id}`));
  expect([now.brief.title, now.revision]).toEqual(['Good', 3]);
  expect((await changesOf('parts', part.id)).map(({ who }) => who)).toEqual([
    'approver-1 of the tests',
    'engineer-1 of the tests',
    'engineer-1 of the tests',
  ]);
  expect(json<Problem>(await as('engineer', 'post', `/changes/${making!.id}/put-back`).expect(409)).detail).toMatch(
    /was new/,
  );
});

test('what was removed comes back with its own id: a part, and a machine', async () => {
  const part = await makePart('Failed');
  await as('engineer', 'delete', `/parts/${part.id}?revision=1`).expect(204);
  const [removal] = await changesOf('parts', part.id);
  expect(removal).toMatchObject({ action: 'removed', title: 'Failed' });
  await as('engineer', 'post', `/changes/${removal!.id}/put-back`).expect(200);
  expect(json<Part>(await as('viewer', 'get', `/parts/${part.id}`).expect(200)).brief).toEqual(part.brief);

  const [first] = json<MachineRecord[]>(await as('viewer', 'get', '/machines'));
  const machine = { ...first!.machine, id: 'of-a-test', name: 'Of a test' };
  await as('engineer', 'put', '/machines/of-a-test').send({ machine, revision: 0 }).expect(200);
  await as('engineer', 'delete', '/machines/of-a-test?revision=1').expect(204);
  const [gone] = await changesOf('machines', 'of-a-test');
  await as('engineer', 'post', `/changes/${gone!.id}/put-back`).expect(200);
  const machines = json<MachineRecord[]>(await as('viewer', 'get', '/machines'));
  expect(machines.find(({ machine: { id } }) => id === 'of-a-test')?.machine).toEqual(machine);
});

test('the database is told on whose behalf, on every connection and after a write that was taken back', async () => {
  const { db } = server;
  const rename = (id: string, title: string) =>
    db('parts')
      .where({ id })
      .update({ brief: JSON.stringify({ ...lampArm, title }) });
  const parts = await Promise.all(Array.from({ length: 8 }, (_, i) => makePart(`Side by side ${i}`)));
  await Promise.all(parts.map(({ id }, i) => actingAs({ name: `somebody ${i}` }, () => rename(id, `by ${i}`))));
  for (const [i, { id }] of parts.entries()) expect((await changesOf('parts', id))[0]!.who).toBe(`somebody ${i}`);

  const one = parts[0]!.id;
  await db.destroy();
  db.initialize({ ...(db.client as { config: object }).config, pool: { min: 1, max: 1 } });
  await actingAs({ name: 'who gives up' }, () =>
    db
      .transaction(async (trx) => {
        await trx('parts').where({ id: one }).update({ brief: '{}' });
        throw new Error('taken back');
      })
      .catch(() => undefined),
  );
  await actingAs({ name: 'who gives up' }, () => rename(one, 'after all'));
  expect((await changesOf('parts', one))[0]!.who).toBe('who gives up');
});

test('pages of what was changed, of everything and of one person', async () => {
  const all = json<RecordedChange[]>(await as('viewer', 'get', '/changes?most=3').expect(200));
  const next = json<RecordedChange[]>(await as('viewer', 'get', `/changes?most=3&before=${all[2]!.id}`).expect(200));
  expect(Number(next[0]!.id)).toBeLessThan(Number(all[2]!.id));
  const theirs = json<RecordedChange[]>(await as('viewer', 'get', '/changes?who=approver-1%20of%20the%20tests'));
  expect(theirs.length).toBeGreaterThan(0);
  expect(new Set(theirs.map(({ who }) => who))).toEqual(new Set(['approver-1 of the tests']));
  await as('viewer', 'get', '/changes?most=1000000').expect(422);
  await as('viewer', 'get', '/changes/1%20or%20true').expect(404);
});
