import type { Machine } from '@anvilstone/schema';
import { formatNumber as f, say, celsius } from '@anvilstone/core/foundations';
import { blocker, caution } from './findings.ts';
import type { FitFinding, ProcessNeeds } from './fitFinding.ts';
import { airC, failedByWarp, warpIndex } from './warpRisk.ts';

/** Bed and chamber whatever the part. What the air round it lacks depends on its size too. */
export function bedAndChamberFindings(needs: ProcessNeeds, machine: Machine): FitFinding[] {
  const { bedLowC, crystallisesAtC, chamber, enclosure } = needs;
  const { maximumBedC, maximumChamberC } = machine;
  const findings: FitFinding[] = [];
  if (bedLowC > maximumBedC)
    findings.push(blocker(say`Needs a bed at ${celsius(bedLowC)} or more; this one reaches ${celsius(maximumBedC)}`));
  if (crystallisesAtC !== undefined && (maximumChamberC ?? 0) < crystallisesAtC)
    findings.push(
      blocker(
        say`Crystallises as it is laid only in a chamber at ${celsius(crystallisesAtC)} or more; ${
          maximumChamberC ? say`this one reaches ${celsius(maximumChamberC)}` : 'this machine has none'
        }; anneal it instead`,
      ),
    );
  const recommendedC = chamber.recommended ?? 0;
  if (enclosure === 'heated' && machine.enclosure === 'heated' && airOn(needs, machine) < recommendedC)
    findings.push(
      caution(say`Best in a chamber at ${celsius(recommendedC)}; this one reaches ${celsius(maximumChamberC ?? 0)}`),
    );
  return findings;
}

/** Where only the best is stated, the least is so much cooler, K. Ours, class D. */
const BELOW_BEST_K = 40;
/** Each kelvin short of the least costs as large a share of the prints. Ours, class D. */
const SHARE_PER_K = 0.02;
/** Farther below the least it is not printed at all, K. */
const MOST_SHORT_K = 15;
/** More failures than this are no way to make a part. */
const MOST_FAILED_SHARE = 0.5;

const airOn = ({ handling, bedLowC }: ProcessNeeds, machine: Machine): number =>
  airC(machine, Math.min(machine.maximumBedC, handling?.bedHighC ?? bedLowC));

/** What the air round a part lacks on a machine, and what share of prints that costs. */
export interface WarpRisk {
  /** Below the least that the grade needs, K. */
  shortK: number;
  /** 0 … 0.95. */
  failShare: number;
  blocks: boolean;
}

/**
 * Share of prints that warp or crack for want of an enclosure or a warm chamber: by the warp index of its longest edge, which lies and
 * lifts or stands and splits, and 2 % for each kelvin below the least. Undefined: the machine has what the grade needs. Ours, class D.
 */
export function warpRisk(needs: ProcessNeeds, machine: Machine, longestMm: number): WarpRisk | undefined {
  if (needs.enclosure === 'open') return undefined;
  const { minimum, recommended } = needs.chamber;
  const leastC = needs.enclosure === 'heated' ? (minimum ?? (recommended ?? 0) - BELOW_BEST_K) : -Infinity;
  const shortK = Math.max(0, leastC - airOn(needs, machine));
  const has = needs.enclosure === 'enclosed' ? machine.enclosure !== 'open' : machine.enclosure === 'heated';
  if (has && shortK === 0) return undefined;
  const index = warpIndex(needs.warpTendency1to5, longestMm, machine.enclosure);
  const failShare = Math.min(0.95, failedByWarp(index) + SHARE_PER_K * shortK);
  return { shortK, failShare, blocks: shortK > MOST_SHORT_K || failShare > MOST_FAILED_SHARE };
}

/** The same in words. */
export function warpFindings(needs: ProcessNeeds, machine: Machine, longestMm: number): FitFinding[] {
  const risk = warpRisk(needs, machine, longestMm);
  if (!risk) return [];
  const { shortK, failShare, blocks } = risk;
  const odds = `about ${f(100 * failShare, 2)} % of prints this large warp or crack`;
  const airC = airOn(needs, machine);
  if (shortK > MOST_SHORT_K)
    return [
      blocker(
        say`Needs a chamber at ${celsius((needs.chamber.minimum ?? needs.chamber.recommended)!)} or more; the air in this one reaches about ${celsius(airC, 2)}`,
      ),
    ];
  const text =
    needs.enclosure === 'enclosed'
      ? `No enclosure: ${odds}`
      : say`The air in it reaches about ${celsius(airC, 2)}, best is ${celsius((needs.chamber.recommended ?? needs.chamber.minimum)!)}: ${odds}`;
  return [{ ...(blocks ? blocker(text) : caution(text)), failShare }];
}
