import type { CompanyRules } from '@anvilstone/schema';

/** Every policy value; only the price of a machine hour may be left to the machines. */
export type CompleteRules = Required<Omit<CompanyRules, 'machineHourUsd'>> & Pick<CompanyRules, 'machineHourUsd'>;

/** Policy values of a new workshop. Each can be defended and none is a law; docs/model.md says why. */
export const defaultCompanyRules: CompleteRules = {
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
  setupUsd: 5,
  machineHoursPerDay: 12,
  safetyFactorHarmless: 1.5,
  safetyFactorHarm: 3,
  strengthBasis: 'mean',
  fibreAcrossLayersFactor: 1,
  usualMovementShare: 0.02,
  stressCrackStrainPct: 0.3,
  warmShapeChangePct: 0.5,
  limitedContactH: 100,
  weatheringHPerYear: 1000,
  styrenicsOutdoors: 'refuse',
  shrinkScatterShare: 0.1,
  sterilisationCycles: 10,
  warpLimit: 4,
  minimumDryingH: 4,
  leastChance: 0.9,
  typicalReserve: 1.3,
  rankingSchool: 'cheapest-that-passes',
};

const completed = new WeakMap<CompanyRules, CompleteRules>();

/** Rules of an older decision or workshop, with the values they do not hold. The same object for the same rules. */
export function completeRules(rules: CompanyRules): CompleteRules {
  let complete = completed.get(rules);
  if (!complete) {
    complete = { ...defaultCompanyRules, ...rules };
    completed.set(rules, complete);
  }
  return complete;
}
