import { formatNumber as f } from '../units/formatQuantity.ts';
import { actingAt, movementPerUnit, SHORT_H, weatheredShare } from './action.ts';
import type { Bearing } from './bearings.ts';
import { bearingStrength } from './bearingStrength.ts';
import { LARGEST_RESERVE } from './caseCheck.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from './check.ts';
import { weakest } from './outcome.ts';
import { showElastic } from './deflection.ts';
import { showBearing } from './strengthCheck.ts';
import { showResolved } from './showMaterial.ts';
import { squeezeLimit } from './strain.ts';

/**
 * What is left of a slow strength when it is struck: fast loading raises the yield stress a little and takes away the
 * yielding that blunts a notch. Ours, class D: nothing off, a tenth, a fifth by how rate-sensitive the family is.
 */
const RATE_FACTOR = { low: 1, medium: 0.9, high: 0.8 } as const;

/**
 * A knock without damage: the elastic energy the part takes up until the first place reaches its allowable,
 * ½·F²·c, against the energy of the knock. A cushion is also limited by how far it may be squeezed.
 */
export const impactUndamaged: CaseCheck = {
  id: 'impact-undamaged',
  title: 'Knock without damage',
  asks: 'Does it take up the knock elastically, without a mark that weakens it?',
  unit: 'J',
  words: ['Struck with', 'takes up'],
  limitsHeat: false,
  appliesTo: (load) => load.kind === 'knock' && load.loadCase.mustStayWhole !== 'unbroken',
  at(context, load, temperatureC) {
    const { material } = context;
    const movability = context.movabilities[load.directionIndex]!;
    if (!movability.known) return { kind: 'unknown', gaps: movability.gaps };
    if (!material.family) return { kind: 'unknown', gaps: material.behaviourGaps };
    const acting = actingAt(context, load, temperatureC);
    if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
    const mmPerN = movementPerUnit(context, movability, temperatureC);
    const least = leastForce(context, load, temperatureC, mmPerN);
    if ('gaps' in least) return { kind: 'unknown', gaps: least.gaps };
    if (!Number.isFinite(least.forceN)) return { kind: 'not-loaded' };
    return {
      kind: 'known',
      demand: (acting.action ** 2 * mmPerN) / 2000,
      capacity: (least.forceN ** 2 * mmPerN) / 2000,
      evidence: weakest('D', movability.evidence),
      ...(least.bearing ? { bearing: least.bearing } : { placeId: 'pad' }),
    };
  },
  show(context, load, temperatureC, _durationH, working) {
    const movability = context.movabilities[load.directionIndex]!;
    if (!movability.known) return;
    const mmPerN = movementPerUnit(context, movability, temperatureC);
    const acting = actingAt(context, load, temperatureC);
    const least = leastForce(context, load, temperatureC, mmPerN);
    if (!acting.known || 'gaps' in least) return;
    showKnock(load, working);
    showElastic(context, load, temperatureC, working);
    working.add('F_eq', 'Equivalent static load of the knock', acting.action, 'N', {
      expression: load.loadCase.energyJ === undefined ? 'm·g · (1 + √(1 + 2·h / (m·g·c)))' : '√(2·U / c)',
      source: 'all energy into the part, elastic: Roark, 7th ed., section 16.4',
    });
    if (least.bearing) showBearing(context, least.bearing, load, temperatureC, SHORT_H, working);
    else {
      working.add('', 'Limited by how far the cushion may be squeezed', f(100 * squeezeLimit(load)), '%');
      working.add('', 'Energy it gives back', 'unknown: let a ball rebound from a printed pad (ISO 4662)', '');
    }
    working.add(
      'kv',
      'Share of the slow strength when struck',
      RATE_FACTOR[context.material.family!.rateSensitivity],
      '×',
      {
        source: `rate sensitivity of the family: ${context.material.family!.rateSensitivity}`,
      },
    );
    working.add('F_allow', 'Static load that brings the first place to its allowable', least.forceN, 'N');
    working.add('U', 'Energy it takes up until then', (least.forceN ** 2 * mmPerN) / 2000, 'J', {
      expression: `½ · ${f(least.forceN)}² · ${f(mmPerN)} mm/N / 1000`,
    });
  },
};

function leastForce(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
  mmPerN: number,
): { forceN: number; bearing: Bearing | undefined } | { gaps: readonly string[] } {
  const { material, body } = context;
  const factor =
    (material.strengthFactor(temperatureC, SHORT_H) *
      weatheredShare(context) *
      RATE_FACTOR[material.family!.rateSensitivity]) /
    load.loadCase.safetyFactor;
  let forceN = body.squeezedHeightMm === undefined ? Infinity : (squeezeLimit(load) * body.squeezedHeightMm) / mmPerN;
  let bearing: Bearing | undefined;
  const { inPlane, across } = context.bearings[load.directionIndex]!;
  for (const one of [...inPlane, ...across]) {
    const strength = bearingStrength(material, one);
    if (!strength.known) return { gaps: strength.gaps };
    const bears = (strength.value * factor) / one.stressPerUnit;
    if (bears < forceN) {
      forceN = bears;
      bearing = one;
    }
  }
  return { forceN, bearing };
}

/**
 * A knock without breaking: notched impact energy per area × the area that has to tear. Evidence D at best, since a notched
 * standard bar is not this part; it ranks, it does not promise.
 */
export const impactUnbroken: CaseCheck = {
  id: 'impact-unbroken',
  title: 'Knock without breaking',
  asks: 'Would tearing it through take more energy than the knock has?',
  unit: 'J',
  words: ['Struck with', 'tears at'],
  limitsHeat: false,
  appliesTo: (load) => load.kind === 'knock' && load.loadCase.mustStayWhole !== 'undamaged',
  at(context, load, temperatureC): CaseOutcome {
    const energyJ = knockEnergyJ(context, load, temperatureC);
    if (typeof energyJ !== 'number') return { kind: 'unknown', gaps: energyJ.gaps };
    const toughness = toughnessOf(context, load, temperatureC);
    if (!toughness.known) return { kind: 'unknown', gaps: toughness.gaps };
    const capacity = (toughness.value * load.response.tearAreaMm2) / 1000;
    if (!Number.isFinite(capacity)) {
      return {
        kind: 'known',
        demand: energyJ,
        capacity: energyJ * LARGEST_RESERVE,
        evidence: 'D',
        reason: `Notched bars of it do not break at ${f(temperatureC)} °C`,
      };
    }
    return { kind: 'known', demand: energyJ, capacity, evidence: 'D' };
  },
  show(context, load, temperatureC, _durationH, working) {
    showKnock(load, working);
    const toughness = toughnessOf(context, load, temperatureC);
    if (!toughness.known) return;
    if (Number.isFinite(toughness.value))
      showResolved(working, 'aK', `Notched Charpy at ${f(temperatureC)} °C`, toughness, 'kJ/m²');
    else
      working.add('aK', `Notched Charpy at ${f(temperatureC)} °C`, 'does not break', '', {
        source: toughness.steps.at(-1)?.text ?? '',
      });
    working.add('A', 'Area that has to tear', load.response.tearAreaMm2, 'mm²');
    if (Number.isFinite(toughness.value))
      working.add('U', 'Energy to tear it', (toughness.value * load.response.tearAreaMm2) / 1000, 'J', {
        expression: 'aK · A / 1000; a notched standard bar is not this part: it ranks, it does not promise',
      });
  },
};

/** Across the layers where the knock pulls them apart, else in plane. */
function toughnessOf(context: CheckContext, load: PreparedLoad, temperatureC: number) {
  const { across } = context.bearings[load.directionIndex]!;
  const parts = across.some((one) => one.mode === 'pull-apart' && one.angleDeg > 45);
  return context.material.property('charpyNotched', parts ? 'across' : 'in-plane', temperatureC);
}

/** Energy of a knock, J; a falling mass also falls through the part's own give. */
function knockEnergyJ(
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
): number | { gaps: readonly string[] } {
  if (load.loadCase.energyJ !== undefined) return load.loadCase.energyJ;
  const movability = context.movabilities[load.directionIndex]!;
  if (!movability.known) return { gaps: movability.gaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { gaps: acting.gaps };
  return (acting.action ** 2 * movementPerUnit(context, movability, temperatureC)) / 2000;
}

function showKnock({ loadCase }: PreparedLoad, working: Parameters<CaseCheck['show']>[4]): void {
  if (loadCase.energyJ !== undefined) working.add('U', loadCase.name, loadCase.energyJ, 'J');
  else {
    working.add('m', `${loadCase.name}: falling mass`, loadCase.fallingMassG ?? 0, 'g');
    working.add('h', 'Height it falls from', loadCase.dropHeightMm ?? 0, 'mm');
  }
}
