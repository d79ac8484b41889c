import { useSessionQuery } from './accessApi.ts';

/** What somebody who is signed in is called, to begin a form with; empty without accounts. */
export const useOwnName = (): string => useSessionQuery().data?.name ?? '';
