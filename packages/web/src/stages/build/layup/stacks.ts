import type { Layup, LayupPly } from '@anvilstone/schema';

/** Usual stacks of one strand, as the lower half of a mirrored layup. */
export const STACKS = [
  { id: 'faces', title: 'Unidirectional: 0', angles: [0] },
  { id: 'cross', title: 'Cross: 0, 90', angles: [0, 90] },
  { id: 'angle', title: 'Angle-ply: ±45', angles: [45, -45] },
  { id: 'all-round', title: 'Quasi-isotropic: 0, ±45, 90', angles: [0, 45, -45, 90] },
] as const;

export function withStack(layup: Layup, stackId: string): Layup {
  const stack = STACKS.find(({ id }) => id === stackId);
  if (!stack) return layup;
  const material = layup.plies.find((ply) => 'towId' in ply.material)?.material ?? { towId: 'carbon-polyamide' };
  return { ...layup, mirrored: true, plies: stack.angles.map((angleDeg): LayupPly => ({ material, angleDeg })) };
}

/** The listed plies once more on top of themselves. */
export const repeated = (layup: Layup): Layup => ({ ...layup, plies: [...layup.plies, ...layup.plies].slice(0, 300) });

export const moved = (layup: Layup, from: number, to: number): Layup => {
  const plies = [...layup.plies];
  const [ply] = plies.splice(from, 1);
  if (ply) plies.splice(to, 0, ply);
  return { ...layup, plies };
};

/** Every strand of the table is continuous. */
export const shortTowName = (name: string) =>
  name.replace(/^Continuous (.)/, (_all, first: string) => first.toUpperCase());
