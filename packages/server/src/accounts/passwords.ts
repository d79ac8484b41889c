import { hash, verify } from '@node-rs/argon2';
import { invalidInput } from '../http/problems.ts';

/** Least that OWASP’s Password Storage Cheat Sheet asks of argon2id: 19 MiB, 2 passes, 1 lane. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** As long for somebody who is not there as for somebody who is: an answer’s time tells no names. */
let nobodys: Promise<string> | undefined;

export async function isPasswordOf(kept: string | null | undefined, password: string): Promise<boolean> {
  nobodys ??= hashPassword('nobody signs in with this');
  const fits = await verify(kept ?? (await nobodys), password);
  return fits && typeof kept === 'string';
}

/** Among the first that are tried, whatever stands beside them. */
const COMMON =
  'password passwort passw admin administrator letmein welcome iloveyou changeme secret login guest master dragon monkey football baseball superman sunshine princess summer winter spring autumn anvilstone filament workshop'.split(
    ' ',
  );
const ROWS = [
  'abcdefghijklmnopqrstuvwxyz',
  '01234567890',
  'qwertyuiop',
  'qwertzuiop',
  'asdfghjkl',
  'zxcvbnm',
  'yxcvbnm',
];
const SHORTEST_RUN = 4;
const FEWEST_SIGNS = 5;
/** So much has to be left when all that is easily guessed is taken out. */
const LEAST_LEFT = 6;
const LOOK_LIKE: Record<string, string> = {
  '0': 'o',
  '1': 'l',
  '3': 'e',
  '4': 'a',
  '5': 's',
  '7': 't',
  '@': 'a',
  $: 's',
  '!': 'i',
};

/**
 * Whether a password of the right length would be found soon: few signs, rows of the keyboard, common words, or its owner's own names
 * (NIST SP 800-63B, 5.1.1.2).
 * @throws HttpProblem 422 at `pointer`
 */
export function requireGoodPassword(pointer: string, password: string, owner: { signIn: string; name: string }): void {
  const refuse = (detail: string) =>
    invalidInput([{ pointer, detail, accepted: 'some words that do not belong together' }]);
  const plain = password.toLowerCase();
  if (new Set(plain).size < FEWEST_SIGNS) throw refuse('It is made of very few different signs');
  const names = [owner.signIn, ...owner.name.split(/\s+/)]
    .map((one) => one.toLowerCase())
    .filter(({ length }) => length > 2);
  const guessed = [...names, ...COMMON].sort((a, b) => b.length - a.length);
  const left = without(withoutRuns(plain), guessed);
  const unmasked = without(withoutRuns([...plain].map((sign) => LOOK_LIKE[sign] ?? sign).join('')), guessed);
  if (Math.min(left.length, unmasked.length) < LEAST_LEFT) throw refuse('It is among the first that are tried');
}

const without = (text: string, words: readonly string[]) =>
  words.reduce((rest, word) => rest.replaceAll(word, ''), text);

/** Without stretches of the alphabet, of the digits or of a keyboard, forwards or backwards. */
function withoutRuns(text: string): string {
  const rows = ROWS.flatMap((row) => [row, [...row].reverse().join('')]);
  let left = '';
  for (let at = 0; at < text.length;) {
    let length = SHORTEST_RUN;
    while (at + length <= text.length && rows.some((row) => row.includes(text.slice(at, at + length)))) length += 1;
    if (length > SHORTEST_RUN) at += length - 1;
    else left += text[at++]!;
  }
  return left;
}
