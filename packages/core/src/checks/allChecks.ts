import { overLoadCases } from './engine/caseCheck.ts';
import { caseChecks } from './engine/caseChecks.ts';
import type { Check } from './engine/check.ts';
import { contactTemperature } from './heat/contactTemperature.ts';
import { fibreLaid } from './strength/fibreChecks.ts';
import { failureManner } from './engine/failureManner.ts';
import { overFeatures } from './engine/features/overFeatures.ts';
import { heatPeak, heatSteady } from './heat/heatChecks.ts';
import { keepsShape } from './heat/keepsShape.ts';
import { costLimit, massLimit } from './engine/limits.ts';
import { printable } from './printable.ts';
import { friction, pressureVelocity, wear } from './strength/sliding.ts';
import { surroundingChecks } from './surroundings/index.ts';
import { thermalFit } from './heat/thermalFit.ts';
import { movementInRange, usualMovement } from './movement/usualMovement.ts';
import { coldEmbrittlement } from './impact/toughness.ts';

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

let byId = new Map<string, Check>();

/** Undefined when there is no check of that id, for example one of a newer version. */
export function findCheck(id: string): Check | undefined {
  if (byId.size !== checks.length) byId = new Map(checks.map((check) => [check.id, check]));
  return byId.get(id);
}
