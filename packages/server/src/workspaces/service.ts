import type { NewWorkspace, Workspace } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Principal, WorkspaceRow } from '../http/principal.ts';
import { allWorkspaces, noteEvent, setMembership, workspacesOf } from '../accounts/repository.ts';
import { HttpProblem } from '../http/problems.ts';

export function workspaceService(installation: Knex, open: (row: WorkspaceRow) => Promise<unknown>) {
  return {
    /** Those that somebody may see. */
    async list(principal: Principal): Promise<Workspace[]> {
      if (principal.kind === 'open')
        return (await allWorkspaces(installation)).map(({ slug, title }) => ({ slug, title, role: 'administrator' }));
      if (!principal.accountId) return [];
      return (await workspacesOf(installation, principal.accountId)).map(({ slug, title, role }) => ({
        slug,
        title,
        role,
      }));
    },
    /** Makes one, with nothing in it that another can see. @throws HttpProblem 409: there is one of that name */
    async make({ slug, title }: NewWorkspace, by: Principal): Promise<Workspace> {
      const schemaName = `ws_${slug.replaceAll('-', '_')}_${Date.now().toString(36)}`;
      const row = await installation.transaction(async (trx) => {
        const [made] = (await trx('workspaces')
          .insert({ slug, title: title.trim(), schema_name: schemaName })
          .onConflict('slug')
          .ignore()
          .returning(['id', 'slug', 'title', 'schema_name as schemaName'])) as WorkspaceRow[];
        if (made && by.accountId) await setMembership(trx, by.accountId, made.id, 'administrator');
        return made;
      });
      if (!row)
        throw new HttpProblem(409, 'taken', 'There is one of that name', `A workspace is called “${slug}” already.`);
      try {
        await open(row);
      } catch (error) {
        // Half of one is none: nothing of it is left, and its name is free again.
        await installation.raw('drop schema if exists ?? cascade', [row.schemaName]);
        await installation('memberships').where({ workspace_id: row.id }).delete();
        await installation('workspaces').where({ id: row.id }).delete();
        throw error;
      }
      await noteEvent(installation, 'made the workspace', row.title);
      return { slug: row.slug, title: row.title, role: 'administrator' };
    },
  };
}
export type WorkspaceService = ReturnType<typeof workspaceService>;
