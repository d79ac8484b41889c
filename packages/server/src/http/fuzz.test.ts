import fc from 'fast-check';
import request from 'supertest';
import { listening } from '../accounts/testTeam.ts';
import { allOperations } from '../testOperations.ts';
import { testServer } from '../testServer.ts';
import { depthOf } from './jsonBody.ts';
import type { Operation } from './operation.ts';

/** `npm run fuzz` asks for some ten thousand; with every test run a few of each will do. */
const RUNS_EACH = Number(process.env.ANVILSTONE_FUZZ_RUNS ?? 3);
const SEED = process.env.ANVILSTONE_FUZZ_RUNS ? {} : { seed: 20_261_127 };
jest.setTimeout(60_000 + RUNS_EACH * 60_000);

let server: Awaited<ReturnType<typeof testServer>>;
let at: Awaited<ReturnType<typeof listening>>;
let operations: Operation[];
beforeAll(async () => {
  server = await testServer({ demo: true });
  at = await listening(server.app);
  // What makes the first account locks the others out, and is tried where accounts are.
  operations = allOperations(server).filter(({ id }) => id !== 'makeFirstAccount' && id !== 'makeWorkspace');
}, 120_000);
afterAll(async () => {
  await at.close();
  await server.close();
});

const NASTY = [
  '',
  ' ',
  '0',
  '-1',
  '1e999',
  'NaN',
  '__proto__',
  'constructor',
  '../../etc/passwd',
  '..%2f..%2fetc%2fpasswd',
  "'; drop table parts; --",
  '%',
  '\u0000',
  '\ud800',
  '<script>alert(1)</script>',
  '0a7c1d00-0000-4000-8000-000000000003',
  '00000000-0000-0000-0000-000000000000',
  '2026-13-45T99:99:99Z',
  '9'.repeat(40),
  'a'.repeat(3000),
];
const text = fc.oneof(fc.constantFrom(...NASTY), fc.string({ unit: 'binary', maxLength: 60 }));
const leaf = fc.oneof(
  text,
  fc.double(),
  fc.integer(),
  fc.boolean(),
  fc.constantFrom(null, 1e308, -0, Number.MAX_SAFE_INTEGER),
);
const body = fc.oneof(
  fc.letrec((tie) => ({
    any: fc.oneof(
      { maxDepth: 4 },
      leaf,
      fc.array(tie('any'), { maxLength: 4 }),
      fc.dictionary(fc.oneof(text, fc.constantFrom('id', 'brief', 'revision', 'document', '__proto__')), tie('any'), {
        maxKeys: 5,
      }),
    ),
  })).any,
  fc.json({ maxDepth: 5 }).map((one) => JSON.parse(one) as unknown),
);
/** Bodies that are almost right get further in than those that are not: each field of the schema, filled with anything. */
const almost = (operation: Operation) => {
  const fields = Object.keys((operation.body as { properties?: object } | undefined)?.properties ?? {});
  return fields.length === 0 ? body : fc.oneof(body, fc.record(Object.fromEntries(fields.map((name) => [name, body]))));
};

test('no input of any route makes the server stumble: it answers, and never with a fault of its own', async () => {
  let sent = 0;
  const stumbles: string[] = [];
  for (const operation of operations) {
    await fc.assert(
      fc.asyncProperty(
        fc.array(text, { minLength: 4, maxLength: 4 }),
        fc.dictionary(fc.constantFrom('revision', 'q', 'limit', 'ids', 'grades', 'mode', 'as', 'base', 'kind'), text),
        almost(operation),
        fc.boolean(),
        async (params, query, sentBody, isRaw) => {
          let i = 0;
          const path = operation.path.replaceAll(/:\w+/g, () => encode(params[i++ % params.length]!));
          const search = Object.entries(query)
            .map(([name, value]) => `${name}=${encode(value)}`)
            .join('&');
          const asked = request(at.origin)[operation.method](`/api/v1${path}?${search}`);
          const reply = await (operation.method === 'get'
            ? asked
            : asked
                .set('Content-Type', isRaw ? 'application/octet-stream' : 'application/json')
                .send(isRaw ? Buffer.from(JSON.stringify(sentBody) ?? '') : (JSON.stringify(sentBody) ?? '')));
          sent += 1;
          if (reply.status >= 500 && reply.status !== 503)
            stumbles.push(`${operation.id} ${reply.status} ${path} ${search}`);
        },
      ),
      { numRuns: RUNS_EACH, ...SEED },
    );
  }
  if (RUNS_EACH > 10) process.stdout.write(`fuzz: ${sent} requests over ${operations.length} routes\n`);
  expect(stumbles.slice(0, 20)).toEqual([]);
  expect(({} as { polluted?: unknown }).polluted).toBeUndefined();
  // It is there all the same, and so is what it keeps.
  expect(
    (JSON.parse((await request(at.origin).get('/api/v1/parts').expect(200)).text) as unknown[]).length,
  ).toBeGreaterThan(5);
});

/** Lone surrogates cannot be in an address at all. */
const encode = (value: string) => encodeURIComponent(value.replaceAll(/\p{Surrogate}/gu, '?')) || '%20';

test('how deep a text is, brackets in strings aside', () => {
  const depth = (one: string) => depthOf(Buffer.from(one));
  expect([depth('1'), depth('{}'), depth('[[{}],[[]]]'), depth('{"[[\\"[[":[]}')]).toEqual([0, 1, 3, 2]);
});

test('broken JSON, deep JSON and polluted JSON are refused at the door', async () => {
  const put = (text: string) =>
    request(at.origin).post('/api/v1/parts').set('Content-Type', 'application/json').send(text);
  await put('{"brief":').expect(400);
  await put('['.repeat(100_000) + ']'.repeat(100_000)).expect(422);
  await put(`{"a":${'['.repeat(63)}${']'.repeat(63)},"b":"[[["}`).expect(422);
  await put('{"__proto__":{"polluted":1},"constructor":{"prototype":{"polluted":1}}}').expect(422);
  expect(({} as { polluted?: unknown }).polluted).toBeUndefined();
  await put(`{"brief":"${'a'.repeat(6_000_000)}"}`).expect(413);
});
