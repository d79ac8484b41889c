import { checks, findCheck } from '@anvilstone/core/checks';
import { dropOnPart, notchedPendulum, pendulum, rebound } from './impact.ts';
import { heatLadder, leaveOut, twist } from './others.ts';
import { conditionIt, rubIt, soak, soakInFluid, surfaceMeter } from './properties.ts';
import { bendBar, breakPart, pullBar } from './strength.ts';
import type { TestMethod } from './testMethod.ts';
import { creepHot, sag48, threeTimes } from './time.ts';

/** Every test method, in the order shown. The next one is one entry of a module and one line here. */
export const testMethods: readonly TestMethod[] = [
  pullBar,
  bendBar,
  breakPart,
  threeTimes,
  sag48,
  creepHot,
  twist,
  notchedPendulum,
  pendulum,
  dropOnPart,
  rebound,
  heatLadder,
  soak,
  soakInFluid,
  conditionIt,
  rubIt,
  surfaceMeter,
  leaveOut,
];

const byId = new Map(testMethods.map((method) => [method.id, method]));
/** Checks on which a result of a method bears, by id. */
export const checksTestedBy = (methodId: string): string[] =>
  checks.filter(({ testedBy }) => testedBy?.includes(methodId)).map(({ id }) => id);

/** Whether a result of a method bears on a check. */
export const bearsOn = (methodId: string, checkId: string): boolean =>
  findCheck(checkId)?.testedBy?.includes(methodId) ?? false;

/** Undefined: no such method, or one of a newer version. */
export const findMethod = (id: string): TestMethod | undefined => byId.get(id);
export { movedAt } from './time.ts';
export {
  SPECIMEN_COV,
  direction,
  sizesOf,
  type Outcome,
  type Prediction,
  type Predicted,
  type PredictionInput,
  type SizeField,
  type SizeId,
  type Sizes,
  type TestMethod,
  type Rig,
} from './testMethod.ts';
