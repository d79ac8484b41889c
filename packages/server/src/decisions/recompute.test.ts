import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ENGINE_VERSION } from '@anvilstone/core';
import { decision as decisionSchema, type Decision, type Recomputation } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import request from 'supertest';
import { testServer } from '../testServer.ts';
import { insertDecision } from './repository.ts';

/** What engine 0.2.0 wrote for the lamp arm and three grades, with the library, rules and brief of its day. */
const frozen = JSON.parse(readFileSync(join(import.meta.dirname, 'frozen', 'engine-0.2.0.json'), 'utf8')) as Decision;

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
  const part = (await server.db('parts').first('id')) as { id: string };
  await insertDecision(server.db, { ...frozen, partId: part.id }, 'Nine Elms PETG Trade');
});
afterAll(() => server.close());

test('a decision of engine 0.2.0 still fits the published schema', () => {
  expect(validator(decisionSchema)(frozen)).toEqual({ ok: true, value: frozen });
});

test('it is computed again, and everything that would now differ is said', async () => {
  const response = await request(server.app).get(`/api/v1/decisions/${frozen.id}/recomputation`).expect(200);
  const { agrees, frozenEngineVersion, currentEngineVersion, differences } = JSON.parse(response.text) as Recomputation;
  expect({ frozenEngineVersion, currentEngineVersion }).toEqual({
    frozenEngineVersion: '0.2.0',
    currentEngineVersion: ENGINE_VERSION,
  });
  expect(agrees).toBe(false);
  // The own heat limit was bracketed to 0.05 K then and is exact now; nothing else about these grades has moved.
  const moved = differences.map((difference) =>
    /(heat-\w+|ownHeatLimitC)(: reserve)? was ([\d.]+), now ([\d.]+)$/.exec(difference),
  );
  expect(moved.length).toBeGreaterThan(0);
  for (const [, what, , before, now] of moved as RegExpExecArray[]) {
    expect(Math.abs(Number(before) - Number(now))).toBeLessThan(what === 'ownHeatLimitC' ? 0.05 : 0.005);
  }
});
