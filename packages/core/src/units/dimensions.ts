/** One unit: canonical = value × factor + offset. `names` are what may be typed; the first is how it is shown. */
export interface Unit {
  readonly names: readonly [string, ...string[]];
  readonly factor: number;
  readonly offset?: number;
}

export interface DimensionDefinition {
  /** The unit the computation works in: the first of `units`. */
  readonly units: readonly [Unit, ...Unit[]];
  readonly metric: string;
  readonly inchPound: string;
}

// Exact by definition: 1 in = 25.4 mm, 1 lb = 453.59237 g, standard gravity 9.80665 m/s² (NIST SP 811).
const POUND_FORCE_N = 4.4482216152605;
const PSI_MPA = POUND_FORCE_N / (25.4 * 25.4);
const POUND_G = 453.59237;

export const DIMENSIONS = {
  length: {
    units: [
      { names: ['mm', 'millimetre', 'millimeter'], factor: 1 },
      { names: ['cm'], factor: 10 },
      { names: ['m'], factor: 1000 },
      { names: ['µm', 'um'], factor: 0.001 },
      { names: ['in', '"', '″', 'inch', 'inches'], factor: 25.4 },
      { names: ['ft', 'foot', 'feet'], factor: 304.8 },
      { names: ['mil', 'thou'], factor: 0.0254 },
    ],
    metric: 'mm',
    inchPound: 'in',
  },
  force: {
    units: [
      { names: ['N', 'newton', 'newtons'], factor: 1 },
      { names: ['kN'], factor: 1000 },
      { names: ['lbf', 'lb', 'lbs'], factor: POUND_FORCE_N },
      { names: ['kgf', 'kp', 'kg'], factor: 9.80665 },
      { names: ['gf'], factor: 0.00980665 },
      { names: ['ozf'], factor: POUND_FORCE_N / 16 },
    ],
    metric: 'N',
    inchPound: 'lbf',
  },
  stress: {
    units: [
      { names: ['MPa', 'N/mm²', 'N/mm2'], factor: 1 },
      { names: ['GPa'], factor: 1000 },
      { names: ['kPa'], factor: 0.001 },
      { names: ['bar'], factor: 0.1 },
      { names: ['psi'], factor: PSI_MPA },
      { names: ['ksi'], factor: 1000 * PSI_MPA },
      { names: ['Msi'], factor: 1e6 * PSI_MPA },
    ],
    metric: 'MPa',
    inchPound: 'psi',
  },
  temperature: {
    units: [
      { names: ['°C', 'C', 'degC', 'celsius'], factor: 1 },
      { names: ['°F', 'F', 'degF', 'fahrenheit'], factor: 5 / 9, offset: (-32 * 5) / 9 },
      { names: ['K', 'kelvin'], factor: 1, offset: -273.15 },
    ],
    metric: '°C',
    inchPound: '°F',
  },
  mass: {
    units: [
      { names: ['g', 'gram', 'grams'], factor: 1 },
      { names: ['kg'], factor: 1000 },
      { names: ['oz', 'ounce', 'ounces'], factor: POUND_G / 16 },
      { names: ['lb', 'lbs', 'pound', 'pounds'], factor: POUND_G },
    ],
    metric: 'g',
    inchPound: 'oz',
  },
  time: {
    units: [
      { names: ['h', 'hour', 'hours', 'hr'], factor: 1 },
      { names: ['min', 'minute', 'minutes'], factor: 1 / 60 },
      { names: ['s', 'sec', 'second', 'seconds'], factor: 1 / 3600 },
      { names: ['d', 'day', 'days'], factor: 24 },
      { names: ['week', 'weeks', 'wk'], factor: 168 },
      { names: ['month', 'months'], factor: 730.5 },
      { names: ['year', 'years', 'yr', 'a'], factor: 8766 },
    ],
    metric: 'h',
    inchPound: 'h',
  },
  density: {
    units: [
      { names: ['g/cm³', 'g/cm3', 'g/cc'], factor: 1 },
      { names: ['kg/m³', 'kg/m3'], factor: 0.001 },
      { names: ['lb/in³', 'lb/in3'], factor: 27.6799047 },
    ],
    metric: 'g/cm³',
    inchPound: 'lb/in³',
  },
  impact: { units: [{ names: ['kJ/m²', 'kJ/m2'], factor: 1 }], metric: 'kJ/m²', inchPound: 'kJ/m²' },
  fraction: {
    units: [
      { names: ['%', 'percent'], factor: 1 },
      { names: ['1', 'mm/mm'], factor: 100 },
    ],
    metric: '%',
    inchPound: '%',
  },
  money: { units: [{ names: ['USD', '$', 'usd'], factor: 1 }], metric: 'USD', inchPound: 'USD' },
  ratio: { units: [{ names: ['×', 'x'], factor: 1 }], metric: '', inchPound: '' },
} satisfies Record<string, DimensionDefinition>;

export type Dimension = keyof typeof DIMENSIONS;
export type UnitSystem = 'metric' | 'inchPound';

export function definitionOf(dimension: Dimension): DimensionDefinition {
  return DIMENSIONS[dimension];
}

/** The unit of that name in a dimension, exact spelling first, then without regard to case. Undefined: no such unit. */
export function findUnit(dimension: Dimension, name: string): Unit | undefined {
  const { units } = definitionOf(dimension);
  const lower = name.toLowerCase();
  return (
    units.find((unit) => unit.names.includes(name)) ??
    units.find((unit) => unit.names.some((known) => known.toLowerCase() === lower))
  );
}
