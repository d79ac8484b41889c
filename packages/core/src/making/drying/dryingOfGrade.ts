import type { Grade, CompanyRules } from '@anvilstone/schema';
import type { SpoolWater } from './spoolMoisture.ts';
import { findFamily, completeRules, defaultCompanyRules } from '@anvilstone/core/materials';

/** How a grade's spool takes up water and is dried. */
export interface DryingOfGrade extends SpoolWater {
  /** Hotter its turns may fuse, °C: what it is dried at is the hottest that anybody states for it. */
  limitC: number;
  /** Drying and open hours are the maker's; false: at least one of them is typical of the family. */
  stated: boolean;
}

/** Undefined: the family is not known, so neither is how it is dried. */
export function dryingOf(grade: Grade, rules: CompanyRules = defaultCompanyRules): DryingOfGrade | undefined {
  const family = findFamily(grade.familyId);
  if (!family) return undefined;
  const { process } = grade;
  const dryingC = process.dryingC ?? family.dryingC;
  return {
    openHours: process.openHours ?? family.openHoursAt50Rh,
    dryingC,
    dryingH: Math.max(process.dryingH ?? family.dryingH, completeRules(rules).minimumDryingH),
    limitC: dryingC,
    stated: process.openHours !== undefined && process.dryingC !== undefined && process.dryingH !== undefined,
  };
}
