import type { Knex } from 'knex';

/** A table of whole documents under an id. */
export function documentTable<T extends { id: string }>(table: 'machines') {
  interface Row {
    id: string;
    document: T;
  }
  return {
    async all(db: Knex): Promise<T[]> {
      const rows = (await db<Row>(table).select('document').orderBy('id')) as Row[];
      return rows.map((row) => row.document);
    },
    /** Undefined: no such id. */
    async find(db: Knex, id: string): Promise<T | undefined> {
      const row = (await db(table).where({ id }).first('document')) as Row | undefined;
      return row?.document;
    },
    async upsert(db: Knex, documents: readonly T[]): Promise<void> {
      const rows = documents.map((document) => ({ id: document.id, document: JSON.stringify(document) }));
      if (rows.length > 0) await db(table).insert(rows).onConflict('id').merge();
    },
  };
}
