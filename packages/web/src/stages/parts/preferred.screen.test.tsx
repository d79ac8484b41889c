import type { DecisionSummary } from '@anvilstone/schema';
import { screen, waitFor } from '@testing-library/react';
import { field, openApp, partPath } from '../../testing/testApp.tsx';
import { fakeServer } from '../../testing/fakeServer.ts';

const LAMP = partPath('Lamp arm');
const decision: DecisionSummary = {
  id: '00000000-0000-4000-8000-0000000000d1',
  number: 3,
  partRevision: 1,
  decidedAt: '2026-05-01T08:00:00Z',
  decidedBy: 'A. Tester',
  gradeId: 'tm-asa',
  gradeName: 'Tarrowmill ASA Outdoor',
  orientation: 'ZX',
  builtAs: 'ZX',
  reasons: 'Stands the sun.',
  supersedes: null,
  signedBy: null,
};
const decidedServer = () => {
  const server = fakeServer();
  server.says('GET', 'parts/:id/decisions', () => [decision]);
  return server;
};

test.each(['build', 'plan', 'bench'])('%s opens on the grade that was decided', async (stage) => {
  openApp(`${LAMP}/${stage}`, { server: decidedServer() });
  const shown = await field('Material');
  await waitFor(() => expect(shown).toHaveValue('tm-asa'));
});

test('print plan and bench open on the build orientation that was decided, and on another that is asked for', async () => {
  openApp(`${LAMP}/bench`, { server: decidedServer() });
  const shown = await field('Build orientation');
  await waitFor(() => expect(shown).toHaveValue('ZX'));
});

test('before a decision the stages open on the first that is pinned', async () => {
  openApp(`${LAMP}/build?pin=ne-abs,tm-asa`);
  const shown = await field('Material');
  await waitFor(() => expect(shown).toHaveValue('ne-abs'));
});

test('what is asked for in the address comes before both', async () => {
  openApp(`${LAMP}/build?grade=vp-abs&pin=ne-abs`, { server: decidedServer() });
  const shown = await field('Material');
  await waitFor(() => expect(shown).toHaveValue('vp-abs'));
});

test('the decided grade is marked in the shortlist, and the base of the comparison', async () => {
  openApp(`${LAMP}/shortlist?find=asa`, { server: decidedServer() });
  expect(await screen.findByText('decided ·')).toBeInTheDocument();
});
