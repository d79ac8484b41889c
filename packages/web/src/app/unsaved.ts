import type { Brief } from '@anvilstone/schema';

/** Edits the server does not have yet, kept on this computer so that a closed tab or a dead server loses nothing. */
export interface Unsaved {
  brief: Brief;
  revision: number;
  /** The brief of that revision: what a newer one is brought together by. */
  base?: Brief;
}

const key = (partId: string) => `anvilstone-unsaved-${partId}`;

export function keepUnsaved(partId: string, unsaved: Unsaved): void {
  localStorage.setItem(key(partId), JSON.stringify(unsaved));
}

export function forgetUnsaved(partId: string): void {
  localStorage.removeItem(key(partId));
}

export function findUnsaved(partId: string): Unsaved | undefined {
  try {
    const text = localStorage.getItem(key(partId));
    return text === null ? undefined : (JSON.parse(text) as Unsaved);
  } catch {
    return undefined;
  }
}
