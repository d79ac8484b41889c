import type { SearchHit } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';
import { searchQuery } from './repository.ts';

let server: Awaited<ReturnType<typeof testServer>>;
// What was decided is worked out anew, which takes a while where all cores are busy.
beforeAll(async () => (server = await testServer({ demo: true, records: true })), 180_000);
afterAll(() => server.close());
const search = async (words: string) =>
  JSON.parse((await request(server.app).get('/api/v1/search').query({ q: words }).expect(200)).text) as SearchHit[];

test('each kind is found by its words, whole or begun, in any form of them', async () => {
  const kinds = async (words: string) => [...new Set((await search(words)).map(({ kind }) => kind))];
  expect((await search('heater duct'))[0]).toMatchObject({ kind: 'part', title: 'Heater duct elbow, machine room' });
  expect(await kinds('tarrowmill asa')).toContain('grade');
  expect(await kinds('weathering sun')).toContain('decision');
  expect(await kinds('hose slipped')).toContain('finding');
  expect(await kinds('pylon 6')).toContain('in-service');
  expect((await search('lamp ar'))[0]!.title).toBe('Lamp arm, pylon 7 walkway');
  // “cracks”, “cracked”: the same word.
  expect((await search('cracked')).map(({ kind }) => kind)).toContain('finding');
});
test('a finding says where its words stand, and leads to its part', async () => {
  const hit = (await search('rings')).find(({ kind }) => kind === 'finding');
  expect(hit!.partId).toBe('0a7c1d00-0000-4000-8000-000000000007');
  expect(hit!.snippet).toMatch(/«rings»/);
});
test('every word has to be there; nothing asked, nothing found', async () => {
  expect(await search('heater zebra')).toEqual([]);
  expect(await search('')).toEqual([]);
  expect(await search(' ?! ')).toEqual([]);
});
test.each([`'; drop table parts; --`, '& | ! ( ) :*', `a' & 'b`, '\\', '%_', '«»', 'x'.repeat(300)])(
  'typed as an attack, %p is only words',
  async (words) => {
    expect(Array.isArray(await search(words))).toBe(true);
  },
);
test('the question is made of words alone', () => {
  expect(searchQuery('PA6-GF  (25 %)')).toBe('pa6:* & gf:* & 25:*');
  expect(searchQuery("don't")).toBe('don:* & t:*');
  expect(searchQuery('—')).toBeUndefined();
});
