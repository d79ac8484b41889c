import {
  asks,
  electrostaticAsk,
  fitAsk,
  fluidContact,
  heatAsk,
  insulationAsk,
  loadCase,
  outdoorsAsk,
  slidingAsk,
  thermalFitAsk,
} from '@anvilstone/schema';
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
  slidingDistance: of(slidingAsk.properties.distanceKm),
  wear: of(slidingAsk.properties.maxWearMm),
  friction: of(slidingAsk.properties.maxFriction),
  fluidHours: of(fluidContact.properties.hours),
  outdoorHours: of(outdoorsAsk.properties.hoursPerYear),
  outdoorYears: of(outdoorsAsk.properties.years),
  outdoorKeep: of(outdoorsAsk.properties.keepPct),
  humidity: of(electrostaticAsk.properties.driestRhPct),
  voltage: of(insulationAsk.properties.voltageV),
  oxygenIndex: of(asks.properties.oxygenIndexPct),
  flameThickness: of(asks.properties.flameThicknessMm),
  smoke: of(asks.properties.smokeAtMost),
  cycles: of(asks.properties.sterilise.properties.cycles),
  days: of(asks.properties.availableWithinDays),
  fitNominal: of(fitAsk.properties.nominalMm),
  fitDeviation: of(fitAsk.properties.allowedMm),
  fitDamp: of(fitAsk.properties.dampH),
  dissolveTime: of(asks.properties.dissolves.properties.withinH),
};
