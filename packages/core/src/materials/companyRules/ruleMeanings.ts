import { say, celsius } from '@anvilstone/core/foundations';
import type { CompanyRules, Statement } from '@anvilstone/schema';

export type RuleId = keyof CompanyRules;
export type RuleValue = CompanyRules[RuleId];
export const RULE_GROUPS = [
  'Evidence',
  'Safety policy',
  'Surroundings',
  'Machines and printing',
  'Cost',
  'Ranking',
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
  reason: Statement;
}

const rule = (
  id: RuleId,
  group: RuleMeaning['group'],
  title: string,
  how: Pick<RuleMeaning, 'unit' | 'choices'>,
  reason: Statement,
): RuleMeaning => ({ id, group, title, ...how, reason });

/** Every company rule in the order shown. */
export const ruleMeanings: readonly RuleMeaning[] = [
  rule(
    'evidenceSchool',
    'Evidence',
    'Evidence policy',
    {
      choices: {
        'bench-first': 'Own bench with three specimens or more, else the data sheet',
        datasheet: 'The maker’s data sheet, even where it must be adjusted',
        'lower-of-both': 'The lower of bench and data sheet',
      },
    },
    'Bench specimens come from your own printer; data-sheet specimens from ideal conditions. The two are never averaged.',
  ),
  rule(
    'datasheetStrengthFactor',
    'Evidence',
    'Data-sheet strength factor',
    { unit: 'share' },
    'Data sheets show good prints on good days.',
  ),
  rule(
    'datasheetModulusFactor',
    'Evidence',
    'Data-sheet modulus factor',
    { unit: 'share' },
    'Stiffness suffers less from a poor print than strength does.',
  ),
  rule(
    'mouldedToPrintedStrengthFactor',
    'Evidence',
    'Moulded to printed, strength factor',
    { unit: 'share' },
    'A print has pores and bead borders that a moulded bar has not.',
  ),
  rule(
    'mouldedToPrintedModulusFactor',
    'Evidence',
    'Moulded to printed, modulus factor',
    { unit: 'share' },
    'About the share of solid that is left beside the pores.',
  ),
  rule(
    'strengthBasis',
    'Safety policy',
    'Strength basis',
    { choices: { mean: 'The mean', 'b-basis': 'B-basis (reached by nine of ten parts)' } },
    'The mean with a safety factor is common practice; the B-basis accounts for scatter.',
  ),
  rule(
    'safetyFactorHarmless',
    'Safety policy',
    'Minimum safety factor, no injury possible',
    { unit: '×' },
    'Covers slightly underestimated loads. It warns and does not change a load.',
  ),
  rule(
    'safetyFactorHarm',
    'Safety policy',
    'Minimum safety factor, injury possible',
    { unit: '×' },
    'Prints scatter more than machined parts. Codes may want more; they come first.',
  ),
  rule(
    'fibreAcrossLayersFactor',
    'Safety policy',
    'Interlayer strength factor, fibre-filled',
    { unit: 'share' },
    'The reference table includes the loss by fibre; below 100 % is more cautious.',
  ),
  rule(
    'usualMovementShare',
    'Safety policy',
    'Default deflection limit',
    { unit: 'share' },
    'At 1/50 of the span a deflection becomes noticeable; a stated limit takes precedence.',
  ),
  rule(
    'warmShapeChangePct',
    'Surroundings',
    'Allowed change of shape in heat',
    { unit: '%' },
    'Half a per cent is noticeable on a clip, a sleeve or a long flat part.',
  ),
  rule(
    'stressCrackStrainPct',
    'Surroundings',
    'Stress-cracking strain',
    { unit: '%' },
    'Usual lower bound of amorphous polymers in mild agents; aggressive ones start lower, so soak a bent strip.',
  ),
  rule(
    'limitedContactH',
    'Surroundings',
    'Contact time at rating “limited”',
    { unit: 'h' },
    'Limited means trouble within weeks to months of lasting contact: a few days altogether is on the safe side.',
  ),
  rule(
    'weatheringHPerYear',
    'Surroundings',
    'One year outdoors equals',
    { unit: 'h of lamp' },
    'A common rule of thumb for a temperate climate; mountains and deserts get twice as much.',
  ),
  rule(
    'styrenicsOutdoors',
    'Surroundings',
    'Styrenics outdoors',
    { choices: { refuse: 'Rejected: ASA instead', judge: 'Checked for weathering' } },
    'ABS yellows and turns brittle in one summer; ASA prints the same and does not.',
  ),
  rule(
    'sterilisationCycles',
    'Surroundings',
    'Cycles at “usually survives sterilisation”',
    { unit: 'cycles' },
    'General statements speak of a few cycles; more have to be run.',
  ),
  rule(
    'shrinkScatterShare',
    'Surroundings',
    'Scatter of print shrinkage',
    { unit: 'share' },
    'The mean can be compensated; about a tenth of it varies from print to print.',
  ),
  rule(
    'ptfeLimitC',
    'Machines and printing',
    'Maximum nozzle temperature with PTFE liner',
    { unit: '°C' },
    say`Above about ${celsius(240)} the lining gives off toxic fumes.`,
  ),
  rule(
    'minimumDryingH',
    'Machines and printing',
    'Minimum drying time',
    { unit: 'h' },
    'Less does not reach the inner turns of a spool.',
  ),
  rule(
    'warpLimit',
    'Machines and printing',
    'Maximum warp index',
    { unit: '' },
    'Above this, corners of a print lift sooner or later without special care.',
  ),
  rule(
    'purgeShare',
    'Cost',
    'Purge share',
    { unit: 'share' },
    'Start-up line, skirt and colour change of an ordinary print.',
  ),
  rule('scrapShare', 'Cost', 'Scrap rate', { unit: 'share' }, 'Use your own records: most estimates are too low.'),
  rule(
    'printTimeFactor',
    'Cost',
    'Print time factor',
    { unit: '×' },
    'Corners, travel, small layers and cooling keep a machine well below its full flow.',
  ),
  rule('labourPerPartUsd', 'Cost', 'Labour per print', { unit: 'USD' }, 'Ten minutes of removal and cleaning.'),
  rule(
    'setupUsd',
    'Cost',
    'Set-up per lot',
    { unit: 'USD' },
    'Changing the spool, cleaning the bed and watching the first layer; shared by the parts of the lot.',
  ),
  rule(
    'machineHoursPerDay',
    'Machines and printing',
    'Printing hours per day and machine',
    { unit: 'h' },
    'Prints are started and removed during attended hours; a longer print runs overnight.',
  ),
  rule(
    'machineHourUsd',
    'Cost',
    'Machine hour rate, all machines',
    { unit: 'USD' },
    'Empty = each machine’s own rate.',
  ),
  rule(
    'leastChance',
    'Ranking',
    'Minimum probability of the leader',
    { unit: 'share' },
    'The cheapest grade that just passes fails in every other print. 0 = no minimum.',
  ),
  rule(
    'typicalReserve',
    'Ranking',
    'Minimum reserve of the leader on typical values',
    { unit: '' },
    'A grade’s own value may be a quarter below its family’s.',
  ),
  rule(
    'rankingSchool',
    'Ranking',
    'Default ranking method',
    {
      choices: {
        'cheapest-that-passes': 'Lowest cost',
        'weakest-link': 'Highest minimum reserve',
        'lightest-when-sized': 'Lowest mass when sized',
        'weighted-merit': 'Weighted merit',
      },
    },
    'More reserve than required costs money. The others are one click away.',
  ),
];

/** One sentence for each policy value that differs between two sets. */
export function ruleChanges(
  before: CompanyRules,
  after: CompanyRules,
): { meaning: RuleMeaning; from: RuleValue; to: RuleValue }[] {
  return ruleMeanings.flatMap((meaning) =>
    before[meaning.id] === after[meaning.id] ? [] : [{ meaning, from: before[meaning.id], to: after[meaning.id] }],
  );
}
