import { findAgent } from '@anvilstone/core/materials';
import type { Campaign, Trial } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { api } from '../../sync/api/api.ts';
import { button, field, openApp, partPath } from '../../testing/testApp.tsx';
import { Refused, fakeServer, type FakeServer } from '../../testing/fakeServer.ts';

const campaignOf = (server: FakeServer, id: string) => server.kinds.campaigns.byId.get(id)!.value as Campaign;
const trialsOf = (server: FakeServer, specimenId: string) =>
  [...server.kinds.trials.byId.values()]
    .map(({ value }) => value as Trial)
    .filter((one) => one.specimenId === specimenId);
const panel = (name: string | RegExp) => screen.findByRole('region', { name }).then(within);
const saved = () => waitFor(() => expect(screen.getByText('Saved')).toBeVisible());

describe('a new campaign', () => {
  test('is of the grades and for the part it was asked for, with what is expected written down first', async () => {
    const part = partPath('Lamp arm').split('/')[2]!;
    const { user, server, where, over } = openApp(
      `/bench/new?method=bend-bar&grades=ne-petg,tm-asa,none&part=${part}&each=6&way=XY`,
    );
    expect(await screen.findByRole('heading', { name: 'New campaign K5' })).toBeVisible();
    expect(await field('Summary')).toHaveValue('Three-point bending to failure, for Lamp arm, pylon 7 walkway');
    expect(await field('Specimens of each')).toHaveValue('6');
    await over('Summary', '');
    expect(await button('Start')).toBeDisabled();
    await over('Summary', 'Which bends less');
    await user.type(await field('Add a grade: part of its name, maker or family'), 'pla everyday');
    await user.click(await button('+ Tarrowmill PLA Everyday'));
    await over('Add a grade: part of its name, maker or family', 'unobtainium');
    expect(screen.getByText('No other grade is called that.')).toBeVisible();
    await user.click(await button('Remove arm A'));
    await user.click(await button('Start'));
    await waitFor(() => expect(where()).toBe('/bench/K5?show=specimens'));
    const made = campaignOf(server, 'K5');
    expect(made).toMatchObject({
      title: 'Which bends less',
      methodId: 'bend-bar',
      partId: part,
      perArm: 6,
      specimens: [],
    });
    expect(made.arms.map(({ gradeId, orientation }) => [gradeId, orientation])).toEqual([
      ['tm-asa', 'XY'],
      ['tm-pla', 'XY'],
    ]);
    for (const arm of made.arms) expect(arm.predicted).toBeDefined();
  });

  test('another method brings its own sizes, and keeps how far gauge and rig go', async () => {
    const { user, server, over } = openApp('/bench/new?method=pull-bar&grades=ne-petg');
    await over('Gauge range', '500');
    await over('Rig capacity', '2000');
    await over('Pulley ratio', '4');
    expect(await field('Pulley efficiency')).toHaveAccessibleDescription(/unless measured$/);
    await user.selectOptions(await field('Test method'), 'Three-point bending to failure');
    expect(await field('Gauge range')).toHaveValue('500');
    await user.selectOptions(await field('Test method'), 'Exposure in service');
    expect(screen.queryByLabelText('Gauge range')).toBeNull();
    await user.type(await field('Location'), 'pylon 9');
    await user.click(await button('1, 3, 7, 14, 30, 60, 90, 180 days'));
    const dates = screen.getAllByRole('button', { name: /^Remove inspection on/ });
    expect(dates).toHaveLength(8);
    await user.click(dates[0]!);
    await user.click(await button('Start'));
    await waitFor(() => expect(server.asked).toHaveLength(1));
    expect(campaignOf(server, 'K5')).toMatchObject({
      place: 'pylon 9',
      setUp: { gaugeCapacityN: 500, rigLimitN: 2000 },
    });
    expect(campaignOf(server, 'K5').inspectOn).toHaveLength(7);
  });

  test('a soak is asked for its fluid, and keeps it', async () => {
    const { user, server } = openApp('/bench/new?method=soak-fluid&grades=ne-petg');
    expect(await field('Fluid')).toHaveAccessibleDescription('The result applies to one fluid: choose it.');
    await user.selectOptions(await field('Fluid'), findAgent('mineral-oil')!.name);
    expect(await field('Fluid')).toHaveAccessibleDescription('');
    await user.click(await button('Start'));
    await waitFor(() => expect(server.asked).toHaveLength(1));
    expect(campaignOf(server, 'K5').setUp.agentId).toBe('mineral-oil');
  });
});

test('campaigns are found by series, grade or method, and say what is next', async () => {
  const { user, over } = openApp('/bench');
  expect(await screen.findByText('4 of 4')).toBeVisible();
  await user.type(await field('Find'), 'c10');
  expect(
    screen
      .getAllByRole('row')
      .slice(1)
      .map((row) => within(row).getByRole('rowheader').textContent.slice(0, 2)),
  ).toEqual(['K2']);
  await over('Find', 'pylon');
  expect(screen.getByText('1 of 4')).toBeVisible();
  await user.click(screen.getByRole('tab', { name: 'Test methods' }));
  const methods = within(await screen.findByRole('list', { name: 'Test methods' })).getAllByRole('button');
  await user.click(methods[3]!);
  expect(methods[3]).toHaveAttribute('aria-current', 'true');
});

describe('specimens', () => {
  test('those that are planned are added, each with its mark, and described', async () => {
    const server = fakeServer();
    server.kinds.campaigns.byId.set('K3', { value: { ...campaignOf(server, 'K3'), specimens: [] }, revision: 1 });
    server.kinds.trials.byId.clear();
    const { user, over } = openApp('/bench/K3?show=specimens', { server });
    await user.click(await button(/^Add the \d that are planned$/));
    const first = await screen.findByRole('row', { name: /^K3-A1/ });
    expect(first.textContent).toContain('test');
    expect(screen.getByRole('button', { name: 'All planned specimens are here' })).toBeDisabled();
    await user.click(await button('+ one more A'));
    await user.click(await button('Describe K3-A1'));
    await user.selectOptions(await field('Machine'), 'Hot chamber');
    await user.selectOptions(
      await field('Moisture state'),
      screen.getAllByRole('option', { name: /wet|saturated/i })[0]!,
    );
    await over('Mass', '9.1');
    await user.type(await field('Print outcome'), 'Lifted at a corner.');
    const faults = screen.getByRole('group', { name: 'Print defects seen' });
    await user.click(within(faults).getAllByRole('checkbox')[0]!);
    await saved();
    await waitFor(() => expect(campaignOf(server, 'K3').specimens).toHaveLength(6));
    await waitFor(() =>
      expect(campaignOf(server, 'K3').specimens[0]).toMatchObject({
        id: 'K3-A1',
        machineId: 'hot-chamber',
        massG: 9.1,
        note: 'Lifted at a corner.',
        defects: [expect.any(String)],
      }),
    );
    await user.click(await button('Remove K3-A1'));
    await waitFor(() => expect(campaignOf(server, 'K3').specimens.map(({ id }) => id)).not.toContain('K3-A1'));
  });

  test('one that was tested stays, and so do the sizes it was tested with', async () => {
    const { user } = openApp('/bench/K1?show=specimens');
    await user.click(await button('Describe K1-A1'));
    expect(await field('Machine')).toBeVisible();
    expect(screen.queryByRole('button', { name: 'Remove K1-A1' })).toBeNull();
    await user.click(screen.getByRole('tab', { name: 'Plan' }));
    expect(await screen.findByText(/Specimens have been tested with these, so they stay/)).toBeVisible();
    expect(within(await field(/^Test method/)).getAllByRole('option')).toHaveLength(1);
    expect(screen.getByRole('button', { name: 'Remove arm A' })).toBeDisabled();
  });
});

describe('a reading that is typed', () => {
  const untested = () => {
    const server = fakeServer();
    for (const [id, { value }] of server.kinds.trials.byId)
      if ((value as Trial).specimenId === 'K1-A1') server.kinds.trials.byId.delete(id);
    server.kinds.campaigns.byId.set('K1', {
      value: {
        ...campaignOf(server, 'K1'),
        setUp: { ...campaignOf(server, 'K1').setUp, pulleyRatio: 4, pulleyEfficiency: 0.9 },
      },
      revision: 1,
    });
    return server;
  };

  test('is taken in the unit of the instrument and counted with the tackle', async () => {
    const { user, server, over } = openApp('/bench/K1?show=capture&specimen=K1-A1', { server: untested() });
    const write = await button('Save reading');
    expect(write).toBeDisabled();
    const peak = await field('Largest force, at the gauge');
    await over(peak, 'plenty');
    expect(peak).toHaveAttribute('aria-invalid', 'true');
    expect(write).toBeDisabled();
    await over(peak, '31.5 kgf');
    expect(peak).toHaveAccessibleDescription(/on the specimen, × 3\.60$/);
    await user.type(await field('Location and mode of failure'), ' between two layers ');
    await user.click(write);
    await waitFor(() => expect(trialsOf(server, 'K1-A1')).toHaveLength(1));
    const [trial] = trialsOf(server, 'K1-A1');
    expect(trial).toMatchObject({
      state: 'done',
      source: 'typed',
      broke: 'between two layers',
      asRead: { unit: 'kgf' },
    });
    expect(trial!.asRead!.value).toBeCloseTo(31.5, 6);
    expect(trial!.found.peakN).toBeCloseTo(31.5 * 9.80665 * 3.6, 1);
    expect(await screen.findByText(/31\.5.* kgf, times 3\.600 for tackle and lever/)).toBeVisible();
  });

  test('a try without a result is kept as such, and the specimen may be tried again', async () => {
    const { user, server } = openApp('/bench/K1?show=capture&specimen=K1-A1', { server: untested() });
    await user.click(await button('No result'));
    expect(await screen.findByText(/Tried before without a result; that try is kept/)).toBeVisible();
    expect(trialsOf(server, 'K1-A1')).toEqual([expect.objectContaining({ state: 'abandoned', found: {} })]);
    expect(await button('Save reading')).toBeVisible();
  });

  test('a reading that is refused stays typed', async () => {
    const server = untested();
    server.says('PUT', 'trials/:id', () => {
      throw new Refused({ status: 422, title: 'Not possible', detail: 'The specimen was removed since.' });
    });
    const { user, over } = openApp('/bench/K1?show=capture&specimen=K1-A1', { server });
    await over('Largest force, at the gauge', '300 N');
    await user.click(await button('Save reading'));
    expect(await screen.findByText('The specimen was removed since.')).toBeVisible();
    expect(await field('Largest force, at the gauge')).toHaveValue('300 N');
  });
});

describe('what was found', () => {
  test('is corrected with a reason, and what was read stays in sight', async () => {
    const { user, server, over } = openApp('/bench/K1?show=capture&specimen=K1-A2');
    const [before] = trialsOf(server, 'K1-A2');
    await user.click(await button('Correct a value'));
    const put = await button('Correct it');
    expect(put).toBeDisabled();
    await over('Largest force', String(Math.round(before!.found.peakN! + 40)));
    expect(put).toBeDisabled();
    await user.type(await field('Reason for the correction'), 'Gauge was not set to zero');
    await user.click(put);
    expect(await screen.findByText(/corrected: Gauge was not set to zero; read/)).toBeVisible();
    const [after] = trialsOf(server, 'K1-A2');
    expect(after!.found).toEqual(before!.found);
    expect(after!.corrected).toMatchObject({ found: { peakN: Math.round(before!.found.peakN! + 40) } });
  });

  test('is left out with a reason and counted after all; where it broke is written down', async () => {
    const { user, server, over } = openApp('/bench/K1?show=capture&specimen=K1-A2');
    await user.click(await button('Exclude'));
    await user.type(await field('Reason for excluding it (it stays visible)'), 'Slipped');
    await user.click(await button('Exclude'));
    await waitFor(() => expect(trialsOf(server, 'K1-A2')[0]!.excluded).toEqual({ why: 'Slipped' }));
    await user.click(await button('Include again'));
    await waitFor(() => expect(trialsOf(server, 'K1-A2')[0]!.excluded).toBeUndefined());
    await user.click(await button('Location of failure'));
    await over('Location and mode of failure', 'at the fillet');
    await user.click(await button('Save reading'));
    await waitFor(() => expect(trialsOf(server, 'K1-A2')[0]!.broke).toBe('at the fillet'));
  });
});

describe('results', () => {
  test('another result of the method is chosen, and the address keeps it', async () => {
    const { user, where } = openApp('/bench/K2?show=results');
    const choose = await field('Result');
    const options = within(choose).getAllByRole('option');
    expect(options.length).toBeGreaterThan(1);
    await user.selectOptions(choose, options[1]!);
    await waitFor(() => expect(where()).toContain(`outcome=${(options[1] as HTMLOptionElement).value}`));
  });

  test('one is accepted by name, after what it would move in every part was shown', async () => {
    const server = fakeServer();
    server.says('POST', 'campaigns/:id/acceptances/preview', () => ({
      observations: [
        {
          id: 'x',
          property: 'tensileStrength',
          value: 21,
          unit: 'MPa',
          count: 5,
          orientation: 'ZX',
          source: 'bench',
          specimen: 'printed',
          reference: 'K1',
        },
      ],
      gradeRevision: 3,
      impact: { gradeId: 'ne-petg', parts: [], counted: 11, factor: null },
    }));
    server.says('POST', 'campaigns/:id/acceptances', () => server.kinds.campaigns.told('K1'));
    const { user } = openApp('/bench/K1?show=results', { server });
    const [accept] = await screen.findAllByRole('button', { name: /evidence|library/i });
    await user.click(accept!);
    const sheet = await panel('Add to library');
    const take = sheet.getByRole('button', { name: 'Accept as evidence' });
    expect(take).toBeDisabled();
    await user.type(sheet.getByLabelText('Approved by'), 'E. Ford');
    await waitFor(() => expect(take).toBeEnabled());
    await user.click(take);
    await waitFor(() => expect(server.asked.at(-1)?.path).toBe('campaigns/K1/acceptances'));
    expect(server.asked.at(-1)?.body).toMatchObject({
      by: 'E. Ford',
      gradeRevision: 3,
      campaignRevision: 1,
      armId: 'A',
    });
  });

  test('why it cannot be evidence is told instead', async () => {
    const server = fakeServer();
    server.says('POST', 'campaigns/:id/acceptances/preview', () => {
      throw new Refused({
        status: 422,
        title: 'Not evidence',
        detail: 'Past the range of the gauge it is only a bound.',
      });
    });
    const { user } = openApp('/bench/K1?show=results', { server });
    const [accept] = await screen.findAllByRole('button', { name: /evidence|library/i });
    await user.click(accept!);
    expect(await screen.findByText('Past the range of the gauge it is only a bound.')).toBeVisible();
    expect(await button('Accept as evidence')).toBeDisabled();
  });
});

describe('left in a place', () => {
  test('a look writes down what is whole, changed or gone, and what is gone is not asked for again', async () => {
    const { user, server, over } = openApp('/bench/K4?show=looks');
    const before = campaignOf(server, 'K4').inspections.length;
    await user.click(await button('Inspect'));
    const selects = screen.getAllByRole('combobox', { name: /^K4-\w+ is$/ });
    const last = selects.at(-1)!;
    const id = last.closest('li')!.querySelector('strong')!.textContent;
    await user.selectOptions(last, 'gone');
    await over('Highest temperature since the last inspection', '95 °F');
    await user.type(await field('Weather and events'), 'Hail');
    await user.click(await button('Save reading'));
    await saved();
    await waitFor(() => expect(campaignOf(server, 'K4').inspections).toHaveLength(before + 1));
    const look = campaignOf(server, 'K4').inspections.at(-1)!;
    expect(look).toMatchObject({ note: 'Hail', temperatureC: expect.closeTo(35, 6) as number });
    expect(look.findings.find(({ specimenId }) => specimenId === id)?.state).toBe('gone');
    await user.click(await button('Inspect'));
    expect(screen.getAllByRole('combobox', { name: /^K4-\w+ is$/ })).toHaveLength(selects.length - 1);
    await user.click(await button('Cancel'));
    expect(screen.queryByRole('combobox', { name: /^K4-\w+ is$/ })).toBeNull();
  });
});

describe('the campaign itself', () => {
  test('keeps what is typed while the server is away, and sends it when it is back', async () => {
    const server = fakeServer();
    const { over } = openApp('/bench/K2', { server });
    await field('Summary');
    const { answer } = server;
    globalThis.fetch = (input, init) =>
      (input as Request).method === 'PUT' ? Promise.reject(new TypeError('no answer')) : answer(input, init);
    await over('Summary', 'What carbon does');
    expect(await screen.findByText('Not saved: server not reachable')).toBeVisible();
    expect(await field('Summary')).toHaveValue('What carbon does');
    globalThis.fetch = answer;
    await waitFor(() => expect(campaignOf(server, 'K2').title).toBe('What carbon does'), { timeout: 10_000 });
  });

  test('where both changed the same it is asked: theirs is taken, or mine is saved upon it', async () => {
    const { user, server, over } = openApp('/bench/K2');
    await field('Summary');
    server.kinds.campaigns.changeElsewhere('K2', { ...campaignOf(server, 'K2'), title: 'Theirs' });
    await over('Summary', 'Mine');
    const asked = within(await screen.findByRole('alert', { name: 'Changed by someone else' }));
    expect(asked.getByRole('row', { name: /Theirs.*Mine/ })).toBeVisible();
    expect(screen.getByText('Not saved: changed by both')).toBeVisible();
    expect(campaignOf(server, 'K2').title).toBe('Theirs');
    await user.click(asked.getByRole('button', { name: 'Use the newer version' }));
    expect(await field('Summary')).toHaveValue('Theirs');
    server.kinds.campaigns.changeElsewhere('K2', { ...campaignOf(server, 'K2'), title: 'Theirs again', perArm: 7 });
    await over('Summary', 'Mine again');
    await user.click(await button('Keep mine as a new revision'));
    await waitFor(() => expect(campaignOf(server, 'K2')).toMatchObject({ title: 'Mine again', perArm: 7 }));
    expect(await screen.findByText('Saved')).toBeVisible();
  });

  test('somebody else’s other field is not undone by what is typed here, whether it is heard of or not', async () => {
    const { server, store, over } = openApp('/bench/K2');
    await field('Summary');
    // Not heard of: the save is refused, brought together, and sent again.
    server.kinds.campaigns.changeElsewhere('K2', { ...campaignOf(server, 'K2'), perArm: 7 });
    await over('Summary', 'Mine');
    await waitFor(() => expect(campaignOf(server, 'K2')).toMatchObject({ title: 'Mine', perArm: 7 }));
    // Heard of after the typing began and before it was sent: an older document must not go in at the newer revision.
    await over('Summary', 'Mine, longer');
    server.kinds.campaigns.changeElsewhere('K2', { ...campaignOf(server, 'K2'), perArm: 9 });
    store.dispatch(api.util.invalidateTags(['Campaign']));
    await waitFor(() => expect(campaignOf(server, 'K2')).toMatchObject({ title: 'Mine, longer', perArm: 9 }));
    expect(await field('Specimens of each')).toHaveValue('9');
    expect(screen.queryByRole('alert', { name: 'Changed by someone else' })).toBeNull();
  });

  test('is removed only while nothing has been tested', async () => {
    const server = fakeServer();
    const { user, where, go } = openApp('/bench/K1', { server });
    await field('Summary');
    expect(screen.queryByRole('button', { name: 'Remove campaign K1' })).toBeNull();
    server.kinds.trials.byId.clear();
    await go('/bench/K3');
    await user.click(await button('Remove campaign K3'));
    await user.click(within(await screen.findByRole('alertdialog')).getByRole('button', { name: 'Remove' }));
    await waitFor(() => expect(where()).toBe('/bench'));
    expect(server.kinds.campaigns.byId.has('K3')).toBe(false);
  });

  test('that is not there leads back', async () => {
    openApp('/bench/K99');
    expect(await screen.findByText('There is no campaign “K99”.')).toBeVisible();
    expect(screen.getByRole('link', { name: 'All campaigns' })).toBeVisible();
  });
});
