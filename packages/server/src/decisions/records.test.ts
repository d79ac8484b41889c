import {
  decisionFile,
  type Decision,
  type DecisionFile,
  type FileCheck,
  type DecisionDrift,
  type Part,
} from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import request from 'supertest';
import { createApp } from '../app.ts';
import { FIRST_SCHEMA } from '../db/connection.ts';
import { testServer } from '../testServer.ts';
import { makeParts } from '../workspaces/parts.ts';

const LAMP_ARM = '0a7c1d00-0000-4000-8000-000000000003';
// Decisions are frozen and computed again, each some seconds where all cores are busy.
jest.setTimeout(120_000);

let here: Awaited<ReturnType<typeof testServer>>;
let elsewhere: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  here = await testServer({ demo: true });
  elsewhere = await testServer();
});
afterAll(async () => {
  await here.close();
  await elsewhere.close();
});

const json = <T>({ text }: { text: string }) => JSON.parse(text) as T;
const api = (server = here) => request(server.app);
const frozen = async (change: object = {}): Promise<Decision> => {
  const part = json<Part>(await api().get(`/api/v1/parts/${LAMP_ARM}`));
  const choice = {
    partRevision: part.revision,
    gradeId: 'ne-petg',
    orientation: 'XZ',
    reasons: 'Lowest cost, and enough for a lamp.',
    openRisks: 'Sun.',
    limits: 'Below the tree line.',
    decidedBy: 'A. Tester',
    ...change,
  };
  return json(await api().post(`/api/v1/parts/${LAMP_ARM}/decisions`).send(choice).expect(201));
};
const exported = async (id: string) =>
  json<DecisionFile>(await api().get(`/api/v1/decisions/${id}/export.json`).expect(200));
const checkedAt = async (server: typeof here, file: unknown) =>
  json<FileCheck>(
    await api(server)
      .post('/api/v1/decision-files/check')
      .send(file as object)
      .expect(200),
  );
const agrees = async (id: string) =>
  json<{ agrees: boolean }>(await api().get(`/api/v1/decisions/${id}/recomputation`).expect(200)).agrees;

describe('a frozen decision', () => {
  test('has its grounds, and the number of the one that it takes the place of', async () => {
    const first = await frozen();
    const second = await frozen({ gradeId: 'tm-petg', notes: [{ gradeId: 'ne-petg', text: 'Out of stock.' }] });
    expect(second.supersedes).toBe(first.number);
    expect(second.grounds!.testsDone.length).toBeGreaterThan(0);
    expect(second.grounds!.alternatives.find(({ gradeId }) => gradeId === 'ne-petg')).toMatchObject({
      note: 'Out of stock.',
    });
    expect(second.grounds).toMatchObject({ limits: 'Below the tree line.', schoolId: 'cheapest-that-passes' });
  });

  test('recomputes to the same numbers after a restart and after the library, the rules and the part were changed', async () => {
    const decision = await frozen();
    const before = await exported(decision.id);
    await here.db.raw(`update grades set document = jsonb_set(document, '{pricePerKgUsd}', '99') where id = 'ne-petg'`);
    await here.db.raw(`update parts set brief = jsonb_set(brief, '{loadCases,0,forceN}', '500') where id = ?`, [
      LAMP_ARM,
    ]);
    // Another process on the same database.
    const { db, installation, shared } = here;
    const first = makeParts(shared, { db, slug: 'workshop', schemaName: FIRST_SCHEMA });
    const restarted = createApp({ first, installation, logger: shared.logger });
    const after = json<DecisionFile>(await request(restarted).get(`/api/v1/decisions/${decision.id}/export.json`));
    expect(after).toEqual(before);
    expect(await agrees(decision.id)).toBe(true);
    const drift = json<DecisionDrift>(await api().get(`/api/v1/decisions/${decision.id}/drift`).expect(200));
    expect(drift.causes.map(({ id }) => id)).toEqual(expect.arrayContaining(['brief', 'evidence']));
    expect(drift.now.status).toBe('fail');
    expect(drift.frozen.status).toBe('pass');
    await here.db.raw(`update parts set brief = jsonb_set(brief, '{loadCases,0,forceN}', '9') where id = ?`, [
      LAMP_ARM,
    ]);
  });

  test('that was changed in the database itself is found out', async () => {
    const decision = await frozen();
    await here.db.raw('alter table decisions disable trigger decisions_are_frozen');
    await here
      .db('decisions')
      .where({ id: decision.id })
      .update({
        frozen: here.db.raw(`jsonb_set(frozen, '{decidedBy}', '"Somebody else"')`),
      });
    await here.db.raw('alter table decisions enable trigger decisions_are_frozen');
    expect(await agrees(decision.id)).toBe(false);
  });

  test('is told field by field from an earlier one', async () => {
    const [a, b] = [await frozen(), await frozen({ gradeId: 'tm-petg', limits: 'Anywhere.' })];
    const changes = json<{ field: string }[]>(
      await api().get(`/api/v1/decisions/${b.id}/differences/${a.id}`).expect(200),
    );
    expect(changes.map(({ field }) => field)).toEqual(expect.arrayContaining(['Grade', 'Limits of use', 'Cost']));
  });
});

describe('as it leaves the installation', () => {
  test('it fits its schema, is the same each time, and computes to the same numbers where nothing is known of it', async () => {
    const { id } = await frozen();
    const file = await exported(id);
    expect(validator(decisionFile)(file).ok).toBe(true);
    expect(await exported(id)).toEqual(file);
    expect(await checkedAt(here, file)).toMatchObject({ verdict: 'intact', ownKey: true });
    expect(await checkedAt(elsewhere, file)).toMatchObject({
      verdict: 'intact',
      ownKey: false,
      knownKey: false,
      differences: [],
    });
  });
  test('it is kept elsewhere, once, and its key is known from then on', async () => {
    const file = await exported((await frozen()).id);
    const keep = () => api(elsewhere).post('/api/v1/received-records').send({ file, receivedBy: 'R. Reader' });
    const kept = json<{ id: string; number: number }>(await keep().expect(201));
    expect(kept.number).toBe(file.decision.number);
    await keep().expect(409);
    expect(json(await api(elsewhere).get(`/api/v1/received-records/${kept.id}`))).toEqual(file);
    expect(await checkedAt(elsewhere, await exported((await frozen()).id))).toMatchObject({ knownKey: true });
  });
  test('tampered with, it is found out and not kept', async () => {
    const file = await exported((await frozen()).id);
    const forged = { ...file, decision: { ...file.decision, reasons: 'Because I say so, and nothing else.' } };
    expect((await checkedAt(elsewhere, forged)).verdict).toBe('tampered');
    await api(elsewhere).post('/api/v1/received-records').send({ file: forged, receivedBy: 'R. Reader' }).expect(422);
    expect((await checkedAt(elsewhere, { a: 1 })).verdict).toBe('unreadable');
    expect((await checkedAt(elsewhere, [])).verdict).toBe('unreadable');
  });
  test('the key never leaves', async () => {
    const { private_key } = (await here.db('installation_keys').first()) as { private_key: string };
    const file = await api().get(`/api/v1/decisions/${(await frozen()).id}/export.json`);
    expect(file.text).not.toContain(private_key);
  });
  test('as a page it needs nothing else, its charts are vectors, and no text of a user becomes markup', async () => {
    const { id } = await frozen({ reasons: '<script>alert(1)</script> & more' });
    const page = await api().get(`/api/v1/decisions/${id}/export.html`).expect(200);
    expect(page.text).toContain('&lt;script&gt;alert(1)&lt;/script&gt; &amp; more');
    expect(page.text).not.toMatch(/<script|<link|src=|href=/);
    expect(page.text.match(/<svg/g)).toHaveLength(3);
  });
});

describe('signing', () => {
  const statement = {
    kind: 'signed',
    by: 'B. Chief',
    role: 'responsible engineer',
    statement: 'Fit for a lamp.',
    limits: 'Up to 60 N.',
  };
  test('names what was signed; anything else is refused; it stays when it is taken back', async () => {
    const decision = await frozen();
    const { digestOf } = await import('@anvilstone/core/decisions');
    const at = `/api/v1/decisions/${decision.id}/sign-offs`;
    await api()
      .post(at)
      .send({ ...statement, decisionDigest: 'a'.repeat(64) })
      .expect(409);
    const decisionDigest = digestOf(decision);
    await api()
      .post(at)
      .send({ ...statement, decisionDigest })
      .expect(201);
    const signedBy = async () =>
      json<{ id: string; signedBy: string | null }[]>(await api().get(`/api/v1/parts/${LAMP_ARM}/decisions`)).find(
        ({ id }) => id === decision.id,
      )!.signedBy;
    expect(await signedBy()).toBe('B. Chief');
    expect(await checkedAt(elsewhere, await exported(decision.id))).toMatchObject({ verdict: 'intact' });
    await api()
      .post(at)
      .send({ ...statement, kind: 'withdrawn', statement: 'The lamp is heavier now.', decisionDigest })
      .expect(201);
    expect(await signedBy()).toBeNull();
    expect(json<object[]>(await api().get(at))).toHaveLength(2);
    await expect(here.db('decision_sign_offs').delete()).rejects.toThrow(/frozen/);
  });
  test('of a part that could hurt someone says how each is proof-tested', async () => {
    await here.db.raw(`update parts set brief = jsonb_set(brief, '{failureCouldHurt}', '"yes"') where id = ?`, [
      LAMP_ARM,
    ]);
    const decision = await frozen({ openRisks: 'Safety factor below ours.' });
    const { digestOf } = await import('@anvilstone/core/decisions');
    const at = `/api/v1/decisions/${decision.id}/sign-offs`;
    const body = { ...statement, decisionDigest: digestOf(decision) };
    const refused = await api().post(at).send(body).expect(422);
    expect(json<{ errors: { pointer: string }[] }>(refused).errors[0]!.pointer).toBe('/proofTest');
    await api()
      .post(at)
      .send({ ...body, proofTest: 'Each pulled to 90 N for a minute.' })
      .expect(201);
  });
});

test('all decisions of the workshop, newest first, with the part each is of', async () => {
  const all = json<{ number: number; title: string }[]>(await api().get('/api/v1/decisions').expect(200));
  expect(all.map(({ number }) => number)).toEqual(all.map(({ number }) => number).sort((a, b) => b - a));
  expect(all[0]!.title).toBe('Lamp arm, pylon 7 walkway');
});
