import { requireGoodPassword } from './passwords.ts';

const ada = { signIn: 'ada.brook', name: 'Ada Brook' };
const refusal = (password: string) => {
  try {
    requireGoodPassword('/password', password, ada);
    return undefined;
  } catch (error) {
    return (error as { issues: { pointer: string; detail: string }[] }).issues[0];
  }
};

test.each([
  'aaaaaaaaaaaa',
  'abababababab',
  '123456789012',
  'qwertyuiop12',
  'poiuytrewq99',
  'abcdefghijkl',
  'Password1234',
  'P@ssw0rd1234',
  'letmein12345',
  'adabrook2026',
  'Brook-ada-12',
  'administrator',
  'anvilstone99',
  'summer123456',
])('%s is among the first that are tried', (password) =>
  expect(refusal(password)).toMatchObject({
    pointer: '/password',
    detail: expect.stringMatching(/tried|few/) as string,
  }),
);

test.each([
  'correct horse battery',
  'a longer and newer one',
  'quite another one',
  'w8#kQz!r7vLp',
  'lange Leitung am See',
])('%s is not', (password) => expect(refusal(password)).toBeUndefined());

test('what is easily guessed does no harm beside enough that is not', () =>
  expect(refusal('password of the tin kettle')).toBeUndefined());
