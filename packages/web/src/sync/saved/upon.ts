import { mergeDocuments } from '@anvilstone/core/decisions';

/** A document as the server has it. */
export interface Stored<T> {
  document: T;
  revision: number;
}

/** One that is edited here, and what the edits were made upon. */
export interface Edited<T> {
  base: Stored<T>;
  document: T;
  /** A newer one in which somebody else has changed the same fields to something else: it takes a choice. */
  theirs?: Stored<T>;
}

/**
 * The same edits made upon a newer stored document: what only one side has changed is taken from them. Where both changed a field to
 * different things it stays as it is, and says whose it collides with.
 */
export function broughtUpon<T>(edited: Edited<T>, newer: Stored<T>): Edited<T> {
  if (newer.revision <= (edited.theirs ?? edited.base).revision) return edited;
  const { merged, conflicts } = mergeDocuments(edited.base.document, edited.document, newer.document);
  return conflicts.length === 0
    ? { base: newer, document: merged }
    : { base: edited.base, document: edited.document, theirs: newer };
}

/** After the choice: mine wherever both have changed something, and theirs wherever only they have. */
export function mineUpon<T>({ base, document, theirs }: Edited<T> & { theirs: Stored<T> }): Edited<T> {
  return { base: theirs, document: mergeDocuments(base.document, document, theirs.document).merged };
}

/** What was edited on while `sent` was under way, upon what the server has made of that. */
export const editedSince = <T>(latest: Edited<T>, sent: Edited<T>, kept: Stored<T>): Edited<T> => ({
  base: kept,
  document: mergeDocuments(sent.document, latest.document, kept.document).merged,
});
