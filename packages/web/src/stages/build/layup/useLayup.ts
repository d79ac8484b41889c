import type { Layup } from '@anvilstone/schema';
import { useCallback } from 'react';
import { useEdit } from '../../brief/editBrief.ts';
import { usePartContext } from '../../parts/partContext.ts';

/** To look at until something is changed. */
export const FIRST_LAYUP: Layup = {
  format: 'anvilstone-layup/1',
  name: 'A first layup',
  plies: [
    { material: { towId: 'carbon-polyamide' }, angleDeg: 0, count: 2 },
    { material: { towId: 'carbon-polyamide' }, angleDeg: 90 },
  ],
  mirrored: true,
  // Above the glass transition of the strand’s matrix stresses relax.
  laidAtC: 55,
  serviceC: 23,
  loads: [{ name: 'Tension along x', nxNPerMm: 50 }],
};

/** The layup that belongs to the part, saved and undone with its brief; a first one to look at until something is changed. */
export function useLayup() {
  const { brief } = usePartContext();
  const edit = useEdit();
  const set = useCallback((layup: Layup) => edit({ ...brief, layup }, 'layup'), [brief, edit]);
  const { layup: _gone, ...without } = brief;
  return { layup: brief.layup ?? FIRST_LAYUP, set, remove: brief.layup && (() => edit(without, 'no layup')) };
}
