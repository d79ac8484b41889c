import type { PropertyId } from '@anvilstone/schema';
import type { Dimension } from '../units/dimensions.ts';

export interface PropertyDefinition {
  title: string;
  dimension: Dimension;
  /** Which knock-downs and carrying factors apply. */
  kind: 'strength' | 'modulus' | 'other';
  /** Differs with build orientation. */
  directional: boolean;
}

/** Every property that can be observed, by id. Canonical units follow from the dimension. */
export const PROPERTY_DEFINITIONS: Record<PropertyId, PropertyDefinition> = {
  density: { title: 'Density', dimension: 'density', kind: 'other', directional: false },
  tensileModulus: { title: 'Tensile modulus', dimension: 'stress', kind: 'modulus', directional: true },
  flexuralModulus: { title: 'Flexural modulus', dimension: 'stress', kind: 'modulus', directional: true },
  tensileStrength: { title: 'Tensile strength', dimension: 'stress', kind: 'strength', directional: true },
  flexuralStrength: { title: 'Flexural strength', dimension: 'stress', kind: 'strength', directional: true },
  layerShearStrength: { title: 'Layer shear strength', dimension: 'stress', kind: 'strength', directional: false },
  elongationBreak: { title: 'Elongation at break', dimension: 'fraction', kind: 'other', directional: true },
  charpyNotched: { title: 'Charpy impact, notched', dimension: 'impact', kind: 'other', directional: true },
  izodNotched: { title: 'Izod impact, notched', dimension: 'impact', kind: 'other', directional: true },
  heatDeflectionTemperature: {
    title: 'Heat deflection temperature (HDT)',
    dimension: 'temperature',
    kind: 'other',
    directional: false,
  },
  glassTransition: { title: 'Glass transition', dimension: 'temperature', kind: 'other', directional: false },
  melting: { title: 'Melting point', dimension: 'temperature', kind: 'other', directional: false },
  continuousService: {
    title: 'Continuous service (ageing)',
    dimension: 'temperature',
    kind: 'other',
    directional: false,
  },
};
