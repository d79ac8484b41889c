import { say, celsius, mm } from '@anvilstone/core/foundations';
import type { PropertyId, Statement } from '@anvilstone/schema';
import type { Family } from '../reference/family.ts';

/**
 * Limiting pressure × speed, dry against steel, MPa·m/s, by the family's wear class. Ours, class D: the usual order of
 * magnitude for unlubricated engineering plastics (0.1), ordinary ones (0.05) and those that gall (0.02).
 */
const PV_LIMIT_MPA_M_PER_S = { good: 0.1, fair: 0.05, poor: 0.02 } as const;

/** A typical value of the unfilled family, canonical unit, in plane, dry, 23 °C; null: the family states none. */
type Reader = (family: Family) => number | null;

function shore(family: Family, scale: 'A' | 'D'): number | null {
  // “64D-72D” is a span over several grades: its middle.
  const numbers = [...family.shoreHardness.matchAll(/(\d+)([AD])/g)].filter((match) => match[2] === scale);
  if (numbers.length === 0) return null;
  return numbers.reduce((sum, match) => sum + Number(match[1]), 0) / numbers.length;
}

/**
 * What the reference families say about a property. Heat deflection needs its stress and layer shear is derived, so both
 * are made elsewhere; Izod does not convert from Charpy, and what no family states is left out: it stays unknown.
 */
export const FAMILY_VALUES: Partial<Record<PropertyId, Reader>> = {
  density: (family) => family.densityGPerCm3,
  tensileModulus: (family) => family.tensileModulusXyMpa.mid,
  tensileStrength: (family) => family.tensileStrengthXyMpa.mid,
  elongationYield: (family) => family.elongationYieldPct,
  elongationBreak: (family) => family.elongationBreakPct.mid,
  flexuralModulus: (family) => family.flexuralModulusMpa,
  flexuralStrength: (family) => family.flexuralStrengthMpa,
  // For elastomers the ratio of 1 is a floor and not a failure stress; a floor may be used as a strength.
  compressiveStrength: (family) => family.tensileStrengthXyMpa.mid * family.compressiveToTensileStrengthRatio,
  poissonRatio: (family) => family.poisson,
  hardnessShoreA: (family) => shore(family, 'A'),
  hardnessShoreD: (family) => shore(family, 'D'),
  charpyNotched: (family) => family.charpyNotched23KjPerM2?.mid ?? null,
  brittlenessTemperature: (family) => family.brittleBelowC,
  frictionVsSteel: (family) => family.frictionVsSteel,
  pvLimit: (family) => PV_LIMIT_MPA_M_PER_S[family.wearClass],
  glassTransition: (family) => family.glassTransitionC,
  melting: (family) => family.meltingC,
  continuousService: (family) => family.continuousServiceC,
  thermalExpansion: (family) => family.thermalExpansion1e6PerK,
  thermalConductivity: (family) => family.thermalConductivityWPerMK,
  specificHeat: (family) => family.specificHeatJPerGK,
  meltFlowRate: (family) => family.meltFlow.gPer10min,
  meltDensity: (family) => family.meltDensityGPerCm3,
  printShrink: (family) => family.printShrinkPct,
  waterSaturation: (family) => family.waterSaturationPct,
  waterAt50Rh: (family) => family.waterAt23C50RhPct,
  swellingSaturation: (family) => family.swellingPctAtSaturation,
  sorptionHalfTime: (family) => family.sorptionHalfTime2mmH,
  surfaceResistivity: (family) => 10 ** family.surfaceResistivityLog10Ohm,
  oxygenIndex: (family) => family.oxygenIndexPct,
  weatheringRetention: (family) => 100 * family.strengthRetentionPer1000hWeathering,
};

/** The conditions a family's value is stated for, where the property needs any. */
export function familyConditions(family: Family, property: PropertyId): Statement {
  switch (property) {
    case 'meltFlowRate':
      return say`at ${celsius(family.meltFlow.temperatureC)}, ${family.meltFlow.massKg} kg`;
    case 'weatheringRetention':
      return 'after 1000 h';
    case 'flameClass':
      return family.flameThicknessMm === null ? '' : say`at ${mm(family.flameThicknessMm)}`;
    default:
      return '';
  }
}
