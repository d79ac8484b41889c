import type { Observation, testParameters } from '@anvilstone/schema';
import type { Dimension } from '@anvilstone/core/foundations';

export type TestParameter = keyof typeof testParameters;
/** Whatever must be the same before two observations may be compared. */
export type Condition = 'specimen' | 'crystallinity' | 'orientation' | 'conditioning' | 'temperatureC' | TestParameter;

export interface ParameterDefinition {
  title: string;
  /** In the unit the field's name carries; null: not a number. */
  dimension: Dimension | null;
  unit: string;
}

/** The parameters of the tests, with the unit each field is kept in. */
export const TEST_PARAMETERS: Record<TestParameter, ParameterDefinition> = {
  hdtStressMPa: { title: 'Bending stress', dimension: 'stress', unit: 'MPa' },
  meltFlowTemperatureC: { title: 'Melt temperature', dimension: 'temperature', unit: '°C' },
  meltFlowMassKg: { title: 'Melt load', dimension: 'mass', unit: 'kg' },
  thicknessMm: { title: 'Specimen thickness', dimension: 'length', unit: 'mm' },
  notchRadiusMm: { title: 'Notch radius', dimension: 'length', unit: 'mm' },
  ligamentMm: { title: 'Depth left under the notch', dimension: 'length', unit: 'mm' },
  vicatLoadN: { title: 'Needle load', dimension: 'force', unit: 'N' },
  resistivityVoltageV: { title: 'Test voltage', dimension: 'voltage', unit: 'V' },
  relativeHumidityPct: { title: 'Relative humidity', dimension: 'fraction', unit: '%' },
  durationH: { title: 'Duration', dimension: 'time', unit: 'h' },
  creepStressMPa: { title: 'Constant stress', dimension: 'stress', unit: 'MPa' },
  cycles: { title: 'Load cycles', dimension: 'count', unit: 'cycles' },
  stressRatio: { title: 'Stress ratio', dimension: 'ratio', unit: '' },
  agentId: { title: 'Chemical', dimension: null, unit: '' },
};

export const CONDITION_TITLES: Record<Condition, string> = {
  specimen: 'Specimen',
  crystallinity: 'Crystallinity',
  orientation: 'Build orientation',
  conditioning: 'Moisture state',
  temperatureC: 'Test temperature',
  ...(Object.fromEntries(Object.entries(TEST_PARAMETERS).map(([id, { title }]) => [id, title])) as Record<
    TestParameter,
    string
  >),
};

/** A condition of an observation in words; null: not stated. A temperature that is not stated is room temperature. */
export function conditionText(observation: Observation, condition: Condition): string | null {
  const value = observation[condition];
  if (condition === 'temperatureC') return `${(value as number | undefined) ?? 23} °C`;
  if (value === undefined || value === null) return null;
  if (typeof value === 'string') return value;
  const { unit } = TEST_PARAMETERS[condition as TestParameter];
  return unit === '' ? `${value}` : `${value} ${unit}`;
}
