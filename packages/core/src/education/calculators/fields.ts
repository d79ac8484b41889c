import { Type } from '@sinclair/typebox';

const above0 = (description: string) => Type.Number({ exclusiveMinimum: 0, description });

export const forceN = Type.Number({ description: 'Force, N' });
export const spanMm = above0('Span from root to load, mm');
export const modulusMPa = above0('Modulus, MPa');
export const stressMPa = above0('Stress, MPa');
export const durationH = above0('Duration, h');
export const temperatureC = Type.Number({ minimum: -80, maximum: 400, description: 'Temperature, °C' });
export const angleDeg = Type.Number({ minimum: 0, maximum: 90, description: 'Angle to the layer plane, °' });
export const familyId = Type.String({ description: 'Family of the reference data, for example petg' });
export const reinforcementId = Type.Optional(
  Type.String({ description: 'Filler of the reference data, for example carbon-15' }),
);
export const ratio = Type.Number({ description: 'Dimensionless' });
export { above0 };
