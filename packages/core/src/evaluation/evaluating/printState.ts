import type { Brief } from '@anvilstone/schema';
import type { PrintState } from '@anvilstone/core/materials';
import { worksByBending } from '@anvilstone/core/shapes';

/** What the values of a grade depend on in a part: its foam, its crystals, and whether it bends. */
export const printStateOf = ({
  part,
  annealed,
  crystallisedInChamber,
  foamNozzleC,
}: Pick<Brief, 'part' | 'annealed' | 'crystallisedInChamber' | 'foamNozzleC'>): PrintState => ({
  annealed: annealed ?? false,
  inChamber: crystallisedInChamber ?? false,
  bends: worksByBending(part),
  ...(foamNozzleC === undefined ? {} : { foamNozzleC }),
});
