import { Type, type Static } from '@sinclair/typebox';
import { buildOrientation, identifier, longText, record, temperatureC, vocabulary } from './common.ts';
import { propertyId } from './property.ts';

export const CONDITIONINGS = ['dry', 'conditioned', 'wet'] as const;
export const conditioning = vocabulary(
  CONDITIONINGS,
  'Moisture state: dry as printed, conditioned at 23 °C and 50 % RH, or saturated with water',
);
export type Conditioning = Static<typeof conditioning>;

/** Whether a polymer that crystallises slowly had done so in the test piece. */
export const CRYSTALLINITIES = ['amorphous', 'crystallised'] as const;
export type Crystallinity = (typeof CRYSTALLINITIES)[number];

/** How the test piece was made. */
export const SPECIMENS = ['printed', 'moulded', 'filament'] as const;
export const SOURCES = ['bench', 'datasheet', 'estimate'] as const;
export const BOUNDS = ['atLeast', 'atMost'] as const;

const above = (maximum: number, description: string) =>
  Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum, description }));

/** What a test of one kind or another was done with; each property says which of these its method needs. */
export const testParameters = {
  hdtStressMPa: above(20, 'Bending stress of a heat deflection test, MPa'),
  meltFlowTemperatureC: above(500, 'Melt temperature of a flow test, °C'),
  meltFlowMassKg: above(50, 'Load of a flow test, kg'),
  thicknessMm: above(100, 'Specimen thickness of a flame, light or dielectric test, mm'),
  notchRadiusMm: above(5, 'Radius of the notch tip, mm: 0.25 in ISO 179 type A and ASTM D256, 1.0 in type B'),
  ligamentMm: above(50, 'Depth left under the notch, mm: an Izod value in J/m needs it (10.16 in ASTM D256)'),
  vicatLoadN: above(200, 'Load of a Vicat test, N: 10 (method A) or 50 (method B)'),
  resistivityVoltageV: above(20000, 'Voltage of a resistance test, V'),
  relativeHumidityPct: Type.Optional(Type.Number({ minimum: 0, maximum: 100, description: 'Air humidity, %' })),
  durationH: above(1e6, 'Time under load, in the weathering chamber or in the fluid, h'),
  creepStressMPa: above(500, 'Constant stress of a creep test, MPa'),
  cycles: above(1e12, 'Number of load cycles of a fatigue test'),
  stressRatio: Type.Optional(
    Type.Number({
      minimum: -10,
      maximum: 1,
      description: 'Stress ratio R, lowest over highest stress; −1 = fully reversed',
    }),
  ),
  agentId: Type.Optional(identifier),
};

export const observation = record(
  {
    id: identifier,
    property: propertyId,
    value: Type.Optional(
      Type.Number({ description: 'Reported value in `unit`; give this, or low and high, or a class' }),
    ),
    low: Type.Optional(Type.Number({ description: 'Lower end of a reported range, in `unit`' })),
    high: Type.Optional(Type.Number({ description: 'Upper end of a reported range, in `unit`' })),
    classValue: Type.Optional(
      Type.String({
        minLength: 1,
        maxLength: 60,
        description: 'A result that is a class and not a number: V-0, no break, resistant',
      }),
    ),
    bound: Type.Optional(
      vocabulary(
        BOUNDS,
        'The value is only a bound: “> 1e13” is at least, “< 0.1” is at most; absent = the value itself',
      ),
    ),
    unit: Type.String({
      minLength: 1,
      maxLength: 20,
      description: 'Unit as reported, for example MPa, GPa, ksi, °C; “-” for a class',
    }),
    standardDeviation: Type.Optional(Type.Number({ minimum: 0, description: 'Sample standard deviation, in `unit`' })),
    count: Type.Optional(Type.Integer({ minimum: 1, maximum: 100000, description: 'Number of specimens' })),
    source: vocabulary(SOURCES, 'Own test, maker’s data sheet, or an estimate'),
    method: Type.Optional(Type.String({ maxLength: 80, description: 'Test method, for example ISO 527-2' })),
    specimen: Type.Optional(vocabulary(SPECIMENS, 'How the test piece was made; absent = not stated')),
    crystallinity: Type.Optional(
      vocabulary(
        CRYSTALLINITIES,
        'Whether the test piece had crystallised: as printed a slow crystalliser has not, annealed or from a hot chamber or mould it has; absent = as its making leaves it',
      ),
    ),
    orientation: Type.Optional(Type.Union([buildOrientation, Type.Null()])),
    conditioning: Type.Optional(Type.Union([conditioning, Type.Null()])),
    temperatureC: Type.Optional(temperatureC('Test temperature, °C; absent = 23 °C')),
    ...testParameters,
    reference: Type.String({ minLength: 1, maxLength: 200, description: 'Where the number comes from' }),
    date: Type.Optional(Type.String({ format: 'date', description: 'Date of the source, YYYY-MM-DD' })),
    note: Type.Optional(longText('Notes')),
  },
  'One reported value with the conditions it was measured under',
  'observation',
);
export type Observation = Static<typeof observation>;
