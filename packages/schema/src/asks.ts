import { Type } from '@sinclair/typebox';
import { buildOrientation, identifier, lengthMm, record, running, temperatureC, vocabulary } from './common.ts';
import { surroundingAsks } from './surroundingAsks.ts';

export const heatAsk = record(
  {
    steadyC: Type.Optional(temperatureC('Highest temperature the part sits in for long, °C')),
    steadyH: Type.Optional(
      Type.Number({
        exclusiveMinimum: 0,
        maximum: 1e6,
        description: 'How long it sits there altogether, h; absent = as long as its loads act',
      }),
    ),
    peak: Type.Optional(
      record(
        {
          temperatureC: temperatureC('Highest short excursion, °C'),
          durationH: Type.Number({ exclusiveMinimum: 0, maximum: 10000, description: 'Length of one excursion, h' }),
        },
        'Short hot excursion under load',
      ),
    ),
    coldestC: Type.Optional(temperatureC('Coldest temperature at which it must not have turned brittle, °C')),
  },
  'Service temperatures',
);

export const FIXED_TO = ['steel', 'stainless-steel', 'aluminium', 'brass', 'glass', 'concrete', 'wood'] as const;
export const thermalFitAsk = record(
  {
    fixedTo: vocabulary(FIXED_TO, 'What it is fixed to'),
    lengthMm: lengthMm('Length over which it is fixed, mm'),
    coldestC: temperatureC('Coldest, °C'),
    hottestC: temperatureC('Hottest, °C'),
    allowedMm: Type.Number({
      exclusiveMinimum: 0,
      maximum: 100,
      description: 'Difference in growth that the joint can take each way from 23 °C, mm',
    }),
  },
  'It grows and shrinks with what it is fixed to',
);
export const slidingAsk = record(
  {
    pressureMPa: Type.Number({ exclusiveMinimum: 0, maximum: 200, description: 'Contact pressure, MPa' }),
    contactForceN: Type.Optional(
      Type.Number({
        exclusiveMinimum: 0,
        maximum: 1e6,
        description: 'Force that makes that pressure on the contact area, N',
      }),
    ),
    contactAreaMm2: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description: 'Contact area, mm²' })),
    speedMPerS: Type.Number({ exclusiveMinimum: 0, maximum: 50, description: 'Sliding speed, m/s' }),
    running,
    maxFriction: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 2, description: 'Largest coefficient of friction against steel' }),
    ),
    distanceKm: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description: 'How far it slides in its life, km' }),
    ),
    maxWearMm: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 100, description: 'Wear that it may have at the end, mm' }),
    ),
  },
  'It slides on something',
);

export const lotAsk = record(
  {
    quantity: Type.Integer({ minimum: 1, maximum: 1e6, description: 'Good parts wanted' }),
    readyBy: Type.Optional(Type.String({ format: 'date', description: 'Day on which all of them must be ready' })),
    setupUsd: Type.Optional(
      Type.Number({ minimum: 0, maximum: 1e6, description: 'Set-up of the lot, USD; absent = company rule' }),
    ),
    supportG: Type.Optional(
      Type.Number({ minimum: 0, maximum: 1e5, description: 'Support thrown away with each part, g; absent = none' }),
    ),
  },
  'How many, and by when',
);
export const consumableAsk = record(
  {
    uses: Type.Number({ minimum: 1, maximum: 1e9, description: 'Uses that one part lasts' }),
    changeOverUsd: Type.Number({ minimum: 0, maximum: 1e6, description: 'Changing to the next one, USD' }),
  },
  'It is used up and replaced',
);

export const asks = record(
  {
    heat: Type.Optional(heatAsk),
    thermalFit: Type.Optional(thermalFitAsk),
    sliding: Type.Optional(slidingAsk),
    ...surroundingAsks,
    lifeYears: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 100, description: 'Service life that it must reach, years' }),
    ),
    lot: Type.Optional(lotAsk),
    consumable: Type.Optional(consumableAsk),
    mustWarn: Type.Optional(
      Type.Literal(true, { description: 'Must bow, creak or whiten before it breaks, not snap' }),
    ),
    maxMassG: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description: 'Mass of one part, g' })),
    maxCostUsd: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 1e7, description: 'Cost of one good part, USD' }),
    ),
    machineIds: Type.Optional(
      Type.Array(identifier, {
        minItems: 1,
        maxItems: 100,
        uniqueItems: true,
        description: 'Machines that may print it; absent = any machine',
      }),
    ),
    orientations: Type.Optional(
      Type.Array(buildOrientation, {
        minItems: 1,
        maxItems: 3,
        uniqueItems: true,
        description: 'Allowed build orientations; absent = all three',
      }),
    ),
  },
  'What is asked of the part besides its loads',
);
