import { reducedStiffness, turnedStiffness, type Stiffness3 } from './lamina.ts';
import { assemble, deformationOf, type Laminate, type LaminateLoad } from './laminate.ts';
import { modeOf, strengthRatio, type FailureCriterion, type FailureMode } from './failure.ts';
import { plyStresses, type PlyStress } from './plyStress.ts';

/** One ply giving way on the way to the end. */
export interface PlyFailure {
  ply: number;
  mode: FailureMode;
  /** Multiple of the given load. */
  atRatio: number;
  zMm: number;
}

export interface LaminateFailure {
  criterion: FailureCriterion;
  /** Multiple of the load at which the first ply fails. */
  firstPly: PlyFailure;
  /** The largest multiple that it bears on the way, plies discounted one after the other. */
  lastPlyRatio: number;
  sequence: readonly PlyFailure[];
}

/** What a discounted ply keeps, as a share: of everything when its fibres part, else of what its matrix carried. */
const LEFT = 1e-6;
const MOST_STEPS = 200;
/** Once it gives so many times as much as at first, nothing of it bears the load any more. */
const COLLAPSED = 1000;

/**
 * First ply failure by a criterion, and then ply discount: where the fibres part the ply carries nothing any more, where the
 * matrix or the shear gives way it keeps its stiffness along the fibre. The load of the thermal stresses stays as it is.
 * Ratios are multiples of the mechanical load. Undefined: the load stresses nothing.
 * Source: Jones, section 4.5.
 */
export function laminateFailure(
  laminate: Laminate,
  load: LaminateLoad,
  criterion: FailureCriterion,
): LaminateFailure | undefined {
  const { plies } = laminate;
  const state = plies.map((): 'whole' | 'matrix-gone' | 'gone' => 'whole');
  const sequence: PlyFailure[] = [];
  let current = laminate;
  const gaveAtFirst = giveUnder(laminate, load);
  for (let step = 0; step < MOST_STEPS && state.some((one) => one !== 'gone'); step++) {
    if (giveUnder(current, load) > COLLAPSED * gaveAtFirst) break;
    const next = nextToFail(current, load, criterion, state);
    if (!next) break;
    sequence.push(next);
    const fibres = next.mode === 'fibre-tension' || next.mode === 'fibre-compression';
    state[next.ply] = fibres || state[next.ply] === 'matrix-gone' ? 'gone' : 'matrix-gone';
    if (state.every((one) => one === 'gone')) break;
    current = assemble(
      plies,
      plies.map((ply, i) => turnedStiffness(stiffnessLeft(reducedStiffness(ply.lamina), state[i]!), ply.angleDeg)),
    );
  }
  const [firstPly] = sequence;
  if (!firstPly) return undefined;
  return { criterion, firstPly, lastPlyRatio: Math.max(...sequence.map(({ atRatio }) => atRatio)), sequence };
}

/** Work of the load on what it does to the laminate, N·mm/mm² of the given load. */
function giveUnder(laminate: Laminate, load: LaminateLoad): number {
  const { strain, curvature } = deformationOf(laminate, { ...load, deltaTK: 0 });
  const loads = [load.nx, load.ny, load.nxy, load.mx, load.my, load.mxy];
  return [...strain, ...curvature].reduce((sum, value, i) => sum + value * loads[i]!, 0);
}

function stiffnessLeft(q: Stiffness3, state: 'whole' | 'matrix-gone' | 'gone'): Stiffness3 {
  if (state === 'whole') return q;
  const along = state === 'gone' ? LEFT : 1;
  return [
    [q[0][0] * along, q[0][1] * LEFT, 0],
    [q[0][1] * LEFT, q[1][1] * LEFT, 0],
    [0, 0, q[2][2] * LEFT],
  ];
}

function nextToFail(
  laminate: Laminate,
  load: LaminateLoad,
  criterion: FailureCriterion,
  state: readonly ('whole' | 'matrix-gone' | 'gone')[],
): PlyFailure | undefined {
  const mechanical = plyStresses(laminate, { ...load, deltaTK: 0 });
  const thermal = plyStresses(laminate, { nx: 0, ny: 0, nxy: 0, mx: 0, my: 0, mxy: 0, deltaTK: load.deltaTK });
  let worst: PlyFailure | undefined;
  mechanical.forEach((stress, i) => {
    const { ply, zMm } = stress;
    if (state[ply] === 'gone') return;
    const { lamina } = laminate.plies[ply]!;
    // Only the fibres of a ply whose matrix is gone can still part.
    const only = (one: PlyStress): PlyStress => (state[ply] === 'whole' ? one : { ...one, sigma2MPa: 0, tau12MPa: 0 });
    const [grows, stays] = [only(stress), only(thermal[i]!)];
    const atRatio = strengthRatio(criterion, lamina, grows, stays);
    if (!Number.isFinite(atRatio) || (worst && atRatio >= worst.atRatio)) return;
    const mode = modeOf(lamina, {
      sigma1MPa: grows.sigma1MPa * atRatio + stays.sigma1MPa,
      sigma2MPa: grows.sigma2MPa * atRatio + stays.sigma2MPa,
      tau12MPa: grows.tau12MPa * atRatio + stays.tau12MPa,
    });
    worst = { ply, mode, atRatio, zMm };
  });
  return worst;
}
