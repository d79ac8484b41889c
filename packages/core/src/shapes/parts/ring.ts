import type { GeometryOf } from '@anvilstone/schema';
import { InputError, requirePositive, formatNumber as f, say, mm, bare, mm4, mm2 } from '@anvilstone/core/foundations';
import { SMALL_SHARE, type PartModel, type PartResponse, type ShownLine } from './partModel.ts';
import { ALONG } from './direction.ts';
import { FORCE_LOADS, place, response } from './pieces.ts';

/** Typical of printed polymers: a ring's answer depends little on it. */
export const TYPICAL_POISSON = 0.38;

interface Radii {
  outerMm: number;
  innerMm: number;
  meanMm: number;
}

/**
 * A ring pinched between two opposite forces F: bending moment F·R/π under the forces, F·R·(1/2 − 1/π) at the sides, and
 * the diameter along the forces shrinks by (π/4 − 2/π)·F·R³/(E·I) = 0.1488·F·R³/(E·I).
 * Source: Roark's Formulas for Stress and Strain, 7th ed., table 9.2, case 1. Range: wall below about a fifth of R.
 */
export const PINCHED_RING = {
  momentUnderLoad: 1 / Math.PI,
  momentAtSide: 1 / 2 - 1 / Math.PI,
  diameterChange: Math.PI / 4 - 2 / Math.PI,
} as const;

/**
 * A thick ring under pressure p (Lamé, open ends), per MPa: hoop stress at the bore, and changes of diameter times E.
 * Source: Roark, 7th ed., table 13.5, cases 1a and 1c.
 * @throws InputError radii not finite and above 0, or the inner not below the outer
 */
export function lameRing(ring: { outerMm: number; innerMm: number; poisson?: number }) {
  requirePositive(ring, ['outerMm', 'innerMm']);
  const { outerMm: a, innerMm: b, poisson = TYPICAL_POISSON } = ring;
  if (b >= a) throw new InputError('innerMm', b, `less than the outer radius, ${a} mm, is needed`);
  const wall = a ** 2 - b ** 2;
  return {
    hoopFromInside: (a ** 2 + b ** 2) / wall,
    hoopFromOutside: (2 * a ** 2) / wall,
    outerGrowthFromInside: (4 * a * b ** 2) / wall,
    boreGrowthFromInside: 2 * b * ((a ** 2 + b ** 2) / wall + poisson),
    boreShrinkFromOutside: (4 * a ** 2 * b) / wall,
  };
}

/**
 * By how many times a ring of length b is stiffer in bending than E·I: 1 as a narrow ring, whose edges curl freely, 1/(1 − ν²) as a long
 * tube, where only the ends do: (1 − ν²·Φ)/(1 − ν²), Φ = (2/λb)·(cosh λb − cos λb)/(sinh λb + sin λb), λ⁴ = 3·(1 − ν²)/(R·t)².
 * Source: D. G. Ashwell, J. R. Aeronaut. Soc. 54 (1950) 708: anticlastic bending of a curved strip.
 * @throws InputError a length not finite and above 0
 */
export function tubeStiffening(ring: { lengthMm: number; wallMm: number; meanRadiusMm: number; poisson?: number }) {
  requirePositive(ring, ['lengthMm', 'wallMm', 'meanRadiusMm']);
  const { lengthMm, wallMm, meanRadiusMm, poisson = TYPICAL_POISSON } = ring;
  const x = ((3 * (1 - poisson ** 2)) ** 0.25 * lengthMm) / Math.sqrt(meanRadiusMm * wallMm);
  // From here on both hyperbolic functions are the same to the last digit, and soon too large.
  const ratio = x > 40 ? 1 : (Math.cosh(x) - Math.cos(x)) / (Math.sinh(x) + Math.sin(x));
  return (1 - (poisson ** 2 * 2 * ratio) / x) / (1 - poisson ** 2);
}

/**
 * Outside pressure at which a thin ring of unit stiffening collapses, per modulus: t³/(4·R³); a long tube’s is 1/(1 − ν²) times that.
 * Source: Roark, 7th ed., table 15.2, case 19a.
 */
export function collapsePerModulus(wallMm: number, meanRadiusMm: number, stiffening: number): number {
  requirePositive({ wallMm, meanRadiusMm, stiffening }, ['wallMm', 'meanRadiusMm', 'stiffening']);
  return (stiffening * wallMm ** 3) / (4 * meanRadiusMm ** 3);
}

/** A ring or sleeve: goes oval when pinched, bursts or collapses under pressure, grips when pushed over something. */
export const ring: PartModel<'ring'> = {
  id: 'ring',
  title: 'Ring or sleeve',
  does: 'clamps round, or must stay round',
  examples: 'duct elbow in a clamp, sleeve, collar, hose stub, seal carrier',
  axes: { length: 'along the ring’s axis', depth: 'in the direction of the pinch', width: 'across the pinch' },
  takes({ loading }) {
    if (loading === 'pinched') return FORCE_LOADS;
    if (loading === 'pushed-over')
      return { short: 'displacementMm', repeated: 'displacementMm', held: 'displacementMm' };
    return { lasting: 'pressureMPa', short: 'pressureMPa', repeated: 'pressureMPa' };
  },
  start: { model: 'ring', outerDiameterMm: 60, wallMm: 3, lengthMm: 30, loading: 'pinched' },
  freeDimension: '/wallMm',
  bends: true,
  body(geometry) {
    const { outerDiameterMm, wallMm, lengthMm } = geometry;
    requirePositive(geometry, ['outerDiameterMm', 'wallMm', 'lengthMm']);
    if (wallMm >= outerDiameterMm / 2)
      throw new InputError(
        'wallMm',
        wallMm,
        `less than half of the outer diameter, ${outerDiameterMm / 2} mm, is needed`,
      );
    const outerMm = outerDiameterMm / 2;
    const radii = { outerMm, innerMm: outerMm - wallMm, meanMm: outerMm - wallMm / 2 };
    const pinched = geometry.loading === 'pinched';
    return {
      volumeMm3: 2 * Math.PI * radii.meanMm * wallMm * lengthMm,
      extentMm: { length: lengthMm, depth: outerDiameterMm, width: outerDiameterMm },
      action: pinched ? 'force' : 'pressure',
      // Pushed over something, it presses on it all round.
      holdNPerUnit: pinched ? 1 : 2 * Math.PI * radii.innerMm * lengthMm,
      movement: { title: pinched ? 'Ovalisation (ovality)' : 'Change of diameter', unit: 'mm' },
      movementRangeMm: SMALL_SHARE * outerDiameterMm,
      thinnestMm: wallMm,
      responses: { depth: pinched ? pinchedRing(geometry, radii) : pressedRing(geometry, radii) },
    };
  },
};

function pinchedRing({ wallMm, lengthMm }: GeometryOf<'ring'>, { meanMm }: Radii): PartResponse {
  const areaMm2 = wallMm * lengthMm;
  const secondMomentMm4 = (lengthMm * wallMm ** 3) / 12;
  const stiffening = tubeStiffening({ lengthMm, wallMm, meanRadiusMm: meanMm });
  const bending = (share: number) => (share * meanMm * (wallMm / 2)) / secondMomentMm4;
  const moment = (share: number, where: string): ShownLine => ({
    symbol: 'M',
    meaning: `Bending moment ${where}`,
    value: share * meanMm,
    perUnit: true,
    unit: 'N·mm',
    formula: say`${f(share)} · F · ${mm(meanMm)}`,
    source: 'Roark, 7th ed., table 9.2, case 1',
  });
  const { momentUnderLoad, momentAtSide, diameterChange } = PINCHED_RING;
  const side = bending(momentAtSide) - 1 / (2 * areaMm2);
  const half = {
    perModulus: (diameterChange * meanMm ** 3) / (stiffening * secondMomentMm4) / 2,
    formula: say`½ · ${f(diameterChange)} · F · ${bare(mm(meanMm))}³ / (${f(stiffening)} · E · ${bare(mm4(secondMomentMm4))})`,
    source: 'Roark, 7th ed., table 9.2, case 1; a long ring is stiffer: Ashwell (1950)',
  };
  return response({
    tearAreaMm2: areaMm2,
    places: [
      place({
        id: 'under-pinch',
        title: 'Bore under the clamp',
        direction: ALONG.width,
        tensionPerUnit: bending(momentUnderLoad),
        compressionPerUnit: bending(momentUnderLoad),
        lines: [
          moment(momentUnderLoad, 'under the clamp'),
          {
            symbol: 'σ',
            meaning: 'Hoop tension at the bore there',
            value: bending(momentUnderLoad),
            perUnit: true,
            unit: 'MPa',
            formula: say`M · ${bare(mm(wallMm / 2))} / ${bare(mm4(secondMomentMm4))}`,
            source: 'σ = M·c / I',
          },
        ],
      }),
      place({
        id: 'ring-side',
        title: 'Outside at the free sides',
        direction: ALONG.depth,
        tensionPerUnit: Math.max(0, side),
        lines: [
          moment(momentAtSide, 'at the sides'),
          {
            symbol: 'σ',
            meaning: 'Hoop tension outside, less the ring’s own squeeze F/2',
            value: side,
            perUnit: true,
            unit: 'MPa',
            formula: say`M · ${bare(mm(wallMm / 2))} / ${bare(mm4(secondMomentMm4))} − F / (2 · ${bare(mm2(areaMm2))})`,
          },
        ],
      }),
    ],
    complianceTerms: [
      { title: 'Ovalisation, quarters beside the clamp', direction: ALONG.width, ...half },
      { title: 'Ovalisation, quarters at the sides', direction: ALONG.depth, ...half },
    ],
  });
}

function pressedRing(geometry: GeometryOf<'ring'>, radii: Radii): PartResponse {
  const { wallMm, lengthMm, loading } = geometry;
  const lame = lameRing(radii);
  const inwards = loading === 'pressed-from-outside';
  const hoop = inwards ? lame.hoopFromOutside : lame.hoopFromInside;
  const movement = inwards
    ? lame.boreShrinkFromOutside
    : loading === 'pushed-over'
      ? lame.boreGrowthFromInside
      : lame.outerGrowthFromInside;
  const line: ShownLine = {
    symbol: 'σ',
    meaning: inwards ? 'Hoop compression at the bore' : 'Hoop tension at the bore',
    value: hoop,
    perUnit: true,
    unit: 'MPa',
    formula: say`p · ${f(hoop)}, radii ${bare(mm(radii.outerMm))} and ${mm(radii.innerMm)}`,
    source: 'Lamé: Roark, 7th ed., table 13.5, case 1',
  };
  const stiffening = tubeStiffening({ lengthMm, wallMm, meanRadiusMm: radii.meanMm });
  const stressed = inwards ? { compressionPerUnit: hoop } : { tensionPerUnit: hoop };
  return response({
    tearAreaMm2: wallMm * lengthMm,
    places: [
      place({ id: 'bore', title: 'Bore', direction: ALONG.width, ...stressed, lines: [line] }),
      place({ id: 'bore-side', title: 'Bore, a quarter turn on', direction: ALONG.depth, ...stressed, lines: [line] }),
    ],
    complianceTerms: (['width', 'depth'] as const).map((axis) => ({
      title: 'Change of diameter, half of the ring',
      direction: ALONG[axis],
      perModulus: movement / 2,
      formula: say`½ · p · ${mm(movement)} / E`,
      source: 'Lamé: Roark, 7th ed., table 13.5, case 1',
    })),
    buckling: inwards
      ? [
          {
            id: 'collapse',
            title: 'Ring buckles inwards',
            direction: ALONG.width,
            criticalPerModulus: collapsePerModulus(wallMm, radii.meanMm, stiffening),
            actionPerStress: 1 / hoop,
            lines: [
              {
                symbol: 't/R',
                meaning: 'Wall over mean radius',
                value: wallMm / radii.meanMm,
                unit: '×',
                source: 'p = s·E·t³ / (4·R³), Roark, 7th ed., table 15.2, case 19a',
              },
              {
                symbol: 's',
                meaning: 'Stiffer than a narrow ring, whose edges curl freely',
                value: stiffening,
                unit: '×',
                source: '1 … 1/(1 − ν²): Ashwell, J. R. Aeronaut. Soc. 54 (1950) 708',
              },
            ],
          },
        ]
      : [],
  });
}
