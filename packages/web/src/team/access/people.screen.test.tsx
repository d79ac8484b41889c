import type { Credential, Member, Role, Session } from '@anvilstone/schema';
import { screen, waitFor, within } from '@testing-library/react';
import { button, field, openApp } from '../../testing/testApp.tsx';
import { OPEN_DOOR, Refused, fakeServer, type FakeServer } from '../../testing/fakeServer.ts';

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const signedIn = (role: Role | null, isInstallationAdmin = false): Session => ({
  ...OPEN_DOOR,
  state: 'signed-in',
  name: 'E. Ford',
  accountId: uuid(1),
  role,
  isInstallationAdmin,
  workspace: { slug: 'workshop', title: 'Valley workshop', role },
  workspaces: [{ slug: 'workshop', title: 'Valley workshop', role }],
  isEncrypted: true,
});
const member = (n: number, more: Partial<Member>): Member => ({
  id: uuid(n),
  signIn: `person${n}`,
  name: `Person ${n}`,
  role: 'engineer',
  isInstallationAdmin: false,
  hasPassword: true,
  isClosed: false,
  lastSeenAt: '2026-05-30T08:00:00Z',
  ...more,
});
const credential = (n: number, more: Partial<Credential>): Credential => ({
  id: uuid(n),
  kind: 'session',
  title: 'Mozilla/5.0 (X11; Linux x86_64) Firefox/140.0',
  mostRole: null,
  workspace: null,
  isThis: false,
  createdAt: '2026-05-01T08:00:00Z',
  usedAt: '2026-05-30T08:00:00Z',
  expiresAt: '2026-07-01T08:00:00Z',
  ...more,
});

function serverOf(session: Session, members: Member[] = []): FakeServer {
  const server = fakeServer();
  server.server.session = session;
  server.says('GET', 'members', () => members);
  server.says('GET', 'account-events', () => [
    { at: '2026-05-01T08:00:00Z', who: 'E. Ford', what: 'invited', about: 'Person 2' },
  ]);
  server.says('PUT', 'members/:id', ({ params, body }) => {
    const i = members.findIndex(({ id }) => id === params.id);
    members[i] = { ...members[i]!, ...body };
    return members[i];
  });
  return server;
}
const LONG = 'seven tall odd lamps';

describe('the door', () => {
  test('whoever is not signed in sees nothing of the workshop; signing in opens it', async () => {
    const server = serverOf({ ...OPEN_DOOR, state: 'sign-in', workspace: null });
    server.says('POST', 'session', ({ body }) => {
      if (body.password !== LONG)
        throw new Refused({ status: 401, title: 'Not let in', detail: 'Name and password do not belong together.' });
      server.server.session = signedIn('engineer');
      return undefined;
    });
    const { user } = openApp('/parts', { server });
    expect(await screen.findByRole('heading', { name: 'Sign in' })).toBeVisible();
    expect(screen.queryByText('Lamp arm, pylon 7 walkway')).toBeNull();
    expect(screen.getByText(/not encrypted|can be read/i)).toBeVisible();
    const enter = await button('Sign in');
    expect(enter).toBeDisabled();
    await user.type(await field('Sign-in name'), 'ford');
    await user.type(await field('Password'), 'wrong words{Enter}');
    expect(await screen.findByText('Name and password do not belong together.')).toBeVisible();
    expect(await field('Sign-in name')).toHaveValue('ford');
    await user.clear(await field('Password'));
    await user.type(await field('Password'), `${LONG}{Enter}`);
    expect(await screen.findByText('Lamp arm, pylon 7 walkway')).toBeVisible();
    expect(screen.queryByLabelText('Password')).toBeNull();
  });

  test('a session that ends in the middle is signed into again over the page, and what was typed stays', async () => {
    const server = serverOf(signedIn('engineer'));
    const { user } = openApp('/chemicals/new', { server });
    await user.type(await field('Name'), 'Rope wash');
    await user.type(await field('Safety notes'), 'Gloves.');
    server.says('PUT', 'chemicals/:id', () => {
      server.server.session = { ...OPEN_DOOR, state: 'sign-in', workspace: null };
      throw new Refused({ status: 401, title: 'Not signed in', detail: 'Sign in again.' });
    });
    await user.click(await button('Save it'));
    expect(await screen.findByRole('heading', { name: 'Sign in again' })).toBeVisible();
    expect(await field('Name')).toHaveValue('Rope wash');
  });

  test('the first account needs the server’s code, a name and a password long enough', async () => {
    const server = serverOf({ ...OPEN_DOOR, state: 'first-account', needsSetupCode: true, workspace: null });
    server.says('POST', 'accounts/first', ({ body }) => {
      if (body.setupCode !== '1234-5678')
        throw new Refused({
          status: 400,
          title: 'Not the code',
          detail: 'The code is not right.',
          errors: [{ pointer: '/setupCode', detail: 'is not what the server has printed' }],
        });
      server.server.session = signedIn('administrator', true);
      return undefined;
    });
    const { user } = openApp('/parts', { server });
    await user.type(await field('Code printed by the server'), '0');
    await user.type(await field('Your name'), 'E. Ford');
    await user.type(await field('Sign-in name'), 'ford');
    await user.type(await field('Password'), 'short');
    expect(await field('Password')).toHaveAccessibleDescription('7 more characters are needed');
    const make = await button('Create account');
    expect(make).toBeDisabled();
    await user.clear(await field('Password'));
    await user.type(await field('Password'), LONG);
    await user.click(make);
    await waitFor(async () =>
      expect(await field('Code printed by the server')).toHaveAccessibleDescription(
        'is not what the server has printed',
      ),
    );
    await user.clear(await field('Code printed by the server'));
    await user.type(await field('Code printed by the server'), '1234-5678');
    await user.click(make);
    expect(await screen.findByText('Lamp arm, pylon 7 walkway')).toBeVisible();
    expect(server.asked.at(-1)?.body).toEqual({
      name: 'E. Ford',
      signIn: 'ford',
      password: LONG,
      setupCode: '1234-5678',
    });
  });
});

test('a viewer is told that nothing is kept, and somebody without a role what to do', async () => {
  openApp('/parts', { server: serverOf(signedIn('viewer')) });
  expect(await screen.findByText(/You are a viewer here/)).toBeVisible();
  openApp('/parts', { server: serverOf(signedIn(null)) });
  expect(await screen.findByText(/You have no role in this workspace/)).toBeVisible();
  openApp('/parts', { server: serverOf(signedIn('engineer')) });
  expect(await screen.findByText('Lamp arm, pylon 7 walkway')).toBeVisible();
  expect(screen.queryByText(/You are a viewer|You have no role/)).toBeNull();
});

describe('people', () => {
  test('a workshop of one is told so, and may begin with accounts', async () => {
    openApp('/people', { server: serverOf(OPEN_DOOR) });
    expect(await screen.findByText(/No accounts/)).toBeVisible();
    expect(screen.getByText(/This cannot be undone/)).toBeVisible();
    expect(screen.queryByRole('region', { name: 'Sessions and access tokens' })).toBeNull();
  });

  test('who may not invite sees no list of people', async () => {
    openApp('/people', { server: serverOf(signedIn('engineer')) });
    expect(await screen.findByRole('region', { name: 'You' })).toBeVisible();
    expect(screen.queryByText('Invite a person')).toBeNull();
    expect(screen.queryByRole('region', { name: 'Account log' })).toBeNull();
  });

  test('somebody is invited: the secret is shown once, a name that is taken at its field', async () => {
    const server = serverOf(signedIn('administrator'), [member(1, { name: 'E. Ford', role: 'administrator' })]);
    server.says('POST', 'members', ({ body }) => {
      if (body.signIn === 'ford')
        throw new Refused({
          status: 409,
          title: 'Value',
          detail: 'Taken.',
          errors: [{ pointer: '/signIn', detail: 'somebody has this name' }],
        });
      const made = member(2, { name: String(body.name), role: body.role as Role, hasPassword: false });
      return { member: made, secret: 'abcdefghijkl', expiresAt: '2026-06-08T00:00:00Z' };
    });
    const { user } = openApp('/people', { server });
    const panel = within(await screen.findByRole('region', { name: 'People of Valley workshop' }));
    const invite = panel.getByRole('button', { name: 'Invite' });
    expect(invite).toBeDisabled();
    await user.type(panel.getByLabelText('Name'), 'G. Hill');
    await user.type(panel.getByLabelText('Sign-in name'), 'ford');
    await user.selectOptions(panel.getByLabelText('Role'), 'approver');
    expect(panel.getByText(/^Approver: /)).toBeVisible();
    await user.click(invite);
    await waitFor(() =>
      expect(panel.getByLabelText('Sign-in name')).toHaveAccessibleDescription('somebody has this name'),
    );
    expect(panel.getByLabelText('Name')).toHaveValue('G. Hill');
    await user.clear(panel.getByLabelText('Sign-in name'));
    await user.type(panel.getByLabelText('Sign-in name'), 'hill');
    await user.click(invite);
    expect(await panel.findByText(/\/welcome#abcdefghijkl$/)).toBeVisible();
    expect(panel.getByText(/The invitation of G\. Hill, good for a week, is shown only once/)).toBeVisible();
    expect(panel.getByLabelText('Name')).toHaveValue('');
    const write = jest.spyOn(navigator.clipboard, 'writeText').mockResolvedValue();
    await user.click(panel.getByRole('button', { name: 'Copy' }));
    expect(await panel.findByRole('button', { name: 'Copied' })).toBeVisible();
    expect(write.mock.calls[0]![0]).toMatch(/\/welcome#abcdefghijkl$/);
  });

  test('how each stands is told, and roles are changed', async () => {
    const people = [
      member(2, { name: 'New One', hasPassword: false, lastSeenAt: null }),
      member(3, { name: 'Gone One', isClosed: true, role: null }),
      member(4, { name: 'Other One', role: null, isInstallationAdmin: true }),
    ];
    const server = serverOf(signedIn('administrator', true), people);
    server.says('POST', 'members/:id/invitation', () => ({ member: people[0], secret: null, expiresAt: null }));
    const { user } = openApp('/people', { server });
    expect(await screen.findByText('invited, not here yet')).toBeVisible();
    expect(screen.getByText(/account closed: no access/)).toBeVisible();
    expect(screen.getByText(/^not of this workspace · last here .* · administers the installation$/)).toBeVisible();
    await user.selectOptions(await field('Role of New One'), 'viewer');
    await waitFor(() => expect(people[0]!.role).toBe('viewer'));
    await user.selectOptions(await field('Role of New One'), 'not here');
    await waitFor(() => expect(people[0]!.role).toBeNull());
    await user.click(await button('Open the account again'));
    await waitFor(() => expect(people[1]!.isClosed).toBe(false));
    await user.click(await button('Remove installation administrator'));
    await waitFor(() => expect(people[2]!.isInstallationAdmin).toBe(false));
    await user.click((await screen.findAllByRole('button', { name: 'New invitation' }))[0]!);
    expect(await screen.findByText(/already has an account and signs in with it/)).toBeVisible();
    expect(within(screen.getByRole('list', { name: 'Account log' })).getByRole('listitem').textContent).toMatch(
      /^E\. Ford invited · Person 2/,
    );
  });
});

describe('oneself', () => {
  test('another name and another password; a wrong one is told at its field', async () => {
    const server = serverOf(signedIn('engineer'));
    server.says('PUT', 'account', ({ body }) => {
      const password = body.password as { now: string; next: string } | undefined;
      const refused = (pointer: string, detail: string) =>
        new Refused({ status: 422, title: 'Not changed', detail: 'Not changed.', errors: [{ pointer, detail }] });
      if (password && password.now !== LONG) throw refused('/password/now', 'is not your password');
      if (password?.next.startsWith('weak')) throw refused('/password/next', 'is among the first that are tried');
      if (body.name) server.server.session = { ...server.server.session, name: body.name as string };
      return undefined;
    });
    const { user } = openApp('/people', { server });
    const rename = await button('Change the name');
    expect(rename).toBeDisabled();
    await user.type(await field('Name, as others see it'), 'e');
    await user.click(rename);
    await waitFor(() => expect(server.server.session.name).toBe('E. Forde'));
    const change = await button('Change the password');
    await user.type(await field('Password now'), 'a guess');
    await user.type(await field('New password'), 'too short');
    expect(change).toBeDisabled();
    await user.type(await field('New password'), ' but not any more');
    await user.click(change);
    await waitFor(async () => expect(await field('Password now')).toHaveAccessibleDescription('is not your password'));
    expect(await field('New password')).toHaveValue('too short but not any more');
    await user.clear(await field('Password now'));
    await user.type(await field('Password now'), LONG);
    await user.clear(await field('New password'));
    await user.type(await field('New password'), 'weak, weak, weak');
    await user.click(change);
    await waitFor(async () =>
      expect(await field('New password')).toHaveAccessibleDescription('is among the first that are tried'),
    );
    await user.clear(await field('New password'));
    await user.type(await field('New password'), 'strong, and long');
    await user.click(change);
    expect(await screen.findByText('✓ Changed')).toBeVisible();
    expect(await field('New password')).toHaveValue('');
  });

  test('keys: a token reaches no further than oneself, is shown once, and is ended', async () => {
    const server = serverOf(signedIn('engineer'));
    const keys = [
      credential(11, { isThis: true }),
      credential(12, { kind: 'token', title: 'Nightly list', mostRole: 'viewer', workspace: 'workshop' }),
    ];
    server.says('GET', 'account/credentials', () => keys);
    server.says('POST', 'account/tokens', ({ body }) => {
      const made = credential(13, { kind: 'token', title: String(body.title), mostRole: body.mostRole as Role });
      keys.push(made);
      return { credential: made, secret: 'token-secret-1' };
    });
    server.says('DELETE', 'account/credentials/:id', ({ params }) => {
      keys.splice(
        keys.findIndex(({ id }) => id === params.id),
        1,
      );
      return undefined;
    });
    const { user } = openApp('/people', { server });
    const panel = within(await screen.findByRole('region', { name: 'Sessions and access tokens' }));
    expect(await panel.findByText('Firefox Linux')).toBeVisible();
    expect(panel.getByText('this one')).toBeVisible();
    expect(panel.getByText('Nightly list · at most viewer · workshop')).toBeVisible();
    const roles = within(panel.getByLabelText('At most'))
      .getAllByRole('option')
      .map((one) => one.textContent);
    expect(roles).toEqual(['viewer', 'engineer']);
    await user.type(panel.getByLabelText('Purpose'), 'Calendar');
    await user.selectOptions(panel.getByLabelText('Good for'), 'a year');
    await user.click(panel.getByRole('button', { name: 'Create token' }));
    expect(await panel.findByText('token-secret-1')).toBeVisible();
    expect(panel.getByText(/inspections\.ics\?key=token-secret-1$/)).toBeVisible();
    expect(server.asked.at(-1)?.body).toEqual({ title: 'Calendar', mostRole: 'viewer', days: 366 });
    await user.click(await panel.findByRole('button', { name: 'End Nightly list' }));
    await waitFor(() => expect(panel.queryByText(/^Nightly list/)).toBeNull());
  });
});

describe('an invitation', () => {
  const invited = () => {
    const server = serverOf({ ...OPEN_DOOR, state: 'sign-in', workspace: null });
    server.says('POST', 'invitations/look', ({ body }) => {
      if (body.secret !== 'good-secret-1')
        throw new Refused({ status: 404, title: 'Not good any more', detail: 'The invitation is used or too old.' });
      return { signIn: 'hill', name: 'G. Hill' };
    });
    return server;
  };
  afterEach(() => history.replaceState(null, '', '/'));

  test('greets by name and takes a password of one’s own', async () => {
    const server = invited();
    server.says('POST', 'invitations/accept', () => {
      throw new Refused({ status: 400, title: 'Too easy', detail: 'That password is in every list.' });
    });
    const { user } = openApp('/welcome#good-secret-1', { server });
    expect(await screen.findByRole('heading', { name: 'Welcome, G. Hill' })).toBeVisible();
    const enter = await button('Sign in');
    expect(enter).toBeDisabled();
    await user.type(await field('Password'), 'passwordpassword');
    await user.click(enter);
    expect(await screen.findByText('That password is in every list.')).toBeVisible();
    expect(server.asked.at(-1)?.body).toEqual({ secret: 'good-secret-1', password: 'passwordpassword' });
  });

  test('that is not good any more says so and asks for nothing', async () => {
    openApp('/welcome#old-secret-22', { server: invited() });
    expect(await screen.findByText('The invitation is used or too old.')).toBeVisible();
    expect(screen.queryByLabelText('Password')).toBeNull();
  });
});
