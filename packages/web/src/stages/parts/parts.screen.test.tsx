import type { Brief } from '@anvilstone/schema';
import { lampArm } from '@anvilstone/core/education/sample';
import { screen, waitFor, within } from '@testing-library/react';
import { sampleParts } from '../../testing/testAnswers.ts';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';
import { Refused, fakeServer } from '../../testing/fakeServer.ts';

const row = (title: string) => screen.findByRole('row', { name: new RegExp(`^${title}`) });
const jsonFile = (name: string, text: string) => new File([text], name, { type: 'application/json' });

describe('the list of parts', () => {
  test('tells of each what leads, what governs and how much is left', async () => {
    openApp('/parts');
    const lamp = await row('Lamp arm');
    await waitFor(() => expect(lamp.textContent).toContain('Tarrowmill PETG Clearway, XY'));
    expect(within(lamp).getAllByRole('cell')[3]!.textContent).toMatch(/\d/);
    const pawl = await row('Ratchet pawl');
    expect(pawl.textContent).toContain('Failure could hurt someone: proof test and sign-off needed');
  });

  test('a part is removed only after asking, and one with decisions not at all', async () => {
    const server = fakeServer();
    const [first, second] = sampleParts;
    server.says('GET', 'parts', () =>
      sampleParts
        .filter(({ id }) => server.kinds.parts.byId.has(id))
        .map((part) => ({ ...part, decisionCount: part.id === second!.id ? 1 : 0 })),
    );
    const { user } = openApp('/parts', { server });
    expect((await row(second!.brief.title.slice(0, 12))).textContent).toContain('has decisions');
    await user.click(await button(`Remove ${first!.brief.title}`));
    const sure = within(await screen.findByRole('alertdialog'));
    expect(sure.getByText('Its brief is deleted permanently.')).toBeVisible();
    await user.click(sure.getByRole('button', { name: 'Remove' }));
    await waitFor(() => expect(screen.queryByRole('row', { name: new RegExp(`^${first!.brief.title}`) })).toBeNull());
    expect(server.asked.map(({ method, path }) => `${method} ${path}`)).toEqual([
      `DELETE parts/${first!.id}?revision=1`,
    ]);
  });

  test('where a part stands is the furthest that was done with it', async () => {
    const server = fakeServer();
    const counts = [
      { campaignCount: 0, decisionCount: 0, inServiceCount: 0 },
      { campaignCount: 2, decisionCount: 0, inServiceCount: 0 },
      { campaignCount: 1, decisionCount: 3, inServiceCount: 0 },
      { campaignCount: 1, decisionCount: 1, inServiceCount: 4 },
    ];
    server.says('GET', 'parts', () => sampleParts.slice(0, 4).map((part, i) => ({ ...part, ...counts[i] })));
    openApp('/parts', { server });
    await screen.findByRole('table');
    const stages = screen
      .getAllByRole('row')
      .slice(1)
      .map((one) => within(one).getAllByRole('cell')[0]!.textContent);
    expect(stages).toEqual([
      'Selection',
      'On the bench2 campaigns',
      'Decided3 records, 1 campaign',
      'In service1 record, 1 campaign, 4 in service',
    ]);
  });
});

describe('a new part', () => {
  test('begins with what it does, and is open where one goes on', async () => {
    const { user, server, where } = openApp('/parts');
    await user.click(await button('New part'));
    const sheet = within(await screen.findByRole('dialog'));
    const cards = sheet.getAllByRole('button', { name: /^It / });
    expect(cards.length).toBeGreaterThan(10);
    await user.click(cards.find((one) => one.textContent.includes('Snap hook'))!);
    await waitFor(() => expect(where()).toMatch(/^\/parts\/[0-9a-f-]+\/brief$/));
    expect((server.asked[0]!.body as { brief: Brief }).brief.part.model).toBe('snap-hook');
    expect(await screen.findByText(/Missing:/)).toBeVisible();
  });

  test('begins from a template: a copy that is none itself', async () => {
    const server = fakeServer();
    server.says('GET', 'parts', () => [
      { ...sampleParts[0]!, brief: { ...lampArm, title: 'Arms of ours', template: true } },
    ]);
    const { user } = openApp('/parts?new=part', { server });
    await user.click(within(await screen.findByRole('region', { name: 'Templates' })).getByRole('button'));
    await waitFor(() => expect(server.asked).toHaveLength(1));
    const { brief } = server.asked[0]!.body as { brief: Brief };
    expect(brief).not.toHaveProperty('template');
    expect(brief.part).toEqual(lampArm.part);
    expect(brief.title).toBe('New part');
  });

  test('begins from a file; what is no brief is said, and nothing is made', async () => {
    const server = fakeServer();
    const { user, where } = openApp('/parts?new=part', { server });
    const choose = (await screen.findByLabelText(/From a brief in a file/)) as HTMLInputElement;
    await user.upload(choose, jsonFile('notes.json', 'just words'));
    expect(await screen.findByText(/notes\.json is not JSON/)).toBeVisible();
    expect(server.asked).toEqual([]);
    server.says('POST', 'parts', () => {
      throw new Refused({
        status: 400,
        title: 'Not a brief',
        detail: 'The brief does not fit.',
        errors: [{ pointer: '/brief/part', detail: 'part is missing' }],
      });
    });
    await user.upload(choose, jsonFile('half.json', '{"title":"Half"}'));
    expect(await screen.findByText('The brief does not fit.')).toBeVisible();
    await waitFor(() => expect(where()).toBe('/parts?new=part'));
  });

  test('the sheet is closed by a key, and its address goes with it', async () => {
    const { user, where } = openApp('/parts?new=part');
    await screen.findByRole('dialog');
    await user.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
    await waitFor(() => expect(where()).toBe('/parts'));
  });

  test('in an empty workshop the kinds of parts are there at once, and the grades that are missing', async () => {
    const server = fakeServer();
    server.kinds.parts.byId.clear();
    server.kinds.grades.byId.clear();
    server.says('POST', 'workshop/sample', () => ({ parts: 0, grades: 70, machines: 5 }));
    const { user } = openApp('/parts', { server });
    expect(await screen.findByRole('heading', { name: 'What does your part do?' })).toBeVisible();
    const missing = within(await screen.findByRole('region', { name: 'Grades to choose from' }));
    await user.click(missing.getByRole('button', { name: 'Add sample grades and machines' }));
    await waitFor(() => expect(server.asked[0]).toMatchObject({ path: 'workshop/sample', body: { withParts: false } }));
    await user.click(await button('Add the sample parts'));
    await waitFor(() => expect(server.asked[1]).toMatchObject({ body: { withParts: true } }));
  });
});

describe('a part', () => {
  test('is duplicated under a name of its own', async () => {
    const { user, server, where } = openApp(`${partPath('Lamp arm')}/brief`);
    await user.click(await button('Duplicate'));
    await waitFor(() => expect(server.asked).toHaveLength(1));
    const { brief } = server.asked[0]!.body as { brief: Brief };
    expect(brief.title).not.toBe(lampArm.title);
    expect(brief.title).toContain('Lamp arm');
    expect({ ...brief, title: '' }).toEqual({ ...lampArm, title: '' });
    await waitFor(() => expect(where()).not.toContain(partPath('Lamp arm')));
  });

  test('that is not there says so', async () => {
    openApp('/parts/00000000-0000-4000-8000-00000000ffff/brief');
    expect(await screen.findByText(/There is no brief/)).toBeVisible();
  });

  test('one stage is settled, says when what it rests on has changed, and is taken up again', async () => {
    const server = fakeServer();
    let marks: unknown[] = [];
    server.says('GET', 'parts/:id/stage-marks', () => marks);
    server.says('PUT', 'parts/:id/stage-marks/:stage', ({ body }) => {
      marks = [body];
      return body;
    });
    server.says('DELETE', 'parts/:id/stage-marks/:stage', () => {
      marks = [];
      return undefined;
    });
    const { user, over } = openApp(`${partPath('Lamp arm')}/shortlist`, { server });
    await user.click(await button('Mark reviewed'));
    expect(await screen.findByText(/no input has changed since/)).toBeVisible();
    await user.click(screen.getByRole('link', { name: /Brief/ }));
    await over('From the root to the load', '260');
    await user.click(screen.getByRole('link', { name: /Shortlist/ }));
    const strip = within(await screen.findByRole('region', { name: 'Stage status' }));
    expect(await strip.findByText(/has changed|have changed/)).toBeVisible();
    expect(strip.getByText(/220 mm/)).toBeVisible();
    await user.click(strip.getByRole('button', { name: 'Mark reviewed again' }));
    await user.click(await button('Reopen'));
    expect(await button('Mark reviewed')).toBeVisible();
  });
});

describe('changed by two', () => {
  test('the same field is shown in words with both values, and neither is lost', async () => {
    const { user, server, over } = openApp(`${partPath('Lamp arm')}/brief`);
    const id = partPath('Lamp arm').split('/')[2]!;
    const span = await field('From the root to the load');
    server.kinds.parts.changeElsewhere(id, {
      ...lampArm,
      title: 'Changed by a colleague',
      part: { ...lampArm.part, spanMm: 205 },
    });
    await over(span, '190');
    const panel = within(await screen.findByRole('alert', { name: 'Changed by someone else' }));
    const shown = panel
      .getAllByRole('row')
      .slice(1)
      .map((one) =>
        within(one)
          .getAllByRole('cell')
          .map((cell) => cell.textContent),
      );
    expect(shown).toEqual([['Part · span', '205 mm', '190 mm']]);
    await user.click(panel.getByRole('button', { name: /^Use the newer version/ }));
    expect(await field('From the root to the load')).toHaveValue('205');
    expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('Changed by a colleague');
    await user.click(await button('Undo'));
    expect(await field('From the root to the load')).toHaveValue('190');
    await waitFor(() => expect(server.briefOf(id).part).toMatchObject({ spanMm: 190 }));
  });

  test('mine is kept, and what only they changed is in', async () => {
    const { user, server, over } = openApp(`${partPath('Lamp arm')}/brief`);
    const id = partPath('Lamp arm').split('/')[2]!;
    const span = await field('From the root to the load');
    server.kinds.parts.changeElsewhere(id, { ...lampArm, title: 'Theirs', part: { ...lampArm.part, spanMm: 205 } });
    await over(span, '190');
    await user.click(await button('Keep mine as a new revision'));
    await waitFor(() => expect(server.briefOf(id)).toMatchObject({ title: 'Theirs', part: { spanMm: 190 } }));
    expect(screen.queryByRole('alert', { name: 'Changed by someone else' })).toBeNull();
  });
});
