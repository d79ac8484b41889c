import { Type, type Static } from '@sinclair/typebox';
import { identifier, longText, record, shortText, temperatureC, vocabulary } from './common.ts';

const modulus = (description: string) => Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description });
const strength = (description: string) => Type.Number({ exclusiveMinimum: 0, maximum: 1e5, description });
const expansion = (description: string) => Type.Number({ minimum: -1e-4, maximum: 1e-3, description });
const onAWidth = (description: string) => Type.Optional(Type.Number({ minimum: -1e7, maximum: 1e7, description }));

export const ownLamina = record(
  {
    name: shortText('Identity'),
    e1MPa: modulus('Modulus along the fibre, MPa'),
    e2MPa: modulus('Modulus across it in the layer, MPa'),
    g12MPa: modulus('Shear modulus in the layer, MPa'),
    nu12: Type.Number({ minimum: -0.5, maximum: 2, description: 'Major Poisson ratio' }),
    xtMPa: strength('Tensile strength along, MPa'),
    xcMPa: strength('Compressive strength along, MPa'),
    ytMPa: strength('Tensile strength across, MPa'),
    ycMPa: strength('Compressive strength across, MPa'),
    sMPa: strength('Shear strength, MPa'),
    alpha1PerK: Type.Optional(expansion('Thermal expansion along, 1/K; absent = 0')),
    alpha2PerK: Type.Optional(expansion('Thermal expansion across, 1/K; absent = 0')),
  },
  'A ply material with constants of its own',
);

export const plyMaterial = Type.Union(
  [
    record({ towId: identifier }, 'A continuous strand of the reference table'),
    record({ gradeId: identifier }, 'A printed solid layer of a grade of the library'),
    record({ lamina: ownLamina }, 'Constants of one’s own'),
  ],
  { description: 'What a ply is made of' },
);

export const layupPly = record(
  {
    material: plyMaterial,
    angleDeg: Type.Number({
      minimum: -180,
      maximum: 180,
      description: 'From the x-axis, counter-clockwise from above, °',
    }),
    thicknessMm: Type.Optional(
      Type.Number({ exclusiveMinimum: 0, maximum: 100, description: 'Of one layer, mm; absent = the strand’s own' }),
    ),
    count: Type.Optional(Type.Integer({ minimum: 1, maximum: 500, description: 'So many layers of it; absent = 1' })),
  },
  'One ply, or several alike',
);

export const layupLoad = record(
  {
    name: shortText('What this load is'),
    nxNPerMm: onAWidth('Force along x on a width of 1 mm, N/mm; tension is positive'),
    nyNPerMm: onAWidth('Force along y, N/mm'),
    nxyNPerMm: onAWidth('Shear, N/mm'),
    mxNmmPerMm: onAWidth('Moment that bends x, on a width of 1 mm, N·mm/mm; it stretches the upper face'),
    myNmmPerMm: onAWidth('Moment that bends y, N·mm/mm'),
    mxyNmmPerMm: onAWidth('Twist, N·mm/mm'),
  },
  'Loads on a strip; what is left out is nothing',
);

const loopLength = (description: string) => Type.Number({ minimum: 0, maximum: 1e5, description });

export const LOOP_PATHS = ['holes', 'walls'] as const;
export const layupLoop = record(
  {
    name: shortText('What it holds'),
    towId: identifier,
    path: vocabulary(LOOP_PATHS, 'Round two holes and straight between them, or along the walls of an outline'),
    radiusMm: Type.Number({
      exclusiveMinimum: 0,
      maximum: 5000,
      description:
        'From the middle of the bend to the innermost edge of the strands, mm: hole with its printed wall, or corner',
    }),
    apartMm: loopLength('Between the middles of the bends along the pull, mm'),
    acrossMm: Type.Optional(
      loopLength('Between the middles of the bends across the pull, mm; absent = 0, as round holes'),
    ),
    turns: Type.Integer({ minimum: 1, maximum: 500, description: 'Strands beside each other' }),
    layers: Type.Integer({ minimum: 1, maximum: 1000, description: 'Layers of them over each other' }),
    pullN: Type.Optional(Type.Number({ minimum: 0, maximum: 1e7, description: 'Pull on the loop, N' })),
  },
  'Strands that run round and come back',
);

export const layup = record(
  {
    format: Type.Literal('anvilstone-layup/1'),
    name: shortText('Identity'),
    note: Type.Optional(longText('Remarks')),
    plies: Type.Array(layupPly, { minItems: 1, maxItems: 300, description: 'From below upwards' }),
    mirrored: Type.Optional(
      Type.Literal(true, { description: 'The plies are the lower half; the upper half mirrors them' }),
    ),
    laidAtC: Type.Optional(temperatureC('Temperature at which it is free of stress, °C')),
    serviceC: Type.Optional(temperatureC('Temperature in service, °C; both given: thermal stresses count')),
    tsaiWuInteraction: Type.Optional(
      Type.Number({
        exclusiveMinimum: -1,
        exclusiveMaximum: 1,
        description:
          'Tsai–Wu interaction of stress along and across, F12/√(F11·F22); absent = −0.5; from a test in two directions',
      }),
    ),
    loads: Type.Optional(Type.Array(layupLoad, { maxItems: 24 })),
    loops: Type.Optional(
      Type.Array(layupLoop, {
        maxItems: 24,
        description: 'Strands round holes and along walls; not part of the plies',
      }),
    ),
  },
  'A stack of plies with its loads',
  'layup',
);
export type Layup = Static<typeof layup>;
export type LayupPly = Static<typeof layupPly>;
export type LayupLoop = Static<typeof layupLoop>;
export type LayupLoad = Static<typeof layupLoad>;
