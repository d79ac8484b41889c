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
  torque: {
    units: [
      { names: ['N·mm', 'N mm', 'Nmm', 'N-mm'], factor: 1 },
      { names: ['N·m', 'N m', 'Nm', 'N-m'], factor: 1000 },
      { names: ['in·lbf', 'in-lbf', 'in·lb', 'in-lb', 'lbf·in', 'lb-in'], factor: POUND_FORCE_N * 25.4 },
      { names: ['ft·lbf', 'ft-lbf', 'ft·lb', 'ft-lb', 'lbf·ft', 'lb-ft'], factor: POUND_FORCE_N * 304.8 },
    ],
    metric: 'N·mm',
    inchPound: 'in·lbf',
  },
  energy: {
    units: [
      { names: ['J', 'joule', 'joules', 'N·m', 'Nm'], factor: 1 },
      { names: ['mJ'], factor: 0.001 },
      { names: ['kJ'], factor: 1000 },
      { names: ['ft·lbf', 'ft-lbf', 'ft·lb', 'ft-lb'], factor: POUND_FORCE_N * 0.3048 },
      { names: ['in·lbf', 'in-lbf', 'in·lb', 'in-lb'], factor: POUND_FORCE_N * 0.0254 },
    ],
    metric: 'J',
    inchPound: 'ft·lbf',
  },
  angle: {
    units: [
      { names: ['°', 'deg', 'degrees', 'degree'], factor: 1 },
      { names: ['rad'], factor: 180 / Math.PI },
      { names: ['turn', 'turns'], factor: 360 },
    ],
    metric: '°',
    inchPound: '°',
  },
  area: {
    units: [
      { names: ['mm²', 'mm2'], factor: 1 },
      { names: ['cm²', 'cm2'], factor: 100 },
      { names: ['in²', 'in2'], factor: 25.4 * 25.4 },
    ],
    metric: 'mm²',
    inchPound: 'in²',
  },
  volume: {
    units: [
      { names: ['mm³', 'mm3'], factor: 1 },
      { names: ['cm³', 'cm3', 'ml', 'cc'], factor: 1000 },
      { names: ['in³', 'in3'], factor: 25.4 ** 3 },
    ],
    metric: 'mm³',
    inchPound: 'in³',
  },
  secondMoment: {
    units: [
      { names: ['mm⁴', 'mm4'], factor: 1 },
      { names: ['cm⁴', 'cm4'], factor: 10000 },
      { names: ['in⁴', 'in4'], factor: 25.4 ** 4 },
    ],
    metric: 'mm⁴',
    inchPound: 'in⁴',
  },
  speed: {
    units: [
      { names: ['m/s'], factor: 1 },
      { names: ['mm/s'], factor: 0.001 },
      { names: ['m/min'], factor: 1 / 60 },
      { names: ['ft/min', 'fpm'], factor: 0.3048 / 60 },
      { names: ['in/s'], factor: 0.0254 },
    ],
    metric: 'm/s',
    inchPound: 'ft/min',
  },
  stress: {
    units: [
      { names: ['MPa', 'N/mm²', 'N/mm2', 'MN/m²'], factor: 1 },
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
  temperatureDifference: {
    units: [
      { names: ['K', '°C'], factor: 1 },
      { names: ['°F'], factor: 5 / 9 },
    ],
    metric: 'K',
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
  shortTime: {
    units: [
      { names: ['s', 'sec', 'second', 'seconds'], factor: 1 },
      { names: ['ms'], factor: 0.001 },
      { names: ['min', 'minute', 'minutes'], factor: 60 },
      { names: ['h', 'hour', 'hours'], factor: 3600 },
    ],
    metric: 's',
    inchPound: 's',
  },
  density: {
    units: [
      { names: ['g/cm³', 'g/cm3', 'g/cc', 'g/ml', 'kg/dm³', 'kg/l'], factor: 1 },
      { names: ['kg/m³', 'kg/m3', 'g/l', 'g/L'], factor: 0.001 },
      { names: ['lb/in³', 'lb/in3'], factor: 27.6799047 },
    ],
    metric: 'g/cm³',
    inchPound: 'lb/in³',
  },
  impact: {
    units: [
      { names: ['kJ/m²', 'kJ/m2', 'mJ/mm²', 'mJ/mm2'], factor: 1 },
      { names: ['J/cm²', 'J/cm2'], factor: 10 },
      { names: ['J/m²', 'J/m2'], factor: 0.001 },
      // 1 ft·lbf = 1.3558179483 J (NIST SP 811)
      { names: ['ft·lbf/in²', 'ft-lb/in²', 'ft-lb/in2', 'ft·lb/in²', 'ft-lbf/in2'], factor: 1.3558179483 / 0.64516 },
    ],
    metric: 'kJ/m²',
    inchPound: 'ft·lbf/in²',
  },
  // Izod by ASTM D256: energy per specimen thickness. It is another quantity than kJ/m² until the ligament is known.
  impactPerThickness: {
    units: [
      { names: ['J/m'], factor: 1 },
      { names: ['J/cm'], factor: 100 },
      { names: ['kJ/m'], factor: 1000 },
      { names: ['ft·lbf/in', 'ft-lb/in', 'ft-lbs/in', 'ft·lb/in', 'ft-lbf/in'], factor: 1.3558179483 / 0.0254 },
    ],
    metric: 'J/m',
    inchPound: 'ft·lbf/in',
  },
  thermalExpansion: {
    units: [
      { names: ['µm/m·K', 'µm/(m·K)', 'um/m-K', 'µm/m/K', 'ppm/K', 'ppm/°C', '10⁻⁶/K', '1e-6/K', 'e-6/K'], factor: 1 },
      { names: ['1/K', 'K⁻¹', 'K-1', '1/°C', 'mm/mm/K', 'm/m/K'], factor: 1e6 },
      { names: ['1e-5/K', '10⁻⁵/K', '10^-5/K'], factor: 10 },
      { names: ['µin/in·°F', 'µin/(in·°F)', 'uin/in-F', 'ppm/°F'], factor: 1.8 },
      { names: ['1/°F', 'in/in/°F'], factor: 1.8e6 },
    ],
    metric: 'µm/m·K',
    inchPound: 'µin/in·°F',
  },
  conductivity: {
    units: [
      { names: ['W/m·K', 'W/(m·K)', 'W/mK', 'W/m-K', 'W/m/K'], factor: 1 },
      { names: ['Btu·in/(h·ft²·°F)', 'Btu-in/hr-ft2-F'], factor: 0.144227889 },
    ],
    metric: 'W/m·K',
    inchPound: 'Btu·in/(h·ft²·°F)',
  },
  specificHeat: {
    units: [
      { names: ['J/g·K', 'J/(g·K)', 'J/gK', 'kJ/kg·K', 'kJ/(kg·K)', 'kJ/kgK'], factor: 1 },
      { names: ['J/kg·K', 'J/(kg·K)', 'J/kgK'], factor: 0.001 },
      { names: ['Btu/lb·°F', 'cal/g·°C'], factor: 4.1868 },
    ],
    metric: 'J/g·K',
    inchPound: 'Btu/lb·°F',
  },
  meltFlow: {
    units: [{ names: ['g/10 min', 'g/10min', 'g/10 minutes', 'dg/min'], factor: 1 }],
    metric: 'g/10 min',
    inchPound: 'g/10 min',
  },
  meltVolume: {
    units: [{ names: ['cm³/10 min', 'cm³/10min', 'cm3/10min', 'cm3/10 min', 'cc/10min', 'ml/10min'], factor: 1 }],
    metric: 'cm³/10 min',
    inchPound: 'cm³/10 min',
  },
  resistance: {
    units: [
      { names: ['Ω', 'ohm', 'ohms', 'Ω/sq', 'ohm/sq', 'Ω/□'], factor: 1 },
      { names: ['kΩ', 'kohm'], factor: 1e3 },
      { names: ['MΩ', 'Mohm'], factor: 1e6 },
      { names: ['GΩ', 'Gohm'], factor: 1e9 },
      { names: ['TΩ', 'Tohm'], factor: 1e12 },
    ],
    metric: 'Ω',
    inchPound: 'Ω',
  },
  resistivity: {
    units: [
      { names: ['Ω·m', 'ohm·m', 'ohm-m', 'Ω m', 'ohm.m', 'ohm m'], factor: 1 },
      { names: ['Ω·cm', 'ohm·cm', 'ohm-cm', 'Ω cm', 'ohm.cm', 'ohm cm'], factor: 0.01 },
    ],
    metric: 'Ω·m',
    inchPound: 'Ω·cm',
  },
  fieldStrength: {
    units: [
      { names: ['kV/mm', 'MV/m'], factor: 1 },
      { names: ['kV/cm'], factor: 0.1 },
      { names: ['V/mil'], factor: 1 / 25.4 },
    ],
    metric: 'kV/mm',
    inchPound: 'V/mil',
  },
  voltage: {
    units: [
      { names: ['V', 'volt', 'volts'], factor: 1 },
      { names: ['kV'], factor: 1000 },
    ],
    metric: 'V',
    inchPound: 'V',
  },
  hardness: { units: [{ names: ['Shore', '-'], factor: 1 }], metric: 'Shore', inchPound: 'Shore' },
  wearRate: {
    units: [
      { names: ['mm³/MN·m', '1e-6 mm³/N·m', '1e-6 mm³/(N·m)', '10⁻⁶ mm³/N·m', '1e-6 mm3/Nm'], factor: 1 },
      { names: ['mm³/N·m', 'mm³/(N·m)', 'mm3/Nm', 'mm3/N-m'], factor: 1e6 },
    ],
    metric: 'mm³/MN·m',
    inchPound: 'mm³/MN·m',
  },
  pressureVelocity: {
    units: [
      { names: ['MPa·m/s', 'MPa*m/s', 'N/mm²·m/s'], factor: 1 },
      { names: ['psi·ft/min', 'psi*fpm', 'psi·fpm'], factor: (PSI_MPA * 0.3048) / 60 },
    ],
    metric: 'MPa·m/s',
    inchPound: 'psi·ft/min',
  },
  count: { units: [{ names: ['cycles', '-'], factor: 1 }], metric: 'cycles', inchPound: 'cycles' },
  price: {
    units: [
      { names: ['USD/kg', '$/kg'], factor: 1 },
      { names: ['USD/lb', '$/lb'], factor: 1000 / POUND_G },
    ],
    metric: 'USD/kg',
    inchPound: 'USD/lb',
  },
  fraction: {
    units: [
      { names: ['%', 'percent'], factor: 1 },
      { names: ['1', 'mm/mm', 'fraction'], factor: 100 },
      { names: ['‰'], factor: 0.1 },
    ],
    metric: '%',
    inchPound: '%',
  },
  money: { units: [{ names: ['USD', '$', 'usd'], factor: 1 }], metric: 'USD', inchPound: 'USD' },
  rate: {
    units: [
      { names: ['/h', 'per hour', 'per h'], factor: 1 },
      { names: ['/min', 'per minute', 'per min'], factor: 60 },
      { names: ['Hz', '/s', 'per second'], factor: 3600 },
      { names: ['/day', '/d', 'per day'], factor: 1 / 24 },
      { names: ['/week', 'per week'], factor: 1 / 168 },
      { names: ['/month', 'per month'], factor: 1 / 730.5 },
      { names: ['/year', '/a', 'per year'], factor: 1 / 8766 },
    ],
    metric: '/h',
    inchPound: '/h',
  },
  ratio: { units: [{ names: ['×', 'x', '-', '1'], factor: 1 }], metric: '', inchPound: '' },
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
