import { bisect, HOURS_PER_YEAR } from '@anvilstone/core/foundations';
import type { Installation, ServiceFinding } from '@anvilstone/schema';
import { hoursBetween } from './comparison.ts';

/** One part of a fleet, as long as it has been in service. */
export interface FleetMember {
  installation: Installation;
  hours: number;
  /** Not failed: still in service, or taken out for another reason. */
  failed: boolean;
  state: ServiceFinding['state'] | 'not inspected';
  lastFinding: ServiceFinding | undefined;
}

export interface SurvivalStep {
  hours: number;
  /** Share that lasts longer. */
  survive: number;
  atRisk: number;
}

export interface Fleet {
  members: readonly FleetMember[];
  /** All of them together. */
  partHours: number;
  failures: number;
  survival: readonly SurvivalStep[];
  /** Failures per part and year that are not exceeded with 95 % confidence; null: no time in service. */
  failuresPerYearAtMost: number | null;
}

/** −ln 0.05: with nothing failed in a time, up to so many failures in that time are in keeping with it. */
const CONFIDENCE = 0.95;

/** The same part in every place it serves: how long each has lasted, and what that says of the next one. */
export function fleetOf(
  installations: readonly Installation[],
  findings: readonly ServiceFinding[],
  now: string,
): Fleet {
  const members = installations.map((installation): FleetMember => {
    const own = findings
      .filter(({ installationId }) => installationId === installation.id)
      .sort((a, b) => (a.at < b.at ? -1 : 1));
    const failure = own.find(({ state }) => state === 'failed');
    const last = own.at(-1);
    const until = failure?.at ?? installation.removed?.at ?? now;
    return {
      installation,
      hours: Math.max(0, hoursBetween(installation.installedAt, until)),
      failed: failure !== undefined,
      state: failure ? 'failed' : (last?.state ?? 'not inspected'),
      lastFinding: failure ?? last,
    };
  });
  const partHours = members.reduce((sum, { hours }) => sum + hours, 0);
  const failures = members.filter(({ failed }) => failed).length;
  return {
    members,
    partHours,
    failures,
    survival: survivalOf(members),
    failuresPerYearAtMost: partHours > 0 ? (poissonUpper(failures, CONFIDENCE) / partHours) * HOURS_PER_YEAR : null,
  };
}

/**
 * Share that survives, by Kaplan and Meier (J. Am. Stat. Assoc. 53 (1958) 457): S(t) = ∏ (1 − d/n) over the times of failure, with n at risk just
 * before and d failing. What was taken out for another reason, or still serves, counts as at risk up to then.
 */
export function survivalOf(members: readonly { hours: number; failed: boolean }[]): SurvivalStep[] {
  const times = [...new Set(members.filter(({ failed }) => failed).map(({ hours }) => hours))].sort((a, b) => a - b);
  let survive = 1;
  return times.map((hours) => {
    const atRisk = members.filter((one) => one.hours >= hours).length;
    const failing = members.filter((one) => one.failed && one.hours === hours).length;
    survive *= 1 - failing / atRisk;
    return { hours, survive, atRisk };
  });
}

/**
 * Upper limit of a Poisson mean when `count` events were seen: the mean at which so few come with a chance of 1 − confidence.
 * Source: Garwood, Biometrika 28 (1936) 437. With none seen and 95 %: 3.00.
 */
export function poissonUpper(count: number, confidence: number): number {
  const most = 10 + 3 * count + 10 * Math.sqrt(count + 1);
  return bisect((mean) => atMost(count, mean) > 1 - confidence, 0, most, { steps: 100 })[1];
}

/** Chance of at most `count` events where `mean` are expected. */
function atMost(count: number, mean: number): number {
  let term = Math.exp(-mean);
  let sum = term;
  for (let k = 1; k <= count; k++) {
    term *= mean / k;
    sum += term;
  }
  return sum;
}
