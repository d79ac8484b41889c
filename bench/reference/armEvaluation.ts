/**
 * The checks of an arm written down as the textbooks have them, one after the other, with nothing kept and nothing clever: what the
 * engine has to agree with, and what its speed is held against. Only the evidence is resolved by the engine’s own resolver,
 * with every step of its derivation. Solid rectangular arms under forces along their depth.
 */
import { prepareMaterial, timeShiftDecades, type Material } from '@anvilstone/core/materials';
import {
  ORIENTATIONS,
  type Brief,
  type BuildOrientation,
  type Grade,
  type CompanyRules,
  type LoadCase,
} from '@anvilstone/schema';
import { pchipThrough } from './pchip.ts';

interface PlainCheck {
  checkId: string;
  /** null: not stressed this way. */
  reserve: number | null;
}
export interface PlainEntry {
  orientation: BuildOrientation;
  checks: PlainCheck[];
  ownHeatLimitC: number;
}

/** The numbers of a grade that the checks read, MPa at 23 °C. Each may be scaled, as the draws of a chance do. */
export interface PlainMaterial {
  modulusInPlane: number;
  modulusAcross: number;
  strengthInPlane: number;
  strengthAcross: number;
  /** The steps of a fillet built up in layers, straight across them, as a factor on its stress. */
  steppedFillet: number;
  layerShear: number;
  compressive: number;
  shearShare: number;
  poisson: number;
  densityGPerCm3: number;
  strengthExponent: number;
  lossPerDecade: number;
  /** `flow`: what is left of the filler’s hold on an amorphous matrix, as a factor on a. */
  creep: { a: number; n: number; shift: (temperatureC: number) => number; flow: (temperatureC: number) => number };
  /** log10 of the modulus over temperature. */
  logModulusAt: (temperatureC: number) => number;
  coldDecadesPerK: number;
  endC: number;
  /** Continuous service in air, 20 000 h. */
  ageingC: number;
  form: { continuousC: number; peakC: number };
}

const COLD_DECADES_PER_K = { amorphous: 0.0011, semiCrystalline: 0.0022, elastomer: 0.011, support: 0.0011 };

/** undefined: something is not known of the grade. */
export function plainMaterial(grade: Grade, brief: Brief, rules: CompanyRules): PlainMaterial | undefined {
  const material: Material = prepareMaterial(grade, brief.moisture, rules, true);
  const { modulus, strength, layerShear, density, behaviour, family } = material;
  const compressive = material.property('compressiveStrength');
  if (!behaviour || !family) return undefined;
  if (!modulus.inPlane.known || !modulus.across.known || !strength.inPlane.known || !strength.across.known)
    return undefined;
  if (!layerShear.known || !compressive.known || !density.known) return undefined;
  const points = behaviour.curve.knots.map(
    ({ temperatureC, modulusMPa }) => [temperatureC, Math.log10(modulusMPa)] as const,
  );
  return {
    modulusInPlane: modulus.inPlane.value,
    modulusAcross: modulus.across.value,
    strengthInPlane: strength.inPlane.value,
    strengthAcross: strength.across.value,
    steppedFillet: steppedFilletOf(material, brief),
    layerShear: layerShear.value,
    compressive: compressive.value,
    shearShare: family.shearToTensileStrengthRatio,
    poisson: behaviour.poisson,
    densityGPerCm3: density.value,
    strengthExponent: behaviour.strengthExponent,
    lossPerDecade: behaviour.staticFatigueLossPerDecade,
    creep: {
      a: behaviour.creep.creepA,
      n: behaviour.creep.creepN,
      shift: (temperatureC) => timeShiftDecades(behaviour.creep, temperatureC),
      flow: (temperatureC) => {
        const { fillerFactor = 1, morphology, glassTransitionC: tg } = behaviour.creep;
        if (morphology !== 'amorphous' || fillerFactor >= 1) return 1;
        if (temperatureC >= tg) return 1 / fillerFactor;
        if (temperatureC <= tg - 30) return 1;
        return 1 + ((temperatureC - tg + 30) / 30) * (1 / fillerFactor - 1);
      },
    },
    logModulusAt: pchipThrough(points),
    coldDecadesPerK: COLD_DECADES_PER_K[behaviour.creep.morphology],
    endC: points.at(-1)![0],
    ageingC: behaviour.continuousServiceC,
    form: behaviour.form,
  };
}

/** A fifteenth more for each step of notch sensitivity above low, to 1.3; fibre and mineral are a step, water in a tough polyamide one back. */
function steppedFilletOf({ family, filler }: Material, { moisture }: Brief): number {
  const base = { low: 0, medium: 1, high: 2 }[family!.notchSensitivity];
  if (family!.morphology === 'elastomer') return 1 + 0.15 * base;
  const fibre = filler !== undefined && /fibre|mineral|glass/.test(filler.kind) ? 1 : 0;
  const water = moisture !== 'dry' && family!.impactFactorConditioned > 1.2 ? 1 : 0;
  return 1 + 0.15 * Math.max(0, Math.min(2, base + fibre - water));
}

/** E(T)/E(23 °C). */
function modulusRatio(m: PlainMaterial, temperatureC: number): number {
  if (temperatureC <= 23) return 10 ** (m.coldDecadesPerK * (23 - temperatureC));
  return 10 ** (m.logModulusAt(temperatureC) - m.logModulusAt(23));
}

/** 1 + a·(t/aT)^n. */
const creepGrowth = (m: PlainMaterial, temperatureC: number, hours: number) =>
  1 + m.creep.a * m.creep.flow(temperatureC) * (hours * 10 ** m.creep.shift(temperatureC)) ** m.creep.n;

/** (E/E23)^m, not above 1 in the cold, × static fatigue from a one-minute test on. */
function strengthLeft(m: PlainMaterial, temperatureC: number, hours: number): number {
  const decades = Math.max(0, Math.log10(hours * 60));
  const warm = Math.min(1, modulusRatio(m, temperatureC) ** m.strengthExponent);
  return warm * Math.max(0.1, 1 - m.lossPerDecade * decades);
}

/** What is stressed where: the stress per newton, MPa/N, and what bears it. */
function stresses(brief: Brief, orientation: BuildOrientation, m: PlainMaterial) {
  if (brief.part.model !== 'cantilever-arm' || brief.part.section.kind !== 'rectangle')
    throw new Error('a solid arm is needed');
  const { spanMm, filletRadiusMm, section } = brief.part;
  const { widthMm: b, depthMm: d } = section;
  const nominal = (spanMm * (d / 2)) / ((b * d ** 3) / 12);
  const ratio = Math.min(0.3, Math.max(0.02, Math.max(0.2, filletRadiusMm) / d));
  const pull = Math.max(1, 0.9072 * ratio ** -0.33333) * nominal;
  const shear = 1.5 / (b * d);
  switch (orientation) {
    case 'XY':
      return {
        inPlane: [
          [pull, m.strengthInPlane],
          [nominal, m.compressive],
        ],
        across: [[shear, m.layerShear]],
      };
    case 'XZ':
      return {
        inPlane: [
          [pull, m.strengthInPlane],
          [nominal, m.compressive],
          [shear, m.strengthInPlane * m.shearShare],
        ],
        across: [],
      };
    case 'ZX':
      return {
        inPlane: [],
        across: [
          [pull, m.strengthAcross / m.steppedFillet],
          [shear, m.layerShear],
        ],
      };
  }
}

/** Movement per newton at 23 °C, mm/N: bending and shear. */
function movementPerN(brief: Brief, orientation: BuildOrientation, m: PlainMaterial): number {
  if (brief.part.model !== 'cantilever-arm' || brief.part.section.kind !== 'rectangle')
    throw new Error('a solid arm is needed');
  const { spanMm, section } = brief.part;
  const { widthMm: b, depthMm: d } = section;
  const within = m.modulusInPlane / (2 * (1 + m.poisson));
  const between = within * Math.sqrt(m.modulusAcross / m.modulusInPlane);
  const e = orientation === 'ZX' ? m.modulusAcross : m.modulusInPlane;
  const g = orientation === 'XZ' ? within : between;
  return spanMm ** 3 / (3 * e * ((b * d ** 3) / 12)) + (1.2 * spanMm) / (g * b * d);
}

type LoadCheck = 'strength-in-plane' | 'strength-across-layers' | 'deflection-at-load' | 'sag-after-duration';

/** One check of one load at a temperature and after a time; null: not stressed this way, undefined: not asked. */
function reserveOf(
  check: LoadCheck,
  brief: Brief,
  load: LoadCase,
  orientation: BuildOrientation,
  m: PlainMaterial,
  temperatureC: number,
  hours: number,
): number | null | undefined {
  const force = load.forceN!;
  if (check === 'strength-in-plane' || check === 'strength-across-layers') {
    const places = stresses(brief, orientation, m)[check === 'strength-in-plane' ? 'inPlane' : 'across'];
    if (places.length === 0) return null;
    const factor = strengthLeft(m, temperatureC, Math.max(1 / 60, hours)) / load.safetyFactor;
    return Math.min(...places.map(([stress, strength]) => (strength! * factor) / (stress! * force)));
  }
  const moved = (force * movementPerN(brief, orientation, m)) / modulusRatio(m, temperatureC);
  if (check === 'deflection-at-load')
    return load.maxDeflectionMm === undefined ? undefined : load.maxDeflectionMm / moved;
  if (load.maxSagMm === undefined) return undefined;
  return load.maxSagMm / (moved * creepGrowth(m, temperatureC, hours));
}

const LOAD_CHECKS: readonly LoadCheck[] = [
  'strength-in-plane',
  'strength-across-layers',
  'deflection-at-load',
  'sag-after-duration',
];

/** Minimum reserve of the hot loads at one temperature; `longestH` caps how long each acts. */
function smallestWhenHot(
  brief: Brief,
  orientation: BuildOrientation,
  m: PlainMaterial,
  temperatureC: number,
  longestH: number,
): number {
  const marked = brief.loadCases.filter(({ actsWhenHot }) => actsWhenHot);
  let smallest = Infinity;
  for (const load of marked.length > 0 ? marked : brief.loadCases)
    for (const check of LOAD_CHECKS) {
      const reserve = reserveOf(check, brief, load, orientation, m, temperatureC, Math.min(load.durationH, longestH));
      if (reserve !== null && reserve !== undefined) smallest = Math.min(smallest, reserve);
    }
  return Math.min(smallest, formReserve(m, brief, temperatureC, longestH));
}

/** Its shape, whatever it carries: from the peak’s limit after an hour to the lasting one after 1000 h, straight in log t. */
function formReserve(m: PlainMaterial, brief: Brief, temperatureC: number, longestH: number): number {
  const hours = hotHours(brief, longestH);
  const share = Math.min(1, Math.log10(Math.max(1, hours)) / 3);
  const limitC = m.form.peakC + share * (m.form.continuousC - m.form.peakC);
  return rises(limitC, temperatureC);
}

const rises = (limitC: number, requiredC: number) =>
  Math.max(0, 1 + (limitC - requiredC) / Math.max(10, requiredC - 23));

/** As long as asked, else as its hot loads act. */
function hotHours({ loadCases, asks }: Brief, longestH: number): number {
  if (Number.isFinite(longestH)) return longestH;
  const marked = loadCases.filter(({ actsWhenHot }) => actsWhenHot);
  const acts = Math.max(...(marked.length > 0 ? marked : loadCases).map(({ durationH }) => durationH));
  return Math.max(acts, asks.heat?.steadyH ?? 0);
}

/** Arrhenius, 100 kJ/mol, from 20 000 h, between 100 and 200 000 h. */
function agesAtC(m: PlainMaterial, hours: number): number {
  const t = Math.min(200_000, Math.max(100, hours));
  return 1 / (1 / (m.ageingC + 273.15) + (8.314462618e-3 / 100) * Math.log(t / 20_000)) - 273.15;
}

/** Halved until it is known to within `toleranceK`. */
function heatLimitC(
  brief: Brief,
  orientation: BuildOrientation,
  m: PlainMaterial,
  longestH: number,
  toleranceK: number,
): number {
  const at = (temperatureC: number) => smallestWhenHot(brief, orientation, m, temperatureC, longestH);
  const passesAtRoom = at(23) >= 1;
  let [passing, failing] = passesAtRoom ? [23, m.endC] : [-80, 23];
  if (passesAtRoom && at(m.endC) >= 1) return m.endC;
  if (!passesAtRoom && at(-80) < 1) return -80;
  while (failing - passing > toleranceK) {
    const middle = (passing + failing) / 2;
    if (at(middle) >= 1) passing = middle;
    else failing = middle;
  }
  return (passing + failing) / 2;
}

export function plainChecks(
  brief: Brief,
  orientation: BuildOrientation,
  m: PlainMaterial,
  toleranceK: number,
): Omit<PlainEntry, 'orientation'> {
  const checks: PlainCheck[] = [];
  for (const checkId of LOAD_CHECKS) {
    const reserves = brief.loadCases
      .map((load) => reserveOf(checkId, brief, load, orientation, m, load.temperatureC, load.durationH))
      .filter((reserve) => reserve !== undefined);
    if (reserves.length === 0) continue;
    const known = reserves.filter((reserve) => reserve !== null);
    checks.push({ checkId, reserve: known.length === 0 ? null : Math.min(...known) });
  }
  const { heat } = brief.asks;
  const limits = (longestH: number) => ({
    lossC: heatLimitC(brief, orientation, m, longestH, toleranceK),
    agesC: agesAtC(m, hotHours(brief, longestH)),
  });
  const hot = (checkId: string, requiredC: number, longestH: number) => {
    const { lossC, agesC } = limits(longestH);
    const there = lossC >= requiredC ? Infinity : smallestWhenHot(brief, orientation, m, requiredC, longestH);
    const reserve = there < 1 ? Math.min(there, rises(agesC, requiredC)) : rises(Math.min(agesC, lossC), requiredC);
    checks.push({ checkId, reserve });
  };
  if (heat?.steadyC !== undefined) hot('heat-steady', heat.steadyC, heat.steadyH ?? Infinity);
  if (heat?.peak) hot('heat-peak', heat.peak.temperatureC, heat.peak.durationH);
  const own = limits(Infinity);
  return { checks, ownHeatLimitC: Math.min(own.lossC, own.agesC) };
}

/** Every build orientation of one grade; undefined where something is not known of it. */
export function evaluateArmPlainly(
  brief: Brief,
  grade: Grade,
  rules: CompanyRules,
  toleranceK = 0.05,
): PlainEntry[] | undefined {
  const m = plainMaterial(grade, brief, rules);
  return m && ORIENTATIONS.map((orientation) => ({ orientation, ...plainChecks(brief, orientation, m, toleranceK) }));
}
