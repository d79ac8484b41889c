import { Type, type Static } from '@sinclair/typebox';
import { identifier, lengthMm, record, temperatureC, vocabulary } from './common.ts';

const hours = (description: string) => Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description });
const humidity = (description: string) => Type.Number({ minimum: 0, maximum: 100, description });

export const FLUID_CONTACTS = ['splash', 'wipe', 'vapour', 'immersion'] as const;
export const FLUID_STRENGTHS = ['weaker', 'usual', 'stronger'] as const;
export const fluidContact = record(
  {
    agentId: identifier,
    contact: vocabulary(FLUID_CONTACTS, 'Splashed, wiped, in its vapour, or lying in it'),
    strength: Type.Optional(
      vocabulary(FLUID_STRENGTHS, 'Concentration against the ranges named with the agent; absent = usual'),
    ),
    temperatureC: temperatureC('Temperature of the fluid on the part, °C'),
    hours: hours('Time in contact altogether, h'),
  },
  'A fluid that touches the part',
);
export type FluidContact = Static<typeof fluidContact>;

export const outdoorsAsk = record(
  {
    hoursPerYear: Type.Number({ exclusiveMinimum: 0, maximum: 8784, description: 'Time in the open, h per year' }),
    years: Type.Number({ exclusiveMinimum: 0, maximum: 100, description: 'Years it has to last' }),
    keepPct: Type.Number({ minimum: 5, maximum: 100, description: 'Least share of its strength left at the end, %' }),
  },
  'Sun, rain and frost',
);

export const ELECTROSTATIC_RANGES = ['conductive', 'dissipative', 'insulating'] as const;
export const electrostaticAsk = record(
  {
    range: vocabulary(
      ELECTROSTATIC_RANGES,
      'Surface resistance: conductive below 1e4 Ω, dissipative from there to 1e11 Ω, insulating from there',
    ),
    driestRhPct: Type.Optional(humidity('Driest air it must work in, % RH: many additives need water to work')),
    worn: Type.Optional(Type.Literal(true, { description: 'The surface is rubbed, sanded or cleaned in service' })),
  },
  'What it does with electric charge',
);
export const insulationAsk = record(
  { voltageV: Type.Number({ exclusiveMinimum: 0, maximum: 100000, description: 'Highest voltage across a wall, V' }) },
  'It keeps a voltage apart',
);

export const FLAME_ASKS = ['5VA', '5VB', 'V-0', 'V-1', 'V-2', 'HB'] as const;
export const STERILISATIONS = [
  'steam 121 °C',
  'steam 134 °C',
  'dry heat 160 °C',
  'ethylene oxide',
  'gamma',
  'hydrogen peroxide plasma',
] as const;
export const SOLVENT_BATHS = ['water', 'd-limonene', 'isopropanol'] as const;
export const ORIGINS = ['recycled', 'biodegradable'] as const;

export const fitAsk = record(
  {
    nominalMm: lengthMm('Toleranced length, mm'),
    allowedMm: Type.Number({ exclusiveMinimum: 0, maximum: 100, description: 'May be larger or smaller by this, mm' }),
    dampestRhPct: humidity('Dampest air it stands in for long, % RH; 100 = wet through'),
    dampH: Type.Optional(hours('How long it stands there, h; absent = until it takes up no more')),
    coldestC: temperatureC('Coldest at which it must fit, °C'),
    hottestC: temperatureC('Hottest at which it must fit, °C'),
  },
  'A size that has to fit, as printed and later',
);

/** What the surroundings ask of a part; each is an optional field of the brief's asks. */
export const surroundingAsks = {
  fluids: Type.Optional(
    Type.Array(fluidContact, { minItems: 1, maxItems: 12, description: 'Fluids that touch it, all of them' }),
  ),
  outdoors: Type.Optional(outdoorsAsk),
  electrostatic: Type.Optional(electrostaticAsk),
  insulation: Type.Optional(insulationAsk),
  flameClass: Type.Optional(vocabulary(FLAME_ASKS, 'Flame class after UL 94')),
  flameThicknessMm: Type.Optional(
    Type.Number({
      exclusiveMinimum: 0,
      maximum: 100,
      description: 'Thickness that the flame class has to be rated at, mm; absent = its thinnest wall',
    }),
  ),
  oxygenIndexPct: Type.Optional(Type.Number({ minimum: 15, maximum: 90, description: 'Least oxygen index, %' })),
  smokeStandard: Type.Optional(
    Type.String({ minLength: 1, maxLength: 80, description: 'Standard its smoke has to meet' }),
  ),
  smokeAtMost: Type.Optional(
    Type.Number({
      exclusiveMinimum: 0,
      maximum: 10000,
      description:
        'Most smoke that the standard may find, in its own unit, such as a specific optical density; absent = any result',
    }),
  ),
  food: Type.Optional(vocabulary(['dry', 'wet-or-fatty'] as const, 'Food it touches')),
  skin: Type.Optional(vocabulary(['brief', 'lasting'] as const, 'Skin it touches: minutes, or hours a day')),
  sterilise: Type.Optional(
    record(
      {
        method: vocabulary(STERILISATIONS, 'How it is sterilised'),
        cycles: Type.Integer({ minimum: 1, maximum: 100000, description: 'How many times' }),
      },
      'It is sterilised',
    ),
  ),
  outgassing: Type.Optional(
    Type.Literal(true, { description: 'Must give off next to nothing: vacuum, optics, sensors' }),
  ),
  clarity: Type.Optional(vocabulary(['see-through', 'lets-light-through'] as const, 'Light through its walls')),
  colour: Type.Optional(
    record(
      {
        wanted: Type.Optional(Type.String({ minLength: 1, maxLength: 40, description: 'The colour it has to have' })),
        notBlack: Type.Optional(Type.Literal(true, { description: 'Any colour but black' })),
      },
      'Colour',
    ),
  ),
  layerLinesHidden: Type.Optional(Type.Literal(true, { description: 'Layer lines hidden' })),
  fit: Type.Optional(fitAsk),
  liesFlat: Type.Optional(
    Type.Literal(true, { description: 'Its foot must stay flat: no corner may lift in the print' }),
  ),
  dissolves: Type.Optional(
    record(
      {
        bath: vocabulary(SOLVENT_BATHS, 'What it is laid in'),
        withinH: hours('Gone after, h'),
      },
      'It is meant to dissolve',
    ),
  ),
  origin: Type.Optional(
    Type.Array(vocabulary(ORIGINS, 'Wish'), {
      minItems: 1,
      maxItems: 2,
      uniqueItems: true,
      description: 'Recycled or biodegradable material wished for',
    }),
  ),
  availableWithinDays: Type.Optional(
    Type.Number({ minimum: 0, maximum: 365, description: 'The filament has to be here within, days' }),
  ),
};
