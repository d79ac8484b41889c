import type { Grade, HouseRules } from '@anvilstone/schema';
import type { SpoolWater } from './spoolMoisture.ts';
import { findFamily } from '../reference/family.ts';
import { completeRules, defaultHouseRules } from '../rules/houseRules.ts';

/** How a grade's spool takes up water and is dried. */
export interface DryingOfGrade extends SpoolWater {
  /** Hotter its turns fuse, °C. */
  limitC: number;
  /** Drying and open hours are the maker's; false: at least one of them is typical of the family. */
  stated: boolean;
}

/** A spool bears so much more than it is dried at, K. Ours, class D. */
const SPARE_K = 15;
/** An amorphous one stays this far below its glass transition, K. */
const BELOW_TG_K = 10;

/** Undefined: the family is not known, so neither is how it is dried. */
export function dryingOf(grade: Grade, rules: HouseRules = defaultHouseRules): DryingOfGrade | undefined {
  const family = findFamily(grade.familyId);
  if (!family) return undefined;
  const { process } = grade;
  const dryingC = process.dryingC ?? family.dryingC;
  const softC = family.morphology === 'amorphous' ? family.glassTransitionC - BELOW_TG_K : Infinity;
  return {
    openHours: process.openHours ?? family.openHoursAt50Rh,
    dryingC,
    dryingH: Math.max(process.dryingH ?? family.dryingH, completeRules(rules).minimumDryingH),
    limitC: Math.max(dryingC, Math.min(dryingC + SPARE_K, softC)),
    stated: process.openHours !== undefined && process.dryingC !== undefined && process.dryingH !== undefined,
  };
}
