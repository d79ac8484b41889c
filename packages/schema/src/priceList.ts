import { Type, type Static } from '@sinclair/typebox';
import { identifier, record, shortText, vocabulary } from './common.ts';

export const priceLine = record(
  {
    line: Type.Integer({ minimum: 1, description: 'Where it stands in the list' }),
    article: Type.String({ description: 'Number of the article' }),
    name: Type.String({ description: 'Supplier’s name' }),
    spoolG: Type.Union([Type.Number(), Type.Null()], { description: 'Filament on a spool, g' }),
    spoolUsd: Type.Union([Type.Number(), Type.Null()], { description: 'Price of a spool, USD' }),
    pricePerKgUsd: Type.Union([Type.Number(), Type.Null()], { description: 'USD per kg' }),
    supply: vocabulary(['open', 'closed'] as const, 'Closed: for the machines of its maker'),
    gradeId: Type.Union([identifier, Type.Null()], { description: 'The grade it is; null = none of ours' }),
    gradeRevision: Type.Union([Type.Integer(), Type.Null()]),
    beforeUsd: Type.Union([Type.Number(), Type.Null()], {
      description: 'What the grade costs in the library, USD per kg',
    }),
    problem: Type.Optional(Type.String({ description: 'Why it cannot be used' })),
    doubt: Type.Optional(Type.String({ description: 'Why to look at it before using it' })),
  },
  'A line of a supplier’s list against the library',
);
export type PriceLine = Static<typeof priceLine>;

export const priceListPreview = record(
  { source: shortText('Where it is from'), lines: Type.Array(priceLine) },
  'A supplier’s list held against the library; nothing is changed yet',
  'price-list-preview',
);
export type PriceListPreview = Static<typeof priceListPreview>;

export const priceListText = record(
  { text: Type.String({ minLength: 1, maxLength: 2_000_000, description: 'A list as CSV' }) },
  'A supplier’s list',
  'price-list-text',
);

export const priceTaking = record(
  {
    source: shortText('Where the prices are from'),
    prices: Type.Array(
      record(
        {
          gradeId: identifier,
          gradeRevision: Type.Integer({ minimum: 1 }),
          pricePerKgUsd: Type.Number({ exclusiveMinimum: 0, maximum: 100_000 }),
        },
        'A new price of a grade',
      ),
      { minItems: 1, maxItems: 5000 },
    ),
  },
  'Prices to be taken over, all or none',
  'price-taking',
);
export type PriceTaking = Static<typeof priceTaking>;
