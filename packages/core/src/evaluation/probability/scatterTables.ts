import type { EvidenceClass } from '@anvilstone/schema';
import type { CheckContext } from '@anvilstone/core/checks';
import type { Resolution } from '@anvilstone/core/materials';

/** Standard deviations at which a reserve is looked at: from −4 to 4, by a quarter. */
const REACH = 4;
const PER_DEVIATION = 4;
/** Where a grade turns brittle may lie off by so much, K. Ours, class D. */
const BRITTLE_K = { A: 2, B: 3, C: 5, D: 8 } as const;

/** Column of the luck that all checks of brittleness share; the other checks have one each, after it. */
export const BRITTLE_LUCK = 0;

/** What the logarithm of a reserve is at each place of something that scatters, −4 to 4 standard deviations, less what it is in the middle. */
export function tableOver(logReserve: number, logAt: (deviations: number) => number | undefined): Float64Array {
  return Float64Array.from(
    { length: 2 * REACH * PER_DEVIATION + 1 },
    (_, i) => (logAt(i / PER_DEVIATION - REACH) ?? logReserve) - logReserve,
  );
}

/** A table over −4 to 4 standard deviations, straight between its places. */
export function tableAt(table: Float64Array, deviations: number): number {
  const at = (Math.max(-REACH, Math.min(REACH, deviations)) + REACH) * PER_DEVIATION;
  const below = Math.min(table.length - 2, Math.floor(at));
  const low = table[below]!;
  return low + (table[below + 1]! - low) * (at - below);
}

/** The same where the grade turns brittle some deviations higher. */
export function brittleTable(
  context: CheckContext,
  logReserve: number,
  logAt: (context: CheckContext) => number | undefined,
): Float64Array {
  const brittle = context.material.property('brittlenessTemperature');
  const spreadK = brittle.known ? BRITTLE_K[brittle.evidence as EvidenceClass] : 0;
  // Turning brittle at a lower temperature is luck.
  return tableOver(logReserve, (deviations) => logAt(withBrittle(context, brittle, -deviations * spreadK)));
}

function withBrittle(context: CheckContext, brittle: Resolution, byK: number): CheckContext {
  if (!brittle.known) return context;
  const { material } = context;
  const moved = { ...brittle, value: brittle.value + byK };
  return {
    ...context,
    material: {
      ...material,
      property: (id, direction, temperatureC) =>
        id === 'brittlenessTemperature' ? moved : material.property(id, direction, temperatureC),
    },
  };
}
