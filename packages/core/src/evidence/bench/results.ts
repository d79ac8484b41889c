import type { Campaign, CampaignArm, Specimen, Trial } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { compareMeans, pairedRatio, type PairedRatio, type WelchComparison } from './comparisons.ts';
import { findMethod, sizesOf, type Outcome } from './methods/index.ts';
import { outliersOf, type Outlier } from './outliers.ts';
import { summaryOf, type Summary } from './summary.ts';
import { fitWeibull, type WeibullFit } from './weibull.ts';

/** One specimen’s result, counted or not; none is left out of sight. */
export interface Replicate {
  trial: Trial;
  specimen: Specimen;
  /** Canonical unit of the outcome; undefined: it did not give it. */
  value: number | undefined;
  counts: boolean;
  /** Why it does not count; undefined: it does. */
  whyNot?: string;
}

/** How much may be said on so many readings. */
export type Claim = 'none' | 'hint' | 'mean' | 'basis';

export interface ArmResult {
  arm: CampaignArm;
  outcome: Outcome;
  replicates: readonly Replicate[];
  /** Those that count. */
  values: readonly number[];
  /** Undefined: none counts. */
  summary: Summary | undefined;
  outliers: readonly (Outlier & { specimenId: string })[];
  weibull: WeibullFit | undefined;
  claim: Claim;
  /** What may be said, in a sentence. */
  says: string;
  /** Measured over predicted; undefined: not predicted, or fewer than two count. */
  calibration: Calibration | undefined;
}

export interface Calibration {
  predicted: number;
  /** Mean of the measured over the predicted, with its 95 % interval. */
  factor: number;
  interval: { low: number; high: number };
  /** The interval holds 1: the prediction may be right. */
  agrees: boolean;
}

const FEWEST_FOR_MEAN = 3;
const FEWEST_FOR_CLASS_A = 5;
/** Below this a basis value rests on a tolerance factor of more than three. */
const FEWEST_FOR_BASIS = 6;

/** What was found, with what was corrected by hand in its place. */
export const foundIn = ({ found, corrected }: Trial): Trial['found'] => ({ ...found, ...corrected?.found });

/** Trials of an arm with their specimens, in the order of the marks; trials of specimens that are gone are not among them. */
export function replicatesOf(
  campaign: Campaign,
  arm: CampaignArm,
  outcome: Outcome,
  trials: readonly Trial[],
): Replicate[] {
  return campaign.specimens
    .filter(({ armId }) => armId === arm.id)
    .flatMap((specimen) =>
      trials.filter(({ specimenId }) => specimenId === specimen.id).map((trial) => ({ trial, specimen })),
    )
    .filter(({ trial }) => trial.state !== 'running')
    .map(({ trial, specimen }): Replicate => {
      const value = outcome.of(foundIn(trial), sizesOf(campaign.setUp, specimen));
      const whyNot = reasonAgainst(trial, value);
      return { trial, specimen, value, counts: whyNot === undefined, ...(whyNot === undefined ? {} : { whyNot }) };
    });
}

function reasonAgainst(trial: Trial, value: number | undefined): string | undefined {
  if (trial.excluded) return trial.excluded.why;
  if (trial.state === 'abandoned') return 'no result';
  if (value === undefined) return 'it did not give this';
  if (trial.overRange && !trial.corrected) return 'the gauge was past its range: at least this';
  return undefined;
}

/** Statistics of one arm for one outcome. A prediction belongs to the first outcome of the method. */
export function armResult(campaign: Campaign, arm: CampaignArm, outcome: Outcome, trials: readonly Trial[]): ArmResult {
  const replicates = replicatesOf(campaign, arm, outcome, trials);
  const counted = replicates.filter(({ counts }) => counts);
  const values = counted.map(({ value }) => value!);
  const summary = values.length > 0 ? summaryOf(values) : undefined;
  const bounds = replicates.filter(({ trial }) => trial.overRange && !trial.corrected && !trial.excluded).length;
  return {
    arm,
    outcome,
    replicates,
    values,
    summary,
    outliers: outliersOf(values).map((one) => ({ ...one, specimenId: counted[one.index]!.specimen.id })),
    weibull: values.length >= FEWEST_FOR_MEAN && values.every((value) => value > 0) ? fitWeibull(values) : undefined,
    claim: claimOf(values.length),
    says: saysOf(summary, bounds),
    calibration:
      findMethod(campaign.methodId)?.outcomes[0]?.id === outcome.id ? calibrationOf(arm, summary) : undefined,
  };
}

const claimOf = (n: number): Claim =>
  n < FEWEST_FOR_MEAN ? 'none' : n < FEWEST_FOR_CLASS_A ? 'hint' : n < FEWEST_FOR_BASIS ? 'mean' : 'basis';

function saysOf(summary: Summary | undefined, bounds: number): string {
  const past =
    bounds === 0 ? '' : ` ${bounds} went past the gauge’s range: the true mean is higher than what is shown.`;
  if (!summary) return `Nothing that counts yet.${past}`;
  const { n, meanInterval, mean } = summary;
  const more = FEWEST_FOR_CLASS_A - n;
  switch (claimOf(n)) {
    case 'none':
      return `${n === 1 ? 'One reading says' : 'Two readings say'} nothing about scatter: test ${more} more.${past}`;
    case 'hint':
      return `${n} readings are a hint: the mean may be off by ${percent((meanInterval!.high - mean) / mean)}; ${more} more make it evidence of class A. No basis value.${past}`;
    case 'mean':
      return `The mean is known within ${percent((meanInterval!.high - mean) / mean)}; one more allows a basis value.${past}`;
    case 'basis':
      return `The mean is known within ${percent((meanInterval!.high - mean) / mean)}.${past}`;
  }
}

const percent = (share: number) => `± ${f(100 * Math.abs(share), 2)} %`;

function calibrationOf({ predicted }: CampaignArm, summary: Summary | undefined): Calibration | undefined {
  if (predicted === undefined || predicted === null || !(predicted > 0) || !summary?.meanInterval) return undefined;
  const { mean, meanInterval } = summary;
  const interval = { low: meanInterval.low / predicted, high: meanInterval.high / predicted };
  return { predicted, factor: mean / predicted, interval, agrees: interval.low <= 1 && interval.high >= 1 };
}

export interface RankedArm {
  result: ArmResult;
  place: number;
  /** Against the first: too few readings, or too alike, to say that it is worse. */
  mayBeFirst: boolean;
  /** Undefined: it is the first, or there is nothing to compare. */
  againstFirst: WelchComparison | undefined;
}

/** Arms by their means, the best first; lower is better where the outcome says so. Those without a mean come last, unranked. */
export function rankArms(results: readonly ArmResult[], lowerIsBetter = false): RankedArm[] {
  const sign = lowerIsBetter ? 1 : -1;
  const known = results
    .filter(({ summary }) => summary !== undefined)
    .sort((a, b) => sign * (a.summary!.mean - b.summary!.mean));
  const first = known[0];
  return known.map((result, i) => {
    const againstFirst = i === 0 || !first ? undefined : welch(first, result);
    return { result, place: i + 1, againstFirst, mayBeFirst: i === 0 || !againstFirst || againstFirst.undecided };
  });
}

/** Undefined: fewer than three readings on a side, from which no difference is told, or no scatter at all. */
export function welch(first: ArmResult, second: ArmResult): WelchComparison | undefined {
  if (first.claim === 'none' || second.claim === 'none') return undefined;
  if (!(first.summary!.sd! > 0) && !(second.summary!.sd! > 0)) return undefined;
  return compareMeans(first.values, second.values);
}

export interface ArmPair {
  filled: ArmResult;
  neat: ArmResult;
}

/**
 * Ratio of filled over neat, one pair a maker and build orientation, by the means of its arms.
 * Undefined: fewer than two pairs, each with a mean of three readings at least.
 */
export function fillerEffect(pairs: readonly ArmPair[]): PairedRatio | undefined {
  const sound = pairs.filter(({ filled, neat }) => filled.claim !== 'none' && neat.claim !== 'none');
  if (sound.length < 2) return undefined;
  return pairedRatio(
    sound.map(({ filled }) => filled.summary!.mean),
    sound.map(({ neat }) => neat.summary!.mean),
  );
}
