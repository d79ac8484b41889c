import type { Brief, Grade, LoadCase } from '@anvilstone/schema';
import { covOf, heatScatterK, type MaterialFactor } from '../probability/scatter.ts';
import type { Dimension } from '@anvilstone/core/foundations';
import type { Material } from '@anvilstone/core/materials';
import { freeSize } from '@anvilstone/core/shapes';

/** How an input changes what is evaluated: the brief for every grade, or one thing about the leading grade alone. */
export type Change =
  | { of: 'brief'; brief: Brief }
  | { of: 'value'; factor: MaterialFactor; by: number }
  | { of: 'heat'; shiftK: number }
  | { of: 'price'; pricePerKgUsd: number };

/** Something that may be other than it was taken to be. */
export interface SensitiveInput {
  id: string;
  title: string;
  dimension: Dimension;
  /** As taken, canonical unit. */
  now: number;
  /** One coefficient of variation down and up, canonical unit. */
  low: number;
  high: number;
  /** How far a change of the winner is sought. */
  bounds: readonly [number, number];
  /** Steps of the search are equal in ratio, or else in difference. */
  byRatio: boolean;
  changeTo(value: number): Change;
}

/** Loads are taken to be known within this share: the same as in the chance. */
const LOAD_COV = 0.1;
const PRICE_COV = 0.15;
const SIZE_SHARE = 0.05;
const SERVICE_K = 5;
const WIDEST_K = 60;

const SIZES: readonly [
  keyof LoadCase &
    (`${string}N` | `${string}mm` | `${string}MPa` | `${string}Mm` | `${string}Deg` | `${string}J` | `${string}G`),
  Dimension,
][] = [
  ['forceN', 'force'],
  ['torqueNmm', 'torque'],
  ['pressureMPa', 'stress'],
  ['displacementMm', 'length'],
  ['angleDeg', 'angle'],
  ['energyJ', 'energy'],
  ['fallingMassG', 'mass'],
];

/** Everything that is varied for a brief and the grade that leads. */
export function sensitiveInputs(brief: Brief, leader: Grade, material: Material): SensitiveInput[] {
  return [
    ...brief.loadCases.flatMap((load, index) => loadInputs(brief, load, index)),
    ...heatInputs(brief),
    ...sizeInput(brief),
    ...leaderInputs(leader, material),
  ];
}

function ratioInput(
  about: Pick<SensitiveInput, 'id' | 'title' | 'dimension' | 'now' | 'changeTo'>,
  cov: number,
  widest: number,
): SensitiveInput {
  const { now } = about;
  return {
    ...about,
    low: now * (1 - cov),
    high: now * (1 + cov),
    bounds: [now / widest, now * widest],
    byRatio: true,
  };
}

function loadInputs(brief: Brief, load: LoadCase, index: number): SensitiveInput[] {
  const withLoad = (change: Partial<LoadCase>): Change => ({
    of: 'brief',
    brief: { ...brief, loadCases: brief.loadCases.map((one, i) => (i === index ? { ...one, ...change } : one)) },
  });
  const size = SIZES.find(([field]) => load[field] !== undefined);
  const found: SensitiveInput[] = [];
  if (size) {
    const [field, dimension] = size;
    found.push(
      ratioInput(
        {
          id: `load ${load.id}`,
          title: load.name,
          dimension,
          now: load[field] as number,
          changeTo: (value) => withLoad({ [field]: value }),
        },
        LOAD_COV,
        5,
      ),
    );
  }
  if ((load.kind ?? 'lasting') === 'lasting')
    found.push({
      id: `time ${load.id}`,
      title: `${load.name}: duration`,
      dimension: 'time',
      now: load.durationH,
      low: load.durationH / 2,
      high: load.durationH * 2,
      bounds: [load.durationH / 100, load.durationH * 100],
      byRatio: true,
      changeTo: (durationH) => withLoad({ durationH }),
    });
  return found;
}

/** All temperatures of the brief together: nobody errs in one of them alone. */
function heatInputs(brief: Brief): SensitiveInput[] {
  const { heat } = brief.asks;
  const warmest = Math.max(
    heat?.steadyC ?? -Infinity,
    heat?.peak?.temperatureC ?? -Infinity,
    ...brief.loadCases.map((load) => load.temperatureC),
  );
  if (!Number.isFinite(warmest)) return [];
  return [
    {
      id: 'service-temperature',
      title: 'Highest temperature, others shifted with it',
      dimension: 'temperature',
      now: warmest,
      low: warmest - SERVICE_K,
      high: warmest + SERVICE_K,
      bounds: [warmest - WIDEST_K, warmest + WIDEST_K],
      byRatio: false,
      changeTo: (value) => ({ of: 'brief', brief: warmedBy(brief, value - warmest) }),
    },
  ];
}

/** Every load and every asked temperature moved by some kelvin; what has to stand the cold stays. */
export function warmedBy(brief: Brief, kelvin: number): Brief {
  const { heat } = brief.asks;
  const within = (temperatureC: number) => Math.min(400, Math.max(-80, temperatureC + kelvin));
  const warmed = heat && {
    ...heat,
    ...(heat.steadyC === undefined ? {} : { steadyC: within(heat.steadyC) }),
    ...(heat.peak === undefined ? {} : { peak: { ...heat.peak, temperatureC: within(heat.peak.temperatureC) } }),
  };
  return {
    ...brief,
    asks: { ...brief.asks, ...(warmed ? { heat: warmed } : {}) },
    loadCases: brief.loadCases.map((load) => ({ ...load, temperatureC: within(load.temperatureC) })),
  };
}

function sizeInput(brief: Brief): SensitiveInput[] {
  const free = freeSize(brief.part);
  if (!free) return [];
  return [
    ratioInput(
      {
        id: 'size',
        title: free.title,
        dimension: 'length',
        now: free.valueMm,
        changeTo: (value) => ({ of: 'brief', brief: { ...brief, part: free.with(value) } }),
      },
      SIZE_SHARE,
      2,
    ),
  ];
}

function leaderInputs(leader: Grade, material: Material): SensitiveInput[] {
  const { modulus, strength, behaviour, family } = material;
  const value = (factor: MaterialFactor, title: string, now: number) =>
    ratioInput(
      {
        id: `grade ${factor}`,
        title,
        dimension: 'stress',
        now,
        changeTo: (to) => ({ of: 'value', factor, by: to / now }),
      },
      covOf(material, factor),
      4,
    );
  const found: SensitiveInput[] = [];
  if (modulus.inPlane.known) found.push(value('modulus', 'Its in-plane modulus', modulus.inPlane.value));
  if (strength.inPlane.known) found.push(value('strength', 'Its in-plane strength', strength.inPlane.value));
  if (strength.across.known) found.push(value('across', 'Its interlayer strength', strength.across.value));
  if (behaviour) {
    const spread = heatScatterK(material);
    found.push({
      id: 'grade heat',
      title: 'Its heat deflection points, shifted by',
      dimension: 'temperatureDifference',
      now: 0,
      low: -spread,
      high: spread,
      bounds: [-WIDEST_K, WIDEST_K],
      byRatio: false,
      changeTo: (shiftK) => ({ of: 'heat', shiftK }),
    });
  }
  const price =
    leader.pricePerKgUsd ?? (family && family.pricePerKgUsd.mid * (material.filler?.priceFactor ?? 1)) ?? null;
  if (price !== null)
    found.push(
      ratioInput(
        {
          id: 'grade price',
          title: 'Its price',
          dimension: 'price',
          now: price,
          changeTo: (pricePerKgUsd) => ({ of: 'price', pricePerKgUsd }),
        },
        PRICE_COV,
        5,
      ),
    );
  return found;
}
