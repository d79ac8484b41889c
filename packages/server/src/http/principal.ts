import { ROLES, type Role } from '@anvilstone/schema';
import type { Response } from 'express';
import type { Actor } from '../db/actor.ts';
import { HttpProblem } from './problems.ts';

export interface WorkspaceRow {
  id: string;
  slug: string;
  title: string;
  schemaName: string;
}

/** Who asks, and what they may do in the workspace that the address names. */
export interface Principal {
  /** open: no accounts are made, and this computer may do everything. */
  kind: 'open' | 'session' | 'token' | 'nobody';
  name: string;
  accountId?: string;
  credentialId?: string;
  role: Role | null;
  isInstallationAdmin: boolean;
  /** Null: there is none of that name, or none that is theirs to see. */
  workspace: WorkspaceRow | null;
}

/**
 * What an operation asks of whoever calls it. person: signed in, by no token. people: an administrator, in person. installation: may
 * make accounts and workspaces.
 */
export type Needs = 'anyone' | 'person' | Role | 'people' | 'installation';

function may(principal: Principal, needs: Needs): boolean {
  if (needs === 'anyone') return true;
  if (principal.kind === 'nobody') return false;
  if (needs === 'person') return principal.kind !== 'token';
  if (needs === 'people') return principal.kind !== 'token' && may(principal, 'administrator');
  if (needs === 'installation') return principal.kind !== 'token' && principal.isInstallationAdmin;
  return principal.role !== null && ROLES.indexOf(principal.role) >= ROLES.indexOf(needs);
}

/** @throws HttpProblem 401: sign in first; 404: no such workspace for them; 403: their role does not reach */
export function requireMay(principal: Principal, needs: Needs): void {
  if (may(principal, needs)) return;
  if (principal.kind === 'nobody')
    throw new HttpProblem(401, 'sign-in', 'Sign in first', 'This installation has accounts: sign in, or send a token.');
  if (!principal.workspace && needs !== 'person' && needs !== 'installation') throw noWorkspace();
  throw new HttpProblem(403, 'not-allowed', 'Your role does not reach this', reach(principal, needs));
}

/** The same whether there is none or it is not theirs: names of workspaces are nobody else’s affair. */
export const noWorkspace = () =>
  new HttpProblem(404, 'not-found', 'Not found', 'There is no workspace of this name that you belong to.');

function reach({ kind, role }: Principal, asked: Needs): string {
  const isOfPeople = asked === 'person' || asked === 'people' || asked === 'installation';
  if (kind === 'token' && isOfPeople) return 'Accounts are changed by people who are signed in, not by tokens.';
  if (asked === 'person' || asked === 'installation') return 'Only an installation administrator may do this.';
  const needs = asked === 'people' ? 'administrator' : asked;
  const own = role ? `You are ${ARTICLE[role]} ${role} here` : 'You have no role here';
  return `${own}; this takes ${ARTICLE[needs as Role]} ${needs}. Nothing was changed.`;
}

const ARTICLE: Record<Role, string> = { viewer: 'a', engineer: 'an', approver: 'an', administrator: 'an' };

export const actorOf = ({ name, accountId }: Principal): Actor => ({ name, ...(accountId ? { accountId } : {}) });

/** Of the request that is being answered: found out before any route is. */
export const principalOf = (res: Response) => res.locals.principal as Principal;
