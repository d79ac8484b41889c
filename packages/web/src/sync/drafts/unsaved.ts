import type { Brief } from '@anvilstone/schema';
import { briefId, drop, keep, keptAs } from '../outbox/outbox.ts';
import { PREFIX } from '../address/place.ts';

/** Edits the server does not have yet, kept on this computer so that a closed tab or a dead server loses nothing. */
export interface Unsaved {
  brief: Brief;
  revision: number;
  /** The brief of that revision: what a newer one is brought together by. */
  base?: Brief;
}

export function storeUnsaved(partId: string, { brief, revision, base }: Unsaved, who: string | null = null): void {
  keep({
    kind: 'brief',
    id: briefId(partId, who),
    prefix: PREFIX,
    who,
    atMs: Date.now(),
    what: brief.title,
    place: `/parts/${partId}/brief`,
    refused: null,
    partId,
    brief,
    revision,
    base: base ?? null,
  });
}

/** Of this account, and what was made here before there was one. */
const idsOf = (partId: string, who: string | null) => [...new Set([briefId(partId, who), briefId(partId, null)])];

export function forgetUnsaved(partId: string, who: string | null = null): void {
  for (const id of idsOf(partId, who)) drop(id);
}

export function findUnsaved(partId: string, who: string | null = null): Unsaved | undefined {
  const kept = idsOf(partId, who)
    .map(keptAs)
    .find((one) => one?.kind === 'brief');
  if (kept?.kind !== 'brief') return undefined;
  const { brief, revision, base } = kept;
  return { brief, revision, ...(base ? { base } : {}) };
}
