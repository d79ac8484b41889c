import type {
  BuildOrientation,
  Findings,
  Observation,
  PropertyId,
  RigSetUp,
  Specimen,
  Statement,
} from '@anvilstone/schema';
import type { Material } from '../../../materials/behaviour/material.ts';
import type { Dimension } from '../../../foundations/units/dimensions.ts';

export type SizeId = Exclude<keyof RigSetUp, 'agentId'>;
export type Sizes = Readonly<Partial<Record<SizeId, number>>>;

export interface SizeField {
  id: SizeId;
  title: string;
  dimension: Dimension;
  typical: number;
}

/** What one specimen gives, in the canonical unit of its dimension. */
export interface Outcome {
  id: string;
  title: string;
  dimension: Dimension;
  /** The observation it becomes; absent: it is compared and kept, but no property of the library. */
  property?: PropertyId;
  /** The conditions that the observation states. */
  conditions?(sizes: Sizes, found: Findings): Partial<Observation>;
  /**
   * The property is not read but worked back through the part’s model: the strength with which the model would have told the load.
   */
  throughModel?: true;
  /** The property is a class: which one a mean stands for, and what it is where a specimen came to harm. */
  classOf?: { of(mean: number): string; harmed: string };
  /** It is what the specimen broke at: its scatter is that of failures. */
  breaks?: true;
  /** Undefined: this specimen did not give it. */
  of(found: Findings, sizes: Sizes): number | undefined;
}

export interface PredictionInput {
  material: Material;
  orientation: BuildOrientation;
  sizes: Sizes;
}
export interface Prediction {
  known: true;
  /** As the first outcome of the method counts. */
  value: number;
  /** Scatter of one specimen about it and doubt of it, as a share. */
  cov: number;
  /** Force on the specimen when it gives, N, where there is one: what gauge and rig have to bear. */
  forceN?: number;
  /** Where it is expected to go, in words. */
  place: Statement;
}
export type Predicted = Prediction | { known: false; gaps: readonly Statement[] };

export type Rig =
  | 'pull'
  | 'bend'
  | 'part'
  | 'weight'
  | 'twist'
  | 'pendulum'
  | 'drop'
  | 'oven'
  | 'bath'
  | 'rub'
  | 'meter'
  | 'outside';

/**
 * How one thing is tested: what it settles, what is needed, step by step, what it gives and what is expected. One module and one line in
 * a list; the interface, the stand-in rig and the statistics all read it.
 */
export interface TestMethod {
  id: string;
  title: string;
  /** The question that it answers. */
  settles: string;
  /** Force over movement, movement over time, one number, or looks at things left in a real place. */
  capture: 'force' | 'time' | 'number' | 'looks';
  rig: Rig;
  /** A coupon of the sizes below, or the part itself. */
  tests: 'coupon' | 'part';
  sizes: readonly SizeField[];
  needs: readonly Statement[];
  steps: readonly Statement[];
  cautions: readonly string[];
  /** Of those, the ones whose numbers its result changes once it is taken in; none: it is kept and compared, for information only. */
  moves: readonly string[];
  /** The fluid has to be named. */
  asksFluid?: true;
  outcomes: readonly Outcome[];
  /** What the one number is, where `capture` is a number. */
  number?: { title: string; dimension: Dimension };
  /** Times at which a movement is read, s, where `capture` is a time; `unloadedS` after the load came off. */
  times?: { loadedS: readonly number[]; unloadedS: readonly number[] };
  predict(input: PredictionInput): Predicted;
  /** Material in one coupon, mm³. */
  volumeMm3?(sizes: Sizes): number;
  /** Which size makes it stronger, and by which power of that size its breaking load grows. */
  resize?: { size: SizeId; power: number; least: number };
  /** Minutes at the rig for one specimen, apart from waiting. */
  handsOnMin: number;
  /** A test method that it follows as far as a workshop can. */
  after?: string;
}

export const STORED_ENERGY = [
  'Stored energy: stand clear and to the side, never in line with the pull. Put a clear shield between you and the specimen.',
  'Tether both grips, so that nothing flies when it parts. Wear eye protection: shards go far.',
  'Load slowly and by hand. Keep hands out of the rig while it is loaded.',
];
export const HOT = ['Hot oven, hot weights: gloves. Never leave a hot plastic unattended; ventilate.'];
export const WEIGHT_FALLS = [
  'The weight will fall sooner or later: catch it a hand’s breadth below, on something soft. Keep feet away.',
];

export const direction = (orientation: BuildOrientation) =>
  orientation === 'ZX' ? ('across' as const) : ('in-plane' as const);
export const testedAtC = (sizes: Sizes) => sizes.temperatureC ?? 23;
/** What a specimen measured itself takes the place of what the set-up says. */
export function sizesOf(setUp: RigSetUp, specimen: Pick<Specimen, 'widthMm' | 'thicknessMm'>): Sizes {
  const { agentId: _fluid, ...sizes } = setUp;
  return {
    ...sizes,
    ...(specimen.widthMm === undefined ? {} : { widthMm: specimen.widthMm }),
    ...(specimen.thicknessMm === undefined ? {} : { thicknessMm: specimen.thicknessMm }),
  };
}

/** Sizes that a method cannot do without. Undefined: one is missing. */
export function all<const K extends SizeId>(sizes: Sizes, ...ids: K[]): Record<K, number> | undefined {
  return ids.every((id) => sizes[id] !== undefined) ? (sizes as Record<K, number>) : undefined;
}

export const missing = (...what: Statement[]): Predicted => ({ known: false, gaps: what });

/** Specimens of one print differ by so much besides what the property’s own doubt is (class D). */
export const SPECIMEN_COV = { inPlane: 0.05, across: 0.12, impact: 0.2, time: 0.08 };
