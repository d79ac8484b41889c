import { Type, type Static } from '@sinclair/typebox';
import { record, vocabulary } from './common.ts';

const fraction = (description: string) => Type.Number({ exclusiveMinimum: 0, maximum: 1, description });
const factor = (most: number, description: string) => Type.Number({ minimum: 1, maximum: most, description });
const share = (description: string) => Type.Number({ minimum: 0, maximum: 0.95, description });

export const STRENGTH_BASES = ['mean', 'b-basis'] as const;
export const RANKING_SCHOOLS = [
  'cheapest-that-passes',
  'weakest-link',
  'lightest-when-sized',
  'weighted-merit',
] as const;

/** Came later than the first decisions, which do not hold them: absent = the value a new workshop has. */
const laterRules = {
  safetyFactorHarmless: Type.Optional(factor(20, 'Least safety factor of a load when a failure hurts no one')),
  safetyFactorHarm: Type.Optional(factor(20, 'Least safety factor of a load when a failure could hurt someone')),
  strengthBasis: Type.Optional(
    vocabulary(STRENGTH_BASES, 'Strength as averaged, or what nine of ten parts reach at least (B-basis)'),
  ),
  warmShapeChangePct: Type.Optional(
    Type.Number({
      minimum: 0.01,
      maximum: 20,
      description: 'Change of shape of an unloaded part in the warmth that is allowed, %',
    }),
  ),
  fibreAcrossLayersFactor: Type.Optional(
    fraction('Further knock-down across the layers of a fibre-filled grade without a measurement of its own'),
  ),
  stressCrackStrainPct: Type.Optional(
    Type.Number({ exclusiveMinimum: 0, maximum: 5, description: 'Lasting strain at which stress cracking starts, %' }),
  ),
  limitedContactH: Type.Optional(
    Type.Number({ exclusiveMinimum: 0, maximum: 1e5, description: 'Contact that a “limited” rating allows, h' }),
  ),
  weatheringHPerYear: Type.Optional(
    Type.Number({
      exclusiveMinimum: 0,
      maximum: 8784,
      description: 'Accelerated weathering that stands for a year in the open, h',
    }),
  ),
  styrenicsOutdoors: Type.Optional(
    vocabulary(['refuse', 'judge'] as const, 'Unstabilised styrenics in the open: refused, or judged as the others'),
  ),
  shrinkScatterShare: Type.Optional(share('Scatter of print shrinkage, as a share of the shrinkage')),
  sterilisationCycles: Type.Optional(
    Type.Integer({ minimum: 1, maximum: 1000, description: 'Cycles that “usually survives” is taken to mean' }),
  ),
  warpLimit: Type.Optional(
    Type.Number({ minimum: 0.5, maximum: 20, description: 'Highest warp index that is printed without trouble' }),
  ),
  minimumDryingH: Type.Optional(
    Type.Number({ minimum: 0, maximum: 500, description: 'Shortest drying of a spool, h' }),
  ),
  machineHourUsd: Type.Optional(
    Type.Number({
      minimum: 0,
      maximum: 10000,
      description: 'Price of a machine hour, USD; absent = each machine’s own',
    }),
  ),
  setupUsd: Type.Optional(
    Type.Number({
      minimum: 0,
      maximum: 10000,
      description: 'Set-up of a lot: spool change, cleaning, first layer, USD',
    }),
  ),
  machineHoursPerDay: Type.Optional(
    Type.Number({ exclusiveMinimum: 0, maximum: 24, description: 'Hours a day that one machine prints, h' }),
  ),
  usualMovementShare: Type.Optional(
    Type.Number({
      exclusiveMinimum: 0,
      maximum: 0.1,
      description: 'Movement allowed where a load states no limit, as a share of the span',
    }),
  ),
  leastChance: Type.Optional(
    Type.Number({
      minimum: 0,
      maximum: 0.999,
      description: 'Probability of meeting every check that the cheapest grade must have to come first; 0 = none asked',
    }),
  ),
  typicalReserve: Type.Optional(
    Type.Number({
      minimum: 1,
      maximum: 10,
      description: 'Least reserve of a grade that comes first in checks where only typical values of its family speak',
    }),
  ),
  rankingSchool: Type.Optional(
    vocabulary(RANKING_SCHOOLS, 'How the shortlist is ordered until somebody chooses otherwise'),
  ),
};

export const companyRules = record(
  {
    evidenceSchool: vocabulary(
      ['bench-first', 'datasheet', 'lower-of-both'] as const,
      'Evidence policy: own bench when n ≥ 3, the maker’s data sheet, or the lower of the two',
    ),
    datasheetStrengthFactor: fraction('Knock-down on a data sheet’s strength'),
    datasheetModulusFactor: fraction('Knock-down on a data sheet’s modulus'),
    mouldedToPrintedStrengthFactor: fraction('Moulded bar to solid printed bar, strength in the layer plane'),
    mouldedToPrintedModulusFactor: fraction('Moulded bar to solid printed bar, modulus in the layer plane'),
    ptfeLimitC: Type.Number({
      minimum: 150,
      maximum: 280,
      description: 'Highest nozzle temperature with a PTFE lining, °C',
    }),
    purgeShare: share('Filament lost to purge and start-up, share of the part’s mass'),
    scrapShare: share('Share of prints that fail'),
    printTimeFactor: Type.Number({
      minimum: 1,
      maximum: 10,
      description: 'Print time over pure extrusion time at full flow',
    }),
    labourPerPartUsd: Type.Number({ minimum: 0, maximum: 10000, description: 'Handling of one print, USD' }),
    ...laterRules,
  },
  'The company’s policy values',
  'company-rules',
);
export type CompanyRules = Static<typeof companyRules>;
