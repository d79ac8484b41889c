import type { FieldChange, Statement } from '@anvilstone/schema';
import { amountOf, fieldMeaning, formatNumber, inWords, joined, say } from '@anvilstone/core/foundations';

type Document = Record<string, unknown>;
const isRecord = (value: unknown): value is Document =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const isKeyed = (value: unknown): value is readonly (Document & { id: string })[] =>
  Array.isArray(value) && value.length > 0 && value.every((one) => isRecord(one) && typeof one.id === 'string');

const keyed = (list: unknown) => new Map<string, Document>(isKeyed(list) ? list.map((one) => [one.id, one]) : []);

/** Every field in which two documents differ, in words; records in lists are matched by their id, so that one left out shifts nothing. */
export function documentChanges(
  area: string,
  before: unknown,
  after: unknown,
  at: readonly string[] = [],
): FieldChange[] {
  if (Object.is(before, after)) return [];
  if (isRecord(before) && isRecord(after)) {
    const keys = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return keys.flatMap((key) => documentChanges(area, before[key], after[key], [...at, key]));
  }
  if (isKeyed(before) || isKeyed(after)) {
    const [was, is] = [keyed(before), keyed(after)];
    return [...new Set([...was.keys(), ...is.keys()])].flatMap((id) => {
      const name = (is.get(id) ?? was.get(id))!.name;
      return documentChanges(area, was.get(id), is.get(id), [...at, `“${typeof name === 'string' ? name : id}”`]);
    });
  }
  const [from, to] = [show(before, at), show(after, at)];
  return saysTheSame(from, to) ? [] : [{ area, field: title(at), before: from, after: to }];
}

/** Fields that keep the names they were published by, in today's words. */
const TODAY: Record<string, string> = { asks: 'requirements', schoolId: 'ranking method', agentId: 'chemical' };
const wordsOf = (field: string) => TODAY[field] ?? fieldMeaning(field).words.replace(/ id$/, '');

function title(path: readonly string[]): string {
  const words = path.map((key) => (key.startsWith('“') ? key : wordsOf(key)));
  const text = words.join(' · ').replaceAll(' · “', ' “');
  return text === '' ? 'all of it' : text[0]!.toUpperCase() + text.slice(1);
}

export const saysTheSame = (a: Statement | null, b: Statement | null): boolean =>
  a === null || b === null ? a === b : inWords(a) === inWords(b);

const DIGITS = 6;

/** Null: not there. A record that came or went whole is named by what it is called. */
function show(value: unknown, path: readonly string[]): Statement | null {
  if (value === undefined || value === null) return null;
  if (typeof value === 'number') {
    const last = path.findLast((key) => !key.startsWith('“'));
    const { unit, dimension } = fieldMeaning(last ?? '');
    const amount = amountOf(value, dimension, DIGITS);
    return amount ? say`${amount}` : `${formatNumber(value, DIGITS)}${unit === '' ? '' : ` ${unit}`}`;
  }
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  if (Array.isArray(value))
    return joined(
      value.map((one) => show(one, path) ?? ''),
      ', ',
    );
  return joined(
    Object.entries(value as Document)
      .filter(([key]) => key !== 'id')
      .map(([key, one]) => say`${wordsOf(key)} ${show(one, [...path, key]) ?? 'none'}`),
    ', ',
  );
}
