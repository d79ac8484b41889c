import type { Predicted, Sizes, TestMethod } from '@anvilstone/core/evidence';
import type { CampaignArm } from '@anvilstone/schema';
import type { MountedSpecimen } from '../simulators/mountedSpecimen.ts';

/** Where nothing is predicted the stand-in breaks here, N. */
const ANY_N = 300;
const STIFF_MM = 4;
const SCATTER = 0.05;

/**
 * A made-up specimen for the stand-in rig. What is true of its grade is not what is predicted: it is off by a share of its own, the same for
 * every specimen of that grade and build orientation, and each specimen scatters about that.
 */
export function standInSpecimen(
  method: TestMethod,
  arm: CampaignArm,
  specimenId: string,
  predicted: Predicted,
  sizes: Sizes,
  advantage: number,
  beganMs: number,
): MountedSpecimen {
  const seed = hash(specimenId) % 10_000;
  const truth = 0.74 + 0.36 * share(`${arm.gradeId} ${arm.orientation}`);
  // The stand-in thermometer hangs at the specimen.
  const warm =
    sizes.temperatureC === undefined || sizes.temperatureC === 23 ? {} : { temperatureC: sizes.temperatureC };
  const own = 1 + SCATTER * 2 * (share(specimenId) - 0.5) * 1.7;
  if (method.capture === 'time') {
    const modulus = predicted.known ? predicted.value : 1500;
    const { spanMm = 100, widthMm = 10, thicknessMm = 4, loadN = 5 } = sizes;
    const times = method.times!;
    const loadedS = times.loadedS.at(-1)!;
    return {
      kind: 'time',
      seed,
      beganMs,
      ...warm,
      advantage: 1,
      loadN,
      instantMm: (loadN * spanMm ** 3) / (4 * widthMm * thicknessMm ** 3 * modulus * 1.3 * truth * own),
      creepA: 0.22 + 0.2 * share(arm.gradeId),
      creepN: 0.2,
      loadedS,
      totalS: 1.02 * (loadedS + (times.unloadedS.at(-1) ?? 0)),
    };
  }
  const peakN = ((predicted.known ? predicted.forceN : undefined) ?? ANY_N) * truth * own;
  return {
    kind: 'force',
    seed,
    beganMs,
    ...warm,
    advantage,
    peakN,
    crackN: arm.orientation === 'ZX' ? null : 0.82 * peakN,
    stiffnessNPerMm: peakN / STIFF_MM,
  };
}

/** FNV-1a. */
function hash(text: string): number {
  let value = 2166136261;
  for (const character of text) value = Math.imul(value ^ character.charCodeAt(0), 16777619) >>> 0;
  return value;
}
const share = (text: string) => (hash(text) % 1009) / 1009;
