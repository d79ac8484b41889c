import { accessOperations } from './accounts/operations.ts';
import { accountService } from './accounts/service.ts';
import { operationsOf } from './app.ts';
import type { Operation } from './http/operation.ts';
import { presenceOperations } from './live/operations.ts';
import type { testServer } from './testServer.ts';
import { workspaceService } from './workspaces/service.ts';

/** Every route that there is, of a workspace and of none. Used by tests only. */
export function allOperations(server: Awaited<ReturnType<typeof testServer>>): Operation[] {
  const { installation, parts } = server;
  return [
    ...accessOperations(
      installation,
      { isReachable: false, isEncrypted: false },
      accountService(installation),
      workspaceService(installation, () => Promise.resolve()),
    ),
    ...presenceOperations(installation),
    ...operationsOf(parts),
  ];
}
