import type { RigSetUp, Statement } from '@anvilstone/schema';
import { requirePositiveValue, say, newtons, mm } from '@anvilstone/core/foundations';
import type { TestMethod } from './methods/testMethod.ts';

/** Force on the specimen over force at the gauge: pulley × what gets through it × lever. */
export function advantageOf({ pulleyRatio = 1, pulleyEfficiency, leverRatio = 1 }: RigSetUp): number {
  return pulleyRatio * (pulleyRatio > 1 ? (pulleyEfficiency ?? TACKLE_EFFICIENCY) : 1) * leverRatio;
}

/** Of a tackle with plain sheaves, where nobody has measured it. */
export const TACKLE_EFFICIENCY = 0.9;

export interface RangeRemedy {
  text: Statement;
  setUp: Partial<RigSetUp>;
}

export interface RangeFinding {
  verdict: 'fits' | 'small' | 'over' | 'rig' | 'unknown';
  text: Statement;
  /** At the gauge when the strongest expected specimen breaks, N; null: not known. */
  gaugeN: number | null;
  remedies: readonly RangeRemedy[];
}

/** Below this share of its range a gauge’s own error is too large a part of what it reads. */
const LEAST_SHARE = 0.1;
/** What the strongest expected specimen may take of gauge and rig. */
const MOST_SHARE = 0.9;
/** Resized to break here on average. */
const WANTED_SHARE = 0.5;
const SPREADS = 2;
const LAYER_MM = 0.2;
const MOST_FALLS = 6;
/** Above the wanted share this much still leaves room for the strongest specimen. */
const SPARE = 1.3;
/** Narrower than a few beads it is no longer the material that is tested. */
const LEAST_WIDTH_MM = 3;

/**
 * Whether gauge and rig bear what the strongest and show what the mean specimen is expected to break at, and what would make them:
 * another tackle, another arm, or a specimen of another thickness.
 * @throws InputError force not above 0
 */
export function rangeOf(
  expected: { forceN: number; cov: number },
  setUp: RigSetUp,
  resize?: TestMethod['resize'],
): RangeFinding {
  requirePositiveValue('forceN', expected.forceN);
  const strongest = expected.forceN * (1 + SPREADS * expected.cov);
  const advantage = advantageOf(setUp);
  const gaugeN = strongest / advantage;
  const { gaugeCapacityN, rigLimitN } = setUp;
  const resized = (targetN: number) => resizedTo(targetN, expected.forceN, setUp, resize);
  if (rigLimitN !== undefined && strongest > MOST_SHARE * rigLimitN)
    return {
      verdict: 'rig',
      text: say`The strongest specimen may take ${newtons(strongest)}; the rig is safe for ${newtons(rigLimitN)}. Do not load it.`,
      gaugeN,
      remedies: resized(WANTED_SHARE * rigLimitN),
    };
  if (gaugeCapacityN === undefined)
    return { verdict: 'unknown', text: 'The range of the gauge is not stated', gaugeN, remedies: [] };
  if (gaugeN > MOST_SHARE * gaugeCapacityN) {
    const falls = Math.ceil(strongest / (setUp.leverRatio ?? 1) / (MOST_SHARE * gaugeCapacityN * TACKLE_EFFICIENCY));
    const tackle =
      falls <= MOST_FALLS && falls > (setUp.pulleyRatio ?? 1)
        ? [
            {
              text: `a tackle of ${falls} falls; its friction is counted at ${Math.round(100 * (1 - TACKLE_EFFICIENCY))} % until you measure it with a known weight`,
              setUp: { pulleyRatio: falls, pulleyEfficiency: setUp.pulleyEfficiency ?? TACKLE_EFFICIENCY },
            },
          ]
        : [];
    return {
      verdict: 'over',
      text: say`The strongest specimen may put ${newtons(gaugeN)} on a gauge that reads to ${newtons(gaugeCapacityN)}: its break would not be read.`,
      gaugeN,
      remedies: [...resized(WANTED_SHARE * gaugeCapacityN * advantage), ...tackle],
    };
  }
  const usual = expected.forceN / advantage;
  if (usual < LEAST_SHARE * gaugeCapacityN)
    return {
      verdict: 'small',
      text: say`About ${newtons(usual)} at a gauge that reads to ${newtons(gaugeCapacityN)}: its own error would be a large part of that.`,
      gaugeN,
      remedies: resized(WANTED_SHARE * gaugeCapacityN * advantage),
    };
  return {
    verdict: 'fits',
    text: say`${newtons(usual)} expected at the gauge, ${newtons(gaugeN)} at most, of ${newtons(gaugeCapacityN)}`,
    gaugeN,
    remedies: [],
  };
}

/** Whole layers; not so thin that it is no longer the material that is tested. */
function resizedTo(targetN: number, forceN: number, setUp: RigSetUp, resize: TestMethod['resize']): RangeRemedy[] {
  const now = resize && setUp[resize.size];
  if (!resize || now === undefined) return [];
  const wanted = now * (targetN / forceN) ** (1 / resize.power);
  const size = Math.max(resize.least, Math.round(wanted / LAYER_MM) * LAYER_MM);
  if (Math.abs(size - now) < LAYER_MM / 2 || size > 4 * now) return [];
  const then = forceN * (size / now) ** resize.power;
  const thinner = { [resize.size]: Number(size.toFixed(3)) };
  const words = say`specimens ${mm(size)} thick in place of ${mm(now)}`;
  if (forceN <= targetN || then <= targetN * SPARE)
    return [{ text: say`${words}: about ${newtons(then)}`, setUp: thinner }];
  // As thin as it may be it is still too strong: narrower as well.
  const { widthMm } = setUp;
  if (widthMm === undefined) return [];
  const narrow = Math.round((2 * widthMm * targetN) / then) / 2;
  if (narrow < LEAST_WIDTH_MM || narrow >= widthMm) return [];
  return [
    {
      text: say`${words} and ${mm(narrow)} wide in place of ${mm(widthMm)}: about ${newtons((then * narrow) / widthMm)}`,
      setUp: { ...thinner, widthMm: narrow },
    },
  ];
}
