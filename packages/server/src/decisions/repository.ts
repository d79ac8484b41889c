import type { Decision, DecisionSummary } from '@anvilstone/schema';
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
] as const;

function toSummary(row: Pick<DecisionRow, (typeof SUMMARY)[number]>): DecisionSummary {
  return {
    id: row.id,
    number: row.number,
    partRevision: row.part_revision,
    decidedAt: row.decided_at.toISOString(),
    decidedBy: row.decided_by,
    gradeId: row.grade_id,
    gradeName: row.grade_name,
    orientation: row.orientation,
    reasons: row.reasons,
  };
}

/** Newest first. */
export async function listDecisions(db: Knex, partId: string): Promise<DecisionSummary[]> {
  const rows = await db<DecisionRow>('decisions')
    .where({ part_id: partId })
    .select(...SUMMARY)
    .orderBy('number', 'desc');
  return rows.map(toSummary);
}

/** Undefined: no such decision. */
export async function findDecision(db: Knex, id: string): Promise<Decision | undefined> {
  const row = (await db<DecisionRow>('decisions').where({ id }).first('frozen', 'number')) as
    Pick<DecisionRow, 'frozen' | 'number'> | undefined;
  return row && { ...row.frozen, number: row.number };
}

/** The number is given out by the database, so two decisions never share one. */
export async function insertDecision(db: Knex, frozen: Omit<Decision, 'number'>, gradeName: string): Promise<Decision> {
  const [row] = await db<DecisionRow>('decisions')
    .insert({
      id: frozen.id,
      part_id: frozen.partId,
      part_revision: frozen.partRevision,
      decided_at: frozen.decidedAt as unknown as Date,
      decided_by: frozen.decidedBy,
      grade_id: frozen.gradeId,
      grade_name: gradeName,
      orientation: frozen.orientation,
      reasons: frozen.reasons,
      frozen: JSON.stringify(frozen) as never,
    })
    .returning('number');
  return { ...frozen, number: row!.number };
}
