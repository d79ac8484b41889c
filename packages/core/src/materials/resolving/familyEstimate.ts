import { say, kelvins } from '@anvilstone/core/foundations';
import type { Conditioning, CompanyRules, PropertyId, Statement } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';
import { FAMILY_VALUES, familyConditions } from './familyValues.ts';
import { acrossEnergyShare, notchSensitivityOf } from '../behaviour/notchSensitivity.ts';
import {
  matrixKindOf,
  referenceModulusMPa,
  type FillerEffects,
  type Reinforcement,
} from '../reference/reinforcement.ts';

/** A family value with the filler applied: the last resort, evidence class D, dry, 23 °C, printed. */
export interface FamilyEstimate {
  value: number;
  derivation: Statement;
}

/** Stiffness factor at the family's own modulus: the fibre adds about the same stiffness to a stiffer or softer matrix. */
export function stiffnessFactor(family: Family, factor: number): number {
  if (family.morphology === 'elastomer') return factor;
  const reference = referenceModulusMPa[matrixKindOf(family.id).mechanical];
  return 1 + ((factor - 1) * reference) / family.tensileModulusXyMpa.mid;
}

/**
 * Filler effects in force for a family: mechanical and thermal columns may differ. Undefined when unfilled. Between crystals fibre
 * lifts heat deflection by tens of kelvin; in an amorphous matrix, whatever it could become, by a few.
 */
export function fillerEffects(family: Family, filler: Reinforcement | undefined, isAmorphous = false) {
  if (!filler) return undefined;
  const kind = matrixKindOf(family.id);
  return {
    mechanical: filler.effects[kind.mechanical],
    thermal: filler.effects[isAmorphous ? 'amorphousOrPla' : kind.thermal],
    caps: filler.caps[kind.mechanical],
  };
}

/** Across-layer over in-plane strength (or modulus) of the filled family. */
export function layerRatio(family: Family, filler: Reinforcement | undefined, of: 'strength' | 'modulus'): number {
  const effects = fillerEffects(family, filler)?.mechanical;
  if (of === 'strength') {
    const filled = effects ? effects.zStrength / effects.tensileStrengthXy : 1;
    return family.zToXyStrengthRatio.mid * filled;
  }
  const filled = effects ? stiffnessFactor(family, effects.zModulus) / stiffnessFactor(family, effects.modulusXy) : 1;
  return family.zToXyModulusRatio * filled;
}

/** The same with the company's own knock-down for fibre-filled grades without a measurement across the layers. */
export function layerRatioUnder(
  rules: CompanyRules,
  family: Family,
  filler: Reinforcement | undefined,
  of: 'strength' | 'modulus',
): number {
  const own = of === 'strength' && filler?.kind.includes('fibre') ? (rules.fibreAcrossLayersFactor ?? 1) : 1;
  return layerRatio(family, filler, of) * own;
}

/** What is left across the layers of a value in plane, and in words what it goes by. */
export function acrossRatio(
  { rules, filler }: { rules: CompanyRules; filler: Reinforcement | undefined },
  family: Family,
  kind: 'strength' | 'modulus' | 'impact',
  conditioning: Conditioning,
): { ratio: number; words: string } {
  if (kind !== 'impact') return { ratio: layerRatioUnder(rules, family, filler, kind), words: 'typical of the family' };
  const sensitivity = notchSensitivityOf(family, filler, conditioning);
  const bond = layerRatioUnder(rules, family, filler, 'strength');
  return {
    ratio: acrossEnergyShare(sensitivity, bond),
    words: `by its bond and its notch sensitivity (${sensitivity})`,
  };
}

/**
 * Typical in-plane value of a property for a family and filler, in the property's canonical unit, with the rules of the
 * reinforcement table applied (stiffness by matrix modulus, caps, floors, heat deflection bounds by the caller).
 * Null: the family states none (for example no heat deflection temperature for elastomers).
 */
export function familyEstimate(
  family: Family,
  filler: Reinforcement | undefined,
  property: PropertyId,
): FamilyEstimate | null {
  const base = FAMILY_VALUES[property]?.(family) ?? null;
  if (base === null) return null;
  const conditions = familyConditions(family, property);
  const name = say`${family.abbreviation} family, typical${conditions ? say` ${conditions}` : ''}`;
  const effects = fillerEffects(family, filler);
  if (!effects || !filler) return { value: base, derivation: name };
  const { value, how } = applyFiller({ family, filler, effects, base }, property);
  return { value, derivation: how ? say`${name} ${how} for ${filler.name.toLowerCase()}` : name };
}

interface FilledCase {
  family: Family;
  filler: Reinforcement;
  effects: NonNullable<ReturnType<typeof fillerEffects>>;
  base: number;
}
type FillerRule = (filled: FilledCase) => { value: number; how: Statement };

const times = (base: number, factor: number) => ({ value: base * factor, how: `× ${factor.toFixed(2)}` });
const stiffer: FillerRule = ({ family, effects, base }) =>
  times(base, stiffnessFactor(family, effects.mechanical.modulusXy));
const stronger: FillerRule = ({ effects, base }) => times(base, effects.mechanical.tensileStrengthXy);
const factorOf =
  (
    name: Exclude<keyof FillerEffects, 'hdt045DeltaC' | 'hdt180DeltaC' | 'warpTendencyDelta'>,
    column: 'mechanical' | 'thermal',
  ): FillerRule =>
  ({ effects, base }) =>
    times(base, effects[column][name]);

/** What a filler does to a property; a property that is not named keeps the unfilled value. */
const FILLER_RULES: Partial<Record<PropertyId, FillerRule>> = {
  density: ({ filler, effects, base }) => mixedDensity(filler, base) ?? times(base, effects.mechanical.density),
  tensileModulus: stiffer,
  flexuralModulus: stiffer,
  tensileStrength: stronger,
  flexuralStrength: stronger,
  compressiveStrength: stronger,
  elongationYield: ({ family, effects, filler, base }) => filledElongation(family, filler, effects.mechanical, base),
  elongationBreak: ({ family, effects, filler, base }) => filledElongation(family, filler, effects.mechanical, base),
  charpyNotched: ({ effects, base }) => {
    const factor = effects.mechanical.charpyNotched;
    return {
      value: Math.min(base * factor, effects.caps.charpyNotched23KjPerM2 ?? Infinity),
      how: `× ${factor}, capped`,
    };
  },
  brittlenessTemperature: ({ family, filler, effects, base }) => {
    const rise = brittleRiseK(family, filler, effects.mechanical.charpyNotched);
    return { value: base + rise, how: say`+ ${kelvins(Math.round(rise))}` };
  },
  frictionVsSteel: factorOf('friction', 'mechanical'),
  thermalExpansion: factorOf('thermalExpansion', 'mechanical'),
  thermalConductivity: factorOf('thermalConductivity', 'mechanical'),
  meltFlowRate: factorOf('meltFlow', 'mechanical'),
  printShrink: factorOf('printShrink', 'mechanical'),
  waterSaturation: factorOf('waterSaturation', 'mechanical'),
  waterAt50Rh: factorOf('waterSaturation', 'mechanical'),
  surfaceResistivity: ({ filler, base }) =>
    filler.surfaceResistivityLog10Ohm
      ? {
          value: 10 ** filler.surfaceResistivityLog10Ohm.typical,
          how: 'replaced by the filler’s (over several decades)',
        }
      : { value: base, how: '' },
};

function applyFiller(filled: FilledCase, property: PropertyId): { value: number; how: Statement } {
  return FILLER_RULES[property]?.(filled) ?? { value: filled.base, how: '' };
}

/** A filler that took all of the notched energy would raise the temperature of turning brittle by this, K. Ours, class D. */
const BRITTLE_RISE_K = 40;

/** A polymer turns brittle the warmer, the more of its notched energy a filler takes; the table's cap is part of that. */
function brittleRiseK(family: Family, filler: Reinforcement, charpyFactor: number): number {
  const neat = family.charpyNotched23KjPerM2?.mid;
  const cap = fillerEffects(family, filler)?.caps.charpyNotched23KjPerM2 ?? Infinity;
  const kept = neat === undefined ? charpyFactor : Math.min(neat * charpyFactor, cap) / neat;
  return BRITTLE_RISE_K * Math.max(0, 1 - kept);
}

/** Rule of mixtures by volume from the filler's mass share: 1 / (w/ρf + (1 − w)/ρm). */
function mixedDensity(filler: Reinforcement, matrix: number) {
  if (filler.fillerMassPct === null || filler.fillerDensityGPerCm3 === null) return undefined;
  const w = filler.fillerMassPct / 100;
  return { value: 1 / (w / filler.fillerDensityGPerCm3 + (1 - w) / matrix), how: 'mixed by mass share' };
}

/** Factor, then not above the cap, and not below 1.2 × strength ÷ modulus. */
function filledElongation(family: Family, filler: Reinforcement, effects: FillerEffects, base: number) {
  const cap = fillerEffects(family, filler)?.caps.elongationBreakPct ?? Infinity;
  const strength = family.tensileStrengthXyMpa.mid * effects.tensileStrengthXy;
  const modulus = family.tensileModulusXyMpa.mid * stiffnessFactor(family, effects.modulusXy);
  const floor = (120 * strength) / modulus;
  return {
    value: Math.max(Math.min(base * effects.elongationBreak, cap), floor),
    how: `× ${effects.elongationBreak}, capped`,
  };
}

/**
 * Heat deflection of the filled family, °C, with the bounds of the reinforcement table; empty for elastomers. Of a slow crystalliser
 * as it comes off the printer, unless it is `crystallised`.
 */
export function familyHdtPoints(
  family: Family,
  filler: Reinforcement | undefined,
  crystallised = false,
): { temperatureC: number; stressMPa: number }[] {
  const { hdt045C, hdt180C } = (!crystallised && family.printedAmorphous) || family;
  if (hdt045C === null || hdt180C === null) return [];
  const amorphous =
    family.morphology === 'amorphous' ||
    family.meltingC === null ||
    (family.printedAmorphous !== undefined && !crystallised);
  const thermal = fillerEffects(family, filler, amorphous)?.thermal;
  const ceiling = amorphous ? family.glassTransitionC + 5 : family.meltingC! - 10;
  const at045 = Math.min(hdt045C + (thermal?.hdt045DeltaC ?? 0), Math.max(ceiling, hdt045C));
  const at180 = Math.min(hdt180C + (thermal?.hdt180DeltaC ?? 0), at045 - 3);
  return [
    { temperatureC: at180, stressMPa: 1.8 },
    { temperatureC: at045, stressMPa: 0.45 },
  ];
}
