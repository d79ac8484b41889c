import { newUuid } from './uuid.ts';

/** Tests of lists that hold components have no page address. */
const page = (globalThis as { location?: Location }).location;

/** What the addresses of a workspace’s pages begin with: /w/name, or nothing for the first one. */
const workspacePrefix = (pathname: string): string => /^\/w\/[a-z0-9][a-z0-9-]{0,39}(?=\/|$)/.exec(pathname)?.[0] ?? '';

export const PREFIX = workspacePrefix(page?.pathname ?? '');
/** Of every request, so that it reaches the workspace whose page it is made from. */
export const API = `${PREFIX}/api/v1`;
/** As printed codes and copied links begin. */
export const hereAddress = (): string => `${page?.origin ?? 'http://127.0.0.1'}${PREFIX}`;
/** Where another workspace’s pages begin. */
export const addressOfWorkspace = (slug: string): string => (slug === 'workshop' ? '/' : `/w/${slug}/`);

/** This page, for as long as it is open: what it changes itself it need not be told. */
export const TAB = newUuid();
