import type { Conditioning, Grade, CompanyRules, PropertyId } from '@anvilstone/schema';
import { findFamily, type Family } from '../reference/family.ts';
import { findReinforcement, type Reinforcement } from '../reference/reinforcement.ts';
import { gentModulusMPa } from './gentModulus.ts';
import { behaviourOf, type Behaviour } from './behaviour.ts';
import { creepGrowth } from './creep.ts';
import { chamberCrystallisesC, solidityOf, type Crystallising } from './crystals.ts';
import { foamCurveOf, foamed, foamOf, type Foam } from './foam.ts';
import { layerRatio } from '../resolving/familyEstimate.ts';
import { recent } from '../resolving/recent.ts';
import { recentProperties } from '../resolving/recentProperties.ts';
import type { Resolution, ResolveAt } from '../resolving/resolution.ts';
import { PROPERTY_DEFINITIONS } from '../resolving/properties.ts';
import { resolve } from '../resolving/resolve.ts';
import { ownBending } from './ownBending.ts';
import { onBasis } from '../resolving/strengthBasis.ts';
import { staticFatigueFactor, strengthTemperatureFactor } from '../resolving/strengthFactors.ts';

/** One grade in one moisture state, ready for the checks: resolved once, read many times. */
export interface Material {
  grade: Grade;
  rules: CompanyRules;
  family: Family | undefined;
  filler: Reinforcement | undefined;
  /** The moisture state that everything here is in. */
  conditioning: Conditioning;
  /** Chamber that it must be printed in to be as it is taken to be, °C; null: it is not taken to crystallise in one. */
  neededChamberC: number | null;
  modulus: { inPlane: Resolution; across: Resolution };
  strength: { inPlane: Resolution; across: Resolution };
  layerShear: Resolution;
  /** How it is foamed, where the print sets that. */
  foam: Foam | undefined;
  density: Resolution;
  /** Any other property in the material’s moisture state; resolved when first asked for and then kept. */
  property(id: PropertyId, direction?: 'in-plane' | 'across', temperatureC?: number): Resolution;
  behaviour: Behaviour | null;
  behaviourGaps: readonly string[];
  /** Instant modulus at temperature over modulus at 23 °C. Call only when `behaviour` is there. */
  modulusRatio(temperatureC: number): number;
  /** Natural logarithm of the same. */
  logModulusRatio(temperatureC: number): number;
  /** Growth of deflection with time at temperature, ≥ 1. */
  creepGrowth(temperatureC: number, durationH: number): number;
  /** Strength left at temperature and under a load that stays on, over short-term strength at 23 °C. */
  strengthFactor(temperatureC: number, durationH: number): number;
}

/** What its values depend on: what was done to it in and after printing, and whether it is to bend. */
export interface PrintState extends Crystallising {
  /** Own bending tests tell of a part that bends. @default false */
  bends?: boolean;
  /** Of grades that foam, °C; absent: the foam their values were taken of. */
  foamNozzleC?: number;
}

/** Resolves everything the mechanical checks need. Pure; costs some tens of microseconds, so do it once per brief. */
export function prepareMaterial(
  grade: Grade,
  conditioning: Conditioning,
  rules: CompanyRules,
  explain = true,
  { foamNozzleC, bends = false, ...crystallising }: PrintState = {},
): Material {
  const family = findFamily(grade.familyId);
  const filler = findReinforcement(grade.reinforcementId);
  const solidity = family && solidityOf(family, crystallising);
  const state = { conditioning, ...(solidity ? { solidity } : {}) };
  const at = (direction: 'in-plane' | 'across') => ({ direction, ...state });
  const statedDensity = resolve(grade, 'density', at('in-plane'), rules, explain);
  const foam = foamIn(grade, family, statedDensity, foamNozzleC);
  const inFoam = (resolution: Resolution, property: PropertyId) =>
    foam ? foamed(resolution, property, foam, explain) : resolution;
  const modulus = {
    inPlane: inFoam(resolveModulus(grade, at('in-plane'), rules, explain, bends), 'tensileModulus'),
    across: inFoam(resolveModulus(grade, at('across'), rules, explain, bends), 'tensileModulus'),
  };
  const allowed = (property: PropertyId, where: ResolveAt) => {
    const pulled = resolve(grade, property, where, rules, explain);
    const bent =
      bends && property === 'tensileStrength' ? ownBending(grade, property, pulled, where, rules, explain) : undefined;
    const resolved = inFoam(bent ?? pulled, property);
    return PROPERTY_DEFINITIONS[property].kind === 'strength' ? onBasis(resolved, rules, explain) : resolved;
  };
  const strength = {
    inPlane: allowed('tensileStrength', at('in-plane')),
    across: allowed('tensileStrength', at('across')),
  };
  const behaviour =
    family && modulus.inPlane.known
      ? behaviourOf(
          grade,
          family,
          filler,
          modulus.inPlane,
          strength.inPlane.known ? strength.inPlane.value : null,
          conditioning,
          crystallising,
        )
      : null;
  const gap = family
    ? 'Modulus is not known'
    : `Its family “${grade.familyId}” is not in the reference data, so its behaviour in heat and time is not known: state the polymer, or measure it`;
  const need = () => {
    if (!behaviour) throw new Error(`Behaviour of ${grade.id} read without asking whether it is known`);
    return behaviour;
  };
  const property = recentProperties((id, direction, temperatureC) =>
    allowed(id, { direction, ...state, temperatureC }),
  );
  const modulusRatio = recent((temperatureC) => need().curve.ratio(temperatureC));
  const heatFactor = recent((temperatureC) =>
    strengthTemperatureFactor(modulusRatio(temperatureC, 0), need().strengthExponent),
  );
  const timeFactor = recent((durationH) => staticFatigueFactor(durationH, need().staticFatigueLossPerDecade));
  const growth = recent((temperatureC, durationH) => creepGrowth(need().creep, temperatureC, durationH));
  return {
    grade,
    rules,
    family,
    filler,
    conditioning,
    neededChamberC: crystallising.inChamber ? chamberCrystallisesC(family) : null,
    modulus,
    strength,
    foam: foam === 'outside' ? undefined : foam,
    layerShear: allowed('layerShearStrength', at('in-plane')),
    density: inFoam(statedDensity, 'density'),
    property,
    behaviour,
    behaviourGaps: behaviour ? [] : [gap],
    modulusRatio: (temperatureC) => modulusRatio(temperatureC, 0),
    logModulusRatio: (temperatureC) => need().curve.logRatio(temperatureC),
    creepGrowth: growth,
    strengthFactor: (temperatureC, durationH) => heatFactor(temperatureC, 0) * timeFactor(durationH, 0),
  };
}

/** Undefined: it does not foam, or no nozzle temperature is asked for. */
function foamIn(
  grade: Grade,
  family: Family | undefined,
  density: Resolution,
  nozzleC: number | undefined,
): Foam | 'outside' | undefined {
  const curve = foamCurveOf(grade, family);
  if (nozzleC === undefined || !curve) return undefined;
  return foamOf(curve, density.known ? density.value : undefined, nozzleC) ?? 'outside';
}

/** An elastomer whose maker states its Shore A hardness and no modulus: Gent's relation is nearer than a family's middle. */
function modulusFromHardness(
  grade: Grade,
  at: ResolveAt,
  rules: CompanyRules,
  explain: boolean,
): Resolution | undefined {
  const family = findFamily(grade.familyId);
  if (family?.morphology !== 'elastomer' || grade.reinforcementId !== null) return undefined;
  const hardness = resolve(grade, 'hardnessShoreA', at, rules, explain);
  if (!hardness.known || hardness.evidence === 'D' || hardness.value < 20 || hardness.value > 95) return undefined;
  const share = at.direction === 'across' ? family.zToXyModulusRatio : 1;
  const value = gentModulusMPa(hardness.value) * share;
  const steps = !explain
    ? []
    : [
        ...hardness.steps,
        { text: 'Young’s modulus from Shore A hardness (Gent 1958)', value: gentModulusMPa(hardness.value) },
        ...(share === 1 ? [] : [{ text: `× ${share}, across layers, typical of the family`, value }]),
      ];
  return { known: true, value, cov: Math.max(hardness.cov, 0.2), evidence: 'C', steps };
}

/** Tensile modulus; where only a bending modulus was reported it stands in, one class weaker at best. */
function resolveModulus(
  grade: Grade,
  at: ResolveAt,
  rules: CompanyRules,
  explain: boolean,
  bends: boolean,
): Resolution {
  const tensile = resolve(grade, 'tensileModulus', at, rules, explain);
  const bent = bends ? ownBending(grade, 'tensileModulus', tensile, at, rules, explain) : undefined;
  if (bent) return bent;
  if (tensile.known && tensile.evidence !== 'D') return tensile;
  const soft = modulusFromHardness(grade, at, rules, explain);
  if (soft) return soft;
  if (!grade.observations.some((observation) => observation.property === 'flexuralModulus')) return tensile;
  const flexural = resolve(grade, 'flexuralModulus', at, rules, explain);
  if (!flexural.known || flexural.evidence === 'D') return tensile;
  const steps = !explain
    ? []
    : [...flexural.steps, { text: 'bending modulus stands in for the tensile one', value: flexural.value }];
  return { ...flexural, evidence: 'C', cov: Math.max(flexural.cov, 0.2), steps };
}

/** Typical across-layer share of the in-plane strength, for explanations. Undefined without a known family. */
export function typicalLayerRatio(material: Material): number | undefined {
  return material.family && layerRatio(material.family, material.filler, 'strength');
}
