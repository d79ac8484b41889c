import { findCheck } from '@anvilstone/core/checks';
import { answerOf, practiceCases } from '@anvilstone/core/education';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import { screen, waitFor, within } from '@testing-library/react';
import { button, openApp, partPath } from '../../testing/testApp.tsx';
import { fakeServer } from '../../testing/fakeServer.ts';
import { GUIDE_STEPS } from './steps.ts';

const NEW = { settings: { offersLook: true } };

describe('the look around', () => {
  test('leads stop by stop to the stages of the lamp arm, back too, and then leaves one to it', async () => {
    const { user, where } = openApp('/parts', NEW);
    await user.click(await button('Tour'));
    const look = within(await screen.findByRole('region', { name: 'Tour' }));
    for (const [i, { title, stage }] of GUIDE_STEPS.entries()) {
      expect(await look.findByRole('heading', { name: title })).toBeVisible();
      expect(look.getByText(`${i + 1} of ${GUIDE_STEPS.length} · Lamp arm, pylon 7 walkway`)).toBeVisible();
      await waitFor(() => expect(where()).toBe(stage ? `${partPath('Lamp arm')}/${stage}` : '/parts'));
      if (i === 2) {
        await user.click(look.getByRole('button', { name: 'Back' }));
        expect(await look.findByRole('heading', { name: GUIDE_STEPS[1]!.title })).toBeVisible();
        await user.click(look.getByRole('button', { name: 'Next' }));
      }
      await user.click(look.getByRole('button', { name: i + 1 < GUIDE_STEPS.length ? 'Next' : 'Finish' }));
    }
    await user.click(await look.findByRole('link', { name: 'New part' }));
    expect(await screen.findByRole('dialog', { name: 'What does the part do?' })).toBeVisible();
  });

  test('is sent away for good, and is under Help all the same', async () => {
    const { user } = openApp('/parts', NEW);
    await user.click(await button('Do not show again'));
    expect(screen.queryByRole('region', { name: 'New here' })).toBeNull();
    const again = openApp('/parts', { isBack: true });
    await screen.findByRole('table');
    expect(screen.queryByRole('region', { name: 'New here' })).toBeNull();
    await again.user.click(await button('Help'));
    await again.user.click(await button('Two-minute tour'));
    expect(await screen.findByRole('region', { name: 'Tour' })).toBeVisible();
    await again.user.keyboard('{Escape}');
    await waitFor(() => expect(screen.queryByRole('region', { name: 'Tour' })).toBeNull());
  });

  test('where there is no part to look at it says what to do', async () => {
    const server = fakeServer();
    server.kinds.parts.byId.clear();
    const { user } = openApp('/glossary', { server });
    await user.click(await button('Help'));
    await user.click(await button('Two-minute tour'));
    expect(await screen.findByText('No part yet')).toBeVisible();
  });
});

describe('help', () => {
  test.each([
    ['/parts', 'Parts'],
    ['/grades', 'Grades'],
    ['/spools', 'Spools'],
    ['/service', 'Service'],
  ])('of %s says what one does there, its words and its keys', async (path) => {
    const { user } = openApp(path);
    await screen.findByRole('heading', { level: 1 });
    await user.keyboard('?');
    const sheet = within(await screen.findByRole('dialog'));
    expect(sheet.getByText('What to do here')).toBeVisible();
    expect(sheet.getAllByRole('listitem').length).toBeGreaterThan(0);
    expect(sheet.getAllByRole('row').length).toBeGreaterThan(2);
    expect(sheet.getByText(/does not approve a part/)).toBeVisible();
    await user.click(sheet.getByRole('button', { name: 'Close' }));
    await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  });

  test('words are found by any piece of their explanation', async () => {
    const { user, where } = openApp('/glossary');
    const all = Number(/\d+/.exec((await screen.findByText(/^\d+ words$/)).textContent)![0]);
    await user.type(screen.getByRole('searchbox', { name: 'Find a term' }), 'reserve');
    const some = Number(/\d+/.exec(screen.getByText(/^\d+ words?$/).textContent)![0]);
    expect(some).toBeGreaterThan(0);
    expect(some).toBeLessThan(all);
    await waitFor(() => expect(where()).toBe('/glossary?find=reserve'));
    await user.type(screen.getByRole('searchbox', { name: 'Find a term' }), 'xyz');
    expect(screen.getByText(/No term matches “reservexyz”/)).toBeVisible();
  });
});

describe('practice', () => {
  const [first, second] = practiceCases;
  const answer = answerOf(first!);
  const nameOf = (id: string) => sampleLibrary.grades.find((grade) => grade.id === id)!.name;

  test('a right answer is told to be right, explained, and counted; the next case follows', async () => {
    const { user, where } = openApp(`/training/${first!.id}`);
    const done = await button('Submit answer');
    expect(done).toBeDisabled();
    await user.click(screen.getByRole('radio', { name: new RegExp(`^${nameOf(answer.best.gradeId)}`) }));
    await user.click(screen.getByRole('radio', { name: new RegExp(`^${findCheck(answer.governingCheckId)!.title}`) }));
    await user.click(done);
    expect(await screen.findByText('1 of 1 right')).toBeVisible();
    expect(screen.getByText(first!.lesson, { exact: false })).toBeVisible();
    await user.click(screen.getByRole('link', { name: new RegExp(second!.title) }));
    await waitFor(() => expect(where()).toBe(`/training/${second!.id}`));
    // It is remembered on the next visit, and can be begun anew.
    const again = openApp('/training', { isBack: true });
    expect(await screen.findByText('1 of 1 right')).toBeVisible();
    expect(screen.getByRole('link', { name: 'Continue' })).toHaveAttribute('href', `/training/${second!.id}`);
    await again.user.click(await button('Restart'));
    expect(screen.queryByText('1 of 1 right')).toBeNull();
  });

  test('a wrong one is no disgrace: it is told what is right and why', async () => {
    const { user } = openApp(`/training/${first!.id}`);
    const wrong = first!.gradeIds.find((id) => id !== answer.best.gradeId)!;
    await button('Submit answer');
    await user.click(screen.getByRole('radio', { name: new RegExp(`^${nameOf(wrong)}`) }));
    await user.click(screen.getByRole('radio', { name: new RegExp(`^${findCheck(answer.governingCheckId)!.title}`) }));
    await user.click(await button('Submit answer'));
    expect(await screen.findByText('0 of 1 right')).toBeVisible();
    expect(screen.getByText(first!.lesson, { exact: false })).toBeVisible();
  });

  test('a case that is not there says so', async () => {
    openApp('/training/nothing');
    expect(await screen.findByText(/There is no case of this name/)).toBeVisible();
  });
});
