import { ORIENTATIONS, type Brief, type BuildOrientation } from '@anvilstone/schema';
import type { LayerStress } from '@anvilstone/core/checks';
import { prepareWays } from './preparePart.ts';

/** What a load does to the layers in one build orientation: the worst of it. */
export type LayerLoading = 'within' | 'slides' | 'slants' | 'pulls-apart';

/** Less than this out of straight across counts as slanting. */
const STRAIGHT_ACROSS_DEG = 89.5;

/**
 * How each load of a brief works on the layers, by build orientation. @throws InputError as preparePart does
 */
export function layersUnderLoads(brief: Brief): Record<BuildOrientation, LayerLoading>[] {
  const ways = prepareWays(brief);
  return ways.XY.loads.map((load) => {
    const loadingIn = (orientation: BuildOrientation) =>
      worstOf(ways[orientation].layerStresses[load.directionIndex]!.across);
    return Object.fromEntries(ORIENTATIONS.map((one) => [one, loadingIn(one)])) as Record<
      BuildOrientation,
      LayerLoading
    >;
  });
}

function worstOf(across: readonly LayerStress[]): LayerLoading {
  if (across.some((one) => one.mode === 'pull-apart' && one.angleDeg >= STRAIGHT_ACROSS_DEG)) return 'pulls-apart';
  if (across.some((one) => one.mode === 'pull-apart')) return 'slants';
  return across.length > 0 ? 'slides' : 'within';
}
