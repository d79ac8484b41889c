import { say, kelvins } from '@anvilstone/core/foundations';
import type { Conditioning, Crystallinity, EvidenceClass, Grade, Observation, Statement } from '@anvilstone/schema';
import type { Family, Morphology } from '../reference/family.ts';
import type { Reinforcement } from '../reference/reinforcement.ts';
import { canonicalValue } from '../resolving/canonicalValue.ts';
import type { CreepMaterial } from './creep.ts';
import { solidityOf, type Crystallising } from './crystals.ts';
import { annealingOf } from './annealing.ts';
import { familyHdtPoints, fillerEffects, stiffnessFactor } from '../resolving/familyEstimate.ts';
import { modulusCurve, type ModulusCurve } from './modulusCurve.ts';
import { fatigueLaw } from './fatigue.ts';
import { formLimit, type FormLimit, type Solidity } from './formLimit.ts';
import { conditioningRetention } from './moisture.ts';
import { moistCurve, moistGlassTransitionC } from './moistCurve.ts';
import { ownCreep } from './ownCreep.ts';
import { ownFatigue, type OwnFatigue } from './ownFatigue.ts';

/** Curves and exponents of one grade; all of them need the grade's family to be in the reference data. */
export interface Behaviour {
  curve: ModulusCurve;
  /** Where the heat deflection points came from. */
  hdtEvidence: EvidenceClass;
  hdtNote: Statement;
  creep: CreepMaterial;
  /** C where the grade's own creep readings were fitted, D where the family's parameters stand in. */
  creepEvidence: EvidenceClass;
  /** Repeated load; C where own readings stand behind it, D where it is the family’s. */
  fatigue: OwnFatigue;
  poisson: number;
  strengthExponent: number;
  staticFatigueLossPerDecade: number;
  /** With the water that is in it, °C. */
  glassTransitionC: number;
  continuousServiceC: number;
  /** What holds its shape together as it is used. */
  solidity: Solidity;
  /** Where it loses its shape whatever it carries. */
  form: FormLimit;
}

const MORPHOLOGY: Record<Solidity, (stated: Morphology) => Morphology> = {
  crystallised: () => 'semiCrystalline',
  amorphous: (stated) => (stated === 'support' ? 'support' : 'amorphous'),
  elastomer: () => 'elastomer',
};

/** Water that lifts the notched energy by this much has softened the polymer between its crystals. */
const PLASTICISED_FACTOR = 1.2;

/** Water in it, % of its mass. */
const waterOf = ({ waterAt23C50RhPct, waterSaturationPct }: Family, conditioning: Conditioning): number =>
  conditioning === 'wet' ? (waterSaturationPct ?? waterAt23C50RhPct) : conditioning === 'dry' ? 0 : waterAt23C50RhPct;

/** A heat deflection point so far above the glass transition was taken on a crystallised bar, K. */
const CRYSTALS_ABOVE_TG_K = 10;

export function behaviourOf(
  grade: Grade,
  family: Family,
  filler: Reinforcement | undefined,
  modulus: { value: number },
  strengthMPa: number | null,
  conditioning: Conditioning,
  crystallising: Crystallising = {},
): Behaviour {
  const annealing = crystallising.annealed ? annealingOf(family) : null;
  const solidity = solidityOf(family, crystallising);
  const glassTransitionC = ownTemperature(grade, 'glassTransition') ?? family.glassTransitionC;
  const meltingC = ownTemperature(grade, 'melting') ?? family.meltingC;
  const stated = ownHdtPoints(grade);
  // A bar of a slow crystalliser that held beyond the glass transition was crystallised: this part is, or it tells nothing of it.
  const fromCrystals = (point: HdtPoint) => isOfCrystals(point, family, glassTransitionC);
  const own = lowestAtEachStress(statedIn(solidity, stated, fromCrystals));
  const setAside = solidity === 'crystallised' ? 0 : stated.filter(fromCrystals).length;
  const crystallised = solidity === 'crystallised';
  // In an amorphous matrix filler multiplies what is left of the stiffness; between crystals it does more.
  const asNeat = own.length === 0 && solidity === 'amorphous' && filler !== undefined;
  const printed = own.length > 0 ? own : familyHdtPoints(family, asNeat ? undefined : filler, crystallised);
  const gainOf = (point: HdtPoint) =>
    !annealing || fromCrystals(point) || (family.printedAmorphous && own.length === 0) ? 0 : annealing.hdtGainC;
  const hdt = printed.map((point) => ({ ...point, temperatureC: point.temperatureC + gainOf(point) }));
  const gainK = Math.max(0, ...printed.map(gainOf));
  const curveMorphology = MORPHOLOGY[solidity](family.morphology);
  const effects = fillerEffects(family, filler)?.mechanical;
  const dryCurve = modulusCurve({
    // HDT bars are dry, so the curve is anchored to the dry modulus; the ratio then applies to any moisture state.
    modulus23MPa: modulus.value / conditioningRetention(family, 'modulus', conditioning),
    // A polymer that crystallises in the oven carries load beyond its glass transition, up to its melting point.
    morphology: curveMorphology,
    glassTransitionC,
    meltingC,
    hdt,
    measured: measuredRatios(grade),
    hdtIsFamily: own.length === 0,
    hdtIsOfNeat: asNeat,
    ...(effects ? { fillerStiffness: stiffnessFactor(family, effects.modulusXy) } : {}),
  });
  const isMoistPolyamide = conditioning !== 'dry' && family.impactFactorConditioned > PLASTICISED_FACTOR;
  const curve = isMoistPolyamide
    ? moistCurve(dryCurve, {
        glassTransitionC,
        modulusRetention: conditioningRetention(family, 'modulus', conditioning),
        strengthRetention: conditioningRetention(family, 'strength', conditioning),
        strengthExponent: family.temperatureStrengthExponent,
      })
    : dryCurve;
  const typical: CreepMaterial = {
    // Water between the chains lets a moist polymer creep as much more as it is softer.
    creepA:
      (family.creep.a * (effects?.creepA ?? 1) * (crystallised ? 1 : (family.printedAmorphous?.creepFactor ?? 1))) /
      conditioningRetention(family, 'modulus', conditioning),
    creepN: family.creep.n,
    activationKjPerMol: family.creep.activationKjPerMol,
    morphology: curveMorphology,
    glassTransitionC,
    ...(effects ? { fillerFactor: effects.creepA } : {}),
  };
  const { creepA, creepN, evidence: creepEvidence } = ownCreep(grade, typical, curve, modulus.value);
  const vicatC = ownVicatC(grade);
  const neatHdtC = familyHdtPoints(family, undefined, crystallised).at(-1)?.temperatureC;
  const form = formLimit({
    family,
    solidity,
    glassTransitionC,
    meltingC,
    heatDeflectionC:
      neatHdtC === undefined ? null : neatHdtC + (annealing && !family.printedAmorphous ? annealing.hdtGainC : 0),
    hasFibre: filler?.kind.includes('fibre') ?? false,
    ...(vicatC === undefined ? {} : { vicatC }),
    isOwn: solidity === 'amorphous' ? ownTemperature(grade, 'glassTransition') !== null : vicatC !== undefined,
  });
  const familyFatigue = fatigueLaw(family.fatigueFraction1e6, family.fatigueFraction1e7);
  return {
    curve,
    // What annealing adds is known of families only.
    hdtEvidence: own.length > 0 && gainK === 0 ? 'C' : 'D',
    hdtNote: say`${
      own.length > 0
        ? 'the grade’s own heat deflection temperature'
        : 'heat deflection temperature typical of the family'
    }${gainK > 0 ? say`, raised by ${kelvins(gainK)} by annealing (typical of the family)` : ''}${
      setAside > 0
        ? `; ${setAside} of its own left out: taken on crystallised bars, and as printed ${family.abbreviation} is amorphous`
        : ''
    }`,
    creepEvidence,
    creep: { ...typical, creepA, creepN },
    fatigue:
      strengthMPa === null ? { law: familyFatigue, evidence: 'D' } : ownFatigue(grade, familyFatigue, strengthMPa),
    poisson: family.poisson,
    strengthExponent: family.temperatureStrengthExponent,
    staticFatigueLossPerDecade: family.staticFatigueLossPerDecade,
    glassTransitionC: isMoistPolyamide
      ? moistGlassTransitionC(glassTransitionC, waterOf(family, conditioning))
      : glassTransitionC,
    continuousServiceC:
      ownTemperature(grade, 'continuousService') ??
      (crystallised ? (family.crystallisedServiceC ?? family.continuousServiceC) : family.continuousServiceC),
    solidity,
    form,
  };
}

/**
 * What tells of a part in a state: of an amorphous one what was taken on amorphous bars; of a crystallised one what was taken on
 * crystallised bars where any was, else all there is.
 */
function statedIn(solidity: Solidity, points: readonly HdtPoint[], fromCrystals: (point: HdtPoint) => boolean) {
  if (solidity !== 'crystallised') return points.filter((point) => !fromCrystals(point));
  const crystallised = points.filter(({ crystallinity }) => crystallinity === 'crystallised');
  return crystallised.length > 0 ? crystallised : points;
}

function lowestAtEachStress(points: readonly HdtPoint[]): HdtPoint[] {
  const lowest = new Map<number, HdtPoint>();
  for (const point of points) {
    const known = lowest.get(point.stressMPa);
    if (!known || point.temperatureC < known.temperatureC) lowest.set(point.stressMPa, point);
  }
  return [...lowest.values()];
}

/** Lowest Vicat softening under 10 N, °C; under 50 N, or a load that nobody states, it tells of stiffness. */
function ownVicatC(grade: Grade): number | undefined {
  const values = grade.observations
    .filter(({ property, vicatLoadN }) => property === 'vicatSoftening' && vicatLoadN === 10)
    .map(numberOf)
    .filter((value) => value !== undefined);
  return values.length > 0 ? Math.min(...values) : undefined;
}

interface HdtPoint {
  temperatureC: number;
  stressMPa: number;
  /** As the report states it. */
  crystallinity?: Crystallinity | undefined;
}

/** As stated; else a slow crystalliser that held beyond its glass transition had. */
const isOfCrystals = (
  { temperatureC, crystallinity }: HdtPoint,
  { printedAmorphous }: Family,
  glassTransitionC: number,
): boolean =>
  crystallinity
    ? crystallinity === 'crystallised'
    : printedAmorphous !== undefined && temperatureC > glassTransitionC + CRYSTALS_ABOVE_TG_K;

/** The heat deflection that a grade reports was taken on crystallised bars, though as printed it is amorphous. */
export function reportsCrystals(grade: Grade, family: Family): boolean {
  const tg = ownTemperature(grade, 'glassTransition') ?? family.glassTransitionC;
  return ownHdtPoints(grade).some((point) => isOfCrystals(point, family, tg));
}

/** Heat deflection points that state their stress; without one the number says nothing. The lowest at each stress in each state. */
function ownHdtPoints(grade: Grade): HdtPoint[] {
  const lowest = new Map<string, HdtPoint>();
  for (const observation of grade.observations) {
    const { property, hdtStressMPa: stressMPa, crystallinity } = observation;
    if (property !== 'heatDeflectionTemperature' || stressMPa === undefined) continue;
    const reading = canonicalValue(observation, 'heatDeflectionTemperature');
    if (!reading.ok) continue;
    const key = `${stressMPa} ${crystallinity ?? ''}`;
    const known = lowest.get(key);
    if (!known || reading.value < known.temperatureC)
      lowest.set(key, { stressMPa, temperatureC: reading.value, crystallinity });
  }
  return [...lowest.values()];
}

function ownTemperature(grade: Grade, property: 'glassTransition' | 'melting' | 'continuousService'): number | null {
  const values = grade.observations
    .filter((observation) => observation.property === property)
    .map((observation) => numberOf(observation))
    .filter((value) => value !== undefined);
  return values.length > 0 ? Math.min(...values) : null;
}

/**
 * Moduli at other temperatures over the same method's modulus at 23 °C in the same direction, in rising temperature. Of
 * several at room temperature the lowest counts, so that the order in which they were written down does not matter.
 */
function measuredRatios(grade: Grade): { temperatureC: number; ratio: number }[] {
  const ratios: { temperatureC: number; ratio: number }[] = [];
  for (const property of ['tensileModulus', 'flexuralModulus'] as const) {
    const points = grade.observations.filter(
      (observation) => observation.property === property && observation.orientation !== 'ZX',
    );
    for (const point of points) {
      if (isAtRoom(point)) continue;
      const value = numberOf(point);
      const atRoom = points
        .filter((other) => isAtRoom(other) && (other.orientation ?? null) === (point.orientation ?? null))
        .map(numberOf)
        .filter((one) => one !== undefined && one > 0);
      if (value && atRoom.length > 0) {
        ratios.push({ temperatureC: point.temperatureC!, ratio: value / Math.min(...(atRoom as number[])) });
      }
    }
  }
  return ratios.sort((a, b) => a.temperatureC - b.temperatureC || a.ratio - b.ratio);
}

function isAtRoom(observation: Observation): boolean {
  return Math.abs((observation.temperatureC ?? 23) - 23) <= 3;
}

function numberOf(observation: Observation): number | undefined {
  const reading = canonicalValue(observation, observation.property);
  return reading.ok ? reading.value : undefined;
}
