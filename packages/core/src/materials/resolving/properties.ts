import type { PropertyId } from '@anvilstone/schema';
import type { Dimension } from '@anvilstone/core/foundations';
import type { Condition } from './conditions.ts';

/** Which knock-downs and carrying factors apply: see adjustToCondition.ts. */
export type PropertyKind = 'strength' | 'modulus' | 'elongation' | 'impact' | 'other';

export const PROPERTY_GROUPS = [
  'Mechanical',
  'Impact and hardness',
  'Friction and wear',
  'Heat',
  'Melt and shrinkage',
  'Water',
  'Electrical',
  'Fire',
  'Weather, light, chemicals',
] as const;
export type PropertyGroup = (typeof PROPERTY_GROUPS)[number];

export interface PropertyDefinition {
  title: string;
  group: PropertyGroup;
  dimension: Dimension;
  kind: PropertyKind;
  /** Differs with build orientation. */
  directional: boolean;
  /** Must be the same, and stated, before two values may be compared. */
  conditions: readonly Condition[];
  /** No filament is outside of this, canonical unit: a value that is has another unit, or a slip of the pen. */
  physical: readonly [least: number, most: number];
  /** The choices, best first, where the result is a class and not a number. */
  classes?: readonly string[];
  /** Words that may stand in place of a number, such as “no break”. */
  wording?: readonly string[];
  /** Spread over decades: differences are ratios, not percentages. */
  logarithmic?: true;
  means: string;
}

const TEST_PIECE = ['specimen', 'orientation', 'conditioning', 'temperatureC'] as const;
const define = (
  group: PropertyGroup,
  title: string,
  dimension: Dimension,
  physical: readonly [number, number],
  means: string,
  rest: Partial<PropertyDefinition> = {},
): PropertyDefinition => ({
  group,
  title,
  dimension,
  physical,
  means,
  kind: 'other',
  directional: false,
  conditions: [],
  ...rest,
});
const strength = { kind: 'strength', directional: true, conditions: TEST_PIECE } as const;
const modulus = { kind: 'modulus', directional: true, conditions: TEST_PIECE } as const;
const elongation = { kind: 'elongation', directional: true, conditions: TEST_PIECE } as const;
const impact = { kind: 'impact', directional: true, wording: ['no break'] } as const;

/** Every property that can be observed, by id. Canonical units follow from the dimension. */
export const PROPERTY_DEFINITIONS: Record<PropertyId, PropertyDefinition> = {
  density: define('Mechanical', 'Density', 'density', [0.2, 9], 'Mass per volume of the solid printed material.'),
  tensileModulus: define(
    'Mechanical',
    'Tensile modulus',
    'stress',
    [1, 100000],
    'Stiffness in a pull, at small strain.',
    modulus,
  ),
  tensileStrength: define(
    'Mechanical',
    'Tensile strength',
    'stress',
    [1, 1000],
    'Largest stress in a slow pull, at yield or at break, whichever is larger.',
    strength,
  ),
  yieldStrength: define(
    'Mechanical',
    'Tensile stress at yield',
    'stress',
    [1, 500],
    'Stress at which the curve first turns; not the same as the stress at break.',
    strength,
  ),
  elongationYield: define('Mechanical', 'Elongation at yield', 'fraction', [0.1, 100], 'Strain at yield.', elongation),
  elongationBreak: define(
    'Mechanical',
    'Elongation at break',
    'fraction',
    [0.1, 1500],
    'Strain at which a slow pull ends.',
    elongation,
  ),
  flexuralModulus: define(
    'Mechanical',
    'Flexural modulus',
    'stress',
    [1, 100000],
    'Stiffness in three-point bending.',
    modulus,
  ),
  flexuralStrength: define(
    'Mechanical',
    'Flexural strength',
    'stress',
    [1, 1500],
    'Largest edge stress in three-point bending; 1.2 to 1.8 times the tensile strength.',
    strength,
  ),
  compressiveModulus: define(
    'Mechanical',
    'Compressive modulus',
    'stress',
    [1, 100000],
    'Stiffness when squeezed.',
    modulus,
  ),
  compressiveStrength: define(
    'Mechanical',
    'Compressive strength',
    'stress',
    [1, 1000],
    'Largest stress, or yield, when squeezed.',
    strength,
  ),
  shearModulus: define(
    'Mechanical',
    'Shear modulus',
    'stress',
    [0.3, 40000],
    'Stiffness in shear of the printed body.',
    { ...modulus, directional: false, conditions: ['specimen', 'conditioning', 'temperatureC'] },
  ),
  layerShearStrength: define(
    'Mechanical',
    'Layer shear strength',
    'stress',
    [0.5, 500],
    'Shear stress at which layers slide apart.',
    { kind: 'strength', conditions: ['specimen', 'conditioning', 'temperatureC'] },
  ),
  poissonRatio: define(
    'Mechanical',
    'Poisson ratio',
    'ratio',
    [0.05, 0.5],
    'Sideways strain over pulling strain, in the layer plane.',
  ),
  creepModulus: define(
    'Mechanical',
    'Creep modulus',
    'stress',
    [0.5, 100000],
    'Stress over strain after a time under constant load.',
    { directional: true, conditions: [...TEST_PIECE, 'durationH', 'creepStressMPa'] },
  ),
  fatigueStrength: define(
    'Mechanical',
    'Fatigue strength (amplitude)',
    'stress',
    [0.2, 500],
    'Stress amplitude that half of the specimens survive for the stated cycles.',
    { directional: true, conditions: [...TEST_PIECE, 'cycles', 'stressRatio'] },
  ),
  hardnessShoreA: define(
    'Impact and hardness',
    'Hardness, Shore A',
    'hardness',
    [5, 100],
    'Needle hardness of soft materials.',
  ),
  hardnessShoreD: define(
    'Impact and hardness',
    'Hardness, Shore D',
    'hardness',
    [5, 100],
    'Needle hardness of hard materials; it does not convert from Shore A.',
  ),
  charpyNotched: define(
    'Impact and hardness',
    'Charpy impact, notched',
    'impact',
    [0.2, 250],
    'Energy to break a supported, notched bar, over the area behind the notch.',
    { ...impact, conditions: [...TEST_PIECE, 'notchRadiusMm'] },
  ),
  charpyUnnotched: define(
    'Impact and hardness',
    'Charpy impact, unnotched',
    'impact',
    [0.5, 500],
    'Energy to break a supported plain bar, over its area.',
    { ...impact, conditions: TEST_PIECE },
  ),
  izodNotched: define(
    'Impact and hardness',
    'Izod impact, notched',
    'impact',
    [0.2, 250],
    'Energy to break a clamped, notched bar. Not a Charpy value, and J/m is not kJ/m².',
    { ...impact, conditions: [...TEST_PIECE, 'notchRadiusMm'] },
  ),
  izodUnnotched: define(
    'Impact and hardness',
    'Izod impact, unnotched',
    'impact',
    [0.5, 500],
    'Energy to break a clamped plain bar, over its area.',
    { ...impact, conditions: TEST_PIECE },
  ),
  rebound: define(
    'Impact and hardness',
    'Rebound resilience',
    'fraction',
    [1, 95],
    'Height that a ball comes back to, over the height it fell from: the energy that is given back.',
    { conditions: ['temperatureC'] },
  ),
  brittlenessTemperature: define(
    'Impact and hardness',
    'Brittle below',
    'temperature',
    [-120, 150],
    'Below this a struck part breaks without yielding.',
    { conditions: ['specimen'] },
  ),
  frictionVsSteel: define(
    'Friction and wear',
    'Friction on steel, dry',
    'ratio',
    [0.02, 1.5],
    'Sliding friction on smooth dry steel.',
  ),
  wearRate: define(
    'Friction and wear',
    'Wear rate on steel',
    'wearRate',
    [0.01, 1e6],
    'Volume worn off per force and sliding distance.',
    { logarithmic: true },
  ),
  pvLimit: define(
    'Friction and wear',
    'Pressure × velocity limit, dry',
    'pressureVelocity',
    [1e-4, 100],
    'Contact pressure times sliding speed that it bears dry against steel, before it melts or wears away.',
    { logarithmic: true },
  ),
  heatDeflectionTemperature: define(
    'Heat',
    'Heat deflection temperature (HDT)',
    'temperature',
    [20, 350],
    'Temperature at which a bar under the stated stress has bent by a set amount. It says nothing without that stress.',
    { conditions: ['hdtStressMPa', 'specimen'] },
  ),
  vicatSoftening: define(
    'Heat',
    'Vicat softening',
    'temperature',
    [20, 400],
    'Temperature at which a loaded needle sinks in 1 mm.',
    { conditions: ['vicatLoadN', 'specimen'] },
  ),
  glassTransition: define(
    'Heat',
    'Glass transition',
    'temperature',
    [-120, 300],
    'Where the glassy part of the polymer lets go.',
  ),
  melting: define(
    'Heat',
    'Melting point',
    'temperature',
    [60, 400],
    'Peak of crystal melting; an amorphous polymer has none.',
  ),
  continuousService: define(
    'Heat',
    'Continuous service (ageing)',
    'temperature',
    [20, 300],
    'Long-term limit by ageing in air under light load; no promise of stiffness.',
  ),
  thermalExpansion: define(
    'Heat',
    'Thermal expansion',
    'thermalExpansion',
    [1, 400],
    'Growth in length per kelvin, in the layer plane unless stated.',
    { directional: true, conditions: ['orientation'] },
  ),
  thermalConductivity: define(
    'Heat',
    'Thermal conductivity',
    'conductivity',
    [0.02, 30],
    'Heat carried through the solid.',
  ),
  specificHeat: define('Heat', 'Specific heat', 'specificHeat', [0.4, 4], 'Heat stored per mass and kelvin.'),
  meltFlowRate: define(
    'Melt and shrinkage',
    'Melt flow rate',
    'meltFlow',
    [0.05, 300],
    'Mass through a standard die in ten minutes, at the stated temperature and load.',
    { conditions: ['meltFlowTemperatureC', 'meltFlowMassKg'] },
  ),
  meltVolumeRate: define(
    'Melt and shrinkage',
    'Melt volume rate',
    'meltVolume',
    [0.05, 400],
    'Volume through a standard die in ten minutes, at the stated temperature and load.',
    { conditions: ['meltFlowTemperatureC', 'meltFlowMassKg'] },
  ),
  meltDensity: define(
    'Melt and shrinkage',
    'Melt density',
    'density',
    [0.3, 9],
    'Density of the melt at printing temperature.',
  ),
  printShrink: define(
    'Melt and shrinkage',
    'Print shrinkage',
    'fraction',
    [0.005, 8],
    'Linear, in plane, from the nominal size.',
    { conditions: ['specimen'] },
  ),
  waterSaturation: define(
    'Water',
    'Water uptake, saturated',
    'fraction',
    [0, 20],
    'Mass gained in 23 °C water at saturation.',
  ),
  waterAt50Rh: define(
    'Water',
    'Water uptake, 50 % RH',
    'fraction',
    [0, 10],
    'Mass gained at equilibrium in 23 °C, 50 % humidity.',
  ),
  swellingSaturation: define('Water', 'Swelling, saturated', 'fraction', [0, 8], 'Linear growth at saturation.'),
  sorptionHalfTime: define(
    'Water',
    'Half time of uptake, 2 mm',
    'time',
    [0.1, 20000],
    'Time for a 2 mm wall, both faces open, to take up half of its water.',
  ),
  surfaceResistivity: define(
    'Electrical',
    'Surface resistivity',
    'resistance',
    [1e-2, 1e19],
    'Resistance of a square of surface.',
    { logarithmic: true, conditions: ['specimen', 'resistivityVoltageV', 'relativeHumidityPct'] },
  ),
  volumeResistivity: define(
    'Electrical',
    'Volume resistivity',
    'resistivity',
    [1e-5, 1e18],
    'Resistance through the body.',
    { logarithmic: true, conditions: ['specimen', 'resistivityVoltageV', 'relativeHumidityPct'] },
  ),
  dielectricStrength: define(
    'Electrical',
    'Dielectric strength',
    'fieldStrength',
    [0.5, 300],
    'Field at which a plate is punched through; higher for thinner plates.',
    { conditions: ['specimen', 'thicknessMm'] },
  ),
  relativePermittivity: define('Electrical', 'Relative permittivity', 'ratio', [1, 100], 'Capacity compared with air.'),
  trackingIndex: define(
    'Electrical',
    'Comparative tracking index',
    'voltage',
    [50, 700],
    'Voltage that wet, dirty surface stands without a burnt track.',
  ),
  flameClass: define(
    'Fire',
    'Flame class',
    'ratio',
    [0, 0],
    'Class of the tested grade at the tested thickness and colour; never of a printed part.',
    { classes: ['5VA', '5VB', 'V-0', 'V-1', 'V-2', 'HB', 'not rated'], conditions: ['thicknessMm', 'specimen'] },
  ),
  oxygenIndex: define('Fire', 'Oxygen index', 'fraction', [14, 100], 'Least share of oxygen in which it burns on.'),
  glowWire: define(
    'Fire',
    'Glow-wire ignition',
    'temperature',
    [300, 1000],
    'Hottest wire that does not set it alight.',
    { conditions: ['thicknessMm', 'specimen'] },
  ),
  weatheringRetention: define(
    'Weather, light, chemicals',
    'Strength left after weathering',
    'fraction',
    [0.5, 130],
    'Share of the strength left after the stated hours of accelerated weathering.',
    { conditions: ['durationH', 'specimen'] },
  ),
  lightTransmission: define(
    'Weather, light, chemicals',
    'Light transmission',
    'fraction',
    [0.1, 100],
    'Light through a plate of the stated thickness.',
    { conditions: ['thicknessMm', 'specimen'] },
  ),
  chemicalResistance: define(
    'Weather, light, chemicals',
    'Chemical resistance',
    'ratio',
    [0, 0],
    'Rating in the stated fluid, temperature and time.',
    { classes: ['resistant', 'limited', 'unsuitable'], conditions: ['agentId', 'temperatureC', 'durationH'] },
  ),
};

/** Of a property, whether its result is a class. */
export const isClass = (property: PropertyId) => PROPERTY_DEFINITIONS[property].classes !== undefined;
