import { Type, type Static } from '@sinclair/typebox';
import { record, vocabulary } from './common.ts';

/** What an amount in a sentence may be of. */
export const AMOUNT_DIMENSIONS = [
  'length',
  'area',
  'volume',
  'secondMoment',
  'stress',
  'temperature',
  'temperatureDifference',
  'force',
  'torque',
  'mass',
  'energy',
  'speed',
] as const;

export const amount = record(
  {
    value: Type.Number({ description: 'In the canonical unit: mm, mm², mm³, mm⁴, MPa, °C, K, N, N·mm, g, J, m/s' }),
    dimension: vocabulary(AMOUNT_DIMENSIONS, 'Of which kind it is; whoever shows it chooses the unit'),
    digits: Type.Optional(Type.Integer({ minimum: 1, maximum: 6, description: 'Significant digits; absent = 3' })),
    bare: Type.Optional(Type.Literal(true, { description: 'Without its unit, which the next amount names' })),
  },
  'An amount in a sentence',
);
export type Amount = Static<typeof amount>;

export const phrase = record(
  {
    says: Type.String({ description: 'The sentence; {0}, {1} … stand for its values' }),
    values: Type.Array(Type.Union([amount, Type.String()])),
  },
  'A sentence with its amounts as data',
);
export type Phrase = Static<typeof phrase>;

/** What the engine says: a phrase where it holds amounts, else the sentence itself, as in records of before. */
export const statement = Type.Union([Type.String(), phrase], { description: 'One sentence without its full stop' });
export type Statement = Static<typeof statement>;
