import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import type { Knex } from 'knex';
import { ROLES, type Role } from '@anvilstone/schema';
import { batched } from '../db/versionedAnswers.ts';
import { THIS_COMPUTER } from '../db/actor.ts';
import { HttpProblem } from '../http/problems.ts';
import type { Principal, WorkspaceRow } from '../http/principal.ts';
import { strangerLimit } from './attempts.ts';
import { anyAccount, findPresented, noteUse, stillOpens, workspaceBySlug, type Presented } from './repository.ts';
import { digestOf } from './secrets.ts';
import { SESSION_IDLE_DAYS, SESSION_MOST_DAYS } from './service.ts';

export const FIRST_SLUG = 'workshop';
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);
const BEARER = /^Bearer (\S{1,200})$/i;

export interface ExposurePolicy {
  /** Somebody other than whoever sits here can reach this server. */
  isReachable: boolean;
  /** Reached by https, so that the cookie travels by nothing else. */
  isEncrypted: boolean;
}

const cookieName = ({ isEncrypted }: ExposurePolicy) => (isEncrypted ? '__Host-anvilstone' : 'anvilstone');

/** httpOnly and same-site: no script reads it, and no other site’s page can make the browser send it. */
export function sessionCookie(exposurePolicy: ExposurePolicy, secret: string | null): string {
  return stringifySetCookie({
    name: cookieName(exposurePolicy),
    value: secret ?? '',
    httpOnly: true,
    sameSite: 'strict',
    secure: exposurePolicy.isEncrypted,
    path: '/',
    maxAge: secret === null ? 0 : SESSION_MOST_DAYS * 86_400,
  });
}

/** The door is locked once somebody has an account or can come from elsewhere. Accounts are closed but never removed, so yes stays yes. */
export function lock(installation: Knex, exposurePolicy: ExposurePolicy): () => Promise<boolean> {
  let isLocked = exposurePolicy.isReachable;
  // Those that come together ask together.
  const any = batched(() => anyAccount(installation));
  return async () => (isLocked ||= await any());
}

/** Of somebody who has been let in for longer than one request. */
export function mayStill(installation: Knex, isLocked: () => Promise<boolean>) {
  return async ({ kind, credentialId, workspace }: Principal): Promise<boolean> =>
    kind === 'open' ? !(await isLocked()) : stillOpens(installation, credentialId ?? '', workspace?.id ?? '');
}

const workspaceSlug = (res: Response) => (res.locals.slug as string | undefined) ?? FIRST_SLUG;

/** Finds out who asks, and puts it where the routes find it. Nobody is somebody too: what they may do is for the routes. */
export function authenticate(
  installation: Knex,
  exposurePolicy: ExposurePolicy,
  isLocked: () => Promise<boolean>,
): RequestHandler {
  const limit = strangerLimit();
  // None is ever removed, or called otherwise.
  const workspaces = new Map<string, WorkspaceRow>();
  return async (req, res, next) => {
    const principal = (await isLocked()) ? await principalOf(req, res) : await whoSitsHere(res);
    if (principal.kind === 'nobody') await limit(req.ip ?? '');
    res.locals.principal = principal;
    next();
  };

  async function whoSitsHere(res: Response): Promise<Principal> {
    const slug = workspaceSlug(res);
    const workspace = workspaces.get(slug) ?? (await workspaceBySlug(installation, slug)) ?? null;
    if (workspace) workspaces.set(slug, workspace);
    return { kind: 'open', name: THIS_COMPUTER.name, role: 'administrator', isInstallationAdmin: true, workspace };
  }

  async function principalOf(req: Request, res: Response): Promise<Principal> {
    const nobody: Principal = {
      kind: 'nobody',
      name: 'nobody',
      role: null,
      isInstallationAdmin: false,
      workspace: null,
    };
    const token = BEARER.exec(req.headers.authorization ?? '')?.[1] ?? calendarKey(req);
    const cookie = parseCookie(req.headers.cookie ?? '')[cookieName(exposurePolicy)];
    const secret = token ?? cookie;
    if (!secret || secret.length > 200) return nobody;
    const found = await findPresented(installation, digestOf(secret), workspaceSlug(res));
    // A token is no cookie and a cookie no token: each only on its own way in.
    if (!found || (found.kind === 'token') !== (token !== undefined)) return nobody;
    if (found.kind === 'session') refuseBlindWrites(req);
    if (found.isStale) await noteUse(installation, found.credentialId, SESSION_IDLE_DAYS, SESSION_MOST_DAYS);
    const role = roleOf(found);
    return {
      kind: found.kind,
      name: found.name,
      accountId: found.accountId,
      credentialId: found.credentialId,
      role,
      isInstallationAdmin: found.kind === 'session' && found.isInstallationAdmin,
      workspace: role === null ? null : found.workspace,
    };
  }
}

/** A calendar program fetches an address and can say nothing else: there, and only there, the token may stand in it. */
function calendarKey({ method, path, query }: Request): string | undefined {
  return method === 'GET' && path.endsWith('.ics') && typeof query.key === 'string' ? query.key : undefined;
}

/** Of a token: no more than it was given, and only in its workspace. */
function roleOf({ kind, role, mostRole, onlyWorkspaceId, workspace }: Presented): Role | null {
  if (kind === 'session' || role === null) return role;
  if (!workspace || workspace.id !== onlyWorkspaceId || mostRole === null) return null;
  return ROLES[Math.min(ROLES.indexOf(role), ROLES.indexOf(mostRole))]!;
}

/**
 * A browser names the page that a write comes from, and the origin guard has checked it. One that carries the cookie and names none may have
 * been sent by a page that we never served.
 */
function refuseBlindWrites(req: Request): void {
  if (SAFE.has(req.method) || req.headers.origin !== undefined) return;
  throw new HttpProblem(
    403,
    'foreign-origin',
    'Foreign origin',
    'A change made with a cookie has to name the page it comes from. Programs use a token instead.',
  );
}
