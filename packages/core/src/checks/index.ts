import { overLoadCases } from './caseCheck.ts';
import { caseChecks } from './caseChecks.ts';
import type { Check } from './check.ts';
import { contactTemperature } from './contactTemperature.ts';
import { fibreLaid } from './fibreChecks.ts';
import { failureManner } from './failureManner.ts';
import { overFeatures } from './features/overFeatures.ts';
import { heatPeak, heatSteady } from './heatChecks.ts';
import { keepsShape } from './keepsShape.ts';
import { costLimit, massLimit } from './limits.ts';
import { printable } from './printable.ts';
import { friction, pressureVelocity, wear } from './sliding.ts';
import { surroundingChecks } from './surroundings/index.ts';
import { thermalFit } from './thermalFit.ts';
import { movementInRange, usualMovement } from './usualMovement.ts';
import { coldEmbrittlement } from './toughness.ts';

/** Every check, in the order shown. The next one is one module and one line here. */
export const checks: readonly Check[] = [
  ...[...caseChecks.map(overLoadCases), movementInRange, usualMovement].map(overFeatures),
  coldEmbrittlement,
  ...[heatSteady, heatPeak, keepsShape, contactTemperature].map(overFeatures),
  thermalFit,
  ...[pressureVelocity, friction, wear, failureManner].map(overFeatures),
  ...surroundingChecks,
  massLimit,
  costLimit,
  fibreLaid,
  printable,
];

const byId = new Map(checks.map((check) => [check.id, check]));

/** Undefined when there is no check of that id, for example one of a newer version. */
export function findCheck(id: string): Check | undefined {
  return byId.get(id);
}

export { knockForceN } from './action.ts';
export type { Check, CheckContext, CheckOutcome, PreparedLoad, PreparedPart } from './check.ts';
export { temperatureReserve } from './temperatureReserve.ts';
export { BRITTLE_RISE_K, toughReserve } from './toughness.ts';
export { growthDifferenceMm, OTHER_EXPANSION } from './thermalFit.ts';
export { hotLoads } from './heatAsks.ts';
export { ownHeatLimit } from './ownHeatLimit.ts';
export { lowestHeatLimit } from './features/overFeatures.ts';
export { fluidVerdict, soakTest, type FluidVerdict } from './surroundings/fluidVerdict.ts';
export { claimText } from './surroundings/claims.ts';
export { shareLeft } from './surroundings/weathering.ts';
