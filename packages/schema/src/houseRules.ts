import { Type, type Static } from '@sinclair/typebox';
import { record, vocabulary } from './common.ts';

const fraction = (description: string) => Type.Number({ exclusiveMinimum: 0, maximum: 1, description });
const share = (description: string) => Type.Number({ minimum: 0, maximum: 0.95, description });

export const houseRules = record(
  {
    evidenceSchool: vocabulary(
      ['bench-first', 'datasheet', 'lower-of-both'] as const,
      'Whose numbers: own bench when n ≥ 3, the maker’s data sheet, or the lower of the two',
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
  },
  'The workshop’s policy values',
  'house-rules',
);
export type HouseRules = Static<typeof houseRules>;
