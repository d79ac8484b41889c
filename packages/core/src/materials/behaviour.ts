import type { Conditioning, EvidenceClass, Grade, Observation } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';
import type { Reinforcement } from '../reference/reinforcement.ts';
import { canonicalValue } from './canonicalValue.ts';
import type { CreepMaterial } from './creep.ts';
import { annealingOf } from '../process/annealing.ts';
import { familyHdtPoints, fillerEffects } from './familyEstimate.ts';
import { modulusCurve, type ModulusCurve } from './modulusCurve.ts';
import { fatigueLaw } from './fatigue.ts';
import { conditioningRetention } from './moisture.ts';
import { ownCreep } from './ownCreep.ts';
import { ownFatigue, type OwnFatigue } from './ownFatigue.ts';

/** Curves and exponents of one grade; all of them need the grade's family to be in the reference data. */
export interface Behaviour {
  curve: ModulusCurve;
  /** Where the heat deflection points came from. */
  hdtEvidence: EvidenceClass;
  hdtNote: string;
  creep: CreepMaterial;
  /** C where the grade's own creep readings were fitted, D where the family's parameters stand in. */
  creepEvidence: EvidenceClass;
  /** Repeated load; C where own readings stand behind it, D where it is the family’s. */
  fatigue: OwnFatigue;
  poisson: number;
  strengthExponent: number;
  staticFatigueLossPerDecade: number;
  glassTransitionC: number;
  continuousServiceC: number;
}

export function behaviourOf(
  grade: Grade,
  family: Family,
  filler: Reinforcement | undefined,
  modulus: { value: number },
  strengthMPa: number | null,
  conditioning: Conditioning,
  annealed = false,
): Behaviour {
  const own = ownHdtPoints(grade);
  const printed = own.length > 0 ? own : familyHdtPoints(family, filler);
  const annealing = annealed ? annealingOf(family) : null;
  const hdt = annealing
    ? printed.map((point) => ({ ...point, temperatureC: point.temperatureC + annealing.hdtGainC }))
    : printed;
  const glassTransitionC = ownTemperature(grade, 'glassTransition') ?? family.glassTransitionC;
  const effects = fillerEffects(family, filler)?.mechanical;
  const curve = modulusCurve({
    // HDT bars are dry, so the curve is anchored to the dry modulus; the ratio then applies to any moisture state.
    modulus23MPa: modulus.value / conditioningRetention(family, 'modulus', conditioning),
    // A polymer that crystallises in the oven carries load beyond its glass transition, up to its melting point.
    morphology: annealing?.crystallises ? 'semiCrystalline' : family.morphology,
    glassTransitionC,
    meltingC: ownTemperature(grade, 'melting') ?? family.meltingC,
    hdt,
    measured: measuredRatios(grade),
    hdtIsFamily: own.length === 0,
  });
  const typical: CreepMaterial = {
    creepA: family.creep.a * (effects?.creepA ?? 1),
    creepN: family.creep.n,
    activationKjPerMol: family.creep.activationKjPerMol,
    morphology: family.morphology,
    glassTransitionC,
  };
  const { creepA, creepN, evidence: creepEvidence } = ownCreep(grade, typical, curve, modulus.value);
  const familyFatigue = fatigueLaw(family.fatigueFraction1e6, family.fatigueFraction1e7);
  return {
    curve,
    // What annealing adds is known of families only.
    hdtEvidence: own.length > 0 && !annealing ? 'C' : 'D',
    hdtNote: `${
      own.length > 0
        ? 'the grade’s own heat deflection temperature'
        : 'heat deflection temperature typical of the family'
    }${annealing ? `, raised by ${annealing.hdtGainC} K by annealing (typical of the family)` : ''}`,
    creepEvidence,
    creep: { ...typical, creepA, creepN },
    fatigue:
      strengthMPa === null ? { law: familyFatigue, evidence: 'D' } : ownFatigue(grade, familyFatigue, strengthMPa),
    poisson: family.poisson,
    strengthExponent: family.temperatureStrengthExponent,
    staticFatigueLossPerDecade: family.staticFatigueLossPerDecade,
    glassTransitionC,
    continuousServiceC: ownTemperature(grade, 'continuousService') ?? family.continuousServiceC,
  };
}

/** Heat deflection points that state their stress; without one the number says nothing. The lowest at each stress. */
function ownHdtPoints(grade: Grade): { temperatureC: number; stressMPa: number }[] {
  const lowest = new Map<number, number>();
  for (const observation of grade.observations) {
    if (observation.property !== 'heatDeflectionTemperature' || observation.hdtStressMPa === undefined) continue;
    const reading = canonicalValue(observation, 'heatDeflectionTemperature');
    if (!reading.ok) continue;
    const temperatureC = reading.value;
    const known = lowest.get(observation.hdtStressMPa);
    lowest.set(observation.hdtStressMPa, known === undefined ? temperatureC : Math.min(known, temperatureC));
  }
  return [...lowest].map(([stressMPa, temperatureC]) => ({ stressMPa, temperatureC }));
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
