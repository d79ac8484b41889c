import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ENGINE_VERSION } from '@anvilstone/core/evaluation';
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
  // Since then cold makes nothing stronger, every grade has a form limit, and water raises creep and
  // lowers the glass transition of a polyamide; mass, print time and the stiffness of the others stand.
  expect(differences).toEqual(
    expect.arrayContaining([
      'tm-asa, XY, strength-in-plane: reserve was 2.88155, now 2.58813',
      'tm-asa, XY, form-limit: not checked then, now pass',
      'ol-pa6, XY, heat-steady: was pass, now fail',
      'ol-pa6, ZX, sag-after-duration: was pass, now fail',
    ]),
  );
  expect(differences.filter((one) => /massG|printTimeH/.test(one))).toEqual([]);
  // Drying, set-up and the machine’s own failures count in every cost since.
  expect(differences).toContain('tm-asa, XY: costUsd was 18.8713, now 23.9591');
  const softer = differences.filter((one) => one.includes('deflection-at-load'));
  expect(softer.filter((one) => !one.startsWith('ol-pa6'))).toEqual([]);
});
