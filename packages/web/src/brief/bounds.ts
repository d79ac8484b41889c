import { asks, cantileverArm, heatAsk, lengthMm, loadCase } from '@anvilstone/schema';
import type { Bounds } from '../ui/QuantityField.tsx';

/** Bounds of the brief's numbers, read from the one schema that the server validates with. */
const of = (schema: object): Bounds => schema;
const peak = heatAsk.properties.peak.properties;

export const bounds = {
  length: of(lengthMm('')),
  filletRadius: of(cantileverArm.properties.filletRadiusMm),
  force: of(loadCase.properties.forceN),
  duration: of(loadCase.properties.durationH),
  temperature: of(loadCase.properties.temperatureC),
  safetyFactor: of(loadCase.properties.safetyFactor),
  movement: of(loadCase.properties.maxSagMm),
  mass: of(asks.properties.maxMassG),
  cost: of(asks.properties.maxCostUsd),
  peakDuration: of(peak.durationH),
};
