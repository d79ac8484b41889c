import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText, vocabulary } from './common.ts';
import { enclosureKind } from './grade.ts';

/** What a part is printed on; the tables name the same. */
export const BED_SURFACES = [
  'textured PEI sheet',
  'smooth PEI sheet',
  'carbon-fibre plate',
  'cellulose-laminate board',
  'glass with glue-stick film',
  'glass-epoxy laminate',
  'painter tape',
  'polyimide film',
  'polypropylene sheet',
  'polypropylene tape',
  'sacrificial sheet of the same polymer',
] as const;
export const bedSurface = vocabulary(BED_SURFACES, 'A surface to print on');
export type BedSurface = Static<typeof bedSurface>;

export const VENTILATION = ['none', 'filter', 'extracted'] as const;

/** How worn it is and how its prints went. */
export const machineCondition = record(
  {
    nozzleAbrasiveG: Type.Optional(
      Type.Number({ minimum: 0, maximum: 1e6, description: 'Abrasive filament through the fitted nozzle, g' }),
    ),
    hours: Type.Optional(Type.Number({ minimum: 0, maximum: 1e6, description: 'Hours it has run' })),
    prints: Type.Optional(Type.Integer({ minimum: 0, maximum: 1e6, description: 'Prints started' })),
    failedPrints: Type.Optional(
      Type.Integer({ minimum: 0, maximum: 1e6, description: 'Of these, given up or scrapped' }),
    ),
    note: Type.Optional(longText('Notes')),
  },
  'Condition of a machine',
);

export const machine = record(
  {
    id: identifier,
    name: shortText('Its name'),
    maximumNozzleC: Type.Number({ minimum: 150, maximum: 600, description: 'Highest nozzle temperature, °C' }),
    hotEndLining: vocabulary(['ptfe', 'all-metal'] as const, 'What the filament touches above the heater block'),
    maximumBedC: Type.Number({ minimum: 0, maximum: 300, description: 'Highest bed temperature, °C' }),
    enclosure: enclosureKind,
    maximumChamberC: Type.Union([Type.Number({ minimum: 20, maximum: 350 }), Type.Null()], {
      description: 'Highest air temperature of a heated chamber, °C; null = not heated',
    }),
    nozzleMaterial: vocabulary(['brass', 'hardened'] as const, 'Hardened covers hardened steel and anything harder'),
    nozzleDiameterMm: Type.Number({ minimum: 0.1, maximum: 3 }),
    extruder: vocabulary(['direct', 'remote'] as const, 'Remote = a guide tube between drive and nozzle'),
    buildVolumeMm: record(
      {
        x: Type.Number({ exclusiveMinimum: 0, maximum: 5000 }),
        y: Type.Number({ exclusiveMinimum: 0, maximum: 5000 }),
        z: Type.Number({ exclusiveMinimum: 0, maximum: 5000 }),
      },
      'Usable build volume, mm',
    ),
    volumetricFlowMm3PerS: Type.Number({
      exclusiveMinimum: 0,
      maximum: 500,
      description: 'Sustained melt flow, mm³/s',
    }),
    hourlyRateUsd: Type.Number({ minimum: 0, maximum: 10000, description: 'Machine hour, USD' }),
    sensorLimitC: Type.Optional(
      Type.Number({ minimum: 150, maximum: 700, description: 'Up to which the hot end’s sensor can be trusted, °C' }),
    ),
    filamentDiameterMm: Type.Optional(
      Type.Number({ minimum: 1, maximum: 4, description: 'Filament it takes, mm; absent = not stated' }),
    ),
    bedSurfaces: Type.Optional(Type.Array(bedSurface, { maxItems: 20, description: 'Surfaces at hand for it' })),
    releaseAgent: Type.Optional(Type.Literal(true, { description: 'Release agent available; absent = none' })),
    supplyW: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 20000, description: 'Power supply of bed and hot end, W' }),
    ),
    mainsBed: Type.Optional(Type.Literal(true, { description: 'The bed is heated from the mains, past the supply' })),
    ownPlasticC: Type.Optional(
      Type.Number({
        minimum: 30,
        maximum: 400,
        description: 'Softening temperature of its own plastic parts near the heat (ducts, mounts), °C',
      }),
    ),
    ventilation: Type.Optional(vocabulary(VENTILATION, 'What happens to its air')),
    condition: Type.Optional(machineCondition),
    laysFibre: Type.Optional(Type.Literal(true, { description: 'It lays continuous strands; absent = it does not' })),
    strandSpeedMmPerS: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 1000, description: 'Strand laid, mm/s; absent = 10' }),
    ),
    closedSupply: Type.Optional(
      record(
        {
          pricePerKgUsd: Type.Number({
            exclusiveMinimum: 0,
            maximum: 100_000,
            description: 'Of its maker’s spools, USD per kg',
          }),
        },
        'It takes only spools of its maker; absent = any',
      ),
    ),
    sampleData: Type.Boolean(),
    note: Type.Optional(longText('Remarks')),
  },
  'A printer at hand',
  'machine',
);
export type Machine = Static<typeof machine>;

export const machineRecord = record(
  { machine, revision: Type.Integer({ minimum: 0 }) },
  'A machine with its revision',
  'machine-record',
);
export type MachineRecord = Static<typeof machineRecord>;
