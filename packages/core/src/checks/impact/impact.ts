import type { Statement } from '@anvilstone/schema';
import { formatNumber as f, type Working, say, metresPerSecond, celsius } from '@anvilstone/core/foundations';
import { type Material, type Resolved, ELASTOMER_TEAR_KJ_PER_M2 } from '@anvilstone/core/materials';
import { actingAt, allowableShare, movementPerUnit, SHORT_H } from '../engine/action.ts';
import type { LayerStress } from '../engine/layerStress.ts';
import { bearingStrength } from '../strength/bearingStrength.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad, PreparedPart } from '../engine/check.ts';
import { weakest } from '../engine/outcome.ts';
import { showElastic } from '../movement/deflection.ts';
import { showLayerStress } from '../strength/strengthCheck.ts';
import { showResolved } from '../engine/showMaterial.ts';
import { squeezeLimit } from '../strength/strain.ts';
import { rateSensitivityOf, rateShare, strikeSpeedMPerS } from './strikeSpeed.ts';
import { struckBrittleC } from './toughness.ts';

/**
 * What is left of a slow strength when it is struck: fast loading raises the yield stress a little and takes away the
 * yielding that blunts a notch. Ours, class D: at 3 m/s nothing off, a tenth, a fifth by how rate-sensitive the grade is.
 */
const LOST_TO_RATE = { low: 0, medium: 0.1, high: 0.2 } as const;

const rateFactor = (material: Material, { loadCase }: PreparedLoad) =>
  1 - LOST_TO_RATE[rateSensitivityOf(material)] * rateShare(loadCase);

/**
 * A knock without damage: the energy the part takes up until the first place yields, ½·σy·εy where ½·F²·c counts only σy²/2E, but
 * never more than would tear it through; against the energy of the knock. Struck below where it turns brittle nothing yields: the
 * elastic energy alone. A cushion is also limited by how far it may be squeezed.
 */
export const impactUndamaged: CaseCheck = {
  id: 'impact-undamaged',
  title: 'Impact without damage',
  asks: 'Is the impact absorbed without damage?',
  failsAs: 'shattered',
  testedBy: ['pendulum-notched', 'pendulum', 'drop-part', 'rebound'],
  unit: 'J',
  words: ['Impact energy', 'absorbs'],
  limitsHeat: false,
  appliesTo: (load) => load.kind === 'knock' && load.loadCase.mustStayWhole !== 'unbroken',
  at(context, load, temperatureC, _durationH, working) {
    const { material } = context;
    const compliance = context.compliances[load.directionIndex]!;
    if (!compliance.known) return { kind: 'unknown', gaps: compliance.gaps };
    if (!material.family) return { kind: 'unknown', gaps: material.behaviourGaps };
    const acting = actingAt(context, load, temperatureC);
    if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
    const mmPerN = movementPerUnit(context, compliance, temperatureC);
    const least = leastForce(context, load, temperatureC, mmPerN);
    if ('gaps' in least) return { kind: 'unknown', gaps: least.gaps };
    if (!Number.isFinite(least.forceN)) return { kind: 'not-loaded' };
    const yielding = yieldingShare(context, load, least.layerStress, temperatureC);
    if ('gaps' in yielding) return { kind: 'unknown', gaps: yielding.gaps };
    const toughness = toughnessOf(context, load, temperatureC);
    const upToYieldJ = (yielding.share * least.forceN ** 2 * mmPerN) / 2000;
    // Across the layers hardly anybody tests it; there their strength decides anyhow.
    const tearsJ = toughness.known ? tearEnergyJ(toughness.value, load) / load.loadCase.safetyFactor : Infinity;
    if (working)
      showUndamaged(working, context, load, { temperatureC, acting, mmPerN, least, yielding, upToYieldJ, tearsJ });
    return {
      kind: 'known',
      demand: (acting.action ** 2 * mmPerN) / 2000,
      capacity: Math.min(upToYieldJ, tearsJ),
      evidence: weakest('D', compliance.evidence),
      ...(yielding.isBrittle ? { reason: 'Struck there, it is brittle: it snaps before it yields' } : {}),
      ...(least.layerStress ? { layerStress: least.layerStress } : { placeId: 'pad' }),
    };
  },
};

function showUndamaged(
  working: Working,
  context: CheckContext,
  load: PreparedLoad,
  found: {
    temperatureC: number;
    acting: { action: number };
    mmPerN: number;
    least: LeastForce;
    yielding: { share: number; isBrittle: boolean };
    upToYieldJ: number;
    /** Infinite where no fracture energy is known. */
    tearsJ: number;
  },
): void {
  const { material } = context;
  const { temperatureC, acting, mmPerN, least, yielding, upToYieldJ, tearsJ } = found;
  const { layerStress } = least;
  showKnock(load, working);
  showElastic(working, context, load, { action: acting.action, temperatureC });
  working.add('F_eq', 'Equivalent static load of the knock', acting.action, 'N', {
    expression: load.loadCase.energyJ === undefined ? 'm·g · (1 + √(1 + 2·h / (m·g·c)))' : '√(2·U / c)',
    source: 'all energy into the part, elastic: Roark, 7th ed., section 16.4',
  });
  if (layerStress)
    showLayerStress(working, context, load, {
      layerStress,
      stressMPa: layerStress.stressPerUnit * acting.action,
      allowableMPa: least.allowableMPa,
      temperatureC,
      strengthH: SHORT_H,
    });
  else {
    working.add('', 'Limited by how far the cushion may be squeezed', f(100 * squeezeLimit(load)), '%');
    const rebound = material.property('rebound');
    if (rebound.known) showResolved(working, 'R', 'Rebound energy', rebound, '%');
    else working.add('', 'Rebound energy', 'unknown: let a ball rebound from a printed pad (ISO 4662)', '');
  }
  working.add('kv', 'Share of the slow strength when struck', rateFactor(material, load), '×', {
    source: say`rate sensitivity: ${rateSensitivityOf(material)}; struck at ${metresPerSecond(strikeSpeedMPerS(load.loadCase))}`,
  });
  working.add('F_allow', 'Static load that brings the first place to its allowable', least.forceN, 'N');
  working.add('εy·E/σy', 'Energy up to yield over the elastic one', yielding.share, '×', {
    source: yielding.isBrittle
      ? 'struck below where it turns brittle: nothing yields'
      : 'strain at yield, as the curve bends over before it',
  });
  working.add('U', 'Energy absorbed until then', upToYieldJ, 'J', {
    expression: `½ · ${f(least.forceN)}² · ${f(mmPerN)} mm/N / 1000 · ${f(yielding.share)}`,
  });
  if (Number.isFinite(tearsJ))
    working.add('U_t', 'Fracture energy, ÷ safety factor', tearsJ, 'J', {
      expression: 'notched Charpy × area that has to tear; the lower of both counts',
    });
}

/**
 * Energy up to yield over the elastic energy at the same stress, εy·E/σy, at least 1: the curve of a ductile polymer bends over
 * before it yields. 1 where it is struck brittle, where the layers part, in a cushion, and where no yield strain is known.
 */
function yieldingShare(
  context: CheckContext,
  load: PreparedLoad,
  layerStress: LayerStress | undefined,
  temperatureC: number,
): { share: number; isBrittle: boolean } | { gaps: readonly Statement[] } {
  const { material } = context;
  const brittle = struckBrittleC(context, load);
  if ('gaps' in brittle) return brittle;
  const isBrittle = temperatureC < brittle.temperatureC;
  const elongation = material.property('elongationYield');
  const { modulus, strength } = material;
  if (isBrittle || !layerStress || layerStress.angleDeg > 45 || !elongation.known) return { share: 1, isBrittle };
  if (!modulus.inPlane.known || !strength.inPlane.known) return { share: 1, isBrittle };
  return { share: Math.max(1, (elongation.value / 100) * (modulus.inPlane.value / strength.inPlane.value)), isBrittle };
}

function tearEnergyJ(charpyKJPerM2: number, { response }: PreparedLoad): number {
  return ((Number.isFinite(charpyKJPerM2) ? charpyKJPerM2 : ELASTOMER_TEAR_KJ_PER_M2) * response.tearAreaMm2) / 1000;
}

interface LeastForce {
  /** Static load that brings the first place to its allowable, N. */
  forceN: number;
  /** Undefined: the squeeze of a cushion comes first. */
  layerStress: LayerStress | undefined;
  /** Of that place, before the rate of loading takes its share, MPa. */
  allowableMPa: number;
}

function leastForce(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
  mmPerN: number,
): LeastForce | { gaps: readonly Statement[] } {
  const { material, body } = context;
  const share = allowableShare(context, load, temperatureC, SHORT_H);
  const byRate = rateFactor(material, load);
  const least: LeastForce = {
    forceN: body.squeezedHeightMm === undefined ? Infinity : (squeezeLimit(load) * body.squeezedHeightMm) / mmPerN,
    layerStress: undefined,
    allowableMPa: Number.NaN,
  };
  const { inPlane, across } = context.layerStresses[load.directionIndex]!;
  for (const one of [...inPlane, ...across]) {
    const strength = bearingStrength(material, one);
    if (!strength.known) return { gaps: strength.gaps };
    const allowableMPa = strength.value * share;
    const forceN = (allowableMPa * byRate) / one.stressPerUnit;
    if (forceN < least.forceN) Object.assign(least, { forceN, layerStress: one, allowableMPa });
  }
  return least;
}

/**
 * A knock without breaking: notched impact energy per area × the area that has to tear. Evidence D at best, since a notched
 * standard bar is not this part; it ranks, it does not promise.
 */
export const impactUnbroken: CaseCheck = {
  id: 'impact-unbroken',
  title: 'Impact without fracture',
  asks: 'Does fracture take more energy than the impact has?',
  failsAs: 'shattered',
  testedBy: ['pendulum-notched', 'pendulum', 'drop-part', 'condition'],
  breaksUnder: 'blow',
  unit: 'J',
  words: ['Impact energy', 'fracture energy'],
  limitsHeat: false,
  appliesTo: (load) => load.kind === 'knock' && load.loadCase.mustStayWhole !== 'undamaged',
  at(context, load, temperatureC, _durationH, working): CaseOutcome {
    const energyJ = knockEnergyJ(context, load, temperatureC);
    if (typeof energyJ !== 'number') return { kind: 'unknown', gaps: energyJ.gaps };
    const toughness = toughnessOf(context, load, temperatureC);
    if (!toughness.known) return { kind: 'unknown', gaps: toughness.gaps };
    const tearsJ = tearEnergyJ(toughness.value, load);
    if (working) showUnbroken(working, load, toughness, tearsJ, temperatureC);
    return {
      kind: 'known',
      demand: energyJ,
      capacity: tearsJ,
      evidence: 'D',
      ...(Number.isFinite(toughness.value)
        ? {}
        : { reason: say`Notched bars of it fold at ${celsius(temperatureC)}: it has to be torn` }),
    };
  },
};

function showUnbroken(
  working: Working,
  load: PreparedLoad,
  toughness: Resolved,
  tearsJ: number,
  temperatureC: number,
): void {
  const breaks = Number.isFinite(toughness.value);
  const meaning = say`Notched Charpy at ${celsius(temperatureC)}`;
  showKnock(load, working);
  if (breaks) showResolved(working, 'aK', meaning, toughness, 'kJ/m²');
  else working.add('aK', meaning, 'does not break', '', { source: toughness.steps.at(-1)?.text ?? '' });
  working.add('A', 'Fracture area', load.response.tearAreaMm2, 'mm²');
  if (!breaks)
    working.add('G', 'Work of fracture', ELASTOMER_TEAR_KJ_PER_M2, 'kJ/m²', {
      source: 'typical of thermoplastic elastomers',
    });
  working.add('U', 'Fracture energy', tearsJ, 'J', {
    expression: 'energy per area · A / 1000; a notched standard bar is not this part: it ranks, it does not promise',
  });
}

/** Across the layers where the knock pulls them apart, else in plane. */
function toughnessOf(context: CheckContext, load: PreparedLoad, temperatureC: number) {
  const parts = isPulledApart(context.layerStresses, load);
  return context.material.property('charpyNotched', parts ? 'across' : 'in-plane', temperatureC);
}

/** A knock that pulls the layers apart tears between them. */
export const isPulledApart = (
  layerStresses: PreparedPart['layerStresses'],
  { directionIndex }: PreparedLoad,
): boolean => layerStresses[directionIndex]!.across.some((one) => one.mode === 'pull-apart' && one.angleDeg > 45);

/** Energy of a knock, J; a falling mass also falls through the part's own give. */
function knockEnergyJ(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
): number | { gaps: readonly Statement[] } {
  if (load.loadCase.energyJ !== undefined) return load.loadCase.energyJ;
  const compliance = context.compliances[load.directionIndex]!;
  if (!compliance.known) return { gaps: compliance.gaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { gaps: acting.gaps };
  return (acting.action ** 2 * movementPerUnit(context, compliance, temperatureC)) / 2000;
}

function showKnock({ loadCase }: PreparedLoad, working: Working): void {
  if (loadCase.energyJ !== undefined) working.add('U', loadCase.name, loadCase.energyJ, 'J');
  else {
    working.add('m', `${loadCase.name}: falling mass`, loadCase.fallingMassG ?? 0, 'g');
    working.add('h', 'Height it falls from', loadCase.dropHeightMm ?? 0, 'mm');
  }
}
