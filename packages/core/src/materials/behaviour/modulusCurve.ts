import type { Statement } from '@anvilstone/schema';
import type { Morphology } from '../reference/family.ts';
import { pchip, say, megapascals, kelvins } from '@anvilstone/core/foundations';
import { modulusAtHdtMPa } from './modulusAtHdt.ts';

export const REFERENCE_TEMPERATURE_C = 23;
/** Modulus left at the rubbery end of the curve of an unfilled grade, MPa. */
export const RUBBERY_MODULUS_MPA = 3;
/** Fall of a glassy modulus per K above 23 °C before the polymer lets go. */
const GLASSY_SLOPE_PER_K = 0.0025;
/** Grades whose glass transition lies above this keep their stiffness until they let go: the curve gets a knee. */
const KNEE_ABOVE_TG_C = 58;

/**
 * Rise of log10 E per K below 23 °C. A glassy polymer gains about 15 % down to −30 °C, a semi-crystalline one that
 * passes its glass transition about 30 %, an elastomer several times. Typical, evidence class D.
 */
const COLD_SLOPE_DECADES_PER_K: Record<Morphology, number> = {
  amorphous: 0.0011,
  semiCrystalline: 0.0022,
  elastomer: 0.011,
  support: 0.0011,
};

/** `between`: no point of anybody's, only on the way from one to the next. */
export type KnotKind = 'reference' | 'knee' | 'hdt' | 'measured' | 'family' | 'rubbery' | 'between';
export interface Knot {
  temperatureC: number;
  modulusMPa: number;
  kind: KnotKind;
  note: Statement;
}

export interface ModulusCurveInput {
  modulus23MPa: number;
  morphology: Morphology;
  glassTransitionC: number;
  meltingC: number | null;
  hdt: readonly { temperatureC: number; stressMPa: number }[];
  /** Measured moduli as a share of the modulus at 23 °C, so that any specimen's orientation may be used. */
  measured: readonly { temperatureC: number; ratio: number }[];
  /** HDT points are from the family and not from the grade. */
  hdtIsFamily?: boolean;
  /** They are of the polymer alone: the filled grade is `fillerStiffness` times as stiff there. @default false */
  hdtIsOfNeat?: boolean;
  /** How many times as stiff as the polymer alone its filler makes it: what is left above the glass transition is, too. @default 1 */
  fillerStiffness?: number;
}

export interface ModulusCurve {
  knots: readonly Knot[];
  dropped: readonly Knot[];
  endC: number;
  /** E(T)/E23. Above the rubbery end that end's value is held: there is no useful stiffness left. */
  ratio(temperatureC: number): number;
  /** Natural logarithm of the same, for whoever multiplies powers of it. */
  logRatio(temperatureC: number): number;
}

/**
 * Modulus over temperature: monotone cubic through log10 E at 23 °C, a knee for glassy grades, each heat deflection
 * point, measured points (which replace the knee) and the rubbery end; straight in log E below 23 °C.
 * Points that would make the modulus rise with temperature are dropped and reported.
 * Range: −80 °C to the melting point or glass transition + 15. The moduli must be positive (checked by the caller).
 */
export function modulusCurve(input: ModulusCurveInput): ModulusCurve {
  const e23 = input.modulus23MPa;
  const { kept, dropped } = keepFalling(candidateKnots(input));
  const curve = pchip(
    kept.map((knot) => knot.temperatureC),
    kept.map((knot) => Math.log10(knot.modulusMPa)),
  );
  const coldSlope = COLD_SLOPE_DECADES_PER_K[input.morphology];
  const log23 = Math.log10(e23);
  const logRatio = (temperatureC: number) =>
    Math.LN10 *
    (temperatureC <= REFERENCE_TEMPERATURE_C
      ? coldSlope * (REFERENCE_TEMPERATURE_C - temperatureC)
      : curve.at(temperatureC) - log23);
  return {
    knots: kept,
    dropped,
    endC: kept.at(-1)!.temperatureC,
    logRatio,
    ratio: (temperatureC) => Math.exp(logRatio(temperatureC)),
  };
}

function candidateKnots(input: ModulusCurveInput): Knot[] {
  const { modulus23MPa: e23, glassTransitionC: tg, meltingC, hdtIsOfNeat = false, fillerStiffness = 1 } = input;
  const stiffer = hdtIsOfNeat ? fillerStiffness : 1;
  const knots: Knot[] = input.hdt.map(({ temperatureC, stressMPa }) => ({
    temperatureC,
    modulusMPa: stiffer * modulusAtHdtMPa({ modulus23MPa: e23 / stiffer, hdtStressMPa: stressMPa }),
    kind: input.hdtIsFamily ? 'family' : 'hdt',
    note: say`heat deflection at ${megapascals(stressMPa)}${input.hdtIsFamily ? `, family value${hdtIsOfNeat ? ' of the polymer alone × its filler' : ''}` : ''}`,
  }));
  for (const { temperatureC, ratio } of input.measured) {
    if (temperatureC > REFERENCE_TEMPERATURE_C) {
      knots.push({ temperatureC, modulusMPa: e23 * ratio, kind: 'measured', note: 'measured modulus' });
    }
  }
  const kneeC = kneeTemperatureC(input);
  if (kneeC !== null) {
    const modulusMPa = e23 * (1 - GLASSY_SLOPE_PER_K * (kneeC - REFERENCE_TEMPERATURE_C));
    knots.push({ temperatureC: kneeC, modulusMPa, kind: 'knee', note: 'knee of a glassy grade' });
  }
  const endC = input.morphology === 'amorphous' || meltingC === null ? tg + 15 : meltingC;
  knots.push({
    temperatureC: Math.max(endC, REFERENCE_TEMPERATURE_C + 10),
    // Filler stiffens rubber no less than glass.
    modulusMPa: Math.min(RUBBERY_MODULUS_MPA * Math.max(1, fillerStiffness), e23 / 2),
    kind: 'rubbery',
    note:
      input.morphology === 'amorphous' || meltingC === null ? say`glass transition + ${kelvins(15)}` : 'melting point',
  });
  const reference: Knot = {
    temperatureC: REFERENCE_TEMPERATURE_C,
    modulusMPa: e23,
    kind: 'reference',
    note: 'dry',
  };
  return [reference, ...knots.sort((a, b) => a.temperatureC - b.temperatureC)];
}

/** Where a glassy grade lets go, or null: no glassy grade, or measured points take the knee's place. */
function kneeTemperatureC(input: ModulusCurveInput): number | null {
  if (input.glassTransitionC <= KNEE_ABOVE_TG_C || input.measured.length > 0) return null;
  const hdt180 = input.hdt.find((point) => Math.abs(point.stressMPa - 1.8) < 0.05)?.temperatureC;
  const kneeC = Math.min(input.glassTransitionC - 30, hdt180 === undefined ? Infinity : hdt180 - 10);
  return kneeC > REFERENCE_TEMPERATURE_C + 1 ? kneeC : null;
}

/**
 * Keeps the knots that fall strictly in modulus and rise strictly in temperature. The two ends always stay; of two
 * knots in conflict the measured one is kept, then the lower modulus.
 */
function keepFalling(sorted: Knot[]): { kept: Knot[]; dropped: Knot[] } {
  const first = sorted[0]!;
  const last = sorted.find((knot) => knot.kind === 'rubbery')!;
  const kept: Knot[] = [first];
  const dropped: Knot[] = [];
  for (const knot of sorted.slice(1)) {
    if (knot === last) continue;
    if (knot.temperatureC >= last.temperatureC || knot.modulusMPa <= last.modulusMPa) {
      dropped.push(knot);
      continue;
    }
    while (kept.length > 1 && !falls(kept.at(-1)!, knot) && outranks(knot, kept.at(-1)!)) dropped.push(kept.pop()!);
    if (falls(kept.at(-1)!, knot)) kept.push(knot);
    else dropped.push(knot);
  }
  kept.push(last);
  return { kept, dropped };
}

function falls(lower: Knot, upper: Knot): boolean {
  return upper.temperatureC > lower.temperatureC + 1e-9 && upper.modulusMPa < lower.modulusMPa;
}

function outranks(candidate: Knot, kept: Knot): boolean {
  if (candidate.kind === 'measured') return kept.kind !== 'measured';
  return kept.kind === 'knee';
}
