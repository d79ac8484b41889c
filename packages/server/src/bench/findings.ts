import { analyseCurve, findMethod, type TestMethod } from '@anvilstone/core/evidence';
import type { Findings, Trial } from '@anvilstone/schema';
import { forceCurve, type WholeCurve } from './readings.ts';

/** What a curve gives by itself, by the method’s way of reading it. */
export function findingsOf(
  method: TestMethod,
  curve: WholeCurve,
): { found: Findings; overRange?: true; zeroOffN: number | null } {
  if (method.capture === 'time') return { found: { moved: movedAtTimes(method, curve) }, zeroOffN: null };
  const { peakN, firstCrackN, stiffnessNPerMm, energyJ, peakIsBound, brokeAt } = analyseCurve(forceCurve(curve));
  const end = curve.forceN.at(-1);
  return {
    found: {
      peakN: round(peakN),
      ...(firstCrackN === null ? {} : { firstCrackN: round(firstCrackN) }),
      ...(stiffnessNPerMm === null ? {} : { stiffnessNPerMm: round(stiffnessNPerMm) }),
      ...(energyJ === null ? {} : { energyJ: round(energyJ) }),
      ...(end === undefined || Number.isNaN(end) ? {} : { endN: round(end) }),
    },
    ...(peakIsBound ? { overRange: true as const } : {}),
    zeroOffN: brokeAt === null ? null : restingForce(curve.forceN, brokeAt),
  };
}

/** Whether the gauge that the method goes by was read at all. */
export function hasLeadingReadings(method: TestMethod, curve: WholeCurve): boolean {
  const leading = method.capture === 'time' ? curve.movedMm : curve.forceN;
  return leading.some((value) => !Number.isNaN(value));
}

const round = (value: number) => Number(value.toPrecision(6));
const NEAR = 0.1;

/** Movement at the method’s times, as far as the curve reaches. */
function movedAtTimes({ times }: TestMethod, { timeS, movedMm }: WholeCurve): NonNullable<Findings['moved']> {
  if (!times) return [];
  const loadedEnd = times.loadedS.at(-1)!;
  // Between the readings on either side of it, neither of them from the other side of the unloading.
  const at = (wanted: number, from: number, to: number) => {
    let [before, after] = [-1, -1];
    timeS.forEach((s, i) => {
      if (Number.isNaN(movedMm[i]!) || s < from || s > to) return;
      if (s <= wanted && (before < 0 || s >= timeS[before]!)) before = i;
      if (s >= wanted && (after < 0 || s < timeS[after]!)) after = i;
    });
    const near = [before, after].filter((i) => i >= 0 && Math.abs(timeS[i]! - wanted) <= NEAR * (wanted - from));
    if (near.length === 0) return undefined;
    const [a, b] = [near[0]!, near.at(-1)!];
    const share = a === b ? 0 : (wanted - timeS[a]!) / (timeS[b]! - timeS[a]!);
    return movedMm[a]! + share * (movedMm[b]! - movedMm[a]!);
  };
  const row = (timeS: number, movedMm: number | undefined, unloaded?: true) =>
    movedMm === undefined ? [] : [{ timeS, movedMm: round(movedMm), ...(unloaded ? { unloaded } : {}) }];
  return [
    ...times.loadedS.flatMap((s) => row(s, at(s, 0, loadedEnd))),
    ...times.unloadedS.flatMap((s) => row(loadedEnd + s, at(loadedEnd + s, loadedEnd + 1e-6, Infinity), true)),
  ];
}

/** Median of what the gauge shows once it has broken: it should be nothing. */
function restingForce(force: Float64Array, brokeAt: number): number | null {
  const rest = [...force.subarray(brokeAt + 2)].filter((value) => !Number.isNaN(value)).sort((a, b) => a - b);
  return rest.length < 3 ? null : rest[rest.length >> 1]!;
}

const ZERO_WITHIN_N = 3;
const ZERO_WITHIN_SHARE = 0.02;

/** In words, where the gauge did not come back to zero; undefined: it did, or nobody can tell. */
export function zeroDoubt(zeroOffN: number | null, { found }: Pick<Trial, 'found'>): string | undefined {
  if (zeroOffN === null || Math.abs(zeroOffN) <= Math.max(ZERO_WITHIN_N, ZERO_WITHIN_SHARE * (found.peakN ?? 0)))
    return undefined;
  return `After the break the gauge still shows ${zeroOffN.toFixed(1)} N: its zero has drifted, and every force with it`;
}

/** @throws Error for a campaign of a newer version; whoever saves one has checked it */
export function knownMethod(methodId: string): TestMethod {
  const method = findMethod(methodId);
  if (!method) throw new Error(`There is no test method “${methodId}”`);
  return method;
}
