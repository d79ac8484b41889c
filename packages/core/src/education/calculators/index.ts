import { cantileverDeflection, cantileverStress, sectionProperties } from './beam.ts';
import type { Calculator } from './calculator.ts';
import { contact, fatigue, gent, growth, hinge, knock, snap, tough } from './motion.ts';
import { drift, nineOfTen, weathered, worn } from './surroundings.ts';
import { dryerPlan, spoolWater } from './drying.ts';
import { infillCore, strandLoop, strandsInBar } from './strands.ts';
import { partCalculators } from './partModels.ts';
import { convert, cost, footprint, readQuantity, reserveOfTemperature } from './everyday.ts';
import {
  creep,
  hdtModulus,
  modulusAtTemperature,
  offAxisModulus,
  offAxisStrength,
  strengthFactor,
  timeShift,
  familyValue,
  layerShare,
  moistureRetention,
} from './material.ts';

export type { Calculator } from './calculator.ts';

/** Every formula that can be run by itself. The next one is one module and one line here. */
export const calculators: readonly Calculator[] = [
  sectionProperties,
  cantileverDeflection,
  cantileverStress,
  hdtModulus,
  modulusAtTemperature,
  timeShift,
  creep,
  offAxisStrength,
  offAxisModulus,
  strengthFactor,
  familyValue,
  layerShare,
  moistureRetention,
  snap,
  hinge,
  knock,
  fatigue,
  gent,
  contact,
  growth,
  tough,
  weathered,
  drift,
  worn,
  nineOfTen,
  strandLoop,
  strandsInBar,
  infillCore,
  spoolWater,
  dryerPlan,
  ...partCalculators,
  cost,
  reserveOfTemperature,
  footprint,
  readQuantity,
  convert,
];

export function findCalculator(id: string): Calculator | undefined {
  return calculators.find((one) => one.id === id);
}
