import type { SavedView } from '@anvilstone/schema';
import type { Knex } from 'knex';

/** Views of one part, by stage and name. */
export async function viewsOfPart(db: Knex, partId: string): Promise<SavedView[]> {
  return db('saved_views')
    .where({ part_id: partId })
    .select<SavedView[]>('stage', 'name', 'search')
    .orderBy(['stage', 'name']);
}

/** Keeps a view; one of the same name on the same stage is replaced. */
export async function saveView(db: Knex, partId: string, view: SavedView): Promise<void> {
  await db('saved_views')
    .insert({ part_id: partId, ...view })
    .onConflict(['part_id', 'stage', 'name'])
    .merge(['search']);
}

/** False: there is none of that name. */
export async function removeView(
  db: Knex,
  partId: string,
  { stage, name }: Omit<SavedView, 'search'>,
): Promise<boolean> {
  return (await db('saved_views').where({ part_id: partId, stage, name }).delete()) > 0;
}
