import { asks, heatAsk, loadCase, slidingAsk, thermalFitAsk } from '@anvilstone/schema';
import type { Bounds } from '../ui/QuantityField.tsx';

/** Bounds of the brief's numbers, read from the one schema that the server validates with. */
const of = (schema: object): Bounds => schema;
const peak = heatAsk.properties.peak.properties;

export const bounds = {
  temperature: of(loadCase.properties.temperatureC),
  mass: of(asks.properties.maxMassG),
  cost: of(asks.properties.maxCostUsd),
  steadyDuration: of(heatAsk.properties.steadyH),
  peakDuration: of(peak.durationH),
  fitLength: of(thermalFitAsk.properties.lengthMm),
  fitAllowed: of(thermalFitAsk.properties.allowedMm),
  contactPressure: of(slidingAsk.properties.pressureMPa),
  slidingSpeed: of(slidingAsk.properties.speedMPerS),
  friction: of(slidingAsk.properties.maxFriction),
};
