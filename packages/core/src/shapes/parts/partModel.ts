import type { GeometryOf, LoadCase, LoadKind, PartGeometry, PartModelId, Statement } from '@anvilstone/schema';
import type { Fill } from '../infill/fill.ts';
import type { BendingDirection } from '../sections/section.ts';
import type { PartAxis, Direction } from './direction.ts';

/** What acts on the model: everything it answers is proportional to this. */
export type Action = 'force' | 'torque' | 'pressure';
export const ACTION_UNIT: Record<Action, string> = { force: 'N', torque: 'N·mm', pressure: 'MPa' };
/** What one unit of the action is called in formulas. */
export const ACTION_SYMBOL: Record<Action, string> = { force: 'F', torque: 'T', pressure: 'p' };

/** The field of a load case that says how large it is; `knock` is an energy, or a mass and a height. */
export type SizeField = Extract<keyof LoadCase, 'forceN' | 'torqueNmm' | 'pressureMPa' | 'displacementMm' | 'angleDeg'>;
export type SizeKind = SizeField | 'knock';

/** One line of shown arithmetic. With `perUnit` the value is multiplied by the action. */
export interface ShownLine {
  symbol: string;
  meaning: string;
  value: number;
  unit: string;
  perUnit?: boolean;
  formula?: Statement;
  source?: string;
}

/** One place where a part may fail. Stresses are per unit of the action, MPa, with the concentration already in them. */
export interface StressPlace {
  id: string;
  title: string;
  /** Of the normal stress. */
  direction: Direction;
  tensionPerUnit: number;
  compressionPerUnit: number;
  shearPerUnit: number;
  /** Planes that the shear tries to slide, by the axes they face. */
  shearPlanes: readonly PartAxis[];
  /** Share of the normal stress that bending makes; the rest pulls evenly. Present where strands in the faces take some of it. */
  bentShare?: number;
  /** Stress concentration within the tension, ≥ 1. */
  concentration: number;
  lines: readonly ShownLine[];
}

/** A share of the movement that one modulus answers for: movement = perModulus · action / modulus. */
export interface ComplianceTerm {
  title: string;
  direction: Direction;
  /** mm·MPa (or °·MPa) per unit of the action. */
  perModulus: number;
  formula: Statement;
  source: string;
}

/** A way to buckle: the action at which it starts is `criticalPerModulus` · modulus along `direction`. */
export interface Buckling {
  id: string;
  title: string;
  direction: Direction;
  criticalPerModulus: number;
  /** Action at which the compressive stress is 1 MPa: above a stress of half the strength, Johnson’s parabola takes over. */
  actionPerStress: number;
  lines: readonly ShownLine[];
}

/** What the model answers to its action in one direction. */
export interface PartResponse {
  places: readonly StressPlace[];
  /** Empty: this model does not tell how far it moves. */
  complianceTerms: readonly ComplianceTerm[];
  /** Shear deflection: movement = perModulus · action / G, and the axes whose planes it works on. */
  shear: { perModulus: number; planes: readonly PartAxis[]; formula: Statement; source: string } | undefined;
  buckling: readonly Buckling[];
  /** Force across the part per unit of the action, where it is bent; 0: not told. */
  shearForcePerUnit: number;
  /** Movement per unit of the action of something in line that is not printed, such as a bolt: it does not creep. */
  seriesPerUnit: number;
  /** Area that has to tear for the part to come apart, mm². */
  tearAreaMm2: number;
}

/** A part model with its dimensions filled in. */
/** Of the span: small-deflection theory ends about here (Roark, 8.1: errors of a few per cent). */
export const SMALL_SHARE = 0.1;

export interface PartBody {
  volumeMm3: number;
  extentMm: Record<PartAxis, number>;
  action: Action;
  /** How its movement is called and measured. */
  movement: { title: Statement; unit: 'mm' | '°' };
  /**
   * Movement that the formulas hold to, mm: a tenth of the span, the diameter or the shorter side of what bends. Beyond it nothing is told.
   * Absent: it hardly moves, or moves by force.
   */
  movementRangeMm?: number;
  /** What that is. @default 'a tenth of its span' */
  movementRangeOf?: string;
  /** Radius at which a turning movement is measured, mm: movement ÷ radius is the angle it turns by. Absent: it does not turn. */
  movementRadiusMm?: number;
  /** Thickness of its thinnest wall, mm: ratings by thickness are judged there. */
  thinnestMm: number;
  /** Force in N that one unit of the action stands for, where something is held by it; absent: no such force. */
  holdNPerUnit?: number;
  /** Slope that it is pushed over, °, where closing it takes a push. */
  leadAngleDeg?: number;
  /** Height that is squeezed, mm: present where the limit is how far a cushion may be squeezed. */
  squeezedHeightMm?: number;
  /** Flanks that slide under load. */
  sliding?: { pressurePerUnit: number; speedMPerS: number; running: 'dry' | 'greased' | undefined; formula: Statement };
  /** A hot body that it touches, and for how long in total. */
  contact?: {
    otherEffusivity: number;
    otherTemperatureC: number;
    ownTemperatureC: number;
    /** One touch, and all that it has to last. */
    touchH: number;
    touches: number;
    /** Share of the time that it is touched; 0: it cools all the way between touches. */
    duty: number;
    totalH: number;
  };
  /** Responses by direction of the load; `depth` is always there. */
  responses: { depth: PartResponse } & Partial<Record<BendingDirection, PartResponse>>;
}

/** What the axes of a model are, in a few words each, for sentences such as “layers stacked along the arm”. */
export type AxisNames = Record<PartAxis, string>;

/** One module and one line in `partModels` each. */
export interface PartModel<M extends PartModelId = PartModelId> {
  id: M;
  title: string;
  /** What the part does, in the words by which an engineer picks it. */
  does: string;
  /** Everyday examples. */
  examples: string;
  axes: AxisNames;
  /** Kinds of load that it can be asked about, and the field that says how large each one is. */
  takes(geometry: GeometryOf<M>): Partial<Record<LoadKind, SizeKind>>;
  /** A sensible part to start from. */
  start: GeometryOf<M>;
  /** The dimension that may grow when the part is sized to pass. */
  freeDimension: string;
  /** It can be a shell around an infill. */
  takesFill?: true;
  /** It works by bending, so bending tests tell of it. */
  bends?: true;
  /** @throws InputError naming the dimension that cannot be used */
  body(geometry: GeometryOf<M>, fill?: Fill): PartBody;
}

/** As kept in the list, where the geometry’s own type is no longer known. */
export type AnyPartModel = Omit<PartModel, 'takes' | 'body' | 'start'> & {
  start: PartGeometry;
  takes(geometry: PartGeometry): Partial<Record<LoadKind, SizeKind>>;
  body(geometry: PartGeometry, fill?: Fill): PartBody;
};
