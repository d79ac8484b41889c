import { say, celsius } from '@anvilstone/core/foundations';
import type { EvidenceClass, Statement } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';

/** What holds the shape of a printed part together when nothing pulls at it. */
export type Solidity = 'amorphous' | 'crystallised' | 'elastomer';

/**
 * Temperatures at which a part loses its shape whatever it carries: stress printed into it relaxes, however low any other is. No load is
 * in it, and no load lifts it.
 */
export interface FormLimit {
  /** Held for good, °C: 1000 h and longer. */
  continuousC: number;
  /** Held through an hour at most, °C. */
  peakC: number;
  /** What it was taken from, as words for the working. */
  basis: Statement;
  evidence: EvidenceClass;
}

/** An amorphous polymer holds its form so far below its glass transition, K: for good, and for an hour. */
const BELOW_TG_K = { continuous: 10, peak: 5 } as const;
/** What fibre adds to it in an amorphous matrix, K. Ours, class D. */
const FIBRE_HELPS_K = 3;
/** Of the way from heat deflection under almost no stress to melting, where crystals still hold the shape. Ours, class D. */
const TOWARDS_MELTING = { continuous: 0.1, peak: 0.25 } as const;
/** Crystals melt over a range: nothing is claimed so close to its end, K. */
const BELOW_MELTING_K = { continuous: 30, peak: 20 } as const;
/** An elastomer past its softening point gives way slowly at first, K. */
const ELASTOMER_PEAK_K = 10;
/** A needle under 10 N is in by a millimetre within minutes: for good, so much less, K. Ours. */
const BELOW_VICAT_K = 10;
const PEAK_H = 1;
const FOR_GOOD_DECADES = 3;

export interface FormLimitInput {
  family: Family;
  solidity: Solidity;
  glassTransitionC: number;
  meltingC: number | null;
  /** Of the unfilled polymer in this state under the lowest stress it was tested at, °C; null: none is known. */
  heatDeflectionC: number | null;
  hasFibre: boolean;
  /** The grade's own Vicat softening under 10 N, °C. */
  vicatC?: number;
  /** Tg, Vicat softening or heat deflection are the grade's own. */
  isOwn: boolean;
}

/**
 * Amorphous: Tg − 10 K for good, Tg − 5 K for an hour, 3 K more with fibre. Crystallised: a tenth, and a quarter, of the way from heat
 * deflection at the lowest stress to melting, 30 and 20 K short of it at most. Elastomers: the softening point of the family's hard
 * phase, or the grade's own Vicat softening if that is lower; 10 K more for an hour. Typical, class D; C from the grade's own temperatures.
 * Range: parts that carry nothing to speak of; 23 °C to melting. Source: the ranking of Vicat, HDT and Tg by morphology in
 * Ehrenstein, Polymeric Materials, ch. 5; the distances are ours.
 */
export function formLimit(input: FormLimitInput): FormLimit {
  const { family, solidity, glassTransitionC: tg, meltingC, heatDeflectionC, hasFibre, vicatC, isOwn } = input;
  const evidence = isOwn ? 'C' : 'D';
  if (solidity === 'elastomer') {
    const softensC = Math.min(family.softeningC ?? Infinity, vicatC ?? Infinity);
    const continuousC = Number.isFinite(softensC) ? softensC : family.continuousServiceC;
    return {
      continuousC,
      peakC: continuousC + ELASTOMER_PEAK_K,
      basis: say`its hard phase softens at ${celsius(continuousC)}`,
      evidence,
    };
  }
  if (solidity === 'crystallised' && vicatC !== undefined) {
    const peakC = Math.min(vicatC, meltingC === null ? Infinity : meltingC - BELOW_MELTING_K.peak);
    return {
      continuousC: peakC - BELOW_VICAT_K,
      peakC,
      basis: say`its own Vicat softening at ${celsius(vicatC)}`,
      evidence,
    };
  }
  if (solidity === 'crystallised' && meltingC !== null && heatDeflectionC !== null) {
    const crystals = (at: 'continuous' | 'peak') =>
      Math.min(
        meltingC - BELOW_MELTING_K[at],
        heatDeflectionC + TOWARDS_MELTING[at] * Math.max(0, meltingC - heatDeflectionC),
      );
    return {
      continuousC: crystals('continuous'),
      peakC: crystals('peak'),
      basis: say`its crystals hold it from ${celsius(Math.round(heatDeflectionC))} (heat deflection under the lowest stress) some way towards melting at ${celsius(meltingC)}`,
      evidence,
    };
  }
  const helpK = hasFibre ? FIBRE_HELPS_K : 0;
  return {
    continuousC: tg - BELOW_TG_K.continuous + helpK,
    peakC: tg - BELOW_TG_K.peak + helpK,
    basis: say`glass transition at ${celsius(tg)}${hasFibre ? ', which fibre hardly lifts' : ''}`,
    evidence,
  };
}

/** The limit for a time, °C: straight in the logarithm of time between an hour and 1000 h. `durationH` in h, from 0. */
export function formLimitAfter({ continuousC, peakC }: FormLimit, durationH: number): number {
  const decades = Math.log10(Math.max(durationH, PEAK_H) / PEAK_H);
  return peakC + Math.min(1, decades / FOR_GOOD_DECADES) * (continuousC - peakC);
}
