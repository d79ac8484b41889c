import type { NamedMigration } from '../migrations/migration.ts';
import { accounts } from './0001-accounts.ts';
import { leases } from './0002-leases.ts';

/** Of what belongs to no workspace. In order; never edit one that has been released, add the next. */
export const installationMigrations: readonly NamedMigration[] = [accounts, leases];
