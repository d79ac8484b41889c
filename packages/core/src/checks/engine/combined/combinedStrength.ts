import type { EvidenceClass, Statement } from '@anvilstone/schema';
import { formatNumber as f, type Working, say, megapascals, celsius } from '@anvilstone/core/foundations';
import { actingAt, allowableShare, strengthHours } from '../action.ts';
import { BEARING_WORDS, bearingStrength } from '../../strength/bearingStrength.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from '../check.ts';
import { amplitudeWeight } from '../../strength/fatigueLife.ts';
import { impactUndamaged } from '../../impact/impact.ts';
import { weakest } from '../outcome.ts';
import { evidenceAt } from '../../heat/temperatureEvidence.ts';
import { addUp } from './addUp.ts';
import { stressedPlaces, type Term } from './terms.ts';

/** What one load takes of the strength at one place: 1 is all of it. */
interface Share {
  load: PreparedLoad;
  term: Term;
  stressMPa: number;
  allowedMPa: number;
  share: number;
  evidence: EvidenceClass;
}

/**
 * Loads at the same time: at each place the shares that they take of the strength add up to no more than 1, each load against the
 * strength that its own time, its own cycles and its own safety factor leave. Two directions add up at a corner, and by their squares on
 * a round section. With a repeated load it is Goodman’s line; a knock takes the root of its share of the energy.
 * Source: linear interaction, Roark, 7th ed., section 2.5 (superposition) and Shigley, 10th ed., section 6-12 (Goodman).
 */
export const combinedStrength: CaseCheck = {
  id: 'combined-strength',
  title: 'Combined strength',
  asks: 'Does it carry the simultaneous loads at every location?',
  failsAs: 'torn',
  unit: 'MPa',
  words: ['Combined utilisation', 'limit'],
  limitsHeat: true,
  ofCombinations: true,
  appliesTo: () => true,
  at(context, load, temperatureC, durationH, working) {
    const worst = worstPlace(context, load, temperatureC, durationH);
    if ('kind' in worst) return worst;
    const { shares, share } = worst;
    if (working) showShares(working, shares, share, temperatureC);
    const demand = shares.reduce((sum, { stressMPa }) => sum + stressMPa, 0);
    return {
      kind: 'known',
      demand,
      capacity: demand / share,
      evidence: shares.reduce<EvidenceClass>((found, { evidence }) => weakest(found, evidence), 'A'),
      layerStress: shares[0]!.term.layerStress,
    };
  },
};

function showShares(working: Working, shares: readonly Share[], together: number, temperatureC: number): void {
  const { place, mode } = shares[0]!.term.layerStress;
  working.add('', 'Where', place.title, '');
  for (const { load, stressMPa, allowedMPa, share } of shares)
    working.add('u', load.loadCase.name, share, '×', {
      expression:
        load.kind === 'knock'
          ? '√(energy of the knock / what it takes up)'
          : say`${megapascals(stressMPa)} / ${megapascals(allowedMPa)}`,
      source: say`${BEARING_WORDS[mode].meaning.toLowerCase()} at ${celsius(temperatureC)}, safety factor ${f(load.loadCase.safetyFactor)}`,
    });
  working.add('Σu', 'Share of the strength that they take together', together, '×', {
    source: 'linear interaction; the reserve is its inverse',
  });
}

function worstPlace(
  context: CheckContext,
  combination: PreparedLoad,
  temperatureC: number,
  durationH: number,
): { shares: readonly Share[]; share: number } | Exclude<CaseOutcome, { kind: 'known' }> {
  const loads = combination.together!;
  let worst: { shares: readonly Share[]; share: number } | undefined;
  for (const { terms } of stressedPlaces(context.part, combination)) {
    const shares: Share[] = [];
    for (const term of terms) {
      const found = shareOf(context, loads[term.index]!, term, temperatureC, durationH);
      if ('gaps' in found) return { kind: 'unknown', gaps: found.gaps };
      shares.push(found);
    }
    const share = addUp(
      context,
      shares.map((one) => ({ load: one.load, amount: one.share })),
    );
    if (!worst || share > worst.share) worst = { shares, share };
  }
  return worst && worst.share > 0 ? worst : { kind: 'not-loaded' };
}

function shareOf(
  context: CheckContext,
  load: PreparedLoad,
  term: Term,
  temperatureC: number,
  longestH: number,
): Share | { gaps: readonly Statement[] } {
  const { material } = context;
  if (!material.behaviour || !material.family) return { gaps: material.behaviourGaps };
  const strength = bearingStrength(material, term.layerStress);
  if (!strength.known) return { gaps: strength.gaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { gaps: acting.gaps };
  const hours = strengthHours(load, Math.min(load.loadCase.durationH, longestH));
  const allowedMPa = strength.value * allowableShare(context, load, temperatureC, hours);
  const stressMPa = term.layerStress.stressPerUnit * acting.action;
  const evidence = weakest(acting.evidence, evidenceAt(material, strength.evidence, temperatureC));
  const base = { load, term, stressMPa, allowedMPa, evidence };
  if (load.kind === 'repeated')
    return {
      ...base,
      share: (stressMPa * amplitudeWeight(context, load)) / allowedMPa,
      evidence: weakest(evidence, 'D'),
    };
  if (load.kind !== 'knock') return { ...base, share: stressMPa / allowedMPa };
  // A blow in the cold is one in the cold, however warm the other loads were said to be.
  const knock = impactUndamaged.at(context, load, Math.min(temperatureC, load.loadCase.temperatureC), hours);
  if (knock.kind === 'unknown') return { gaps: knock.gaps };
  const share = knock.kind === 'known' ? Math.sqrt(knock.demand / knock.capacity) : 0;
  return { ...base, share, evidence: 'D' };
}
