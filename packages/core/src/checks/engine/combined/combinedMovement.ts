import type { EvidenceClass, Statement } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { SMALL_SHARE } from '@anvilstone/core/shapes';
import { actingAt, growthOf, movementPerUnit } from '../action.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from '../check.ts';
import { beyondRange, rangeOf } from '../../movement/deflection.ts';
import { weakest } from '../outcome.ts';
import { evidenceAt } from '../../heat/temperatureEvidence.ts';
import { addUp } from './addUp.ts';

interface Moved {
  mm: number;
  each: readonly { load: PreparedLoad; mm: number; growth: number }[];
  evidence: EvidenceClass;
}

/**
 * How far loads move it at the same time, what stays on with its creep: one direction adds up, two directions make a resultant. Against
 * the limit of the combination, else the largest that one of its loads allows, else the usual one.
 */
export const combinedMovement: CaseCheck = {
  id: 'combined-movement',
  isLimit: true,
  title: 'Combined deflection',
  asks: 'Does the deflection stay within its limit while all of these loads act?',
  failsAs: 'sagged',
  unit: 'mm',
  limitsHeat: true,
  ofCombinations: true,
  appliesTo: (load, body) => limitOf(load) !== undefined || body.movementRangeMm !== undefined,
  at(context, load, temperatureC, durationH, working): CaseOutcome {
    const moved = movedBy(context, load, temperatureC, durationH);
    if ('gaps' in moved) return { kind: 'unknown', gaps: moved.gaps };
    const { limitMm, whence } = limitIn(context, load);
    if (working) {
      for (const { load: one, mm, growth } of moved.each)
        working.add('δ', one.loadCase.name, mm, 'mm', {
          expression: growth === 1 ? 'as it comes on' : `with creep, × ${f(growth)}`,
          source: one.loadCase.direction === 'width' ? 'sideways' : 'along the depth',
        });
      working.add('Σδ', 'Together', moved.mm, 'mm', { source: 'one direction adds up, two make a resultant' });
      working.add('', 'Allowed', limitMm, 'mm', { source: whence });
    }
    const rangeMm = context.body.movementRangeMm ?? Infinity;
    const base = { kind: 'known', capacity: limitMm, evidence: moved.evidence, placeId: 'movement' } as const;
    if (moved.mm <= rangeMm) return { ...base, demand: moved.mm, reason: whence };
    if (limitMm >= moved.mm) return { kind: 'unknown', gaps: [beyondRange(context, load)] };
    // Too much for certain; how much, the formulas do not tell.
    return {
      ...base,
      demand: rangeMm,
      reserve: limitMm / moved.mm,
      reason: `Moves by more than ${rangeOf(context.body)}`,
    };
  },
};

/** What the combination or one of its loads allows, mm. */
function limitOf({ loadCase, together }: PreparedLoad): number | undefined {
  if (loadCase.maxDeflectionMm !== undefined) return loadCase.maxDeflectionMm;
  const stated = together!.flatMap(({ loadCase: { maxDeflectionMm, maxSagMm } }) =>
    [maxDeflectionMm, maxSagMm].filter((limit) => limit !== undefined),
  );
  return stated.length > 0 ? Math.max(...stated) : undefined;
}

function limitIn({ body, rules }: CheckContext, load: PreparedLoad): { limitMm: number; whence: string } {
  const stated = limitOf(load);
  if (stated !== undefined)
    return {
      limitMm: stated,
      whence:
        load.loadCase.maxDeflectionMm === undefined
          ? 'The largest movement that one of the loads allows is taken'
          : 'As stated for these loads together',
    };
  const rangeMm = body.movementRangeMm!;
  return body.movementRangeOf === undefined
    ? {
        limitMm: (rules.usualMovementShare / SMALL_SHARE) * rangeMm,
        whence: `No limit is stated: 1/${f(1 / rules.usualMovementShare)} of its span, a company rule, is taken`,
      }
    : { limitMm: rangeMm, whence: `No limit is stated: ${rangeOf(body)} is taken` };
}

function movedBy(
  context: CheckContext,
  combination: PreparedLoad,
  temperatureC: number,
  longestH: number,
): Moved | { gaps: readonly Statement[] } {
  const { material, compliances } = context;
  if (!material.behaviour) return { gaps: material.behaviourGaps };
  const each: { load: PreparedLoad; mm: number; growth: number }[] = [];
  let evidence: EvidenceClass = 'A';
  for (const load of combination.together!) {
    const compliance = compliances[load.directionIndex]!;
    if (!compliance.known) return { gaps: compliance.gaps };
    const acting = actingAt(context, load, temperatureC);
    if (!acting.known) return { gaps: acting.gaps };
    const lasts = load.kind === 'lasting';
    const growth = lasts ? growthOf(context, load, temperatureC, Math.min(load.loadCase.durationH, longestH)) : 1;
    each.push({ load, growth, mm: acting.action * movementPerUnit(context, compliance, temperatureC, growth) });
    evidence = weakest(
      evidence,
      evidenceAt(material, compliance.evidence, temperatureC),
      lasts ? material.behaviour.creepEvidence : 'A',
    );
  }
  const mm = addUp(
    context,
    each.map((one) => ({ load: one.load, amount: one.mm })),
    true,
  );
  return { mm, each, evidence };
}
