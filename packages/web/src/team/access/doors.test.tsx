import { ROLES, SHORTEST_PASSWORD, type Member, type Session } from '@anvilstone/schema';
import { answered, drawn, textOf } from '../../testing/testPage.tsx';
import { FirstAccountForm } from './FirstAccountForm.tsx';
import { Members } from './Members.tsx';
import { ROLE_WORDS } from './roleWords.ts';
import { SignInForm } from './SignInForm.tsx';

const session = (rest: object = {}) =>
  ({
    isEncrypted: true,
    needsSetupCode: false,
    isInstallationAdmin: false,
    workspace: { slug: 'workshop', title: 'Ropeway' },
    ...rest,
  }) as unknown as Session;

describe('at the door', () => {
  test('a name and a password, known to the browser’s own keeper of passwords', () => {
    const root = drawn(<SignInForm session={session()} isBack={false} />);
    expect(root.querySelectorAll('input').map((input) => input.getAttribute('autocomplete'))).toEqual([
      'username',
      'current-password',
    ]);
    expect(root.querySelector('button[type=submit]')!.hasAttribute('disabled')).toBe(true);
    expect(textOf(root)).toContain('Lost your password?');
  });
  test('whoever was sent back is told that nothing of theirs is lost', () => {
    expect(textOf(drawn(<SignInForm session={session()} isBack />))).toContain('What you have open stays as it is.');
    expect(textOf(drawn(<SignInForm session={session()} isBack={false} />))).not.toContain('has ended');
  });
  test('a line that others can read is said to be one', () => {
    const words = (isEncrypted: boolean) =>
      textOf(drawn(<SignInForm session={session({ isEncrypted })} isBack={false} />));
    expect(words(false)).toMatch(/not encrypted|can be read|unencrypted/i);
    expect(words(true)).not.toMatch(/not encrypted|can be read|unencrypted/i);
  });
});

describe('the first account', () => {
  const form = (needsSetupCode: boolean) => drawn(<FirstAccountForm session={session({ needsSetupCode })} />);
  test('asks for the printed code only of who may stand elsewhere', () => {
    expect(textOf(form(true))).toContain('Code printed by the server');
    expect(textOf(form(false))).not.toContain('Code printed by the server');
  });
  test('says how long a password must be, and a new one is not filled in from old ones', () => {
    expect(textOf(form(false))).toContain(`At least ${SHORTEST_PASSWORD} characters`);
    expect(form(false).querySelector('input[autocomplete="new-password"]')).not.toBeNull();
  });
});

describe('people', () => {
  const member = (rest: Partial<Member>): Member =>
    ({
      id: '00000000-0000-4000-8000-000000000001',
      name: 'H. Orrin',
      signIn: 'orrin',
      role: 'engineer',
      isInstallationAdmin: false,
      isClosed: false,
      hasPassword: true,
      lastSeenAt: null,
      ...rest,
    }) as unknown as Member;
  const list = (members: readonly Member[], isInstallationAdmin = false) =>
    drawn(<Members session={session({ isInstallationAdmin })} />, {
      answers: answered(['members', isInstallationAdmin, members]),
    });
  test('each has a role, to be changed in place', () => {
    const root = list([member({}), member({ id: '2', name: 'M. Aldous', role: 'approver' } as Partial<Member>)]);
    const roles = root
      .querySelectorAll('select')
      .map((select) => select.querySelector('option[selected]')!.getAttribute('value'));
    expect(roles.slice(0, 2)).toEqual(['engineer', 'approver']);
    expect(root.querySelectorAll('label').map(textOf)).toContain('Role of M. Aldous');
  });
  test('only who looks after the company can close an account', () => {
    expect(textOf(list([member({})]))).not.toContain('Close the account');
    expect(textOf(list([member({})], true))).toContain('Close the account');
    expect(textOf(list([member({ isClosed: true })], true))).toContain('Open the account again');
  });
  test('whoever never came has another invitation, whoever has a password a new way in', () => {
    expect(textOf(list([member({ hasPassword: false })]))).toContain('New invitation');
    expect(textOf(list([member({})]))).toContain('Lost password');
  });
  test('every role says in words what it may', () => {
    expect(Object.keys(ROLE_WORDS).sort()).toEqual([...ROLES].sort());
    expect(new Set(Object.values(ROLE_WORDS)).size).toBe(ROLES.length);
  });
});
