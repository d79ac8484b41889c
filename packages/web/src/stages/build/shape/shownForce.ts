import type { Brief } from '@anvilstone/schema';

/** The force that cuts are shown under: the brief’s largest, or 100 N where its loads are no forces. */
export function shownForce({ loadCases }: Brief): { forceN: number; of: string } {
  const forces = loadCases.flatMap(({ forceN, name }) => (forceN === undefined ? [] : [{ forceN, name }]));
  const [largest] = forces.sort((one, other) => other.forceN - one.forceN);
  return largest ? { forceN: largest.forceN, of: `“${largest.name}”` } : { forceN: 100, of: '100 N' };
}
