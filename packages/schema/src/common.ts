import { Type, type Static, type TObject, type TProperties, type TUnsafe } from '@sinclair/typebox';

/** A string out of a fixed list, whose order is kept for showing it. */
export function vocabulary<const T extends readonly string[]>(values: T, description: string): TUnsafe<T[number]> {
  return Type.Unsafe<T[number]>({ type: 'string', enum: [...values], description });
}

/**
 * One of several record shapes told apart by a literal field. `oneOf` with a discriminator (not `anyOf`), so that a
 * validator reports what is wrong with the shape that was meant and not with every other shape as well.
 */
export function taggedUnion<T extends TObject[]>(tag: string, branches: [...T], description: string) {
  return Type.Unsafe<Static<T[number]>>({
    type: 'object',
    discriminator: { propertyName: tag },
    oneOf: branches,
    description,
  });
}

/** Objects refuse fields they do not know, so that a misspelt field is an error and never a silent loss. */
export function record<P extends TProperties>(properties: P, description: string, $id?: string) {
  return Type.Object(properties, { additionalProperties: false, description, ...($id ? { $id } : {}) });
}

export const identifier = Type.String({
  pattern: '^[A-Za-z0-9][A-Za-z0-9._-]{0,79}$',
  description: 'Stable key: letters, digits, dot, dash and underscore, at most 80',
});

export const shortText = (description: string) => Type.String({ minLength: 1, maxLength: 200, description });
export const longText = (description: string) => Type.String({ maxLength: 4000, description });

/** Service temperatures the models cover, °C: from liquid-gas cold to above every printed polymer's melting point. */
export const temperatureC = (description: string) => Type.Number({ minimum: -80, maximum: 400, description });

/** A length of a printed part, mm. Above zero; 5 m is longer than any machine or split part. */
export const lengthMm = (description: string) => Type.Number({ exclusiveMinimum: 0, maximum: 5000, description });

export const ORIENTATIONS = ['XY', 'XZ', 'ZX'] as const;
/** How surfaces that slide on each other are run. */
export const running = Type.Optional(vocabulary(['dry', 'greased'] as const, 'It runs; empty = dry'));
export const buildOrientation = vocabulary(
  ORIENTATIONS,
  'Build orientation after ISO/ASTM 52921: XY flat, XZ on edge, ZX upright',
);
export type BuildOrientation = Static<typeof buildOrientation>;
