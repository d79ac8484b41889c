import { invalidInput } from './problems.ts';

type Query = Record<string, unknown>;
const refuse = (name: string, detail: string, accepted: string) =>
  invalidInput([{ pointer: `/${name}`, detail, accepted }]);

/** A single text value; undefined when it is not given. @throws HttpProblem 422: given twice */
export function textOf(query: Query, name: string): string | undefined {
  const value = query[name];
  if (value === undefined || typeof value === 'string') return value;
  throw refuse(name, `${name} is given more than once`, 'one value');
}

interface Range {
  least: number;
  most: number;
}

/** @throws HttpProblem 422: not a whole number in the range */
export function wholeNumber(query: Query, name: string, range: Range): number | undefined {
  return numberThat(query, name, range, Number.isInteger, 'a whole number');
}

/** @throws HttpProblem 422: not a finite number in the range */
export function numberIn(query: Query, name: string, range: Range): number | undefined {
  return numberThat(query, name, range, Number.isFinite, 'a number');
}

function numberThat(query: Query, name: string, { least, most }: Range, is: (value: number) => boolean, what: string) {
  const text = textOf(query, name);
  if (text === undefined) return undefined;
  const number = Number(text);
  if (text.trim() !== '' && is(number) && number >= least && number <= most) return number;
  throw refuse(name, `${name}: “${text}” cannot be used`, `${what} from ${least} to ${most}`);
}

/** @throws HttpProblem 422: none of the choices */
export function oneOf<T extends string>(query: Query, name: string, choices: readonly T[]): T | undefined {
  const text = textOf(query, name);
  if (text === undefined) return undefined;
  const found = choices.find((choice) => choice === text);
  if (found === undefined) throw refuse(name, `${name}: “${text}” is none of the choices`, choices.join(', '));
  return found;
}

/** The revision that was read, which a removal must name. @throws HttpProblem 422 */
export function requiredRevision(query: Query): number {
  const revision = wholeNumber(query, 'revision', { least: 1, most: 2 ** 31 - 1 });
  if (revision === undefined) throw refuse('revision', 'revision is missing', 'the revision that was read');
  return revision;
}
