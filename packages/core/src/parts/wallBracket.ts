import type { GeometryOf } from '@anvilstone/schema';
import { requirePositive } from '../input/require.ts';
import { filletConcentration } from '../sections/filletConcentration.ts';
import { formatNumber as f } from '../units/formatQuantity.ts';
import { ALONG, SMALL_SHARE, type Direction, type PartModel, type StressPlace } from './partModel.ts';
import { place, response } from './pieces.ts';
import { barBuckling } from './strut.ts';

export interface BracketForces {
  /** Of the strut against the tie. */
  angleDeg: number;
  strutLengthMm: number;
  /** N per N of load. */
  tiePerN: number;
  strutPerN: number;
  /** Movement of the load: `dropPerModulus`·F/E, mm·MPa per N. */
  dropPerModulus: number;
}

/**
 * A horizontal tie and a strut under it that meet at the load: T = F·reach/drop, C = F/sin θ, and the load's movement by
 * Castigliano, Σ n²·L/(A·E). Source: statics of a pinned two-bar frame (Shigley, 10th ed., section 4-7).
 * Range: pinned joints for the forces; the stiff printed corner's bending is added at the tie's root, see the model.
 * @throws InputError a length or an area not finite and above 0
 */
export function bracketForces(bracket: {
  reachMm: number;
  dropMm: number;
  tieAreaMm2: number;
  strutAreaMm2: number;
}): BracketForces {
  requirePositive(bracket, ['reachMm', 'dropMm', 'tieAreaMm2', 'strutAreaMm2']);
  const { reachMm, dropMm } = bracket;
  const strutLengthMm = Math.hypot(reachMm, dropMm);
  const tiePerN = reachMm / dropMm;
  const strutPerN = strutLengthMm / dropMm;
  return {
    angleDeg: (Math.atan2(dropMm, reachMm) * 180) / Math.PI,
    strutLengthMm,
    tiePerN,
    strutPerN,
    dropPerModulus:
      (tiePerN ** 2 * reachMm) / bracket.tieAreaMm2 + (strutPerN ** 2 * strutLengthMm) / bracket.strutAreaMm2,
  };
}

/** A tie and a strut: what gives first is the strut bowing out, or the tie's root peeling off the wall plate. */
export const wallBracket: PartModel<'wall-bracket'> = {
  id: 'wall-bracket',
  title: 'Two-member bracket',
  does: 'holds a load off a wall with a tie and a strut',
  examples: 'nozzle bracket, pipe stand-off, sensor bracket',
  axes: { length: 'out from the wall', depth: 'down the wall', width: 'sideways' },
  takes: () => ({ lasting: 'forceN', short: 'forceN', repeated: 'forceN', knock: 'knock' }),
  start: {
    model: 'wall-bracket',
    reachMm: 120,
    dropMm: 90,
    tie: { depthMm: 8, widthMm: 16 },
    strut: { depthMm: 8, widthMm: 16 },
    filletRadiusMm: 3,
  },
  freeDimension: '/strut',
  body(geometry) {
    requirePositive(geometry.tie, ['depthMm', 'widthMm']);
    requirePositive(geometry.strut, ['depthMm', 'widthMm']);
    const { tie, strut } = geometry;
    const areas = { tieAreaMm2: tie.depthMm * tie.widthMm, strutAreaMm2: strut.depthMm * strut.widthMm };
    const forces = bracketForces({ ...geometry, ...areas });
    const cos = geometry.reachMm / forces.strutLengthMm;
    const sin = geometry.dropMm / forces.strutLengthMm;
    const alongStrut: Direction = [cos, sin, 0];
    const tieShare = (forces.tiePerN ** 2 * geometry.reachMm) / areas.tieAreaMm2;
    return {
      volumeMm3: areas.tieAreaMm2 * geometry.reachMm + areas.strutAreaMm2 * forces.strutLengthMm,
      extentMm: { length: geometry.reachMm, depth: geometry.dropMm, width: Math.max(tie.widthMm, strut.widthMm) },
      action: 'force',
      movement: { title: 'Drop at the load', unit: 'mm' },
      movementRangeMm: SMALL_SHARE * geometry.reachMm,
      thinnestMm: Math.min(tie.depthMm, tie.widthMm, strut.depthMm, strut.widthMm),
      responses: {
        depth: response({
          tearAreaMm2: areas.tieAreaMm2,
          places: [
            tieRoot(geometry, forces, areas.tieAreaMm2),
            place({
              id: 'strut',
              title: 'Squeezed strut',
              direction: alongStrut,
              compressionPerUnit: forces.strutPerN / areas.strutAreaMm2,
              lines: [
                {
                  symbol: 'C',
                  meaning: 'Squeeze in the strut',
                  value: forces.strutPerN,
                  perUnit: true,
                  unit: 'N',
                  formula: `F / sin ${f(forces.angleDeg)}°`,
                  source: 'statics of the pinned frame',
                },
              ],
            }),
          ],
          stretches: [
            {
              title: 'Stretch of the tie',
              direction: ALONG.length,
              perModulus: tieShare,
              formula: `F · ${f(forces.tiePerN)}² · ${f(geometry.reachMm)} / (E · ${f(areas.tieAreaMm2)})`,
              source: 'Castigliano, Σ n²·L/(A·E)',
            },
            {
              title: 'Shortening of the strut',
              direction: alongStrut,
              perModulus: forces.dropPerModulus - tieShare,
              formula: `F · ${f(forces.strutPerN)}² · ${f(forces.strutLengthMm)} / (E · ${f(areas.strutAreaMm2)})`,
              source: 'Castigliano, Σ n²·L/(A·E)',
            },
          ],
          buckling: [
            barBuckling({
              id: 'strut-bows',
              title: 'The strut bows out',
              direction: alongStrut,
              lengthMm: forces.strutLengthMm,
              // Printed in one piece with wall and tie: better than pinned, less than clamped.
              effectiveLengthFactor: 0.8,
              weakSecondMomentMm4:
                (Math.max(strut.depthMm, strut.widthMm) * Math.min(strut.depthMm, strut.widthMm) ** 3) / 12,
              areaMm2: areas.strutAreaMm2,
              forcePerUnit: forces.strutPerN,
            }),
          ],
        }),
      },
    };
  },
};

/**
 * The tie is pulled and, because the printed corner is stiff, bent by the drop of the load: 3·E·δ·c/L² at its root, from
 * which the modulus cancels. The upper fibre at the wall peels first.
 */
function tieRoot(geometry: GeometryOf<'wall-bracket'>, forces: BracketForces, areaMm2: number): StressPlace {
  const { tie, reachMm, filletRadiusMm } = geometry;
  const pulled = forces.tiePerN / areaMm2;
  const bent = (3 * forces.dropPerModulus * (tie.depthMm / 2)) / reachMm ** 2;
  const concentration = filletConcentration({ filletRadiusMm, depthMm: tie.depthMm, notch: 'flat', load: 'pull' });
  return place({
    id: 'tie-root',
    title: 'Upper fibre at the root of the tie: peels',
    direction: ALONG.length,
    tensionPerUnit: concentration * (pulled + bent),
    concentration,
    lines: [
      {
        symbol: 'T',
        meaning: 'Pull in the tie',
        value: forces.tiePerN,
        perUnit: true,
        unit: 'N',
        formula: `F · ${f(reachMm)} / ${f(geometry.dropMm)}`,
        source: 'statics of the pinned frame',
      },
      {
        symbol: 'σt',
        meaning: 'Mean tension in the tie',
        value: pulled,
        perUnit: true,
        unit: 'MPa',
        formula: `T / ${f(areaMm2)} mm²`,
      },
      {
        symbol: 'σb',
        meaning: 'Bending of the tie as the load drops',
        value: bent,
        perUnit: true,
        unit: 'MPa',
        formula: `3 · E·δ · ${f(tie.depthMm / 2)} / ${f(reachMm)}²`,
        source: 'clamped at the wall, free to turn at the load: Roark, 7th ed., table 8.1',
      },
      {
        symbol: 'Kt',
        meaning: 'Stress concentration of the fillet',
        value: concentration,
        unit: '×',
        formula: `r/d = ${f(filletRadiusMm)} / ${f(tie.depthMm)}`,
        source: 'Peterson’s charts, fit in Norton, Machine Design, app. C',
      },
      {
        symbol: 'σ',
        meaning: 'Largest tension at the root',
        value: concentration * (pulled + bent),
        perUnit: true,
        unit: 'MPa',
        formula: 'Kt · (σt + σb)',
      },
    ],
  });
}
