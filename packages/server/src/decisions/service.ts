import { decisionDifferences, digestOf, driftOf, recomputeDecision, sealOf } from '@anvilstone/core/decisions';
import { ENGINE_VERSION } from '@anvilstone/core/evaluation';
import type {
  Decision,
  DecisionFile,
  DecisionRequest,
  DecisionSummary,
  FieldChange,
  DecisionDrift,
  Recomputation,
  SignOff,
  SignOffRequest,
} from '@anvilstone/schema';
import type { Knex } from 'knex';
import { workshopLibrary } from '../evaluation/service.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
import { conflict, notFound } from '../http/problems.ts';
import { findPart } from '../parts/repository.ts';
import { requireUuid, sound } from '../parts/service.ts';
import { freeze } from './freeze.ts';
import { installationKey } from './installationKey.ts';
import { findDecision, frozenDigest, listDecisions } from './repository.ts';
import { sign, signOffsOf } from './signOffs.ts';

export interface DecisionService {
  list(partId: string): Promise<DecisionSummary[]>;
  get(id: string): Promise<Decision>;
  freeze(partId: string, request: DecisionRequest): Promise<Decision>;
  recompute(id: string): Promise<Recomputation>;
  /** What it would be today, and because of what. */
  drift(id: string): Promise<DecisionDrift>;
  differences(id: string, otherId: string): Promise<FieldChange[]>;
  signOffs(id: string): Promise<SignOff[]>;
  sign(id: string, request: SignOffRequest): Promise<SignOff>;
  /** As it leaves the installation: sealed. The same record gives the same file each time. */
  file(id: string): Promise<DecisionFile>;
}

export function decisionService(db: Knex, now: () => Date = () => new Date()): DecisionService {
  const get = async (id: string) => {
    requireUuid('decision', id);
    const decision = await findDecision(db, id);
    if (!decision) throw notFound('decision', id);
    return decision;
  };
  return {
    async list(partId) {
      requireUuid('part', partId);
      if (!(await findPart(db, partId))) throw notFound('part', partId);
      return listDecisions(db, partId);
    },
    get,
    async freeze(partId, request) {
      requireUuid('part', partId);
      return db.transaction(async (trx) => {
        const part = await findPart(trx, partId, true);
        if (!part) throw notFound('part', partId);
        if (part.revision !== request.partRevision) throw conflict('part', part);
        return freeze(trx, part, request, now());
      });
    },
    async recompute(id) {
      const decision = await get(id);
      const stored = await frozenDigest(db, id);
      const changed = stored !== null && stored !== digestOf(decision);
      const differences = [
        ...(changed ? ['The stored record is not the one that was frozen: its digest differs'] : []),
        ...recomputeDecision(decision),
      ];
      return {
        agrees: differences.length === 0,
        frozenEngineVersion: decision.engineVersion,
        currentEngineVersion: ENGINE_VERSION,
        differences,
      };
    },
    async drift(id) {
      const decision = await get(id);
      const [part, library, { rules }] = await Promise.all([
        findPart(db, decision.partId),
        workshopLibrary(db),
        companyRulesInForce(db),
      ]);
      return driftOf(decision, { brief: part && sound(part.brief), library, rules });
    },
    async differences(id, otherId) {
      const [after, before] = await Promise.all([get(id), get(otherId)]);
      return decisionDifferences(before, after);
    },
    signOffs: async (id) => signOffsOf(db, (await get(id)).id),
    sign: async (id, request) => sign(db, await get(id), request, now()),
    async file(id) {
      const decision = await get(id);
      const signOffs = await signOffsOf(db, id);
      const seal = sealOf(decision, signOffs, await installationKey(db));
      return { format: 'anvilstone-decision-record/1', decision, signOffs, seal };
    },
  };
}
