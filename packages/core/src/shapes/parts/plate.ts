import type { GeometryOf } from '@anvilstone/schema';
import { InputError, requirePositive, formatNumber as f, say, mm } from '@anvilstone/core/foundations';
import { SMALL_SHARE, type PartModel } from './partModel.ts';
import { ALONG } from './direction.ts';
import { place, response } from './pieces.ts';
import { TYPICAL_POISSON } from './ring.ts';

// Rectangular plates under uniform pressure, ν = 0.3, by longer over shorter side. Roark, 7th ed., table 11.4:
// case 1a (all edges supported) and case 8a (all edges clamped; stress at the middle of the long edge).
const TABLE_POISSON = 0.3;
const RATIOS = [1, 1.2, 1.4, 1.6, 1.8, 2, 3, 4, 5];
const TABLE = {
  supported: {
    stress: [0.2874, 0.3762, 0.453, 0.5172, 0.5688, 0.6102, 0.7134, 0.741, 0.7476],
    movement: [0.0444, 0.0616, 0.077, 0.0906, 0.1017, 0.111, 0.1335, 0.14, 0.1417],
  },
  clamped: {
    stress: [0.3078, 0.3834, 0.4356, 0.468, 0.4872, 0.4974, 0.5, 0.5, 0.5],
    movement: [0.0138, 0.0188, 0.0226, 0.0251, 0.0267, 0.0277, 0.0284, 0.0284, 0.0284],
  },
} as const;

/**
 * Largest bending stress per pressure and centre movement × modulus per pressure (mm) of a flat plate.
 * Round: Roark, 7th ed., table 11.2, cases 10a and 10b. Rectangular: table 11.4 (ν = 0.3), straight between its rows, brought to
 * the plate's ν: 0.38 unless it says otherwise.
 * Range: movement up to about half of the thickness; a plate pushed further carries more than this by stretching.
 * @throws InputError a size not finite and above 0; the shorter side longer than the longer one
 */
export function plateFactors(plate: Omit<GeometryOf<'plate'>, 'model'>): {
  stress: number;
  movementMm: number;
  source: string;
} {
  requirePositive(plate, ['lengthMm', 'widthMm', 'thicknessMm']);
  const { lengthMm, widthMm, thicknessMm: t, edges, poisson: nu = TYPICAL_POISSON } = plate;
  if (plate.shape === 'round') {
    const r = lengthMm / 2;
    const source = `Roark, 7th ed., table 11.2, case ${edges === 'supported' ? '10a' : '10b'}`;
    return edges === 'supported'
      ? {
          stress: (3 * (3 + nu) * r ** 2) / (8 * t ** 2),
          movementMm: (3 * (1 - nu) * (5 + nu) * r ** 4) / (16 * t ** 3),
          source,
        }
      : { stress: (3 * r ** 2) / (4 * t ** 2), movementMm: (3 * (1 - nu ** 2) * r ** 4) / (16 * t ** 3), source };
  }
  if (widthMm > lengthMm)
    throw new InputError('widthMm', widthMm, `at most the longer side, ${lengthMm} mm, is needed`);
  const table = TABLE[edges];
  const ratio = lengthMm / widthMm;
  return {
    stress: (bendingShare(ratio, edges, nu).short * widthMm ** 2) / t ** 2,
    // The plate's own stiffness E·t³/(12·(1 − ν²)) is what the table was made for.
    movementMm: ((between(ratio, table.movement) * widthMm ** 4) / t ** 3) * ((1 - nu ** 2) / (1 - TABLE_POISSON ** 2)),
    source: `Roark, 7th ed., table 11.4, case ${edges === 'supported' ? '1a' : '8a'}`,
  };
}

// Bending along the longer side over bending along the shorter one, ν = 0.3: Timoshenko & Woinowsky-Krieger, Theory of
// Plates and Shells, 2nd ed., tables 8 (supported) and 35 (clamped, at the middle of the short edge).
const LONG_RATIOS = [1, 1.2, 1.5, 2, 3, 5];
const LONG_SHARE = { supported: [1, 0.8, 0.613, 0.456, 0.341, 0.3], clamped: [1, 0.868, 0.753, 0.689, 0.685, 0.685] };

/**
 * Stress × t²/(p·b²) over the shorter and over the longer side. Supported: moments for another ν from those for 0.3, Timoshenko &
 * Woinowsky-Krieger, section 30: M_x(ν) = ((1 − ν·ν₀)·M_x + (ν − ν₀)·M_y)/(1 − ν₀²). At a clamped edge ν has no say.
 */
function bendingShare(ratio: number, edges: 'supported' | 'clamped', nu: number): { short: number; long: number } {
  const short = between(ratio, TABLE[edges].stress);
  const long = short * between(ratio, LONG_SHARE[edges], LONG_RATIOS);
  if (edges === 'clamped') return { short, long };
  const own = (1 - nu * TABLE_POISSON) / (1 - TABLE_POISSON ** 2);
  const other = (nu - TABLE_POISSON) / (1 - TABLE_POISSON ** 2);
  return { short: own * short + other * long, long: own * long + other * short };
}

function between(ratio: number, values: readonly number[], ratios: readonly number[] = RATIOS): number {
  const i = ratios.findIndex((one) => one >= ratio);
  if (i === 0) return values[0]!;
  if (i < 0) return values.at(-1)!;
  const share = (ratio - ratios[i - 1]!) / (ratios[i]! - ratios[i - 1]!);
  return values[i - 1]! + share * (values[i]! - values[i - 1]!);
}

function longShare({ lengthMm, widthMm, edges, poisson = TYPICAL_POISSON }: GeometryOf<'plate'>): number {
  const { short, long } = bendingShare(lengthMm / widthMm, edges, poisson);
  return long / short;
}

/** A flat plate that something presses on evenly. */
export const plate: PartModel<'plate'> = {
  id: 'plate',
  title: 'Plate',
  does: 'is pressed on evenly over its face',
  examples: 'cover, lid, cup bottom, tray floor, inspection window',
  axes: { length: 'along the longer side', depth: 'through the thickness', width: 'along the shorter side' },
  takes: () => ({ lasting: 'pressureMPa', short: 'pressureMPa', repeated: 'pressureMPa' }),
  start: { model: 'plate', shape: 'rectangular', lengthMm: 120, widthMm: 80, thicknessMm: 4, edges: 'clamped' },
  freeDimension: '/thicknessMm',
  bends: true,
  body(geometry) {
    const factors = plateFactors(geometry);
    const { lengthMm, thicknessMm, shape } = geometry;
    const widthMm = shape === 'round' ? lengthMm : geometry.widthMm;
    const areaMm2 = shape === 'round' ? (Math.PI / 4) * lengthMm ** 2 : lengthMm * widthMm;
    const alongLong = shape === 'round' ? 1 : longShare(geometry);
    const where = geometry.edges === 'clamped' ? 'at the clamped rim' : 'in the middle';
    return {
      volumeMm3: areaMm2 * thicknessMm,
      extentMm: { length: lengthMm, depth: thicknessMm, width: widthMm },
      action: 'pressure',
      movement: { title: 'Centre deflection', unit: 'mm' },
      movementRangeMm: SMALL_SHARE * Math.min(lengthMm, widthMm),
      thinnestMm: thicknessMm,
      responses: {
        depth: response({
          tearAreaMm2: widthMm * thicknessMm,
          places: (['width', 'length'] as const).map((axis) => {
            const stress = factors.stress * (axis === 'length' ? alongLong : 1);
            return place({
              id: axis === 'width' ? 'plate-skin' : 'plate-skin-long',
              title: `Skin ${where}${shape === 'round' ? '' : axis === 'width' ? ', bent over the shorter side' : ', bent over the longer side'}`,
              direction: ALONG[axis],
              tensionPerUnit: stress,
              compressionPerUnit: stress,
              lines: [
                {
                  symbol: 'σ',
                  meaning: `Bending stress in the skin ${where}`,
                  value: stress,
                  perUnit: true,
                  unit: 'MPa',
                  formula: `p · ${f(stress)}`,
                  source:
                    axis === 'length' && shape === 'rectangular'
                      ? `${factors.source}; along the longer side × ${f(alongLong)}, Timoshenko & Woinowsky-Krieger, tables 8 and 35`
                      : factors.source,
                },
              ],
            });
          }),
          complianceTerms: [
            {
              title: 'Centre deflection',
              direction: ALONG.width,
              perModulus: factors.movementMm,
              formula: say`p · ${mm(factors.movementMm)} / E`,
              source: factors.source,
            },
          ],
        }),
      },
    };
  },
};
