import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText, vocabulary } from './common.ts';
import { enclosureKind } from './grade.ts';

export const machine = record(
  {
    id: identifier,
    name: shortText('What the workshop calls it'),
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
    laysFibre: Type.Optional(Type.Literal(true, { description: 'It lays continuous strands; absent = it does not' })),
    strandSpeedMmPerS: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 1000, description: 'Strand laid, mm/s; absent = 10' }),
    ),
    sampleData: Type.Boolean(),
    note: Type.Optional(longText('Remarks')),
  },
  'A printer at hand',
  'machine',
);
export type Machine = Static<typeof machine>;
