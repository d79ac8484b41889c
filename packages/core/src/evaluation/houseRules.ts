import type { HouseRules } from '@anvilstone/schema';

/** Policy values of a new workshop. Each can be defended and none is a law; docs/model.md says why. */
export const defaultHouseRules: HouseRules = {
  evidenceSchool: 'bench-first',
  datasheetStrengthFactor: 0.9,
  datasheetModulusFactor: 0.95,
  mouldedToPrintedStrengthFactor: 0.8,
  mouldedToPrintedModulusFactor: 0.9,
  ptfeLimitC: 240,
  purgeShare: 0.08,
  scrapShare: 0.07,
  printTimeFactor: 2.2,
  labourPerPartUsd: 4,
};
