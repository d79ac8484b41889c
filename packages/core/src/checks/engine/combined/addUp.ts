import type { CheckContext, PreparedLoad } from '../check.ts';

/** Something that each of several loads does, of one kind. */
interface Part {
  load: PreparedLoad;
  amount: number;
}

/** Bent about two axes, the largest stress of a round section is that of the resultant; a corner has both. */
function isRound({ brief: { part } }: CheckContext): boolean {
  const section = 'section' in part ? part.section : undefined;
  return section !== undefined && 'kind' in section && (section.kind === 'round' || section.kind === 'tube');
}

/** What loads do together: those of one direction add up, two directions by their squares on a round section. */
export function addUp(context: CheckContext, parts: readonly Part[], asVectors = isRound(context)): number {
  const byDirection = new Map<number, number>();
  for (const { load, amount } of parts)
    byDirection.set(load.directionIndex, (byDirection.get(load.directionIndex) ?? 0) + amount);
  const sums = [...byDirection.values()];
  return asVectors ? Math.hypot(...sums) : sums.reduce((sum, one) => sum + one, 0);
}
