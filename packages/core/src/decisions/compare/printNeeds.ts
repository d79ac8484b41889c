import type { Statement } from '@anvilstone/schema';
import type { CheckContext } from '@anvilstone/core/checks';
import { formatNumber as f, say, celsius } from '@anvilstone/core/foundations';
import { processNeeds } from '@anvilstone/core/machines';

/** What printing a grade asks for, and how much trouble that usually is. */
export interface PrintNeeds {
  difficulty: 'easy' | 'needs care' | 'hard';
  /** What makes it so, one short phrase each; empty: nothing out of the ordinary. */
  because: readonly Statement[];
  nozzleC: { low: number; high: number };
  bedC: { low: number; high: number };
  dryingC: number;
  dryingH: number;
  openHours: number;
  /** Issues on the chosen machine. */
  findings: readonly Statement[];
}

const HOT_NOZZLE_C = 270;
const LONG_DRYING_H = 6;

/**
 * Points for what usually goes wrong: warping, an enclosure or a heated chamber, a hot nozzle, long drying, abrasion,
 * softness, and every caution of the chosen machine. None or one is easy, two or three need care, more is hard.
 * Ours, evidence class D. Null: the family is not known.
 */
export function printNeeds({ material, fit, rules }: CheckContext): PrintNeeds | null {
  const { grade, family, filler } = material;
  const needs = processNeeds(grade, family, filler);
  if (!needs || !family) return null;
  const { process } = grade;
  const dryingH = Math.max(process.dryingH ?? family.dryingH, rules.minimumDryingH);
  const nozzleC = process.nozzleC ?? family.nozzleC;
  const because: Statement[] = [];
  let points = 0;
  const count = (weight: number, phrase: Statement) => {
    points += weight;
    because.push(phrase);
  };
  if (needs.warpTendency1to5 >= 4) count(2, 'warps strongly');
  else if (needs.warpTendency1to5 >= 3) count(1, 'warps');
  if (needs.enclosure === 'heated') count(2, 'heated chamber');
  else if (needs.enclosure === 'enclosed') count(1, 'enclosure');
  if (needs.nozzleC.mid > HOT_NOZZLE_C) count(1, say`nozzle near ${celsius(needs.nozzleC.mid)}`);
  if (dryingH > LONG_DRYING_H) count(1, `dries ${f(dryingH)} h`);
  if (needs.abrasive) count(1, 'wears the nozzle');
  if (needs.directDriveNeeded) count(1, 'soft filament');
  const findings = fit?.findings.map(({ text }) => text) ?? [];
  points += findings.length;
  return {
    difficulty: points <= 1 ? 'easy' : points <= 3 ? 'needs care' : 'hard',
    because,
    nozzleC: { low: nozzleC.low, high: nozzleC.high },
    bedC: process.bedC ?? family.bedC,
    dryingC: process.dryingC ?? family.dryingC,
    dryingH,
    openHours: process.openHours ?? family.openHoursAt50Rh,
    findings,
  };
}
