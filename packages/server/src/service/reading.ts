import {
  afterEvidence,
  compareFinding,
  inputsOfInstallation,
  inspectionDates,
  inspectionPlan,
  proposalsFrom,
  replacementBrief,
  type InspectionItem,
  type ServiceComparison,
  type ServiceInputs,
  type ServiceProposal,
} from '@anvilstone/core/evidence';
import type {
  EvidenceImpact,
  FindingAcceptance,
  FindingRecord,
  Installation,
  Observation,
  Part,
  PlannedInspection,
  ServiceFinding,
  Statement,
} from '@anvilstone/schema';
import type { Knex } from 'knex';
import { impactOf } from '../bench/impact.ts';
import { saveEvidence, withObservations } from '../bench/takeEvidence.ts';
import { findDecision } from '../decisions/repository.ts';
import { workshopLibrary } from '../evaluation/service.ts';
import { findGrade } from '../grades/repository.ts';
import { soundGrade } from '../grades/service.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
import { conflict, invalidInput, notFound } from '../http/problems.ts';
import { findPart } from '../parts/repository.ts';
import { sound } from '../parts/service.ts';
import { findingTable, installationTable } from './repository.ts';

/** A proposal as it travels: what it would do to the checks of the part, and without what only a program can read. */
type ProposalReading =
  | (Exclude<ServiceProposal, { kind: 'brief' }> & { checks?: ReturnType<typeof afterEvidence> })
  | { kind: 'brief'; says: Statement };

export interface FindingReading {
  /** Undefined: its grade or its build orientation is not there any more. */
  comparison: ServiceComparison | undefined;
  /** Number of the record that predicted it; null: worked out from what is known today. */
  decisionNumber: number | null;
  proposals: ProposalReading[];
}

interface Situation {
  finding: ServiceFinding;
  revision: number;
  installation: Installation;
  part: Part;
  grounds: ServiceInputs | undefined;
}

/** What a finding means: beside what was predicted, and what it may change. */
export async function readFinding(db: Knex, findingId: string): Promise<FindingReading> {
  const { finding, installation, grounds } = await situationOf(db, findingId);
  if (!grounds) return { comparison: undefined, decisionNumber: null, proposals: [] };
  return {
    comparison: compareFinding(finding, installation, grounds),
    decisionNumber: grounds.decisionNumber ?? null,
    proposals: proposalsFrom(finding, installation, grounds).map((one): ProposalReading => {
      if (one.kind === 'brief') return { kind: 'brief', says: one.says };
      return one.kind === 'evidence' ? { ...one, checks: afterEvidence(grounds, one.observation) } : one;
    }),
  };
}

/** The observation that a finding would become, with what it would change in every part; nothing is saved. */
export async function previewFindingEvidence(
  db: Knex,
  findingId: string,
): Promise<{ observations: Observation[]; impact: EvidenceImpact; gradeRevision: number }> {
  const { observations, changed, gradeRevision } = await evidenceOf(db, findingId);
  return { observations, gradeRevision, impact: await impactOf(db, changed) };
}

/** Writes it into the grade, marks every part whose answer moves, and notes it at the finding: all or nothing. */
export async function takeFindingEvidence(
  db: Knex,
  findingId: string,
  request: FindingAcceptance,
  now: Date,
): Promise<FindingRecord> {
  const { finding, revision, installation, observations, changed } = await evidenceOf(db, findingId);
  if (revision !== request.findingRevision) throw conflict('finding', { finding, revision });
  const impact = await impactOf(db, changed);
  return db.transaction(async (trx) => {
    const saved = await saveEvidence(trx, changed, request.gradeRevision, impact, {
      at: now.toISOString(),
      cause: `${installation.mark}, ${installation.place}: ${changed.name} in service`,
    });
    const taken = {
      at: now.toISOString(),
      by: request.by,
      gradeId: changed.id,
      gradeRevision: saved.revision,
      observationIds: observations.map(({ id }) => id),
    };
    const kept = await findingTable.save(trx, { ...finding, taken: [...finding.taken, taken] }, revision);
    if (!kept) throw conflict('finding', { finding, revision });
    return { finding: kept.document, revision: kept.revision };
  });
}

/** A brief for what takes the place of a failed part, from the part as it is today. */
export async function replacementFor(db: Knex, findingId: string): Promise<ReturnType<typeof replacementBrief>> {
  const { finding, installation, part, grounds } = await situationOf(db, findingId);
  if (!grounds)
    throw invalidInput([
      {
        pointer: '/gradeId',
        detail: 'Its grade is no longer in the library, and no record holds it',
        accepted: 'Duplicate the part instead',
      },
    ]);
  return replacementBrief(finding, installation, grounds, part.brief);
}

export interface PlanRequest {
  partId: string;
  decisionId?: string;
  gradeId: string;
  orientation: Installation['orientation'];
  installedAt: string;
}
export type PlanItem = Omit<InspectionItem, 'mode'> & { modeId: string };

/** What to look at and when, from what the part is closest to failing by. */
export async function inspectionPlanFor(
  db: Knex,
  request: PlanRequest,
): Promise<{ items: PlanItem[]; dates: PlannedInspection[] }> {
  const part = await findPart(db, request.partId);
  if (!part) throw notFound('part', request.partId);
  const grounds = await inputsFor(db, request, part);
  if (!grounds) throw invalidInput([{ pointer: '/gradeId', detail: `There is no grade “${request.gradeId}”` }]);
  const items = inspectionPlan(grounds.brief, grounds.entry);
  return {
    items: items.map(({ mode, ...rest }) => ({ ...rest, modeId: mode.id })),
    dates: inspectionDates(items, request.installedAt),
  };
}

async function inputsFor(
  db: Knex,
  installation: Pick<Installation, 'gradeId' | 'orientation' | 'decisionId'>,
  part: Part,
): Promise<ServiceInputs | undefined> {
  const decision = installation.decisionId === undefined ? undefined : await findDecision(db, installation.decisionId);
  // A record of another grade predicts nothing of this one.
  const own = decision?.gradeId === installation.gradeId ? decision : undefined;
  const today = {
    brief: sound(part.brief),
    library: await workshopLibrary(db),
    rules: (await companyRulesInForce(db)).rules,
  };
  return inputsOfInstallation(installation, own, today);
}

async function situationOf(db: Knex, findingId: string): Promise<Situation> {
  const record = await findingTable.find(db, findingId);
  if (!record) throw notFound('finding', findingId);
  const { document: finding, revision } = record;
  const installation = (await installationTable.find(db, finding.installationId))!.document;
  const part = (await findPart(db, installation.partId))!;
  return { finding, revision, installation, part, grounds: await inputsFor(db, installation, part) };
}

async function evidenceOf(db: Knex, findingId: string) {
  const situation = await situationOf(db, findingId);
  const { finding, installation, grounds } = situation;
  const observations = (grounds ? proposalsFrom(finding, installation, grounds) : []).flatMap((one) =>
    one.kind === 'evidence' ? [one.observation] : [],
  );
  if (observations.length === 0)
    throw invalidInput([
      {
        pointer: '/measured',
        detail: 'This finding says nothing that could become evidence',
        accepted: 'a failure mode with what was measured of it, within the brief',
      },
    ]);
  const grade = await findGrade(db, installation.gradeId);
  if (!grade) throw notFound('grade', installation.gradeId);
  return {
    ...situation,
    observations,
    gradeRevision: grade.revision,
    changed: soundGrade(withObservations(grade.grade, observations)),
  };
}
