import { say } from '@anvilstone/core/foundations';
import type { EvidenceClass, Statement } from '@anvilstone/schema';
import type { Check } from '../engine/check.ts';
import { judged, unknown, weakest } from '../engine/outcome.ts';
import { fluidVerdict, type FluidVerdict } from './fluidVerdict.ts';

/** What the fluids do to it without stress: the worst of them decides, and one that nothing is known of is unknown. */
export const chemical: Check = {
  id: 'chemical',
  title: 'Chemical resistance',
  anyWayUp: true,
  asks: 'Does it resist every fluid it contacts, at that temperature and for that long?',
  failsAs: 'crazed',
  testedBy: ['soak', 'soak-fluid', 'leave-out'],
  words: ['Exposure', 'resists'],
  applies: ({ brief }) => brief.asks.fluids !== undefined,
  evaluate(context, working) {
    const gaps: Statement[] = [];
    let worst: { verdict: Extract<FluidVerdict, { kind: 'known' }>; hours: number; reserve: number } | undefined;
    let evidence: EvidenceClass = 'A';
    for (const fluid of context.brief.asks.fluids!) {
      const verdict = fluidVerdict(context, fluid);
      if (verdict.kind === 'unknown') {
        gaps.push(verdict.gap);
        continue;
      }
      evidence = weakest(evidence, verdict.evidence);
      const reserve = verdict.standsH / fluid.hours;
      if (!worst || reserve < worst.reserve) worst = { verdict, hours: fluid.hours, reserve };
      working?.add('', context.agent(fluid.agentId)!.name, verdict.rating, '', {
        source: verdict.note ? say`${verdict.reason}. ${verdict.note}` : verdict.reason,
      });
    }
    // A fluid that ruins it settles the matter, whatever is not known of the others.
    if (worst && worst.reserve < 1) return outcome(worst, worst.verdict.evidence);
    if (gaps.length > 0) return unknown('h', gaps);
    return outcome(worst!, evidence);
  },
};

function outcome(
  { verdict, hours, reserve }: { verdict: Extract<FluidVerdict, { kind: 'known' }>; hours: number; reserve: number },
  evidence: EvidenceClass,
) {
  // Whoever shows it ends the sentence.
  const reason = verdict.note ? say`${verdict.reason}. ${verdict.note.replace(/\.$/, '')}` : verdict.reason;
  // A rating for lasting contact is no number of hours, and “unsuitable” is no reserve of nought.
  if (!Number.isFinite(reserve) || verdict.standsH === 0)
    return judged(reserve >= 1 ? 'pass' : 'fail', evidence, reason);
  return judged(reserve >= 1 ? 'pass' : 'fail', evidence, reason, {
    demand: hours,
    capacity: verdict.standsH,
    reserve,
    unit: 'h',
  });
}
