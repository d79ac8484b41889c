import type { GradePage, GradeSummary } from '@anvilstone/schema';
import type { Knex } from 'knex';

export interface GradeFilter {
  words: readonly string[];
  maker?: string | undefined;
  familyIds?: readonly string[] | undefined;
  reinforcementId?: string | null | undefined;
  priceAtMostUsd?: number | undefined;
  sort: 'name' | 'maker' | 'family' | 'price' | 'evidence';
  descending: boolean;
  limit: number;
  offset: number;
}

interface SummaryRow {
  id: string;
  name: string;
  maker: string;
  family_id: string;
  reinforcement_id: string | null;
  price_per_kg_usd: number | null;
  observation_count: number;
  revision: number;
  /** As the API writes a moment: the database formats it, a date object would only be written out again. */
  updated: string;
}
const COLUMNS = [
  'id',
  'name',
  'maker',
  'family_id',
  'reinforcement_id',
  'price_per_kg_usd',
  'observation_count',
  'revision',
  'updated_at',
];
const SORT_COLUMNS: Record<GradeFilter['sort'], string> = {
  name: 'lower(name)',
  maker: 'lower(maker)',
  family: 'family_id',
  price: 'price_per_kg_usd',
  evidence: 'observation_count',
};

const toSummary = (row: SummaryRow): GradeSummary => ({
  id: row.id,
  name: row.name,
  maker: row.maker,
  familyId: row.family_id,
  reinforcementId: row.reinforcement_id,
  pricePerKgUsd: row.price_per_kg_usd,
  observationCount: row.observation_count,
  revision: row.revision,
  updatedAt: row.updated,
});

/** A page of summaries and how many there are in all; unknown prices come last either way. */
export async function listGrades(db: Knex, filter: GradeFilter): Promise<GradePage> {
  const matching = matchingGrades(db, filter);
  const direction = filter.descending ? 'desc' : 'asc';
  const nulls = filter.sort === 'price' ? 'nulls last' : '';
  // Found first and ordered then: walking the order and looking into each row's search words would unpack all of them.
  const source =
    filter.words.length > 0
      ? (db.from('found') as Knex.QueryBuilder).withMaterialized('found', matching.clone().select(COLUMNS))
      : matching.clone();
  const page = source
    .select(COLUMNS.slice(0, -1))
    .select(db.raw(`to_char(updated_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as updated`))
    .orderByRaw(`${SORT_COLUMNS[filter.sort]} ${direction} ${nulls}, id ${direction}`)
    .limit(filter.limit)
    .offset(filter.offset);
  const rows = (await page) as SummaryRow[];
  return { total: await totalOf(matching, filter, rows), items: rows.map(toSummary) };
}

function matchingGrades(db: Knex, filter: GradeFilter): Knex.QueryBuilder {
  return (db('grades') as Knex.QueryBuilder).modify((query) => {
    // Every word must begin some word of the document: name, maker, family, colour, source, note.
    if (filter.words.length > 0) {
      const expression = filter.words.map((word) => `${word}:*`).join(' & ');
      query.whereRaw(`search @@ to_tsquery('simple', ?)`, [expression]);
    }
    if (filter.maker !== undefined) query.where('maker', filter.maker);
    if (filter.familyIds) query.whereIn('family_id', [...filter.familyIds]);
    if (filter.reinforcementId !== undefined) query.where('reinforcement_id', filter.reinforcementId);
    if (filter.priceAtMostUsd !== undefined) query.where('price_per_kg_usd', '<=', filter.priceAtMostUsd);
  });
}

async function totalOf(
  matching: Knex.QueryBuilder,
  { limit, offset }: GradeFilter,
  rows: readonly SummaryRow[],
): Promise<number> {
  // A page that is not full says by itself how many there are.
  if (rows.length < limit && (rows.length > 0 || offset === 0)) return offset + rows.length;
  const row = (await matching.clone().count('* as n').first()) as { n: string } | undefined;
  return Number(row?.n ?? 0);
}
