import type { Grade } from '@anvilstone/schema';
import type { Family } from '@anvilstone/core/materials';

/** Shore A hardness of a soft filament as it is fed: the grade’s own, else its family’s; a foaming one before it foams. */
export function softnessOf({ observations }: Pick<Grade, 'observations'>, family: Family): { shoreA?: number } {
  if (family.morphology !== 'elastomer') return {};
  const own = observations.filter(({ property }) => property === 'hardnessShoreA' || property === 'hardnessShoreD');
  const stated = own.find(({ property }) => property === 'hardnessShoreA')?.value;
  if (typeof stated === 'number') return { shoreA: stated };
  // Stated on the other scale: harder than this one tells apart.
  if (own.length > 0) return {};
  if (family.foaming) return { shoreA: Math.max(...family.foaming.map(({ shoreA }) => shoreA)) };
  const typical = /^(\d+)A$/.exec(family.shoreHardness);
  return typical ? { shoreA: Number(typical[1]) } : {};
}
