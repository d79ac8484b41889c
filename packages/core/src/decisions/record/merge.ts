/** One field that two people have changed to different things since both read it. */
export interface MergeConflict {
  /** Names of fields and ids of list items on the way to it. */
  path: readonly string[];
  base: unknown;
  mine: unknown;
  theirs: unknown;
}

export interface Merge<T> {
  merged: T;
  conflicts: MergeConflict[];
}

type Fields = Readonly<Record<string, unknown>>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
type Item = Fields & { readonly id: string };
const isKeyed = (value: unknown): value is readonly Item[] =>
  Array.isArray(value) && value.every((one) => isFields(one) && typeof one.id === 'string');

/** What tells shapes of a record apart: fields of two shapes must not end up in one. */
const TAGS = ['kind', 'type', 'model', 'modelId'];
const isOfOneShape = (records: readonly Fields[]) =>
  TAGS.every((tag) => records.every((one) => one[tag] === records[0]![tag]));

/** Same content, whatever the order of fields. A field that is absent and one that is undefined are alike. */
export function sameContent(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((one, i) => sameContent(one, b[i]));
  if (!isFields(a) || !isFields(b)) return false;
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => sameContent(a[key], b[key]));
}

/**
 * Brings together what two people have made of one document since both read it. What only one has changed is taken from them; what both have
 * changed alike is no conflict. Records go field by field and lists whose items have ids item by item; any other list, and a record that
 * changed its shape, is one field. Where both have changed a field to different things, `prefer` says whose is in the result.
 */
export function mergeDocuments<T>(base: T, mine: T, theirs: T, prefer: 'mine' | 'theirs' = 'mine'): Merge<T> {
  const conflicts: MergeConflict[] = [];

  function merge(was: unknown, own: unknown, other: unknown, path: readonly string[]): unknown {
    if (sameContent(own, other) || sameContent(was, other)) return own;
    if (sameContent(was, own)) return other;
    if (isFields(was) && isFields(own) && isFields(other) && isOfOneShape([was, own, other])) {
      const keys = [...new Set([...Object.keys(other), ...Object.keys(own)])];
      const entries = keys.map((key) => [key, merge(was[key], own[key], other[key], [...path, key])] as const);
      return Object.fromEntries(entries.filter(([, value]) => value !== undefined));
    }
    if (isKeyed(was) && isKeyed(own) && isKeyed(other)) return mergeItems(was, own, other, path);
    conflicts.push({ path, base: was, mine: own, theirs: other });
    return prefer === 'mine' ? own : other;
  }

  /** In the order that the others have them, with one’s own new ones after. */
  function mergeItems(was: readonly Item[], own: readonly Item[], other: readonly Item[], path: readonly string[]) {
    const [before, mineById, theirsById] = [was, own, other].map((list) => new Map(list.map((one) => [one.id, one])));
    const ids = [...new Set([...theirsById!.keys(), ...mineById!.keys()])];
    return ids
      .map((id) => merge(before!.get(id), mineById!.get(id), theirsById!.get(id), [...path, id]))
      .filter((one) => one !== undefined);
  }

  return { merged: merge(base, mine, theirs, []) as T, conflicts };
}
