import { fireEvent, screen, waitFor } from '@testing-library/react';
import type { DecisionRequest, DecisionSummary } from '@anvilstone/schema';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const LAMP = partPath('Lamp arm');
const DECIDE = `${LAMP}/decision`;

test('what rests on estimates is offered as an open risk, once; reasons and name go into the record', async () => {
  const server = fakeServer();
  const records: DecisionSummary[] = [];
  server.says('GET', 'parts/:id/decisions', () => records);
  server.says('POST', 'parts/:id/decisions', ({ body }) => {
    const { gradeId, orientation, decidedBy } = body as unknown as DecisionRequest;
    records.push({
      id: 'd1',
      number: 1,
      gradeId,
      gradeName: 'Nine Elms PETG Trade',
      orientation,
      decidedAt: '2026-06-01T12:00:00Z',
      decidedBy,
      partRevision: 1,
      signedBy: null,
    } as unknown as DecisionSummary);
    return { id: 'd1' };
  });
  const { user, where } = openApp(`${DECIDE}?grade=ne-petg`, { server });
  const offered = await screen.findAllByRole('button', { name: /^\+ .* on evidence class [CD]; measure it\.$/ });
  await user.click(offered[0]!);
  const risk = offered[0]!.textContent.replace(/^\+ /, '');
  expect(await field(/^Open risks/)).toHaveValue(risk);
  expect(screen.queryByRole('button', { name: `+ ${risk}` })).toBeNull();
  fireEvent.change(await field(/^Reason for this choice/), { target: { value: 'Cheap, passes, on the shelf.' } });
  fireEvent.change(await field(/^Limits of use/), { target: { value: 'Lamps to 900 g.' } });
  await user.type(await field('Decided by'), 'E. Ford');
  await user.click(await button('Freeze the decision'));
  await waitFor(() => expect(where()).toBe(`${DECIDE}?record=d1`));
  expect(server.asked[0]!.body).toMatchObject({
    partRevision: 1,
    gradeId: 'ne-petg',
    orientation: 'XZ',
    reasons: 'Cheap, passes, on the shelf.',
    openRisks: risk,
    limits: 'Lamps to 900 g.',
    schoolId: 'cheapest-that-passes',
    decidedBy: 'E. Ford',
  });
});

test('what a record lacks is told at its field, and nothing that was written is lost', async () => {
  const server = fakeServer();
  server.says('POST', 'parts/:id/decisions', () => {
    throw new Refused({
      status: 400,
      title: 'Not frozen',
      detail: 'Something is missing.',
      errors: [
        { pointer: '/reasons', detail: 'reasons: must not be empty' },
        { pointer: '/decidedBy', detail: 'decidedBy: must not be empty', accepted: 'a name' },
      ],
    });
  });
  const { user } = openApp(`${DECIDE}?grade=tm-asa`, { server });
  await user.type(await field(/^Limits of use/), 'Pylons 5 to 10');
  await user.click(await button('Freeze the decision'));
  await waitFor(async () =>
    expect(await field(/^Reason for this choice/)).toHaveAccessibleDescription(/must not be empty/),
  );
  expect(await field('Decided by')).toHaveAccessibleDescription('decidedBy: must not be empty. Accepted: a name.');
  expect(await field(/^Limits of use/)).toHaveValue('Pylons 5 to 10');
});

test('another grade and another orientation are looked at before; one that fails says why', async () => {
  const { user, where } = openApp(`${DECIDE}?grade=ne-petg`);
  await user.selectOptions(await field('Printed'), 'ZX');
  await waitFor(() => expect(where()).toContain('built=ZX'));
  await user.selectOptions(await field(/^Grade, by/), 'tm-pla');
  await waitFor(() => expect(where()).toContain('grade=tm-pla'));
  expect((await screen.findAllByText(/short$/)).length).toBeGreaterThan(0);
});

test('while a brief is not saved yet, nothing is frozen', async () => {
  const server = fakeServer();
  server.says('PUT', 'parts/:id', () => {
    throw new Refused({ status: 503, title: 'Away', detail: 'Later.' });
  });
  const { user, over } = openApp(`${LAMP}/brief`, { server });
  await over('From the root to the load', '230');
  await user.click(screen.getByRole('link', { name: /Decision/ }));
  expect(await screen.findByText('Available once the brief is saved.')).toBeVisible();
  expect(await button('Freeze the decision')).toBeDisabled();
});
