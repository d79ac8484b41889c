import type { EvidenceClass } from '@anvilstone/schema';
import { formatNumber as f, type Working } from '@anvilstone/core/foundations';
import { ACTION_SYMBOL, ACTION_UNIT } from '@anvilstone/core/shapes';
import { actingAt, isDriven, strengthHours, weatheredShare } from '../engine/action.ts';
import type { Bearing, BearingPlaces } from '../engine/bearings.ts';
import { BEARING_WORDS, bearingStrength } from './bearingStrength.ts';
import type { CaseCheck, CaseOutcome, CheckContext, PreparedLoad } from '../engine/check.ts';
import { weakest } from '../engine/outcome.ts';
import { showLines, showResolved, showStrengthFactor, showWeathering } from '../engine/showMaterial.ts';
import { evidenceAt } from '../heat/temperatureEvidence.ts';

/** A check of stress against strength over the places that `which` picks; the place with the minimum reserve decides. */
export function strengthCheck(
  about: Pick<CaseCheck, 'id' | 'title' | 'asks'>,
  which: (bearings: BearingPlaces) => readonly Bearing[],
): CaseCheck {
  return {
    ...about,
    unit: 'MPa',
    limitsHeat: true,
    fade: () => 'strength',
    // What is bent by a forced movement is judged by its strain, what is struck by its energy.
    appliesTo: (load) => !isDriven(load) && load.kind !== 'knock',
    at(context, load, temperatureC, durationH) {
      const bearings = which(context.bearings[load.directionIndex]!);
      if (bearings.length === 0) return NOT_LOADED;
      return worstBearing(context, bearings, load, temperatureC, durationH);
    },
    show(context, load, temperatureC, durationH, working) {
      const bearings = which(context.bearings[load.directionIndex]!);
      const outcome = worstBearing(context, bearings, load, temperatureC, durationH);
      if (outcome.kind !== 'known' || !outcome.bearing) return;
      showBearing(context, outcome.bearing, load, temperatureC, strengthHours(load, durationH), working);
    },
  };
}

function worstBearing(
  context: CheckContext,
  bearings: readonly Bearing[],
  load: PreparedLoad,
  temperatureC: number,
  durationH: number,
): CaseOutcome {
  const { material } = context;
  const first = bearingStrength(material, bearings[0]!);
  if (!first.known) return { kind: 'unknown', gaps: first.gaps };
  if (!material.behaviour) return { kind: 'unknown', gaps: material.behaviourGaps };
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return { kind: 'unknown', gaps: acting.gaps };
  const factor =
    (material.strengthFactor(temperatureC, strengthHours(load, durationH)) * weatheredShare(context)) /
    load.loadCase.safetyFactor;
  let worst: Bearing | undefined;
  let worstReserve = Infinity;
  let evidence: EvidenceClass = 'A';
  let capacity = Number.NaN;
  for (const bearing of bearings) {
    const strength = bearingStrength(material, bearing);
    if (!strength.known) return { kind: 'unknown', gaps: strength.gaps };
    const bears = strength.value * factor;
    const reserve = bears / (bearing.stressPerUnit * acting.action);
    if (reserve >= worstReserve) continue;
    worstReserve = reserve;
    worst = bearing;
    capacity = bears;
    evidence = strength.evidence;
  }
  if (!worst) return NOT_LOADED;
  return {
    kind: 'known',
    demand: worst.stressPerUnit * acting.action,
    capacity,
    evidence: weakest(acting.evidence, evidenceAt(material, evidence, temperatureC), context.weathering?.evidence),
    bearing: worst,
  };
}

const NOT_LOADED: CaseOutcome = { kind: 'not-loaded' };

/** The arithmetic of one stressed place: what acts, the stress there, and the strength that bears it. */
export function showBearing(
  context: CheckContext,
  bearing: Bearing,
  load: PreparedLoad,
  temperatureC: number,
  strengthH: number,
  working: Working,
): void {
  const acting = actingAt(context, load, temperatureC);
  if (!acting.known) return;
  const { action } = context.body;
  working.add('', 'Where', bearing.place.title, '');
  working.add(ACTION_SYMBOL[action], load.loadCase.name, acting.action, ACTION_UNIT[action]);
  showLines(working, bearing.place.lines, acting.action);
  if (bearing.relief !== undefined) {
    working.add('k', 'Share of the stress left to the print beside the strands', bearing.relief, '×', {
      expression: '1 / (1 − s + s · E_f/E)',
      source: 'transformed section, 23 °C',
    });
    working.add('σ_k', 'Stress left to the print', bearing.stressPerUnit * acting.action, 'MPa', {
      expression: 'k · σ',
    });
  }
  const strength = bearingStrength(context.material, bearing);
  const { symbol, meaning } = BEARING_WORDS[bearing.mode];
  if (bearing.mode === 'squeeze') {
    working.add('σ', 'Compression there', bearing.stressPerUnit * acting.action, 'MPa');
  }
  if (bearing.mode === 'pull-apart') working.add('φ', 'Angle of the stress to the layers', bearing.angleDeg, '°');
  if (!strength.known) return;
  showResolved(working, symbol, meaning, strength, 'MPa');
  showStrengthFactor(working, context.material, temperatureC, strengthH);
  showWeathering(working, context);
  working.add('SF', 'Safety factor of the load case', load.loadCase.safetyFactor, '÷');
  working.add(
    'σ_allow',
    'Allowable stress',
    (strength.value * context.material.strengthFactor(temperatureC, strengthH) * weatheredShare(context)) /
      load.loadCase.safetyFactor,
    'MPa',
    {
      expression: `${f(strength.value)} · kT · kt${context.weathering ? ' · kUV' : ''} / ${f(load.loadCase.safetyFactor)}`,
    },
  );
}
