import type { Knex } from 'knex';

export interface Revisioned<T> {
  document: T;
  revision: number;
}

/** A table of whole documents under an id, each with a revision that a write has to name. */
export function revisionedTable<T extends { id: string }>(
  table:
    | 'agents'
    | 'machines'
    | 'spools'
    | 'places'
    | 'dryers'
    | 'campaigns'
    | 'trials'
    | 'installations'
    | 'service_findings',
) {
  type Row = Revisioned<T> & { id: string };
  const rowsOf = (db: Knex) => db<Row>(table);
  return {
    async all(db: Knex): Promise<Revisioned<T>[]> {
      return (await rowsOf(db).select('revision', 'document').orderBy('id')) as Revisioned<T>[];
    },
    /** `lock`: nobody else writes it until the transaction ends. Undefined: no such id. */
    async find(db: Knex, id: string, lock = false): Promise<Revisioned<T> | undefined> {
      const query = db(table).where({ id }).first('revision', 'document');
      return (await (lock ? query.forUpdate() : query)) as Revisioned<T> | undefined;
    },
    /** Revision 0 adds it. Undefined: the revision is no longer the one that is stored. */
    async save(db: Knex, document: T, revision: number): Promise<Revisioned<T> | undefined> {
      const { id } = document;
      const text = JSON.stringify(document);
      const rows = (await (revision === 0
        ? db(table).insert({ id, revision: 1, document: text }).onConflict('id').ignore().returning('revision')
        : db(table)
            .where({ id, revision })
            .update({ revision: revision + 1, document: text })
            .returning('revision'))) as { revision: number }[];
      return rows[0] && { document, revision: rows[0].revision };
    },
    async remove(db: Knex, id: string, revision: number): Promise<boolean> {
      return (await db(table).where({ id, revision }).delete()) > 0;
    },
    /** As delivered, whatever is there. */
    async upsert(db: Knex, documents: readonly T[]): Promise<void> {
      for (const document of documents) {
        const row = { id: document.id, revision: 1, document: JSON.stringify(document) };
        await db(table)
          .insert(row)
          .onConflict('id')
          .merge({ document: row.document, revision: db.raw('?? + 1', [`${table}.revision`]) });
      }
    },
  };
}
export type RevisionedTable<T extends { id: string }> = ReturnType<typeof revisionedTable<T>>;
