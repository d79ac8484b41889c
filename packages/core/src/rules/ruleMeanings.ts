import type { HouseRules } from '@anvilstone/schema';

export type RuleId = keyof HouseRules;
export type RuleValue = HouseRules[RuleId];
export const RULE_GROUPS = [
  'Whose numbers',
  'How careful',
  'Surroundings',
  'Machines and printing',
  'Money',
  'Choosing',
] as const;

/** What a policy value is called, how it is shown, and why its default is what it is. */
export interface RuleMeaning {
  id: RuleId;
  group: (typeof RULE_GROUPS)[number];
  title: string;
  /** Of a number; a share is shown as a percentage. Absent: a choice. */
  unit?: string;
  /** Words of the choices, where it is one. */
  choices?: Readonly<Record<string, string>>;
  reason: string;
}

const rule = (
  id: RuleId,
  group: RuleMeaning['group'],
  title: string,
  how: Pick<RuleMeaning, 'unit' | 'choices'>,
  reason: string,
): RuleMeaning => ({ id, group, title, ...how, reason });

/** Every house rule in the order shown. */
export const ruleMeanings: readonly RuleMeaning[] = [
  rule(
    'evidenceSchool',
    'Whose numbers',
    'Whose numbers lead',
    {
      choices: {
        'bench-first': 'Own bench from three specimens on, else the data sheet',
        datasheet: 'The maker’s data sheet, even where it has to be carried over',
        'lower-of-both': 'The lower of bench and data sheet',
      },
    },
    'Your own printer made the bench bars; the data sheet’s were made to look good. The two are never averaged.',
  ),
  rule(
    'datasheetStrengthFactor',
    'Whose numbers',
    'Data sheet strength, kept',
    { unit: 'share' },
    'Data sheets show good prints on good days.',
  ),
  rule(
    'datasheetModulusFactor',
    'Whose numbers',
    'Data sheet modulus, kept',
    { unit: 'share' },
    'Stiffness suffers less from a poor print than strength does.',
  ),
  rule(
    'mouldedToPrintedStrengthFactor',
    'Whose numbers',
    'Moulded to printed, strength',
    { unit: 'share' },
    'A print has pores and bead borders that a moulded bar has not.',
  ),
  rule(
    'mouldedToPrintedModulusFactor',
    'Whose numbers',
    'Moulded to printed, modulus',
    { unit: 'share' },
    'About the share of solid that is left beside the pores.',
  ),
  rule(
    'strengthBasis',
    'How careful',
    'Strength counted as',
    { choices: { mean: 'The mean', 'b-basis': 'What nine of ten parts reach (B-basis)' } },
    'The mean with a safety factor is what most workshops do; the B-basis makes scatter cost something.',
  ),
  rule(
    'safetyFactorHarmless',
    'How careful',
    'Least safety factor, nobody hurt',
    { unit: '×' },
    'Covers loads guessed a little low. Warns, and does not change a load.',
  ),
  rule(
    'safetyFactorHarm',
    'How careful',
    'Least safety factor, somebody could be hurt',
    { unit: '×' },
    'Prints scatter more than machined parts. Codes may want more; they come first.',
  ),
  rule(
    'fibreAcrossLayersFactor',
    'How careful',
    'Fibre-filled, across the layers, kept',
    { unit: 'share' },
    'The reference table already counts what fibre takes from the layers; below 100 % you trust it less.',
  ),
  rule(
    'usualMovementShare',
    'How careful',
    'Movement allowed where none is stated',
    { unit: 'share' },
    'A fiftieth of the span is where bending begins to be seen and felt; whatever a load states comes first.',
  ),
  rule(
    'warmShapeChangePct',
    'Surroundings',
    'Warping in the warmth, allowed',
    { unit: '%' },
    'A change of length of half a per cent is seen and felt on a clip, a sleeve or a long flat part.',
  ),
  rule(
    'stressCrackStrainPct',
    'Surroundings',
    'Stress cracking from a strain of',
    { unit: '%' },
    'Usual lower bound of amorphous polymers in mild agents; aggressive ones start lower, so soak a bent strip.',
  ),
  rule(
    'limitedContactH',
    'Surroundings',
    '“Limited” rating allows contact for',
    { unit: 'h' },
    'Limited means trouble within weeks to months of lasting contact: a few days altogether is on the safe side.',
  ),
  rule(
    'weatheringHPerYear',
    'Surroundings',
    'A year outside stands for',
    { unit: 'h of lamp' },
    'A common rule of thumb for a temperate climate; mountains and deserts get twice as much.',
  ),
  rule(
    'styrenicsOutdoors',
    'Surroundings',
    'ABS and its kin in the open',
    { choices: { refuse: 'Refused: ASA instead', judge: 'Judged by what weather leaves of them' } },
    'ABS yellows and turns brittle in one summer; ASA prints the same and does not.',
  ),
  rule(
    'sterilisationCycles',
    'Surroundings',
    '“Usually survives” sterilising means',
    { unit: 'cycles' },
    'General statements speak of a few cycles; more have to be run.',
  ),
  rule(
    'shrinkScatterShare',
    'Surroundings',
    'Scatter of print shrinkage',
    { unit: 'share' },
    'The mean can be drawn in; from print to print about a tenth of it comes and goes.',
  ),
  rule(
    'ptfeLimitC',
    'Machines and printing',
    'Hottest nozzle with a PTFE lining',
    { unit: '°C' },
    'Above about 240 °C the lining gives off toxic fumes.',
  ),
  rule(
    'minimumDryingH',
    'Machines and printing',
    'Shortest drying',
    { unit: 'h' },
    'Less does not reach the inner turns of a spool.',
  ),
  rule(
    'warpLimit',
    'Machines and printing',
    'Highest warp index',
    { unit: '' },
    'Above this, corners of a print lift sooner or later without special care.',
  ),
  rule(
    'purgeShare',
    'Money',
    'Filament lost to purge',
    { unit: 'share' },
    'Start-up line, skirt and colour change of an ordinary print.',
  ),
  rule('scrapShare', 'Money', 'Prints that fail', { unit: 'share' }, 'Count yours: most workshops guess too low.'),
  rule(
    'printTimeFactor',
    'Money',
    'Print time over full-flow time',
    { unit: '×' },
    'Corners, travel, small layers and cooling keep a machine well below its full flow.',
  ),
  rule(
    'labourPerPartUsd',
    'Money',
    'Handling of one print',
    { unit: 'USD' },
    'Ten minutes of taking off and cleaning.',
  ),
  rule(
    'setupUsd',
    'Money',
    'Set-up of a lot',
    { unit: 'USD' },
    'Changing the spool, cleaning the bed and watching the first layer; shared by the parts of the lot.',
  ),
  rule(
    'machineHoursPerDay',
    'Machines and printing',
    'Printing a day on one machine',
    { unit: 'h' },
    'Prints are taken off and started while somebody is there; a print that takes longer runs through the night.',
  ),
  rule(
    'machineHourUsd',
    'Money',
    'Machine hour, all machines',
    { unit: 'USD' },
    'Left empty, each machine’s own rate counts.',
  ),
  rule(
    'leastChance',
    'Choosing',
    'Probability the first must have',
    { unit: 'share' },
    'The cheapest grade that only just passes fails in every other print. 0 asks for none.',
  ),
  rule(
    'typicalReserve',
    'Choosing',
    'Reserve the first must have on typical values',
    { unit: '' },
    'Where only the family speaks for a grade, its own value may well be a quarter lower.',
  ),
  rule(
    'rankingSchool',
    'Choosing',
    'Shortlist ordered by',
    {
      choices: {
        'cheapest-that-passes': 'Cheapest that passes',
        'weakest-link': 'Strongest weakest link',
        'lightest-when-sized': 'Lightest when sized',
        'weighted-merit': 'Weighted merit',
      },
    },
    'What passes passes: more reserve than asked for is money spent. One click shows the others.',
  ),
];

/** One sentence for each policy value that differs between two sets. */
export function ruleChanges(
  before: HouseRules,
  after: HouseRules,
): { meaning: RuleMeaning; from: RuleValue; to: RuleValue }[] {
  return ruleMeanings.flatMap((meaning) =>
    before[meaning.id] === after[meaning.id] ? [] : [{ meaning, from: before[meaning.id], to: after[meaning.id] }],
  );
}
