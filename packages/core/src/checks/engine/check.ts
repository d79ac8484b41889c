import type { Agent, Brief, BuildOrientation, EvidenceClass, LoadCase, LoadKind, Statement } from '@anvilstone/schema';
import type { Working } from '@anvilstone/core/foundations';
import type { Cost, CostLine, MachineFit } from '@anvilstone/core/machines';
import type { CompleteRules, Material } from '@anvilstone/core/materials';
import type { Direction, PartBody, PartResponse, SizeKind, Fill, LaidFibre } from '@anvilstone/core/shapes';
import type { LayerStress, LayerStressPlaces } from './layerStress.ts';
import type { Compliance } from './compliance.ts';
import type { Weathering } from '../surroundings/weathering.ts';
import type { CheckFacts } from './checkFacts.ts';
import type { CheckOutcome } from './checkOutcome.ts';

/** A load of the brief with what the part answers to it, made ready once for all grades. */
export interface PreparedLoad {
  loadCase: LoadCase;
  kind: LoadKind;
  size: SizeKind;
  /** What `size` says: N, N·mm, MPa, mm or °; NaN for a knock. */
  amount: number;
  /** The model’s answer in this load’s direction, and its number among the part’s directions. */
  response: PartResponse;
  directionIndex: number;
  /** Strands are laid to bear some of it. */
  fibre?: true;
  /** Loads that act at the same time: it stands for all of them, and only checks of combinations read it. */
  together?: readonly PreparedLoad[];
}

/** A brief made ready for one build orientation: what does not depend on the grade. */
export interface PreparedPart {
  brief: Brief;
  /** The direction in which its layers are stacked. */
  up: Direction;
  body: PartBody;
  loads: readonly PreparedLoad[];
  /** Loads that act at the same time, each combination as one. */
  combined: readonly PreparedLoad[];
  /** Further models of the same part, each with its own loads; built up the same way. */
  features: readonly PreparedPart[];
  /** The directions that its loads use. */
  responses: readonly PartResponse[];
  /** Continuous strands as they lie in this orientation; absent: none are asked for. */
  fibre?: LaidFibre;
  /** What is inside of its skin; absent: it is solid. */
  fill?: Fill;
  /** Where it is stressed, by direction of the load. */
  layerStresses: readonly LayerStressPlaces[];
}

/** One grade in one orientation on one machine, with everything resolved once. */
export interface CheckContext {
  part: PreparedPart;
  brief: Brief;
  rules: CompleteRules;
  material: Material;
  body: PartBody;
  /** Of several build orientations the one it is called by; a tilted part carries the nearest. */
  orientation: BuildOrientation;
  /** Movement per unit of the action at 23 °C, by direction of the load. */
  compliances: readonly Compliance[];
  layerStresses: readonly LayerStressPlaces[];
  /** Undefined: the workshop has no machine to try, or the family's process is not known. */
  fit: MachineFit | undefined;
  massG: number | null;
  cost: Cost | null;
  /** The components of the cost with their arithmetic; empty: it is not known. */
  costLines(): readonly CostLine[];
  priceIsFamilyEstimate: boolean;
  /** What was found of its heat limits so far; `{}` at first, and again wherever anything of the context is changed. */
  heatLimits: FoundHeatLimits;
  /** An agent of the workshop's own or of the reference table; undefined: neither knows it. */
  agent(id: string): Agent | undefined;
  /** What sun and weather leave of the strength; undefined: it is not asked to stand in the open. */
  weathering: Weathering | undefined;
}

/**
 * Kept in the context itself, which lives as short as they do: a weak map of contexts costs the garbage collector a tenth
 * of an evaluation.
 */
interface FoundHeatLimits {
  /** The limit for loads that act at most `longestH`: the check and the entry ask for the same one. */
  limits?: { longestH: number; limit: HeatLimit | { gaps: readonly Statement[] } }[];
  /** The last search up to `toC`, which serves all times that ask the same of its loads. */
  search?: {
    asks: readonly CheckUnderLoad[];
    reserves: ReserveByTemperature;
    toC: number;
    found: Pick<HeatLimit, 'limitC' | 'decides'>;
  };
}

/** One check of one load that acts when the part is hot, for as long as it acts. */
export interface CheckUnderLoad {
  check: CaseCheck;
  load: PreparedLoad;
  durationH: number;
  temperatureDependence: TemperatureDependence | undefined;
}

/** Natural logarithm of the minimum reserve as a function of temperature alone, and who has it. */
export interface ReserveByTemperature {
  /** The same at 23 °C, where every ask was evaluated in full. */
  logAtRoom: number;
  logAt(temperatureC: number): number;
  /** The ask with the minimum reserve at a temperature; undefined when nothing is asked or loaded. */
  leastAt(temperatureC: number): CheckUnderLoad | undefined;
}

export interface HeatLimit {
  /** The lowest of all three, °C; −80 when the loads are not carried even there. */
  limitC: number;
  /** Which of the three it is: its loads, its shape, or air. */
  governs: 'load' | 'form' | 'ageing';
  /** Temperature at which the first check of its loads, or of its shape, reaches reserve 1, °C. */
  unagedC: number;
  /** Temperature that air ages it too far at in `hours`, °C. */
  ageingC: number;
  hours: number;
  /** Worked out when it is asked: most limits are shown as a number alone. */
  decides(): HeatLimitCause;
}

/** What a heat limit comes from. */
export interface HeatLimitCause {
  /** Title of what governs. */
  first: string;
  loadCaseId: string;
  evidence: EvidenceClass;
}

/** One module and one line in `checks` each. */
export interface Check extends CheckFacts {
  id: string;
  title: string;
  /** What it asks, in one plain sentence. */
  asks: string;
  /** How demand and capacity are said, where the unit alone does not tell: “Impact energy …, absorbs …”. */
  words?: readonly [demand: string, capacity: string];
  /** Its capacity is a limit that is asked for, and its demand what the part comes to; else the other way round. */
  isLimit?: true;
  applies(part: PreparedPart): boolean;
  /** The build orientation changes nothing about it: one outcome serves all orientations of a grade. */
  anyWayUp?: true;
  /** `working` collects the arithmetic of the governing load case; the ranking path passes none. */
  evaluate(context: CheckContext, working?: Working): CheckOutcome;
}

/** Demand and capacity of one load case at one temperature and duration, and where it is decided. */
export type CaseOutcome =
  | {
      kind: 'known';
      demand: number;
      capacity: number;
      evidence: EvidenceClass;
      /** Which of the part's stresses decides. */
      layerStress?: LayerStress | undefined;
      placeId?: string;
      /** Takes the place of capacity ÷ demand, where that would not be a reserve. */
      reserve?: number;
      reason?: Statement;
    }
  | { kind: 'unknown'; gaps: readonly Statement[] }
  | { kind: 'not-loaded' };

/**
 * Simple laws of a reserve over temperature: as the strength does, (E/E₂₃)^m; as the stiffness does, E/E₂₃; or as stiffness
 * and creep together do, E/E₂₃ over the growth of deflection.
 */
type TemperatureDependence = 'strength' | 'stiffness' | 'creep';

/** A check that is made load case by load case and depends on temperature: the service temperature limit reads these too. */
export interface CaseCheck extends Omit<Check, 'applies' | 'evaluate'> {
  unit: string | ((body: PartBody) => string);
  /** Heat takes away from it, so it counts for the part's service temperature limit. */
  limitsHeat: boolean;
  /** How its reserve goes with temperature, where that is one of the simple laws; absent or undefined: ask at each. */
  temperatureDependence?(load: PreparedLoad): TemperatureDependence | undefined;
  appliesTo(load: PreparedLoad, body: PartBody): boolean;
  /** Made for loads that act at the same time, and for those alone. */
  ofCombinations?: true;
  /** In the list of checks it is asked of such loads only; in heat of all. */
  asksOnlyWarm?(load: PreparedLoad): boolean;
  /** The one place of its arithmetic; `working`, where somebody asks for it, takes down each step with the very numbers that count. */
  at(
    context: CheckContext,
    load: PreparedLoad,
    temperatureC: number,
    durationH: number,
    working?: Working,
  ): CaseOutcome;
}
