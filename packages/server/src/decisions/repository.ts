import { digestOf } from '@anvilstone/core/decisions';
import { builtAs } from '@anvilstone/core/shapes';
import type { Decision, DecisionSummary, PartGeometry } from '@anvilstone/schema';
import type { Knex } from 'knex';

interface DecisionRow {
  id: string;
  number: number;
  part_id: string;
  part_revision: number;
  decided_at: Date;
  decided_by: string;
  grade_id: string;
  grade_name: string;
  orientation: Decision['orientation'];
  reasons: string;
  supersedes: number | null;
  digest: string | null;
  frozen: Omit<Decision, 'number'>;
}
const SUMMARY = [
  'id',
  'number',
  'part_revision',
  'decided_at',
  'decided_by',
  'grade_id',
  'grade_name',
  'orientation',
  'reasons',
  'supersedes',
] as const;
/** The last word of those who sign, where it was not taken back. */
const SIGNED_BY = `(
  select case when document ->> 'kind' = 'signed' then document ->> 'by' end from decision_sign_offs
  where decision_id = decisions.id order by at desc, id desc limit 1
) as signed_by`;

/** The model of the part that was decided about. */
const PART = "decisions.frozen -> 'brief' -> 'part' as part";

type SummaryRow = Pick<DecisionRow, (typeof SUMMARY)[number]> & { signed_by: string | null; part: PartGeometry };
function toSummary(row: SummaryRow): DecisionSummary {
  return {
    id: row.id,
    number: row.number,
    partRevision: row.part_revision,
    decidedAt: row.decided_at.toISOString(),
    decidedBy: row.decided_by,
    gradeId: row.grade_id,
    gradeName: row.grade_name,
    orientation: row.orientation,
    builtAs: builtAs(row.part, row.orientation),
    reasons: row.reasons,
    supersedes: row.supersedes,
    signedBy: row.signed_by,
  };
}

/** Newest first. */
export async function listDecisions(db: Knex, partId: string): Promise<DecisionSummary[]> {
  const rows = await db<DecisionRow>('decisions')
    .where({ part_id: partId })
    .select(...SUMMARY, db.raw(SIGNED_BY), db.raw(PART))
    .orderBy('number', 'desc');
  return (rows as unknown as SummaryRow[]).map(toSummary);
}

/** Of every part, newest first, with the part’s title as it is now. */
export async function listAllDecisions(db: Knex): Promise<(DecisionSummary & { partId: string; title: string })[]> {
  const rows = (await db('decisions')
    .join('parts', 'parts.id', 'decisions.part_id')
    .select(
      ...SUMMARY.map((name) => `decisions.${name}`),
      'part_id',
      db.raw("parts.brief ->> 'title' as title"),
      db.raw(SIGNED_BY),
      db.raw(PART),
    )
    .orderBy('number', 'desc')) as unknown as (SummaryRow & { part_id: string; title: string })[];
  return rows.map((row) => ({ ...toSummary(row), partId: row.part_id, title: row.title }));
}

/** Undefined: no such decision. */
export async function findDecision(db: Knex, id: string): Promise<Decision | undefined> {
  const row = (await db<DecisionRow>('decisions').where({ id }).first('frozen', 'number')) as
    | Pick<DecisionRow, 'frozen' | 'number'>
    | undefined;
  return row && { ...row.frozen, number: row.number };
}

/** Number of the newest decision of a part; undefined: it has none. */
export async function newestNumber(db: Knex, partId: string): Promise<number | undefined> {
  const row = await db<DecisionRow>('decisions').where({ part_id: partId }).max('number as newest').first();
  return (row as { newest: number | null } | undefined)?.newest ?? undefined;
}

/** As it was when it was frozen; null: frozen before there were digests. */
export async function frozenDigest(db: Knex, id: string): Promise<string | null> {
  const row = await db<DecisionRow>('decisions').where({ id }).first('digest');
  return (row as { digest: string | null } | undefined)?.digest ?? null;
}

/** The number is given out by the database, so two decisions never share one; the digest covers it. */
export async function insertDecision(db: Knex, frozen: Omit<Decision, 'number'>, gradeName: string): Promise<Decision> {
  const given = (await db.raw("select nextval(pg_get_serial_sequence('decisions', 'number'))::int as number")) as {
    rows: { number: number }[];
  };
  const { number } = given.rows[0]!;
  const decision: Decision = { ...frozen, number };
  await db<DecisionRow>('decisions').insert({
    id: frozen.id,
    number,
    part_id: frozen.partId,
    part_revision: frozen.partRevision,
    decided_at: frozen.decidedAt as unknown as Date,
    decided_by: frozen.decidedBy,
    grade_id: frozen.gradeId,
    grade_name: gradeName,
    orientation: frozen.orientation,
    reasons: frozen.reasons,
    supersedes: frozen.supersedes ?? null,
    // As it will be read again: what JSON cannot hold is not in it.
    digest: digestOf(JSON.parse(JSON.stringify(decision))),
    frozen: JSON.stringify(frozen) as never,
  });
  return decision;
}
