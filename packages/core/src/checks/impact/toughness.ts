import type { EvidenceClass, Statement } from '@anvilstone/schema';
import { say, celsius, metresPerSecond, kelvins, ROOM_C } from '@anvilstone/core/foundations';
import type { Resolved } from '@anvilstone/core/materials';
import type { CaseCheck, Check, CheckContext, PreparedLoad } from '../engine/check.ts';
import { known, unknown, weakest } from '../engine/outcome.ts';
import { showResolved } from '../engine/showMaterial.ts';
import { rateSensitivityOf, rateShare, strikeSpeedMPerS } from './strikeSpeed.ts';

/** A temperature margin of this counts as a reserve of 2 near room temperature, K. */
const LEAST_DISTANCE_K = 20;

/**
 * Reserve of staying tough: 1 + (T − T_brittle) / max(20, 23 − T), never below 0. A ratio of the temperatures themselves
 * would depend on where the scale starts.
 */
export function toughReserve(temperatureC: number, brittleBelowC: number): number {
  return Math.max(0, 1 + (temperatureC - brittleBelowC) / Math.max(LEAST_DISTANCE_K, 23 - temperatureC));
}

/**
 * By how much a knock at 3 m/s raises the temperature below which a family turns brittle, K. Ours, class D: the time–temperature
 * shift of about five decades of strain rate, by how rate-sensitive the family is.
 */
export const BRITTLE_RISE_K = { low: 5, medium: 10, high: 20 } as const;

/** A temperature to stay tough at is asked for: the grade must not have turned brittle there. */
export const coldEmbrittlement: Check = {
  id: 'cold-embrittlement',
  title: 'Low-temperature toughness',
  anyWayUp: true,
  asks: 'Is it still tough at its lowest temperature?',
  failsAs: 'shattered',
  testedBy: ['pendulum-notched', 'pendulum', 'drop-part'],
  scatter: 'brittleness',
  words: ['Lowest temperature', 'brittle below'],
  applies: ({ brief }) => brief.asks.heat?.coldestC !== undefined,
  evaluate(context, working) {
    const coldestC = context.brief.asks.heat!.coldestC!;
    const brittle = context.material.property('brittlenessTemperature');
    if (!brittle.known) return unknown('°C', brittle.gaps);
    if (working) {
      showResolved(working, 'T_b', 'Turns brittle at', brittle, '°C');
      working.add(
        '',
        'Reserve factor',
        say`1 + (${celsius(coldestC)} − ${celsius(brittle.value)}) / max(${kelvins(LEAST_DISTANCE_K)}, ${celsius(ROOM_C)} − ${celsius(coldestC)})`,
        '',
      );
    }
    return known({
      demand: coldestC,
      capacity: brittle.value,
      unit: '°C',
      reserve: toughReserve(coldestC, brittle.value),
      evidence: brittle.evidence,
      reason: brittle.value > coldestC ? say`Brittle below ${celsius(brittle.value)}` : null,
    });
  },
};

/** What is tough in a slow test may snap when it is struck: the brittle temperature rises with the rate of loading. */
export const struckFast: CaseCheck = {
  id: 'struck-fast',
  title: 'Toughness at impact speed',
  asks: 'Is it still tough at the speed and temperature of the impact?',
  failsAs: 'shattered',
  testedBy: ['pendulum-notched', 'pendulum', 'drop-part'],
  scatter: 'brittleness',
  unit: '°C',
  words: ['Temperature at impact', 'brittle below'],
  limitsHeat: false,
  appliesTo: (load) => load.kind === 'knock' && load.loadCase.mustStayWhole !== 'undamaged',
  at(context, load, temperatureC, _durationH, working) {
    const brittle = struckBrittleC(context, load);
    if ('gaps' in brittle) return { kind: 'unknown', gaps: brittle.gaps };
    if (working) {
      showResolved(working, 'T_b', 'Turns brittle at, loaded slowly', brittle.slow, '°C');
      working.add('ΔT_v', 'Rise of it when struck', brittle.riseK, '°C', {
        source: say`rate sensitivity: ${rateSensitivityOf(context.material)}; struck at ${metresPerSecond(strikeSpeedMPerS(load.loadCase))}`,
      });
      const distance = say`(${celsius(temperatureC)} − ${celsius(brittle.temperatureC)}) / max(${kelvins(LEAST_DISTANCE_K)}, ${celsius(ROOM_C)} − ${celsius(temperatureC)})`;
      working.add('', 'Reserve factor', say`1 + ${distance}`, '');
    }
    return {
      kind: 'known',
      demand: temperatureC,
      capacity: brittle.temperatureC,
      reserve: toughReserve(temperatureC, brittle.temperatureC),
      evidence: weakest('D', brittle.evidence),
      ...(brittle.temperatureC > temperatureC
        ? { reason: say`Struck, it is brittle below ${celsius(brittle.temperatureC)}` }
        : {}),
    };
  },
};

/** Where it turns brittle at the speed of a knock. */
export function struckBrittleC(
  { material }: CheckContext,
  { loadCase }: PreparedLoad,
): { temperatureC: number; evidence: EvidenceClass; slow: Resolved; riseK: number } | { gaps: readonly Statement[] } {
  const brittle = material.property('brittlenessTemperature');
  if (!brittle.known) return { gaps: brittle.gaps };
  if (!material.family) return { gaps: material.behaviourGaps };
  const riseK = BRITTLE_RISE_K[rateSensitivityOf(material)] * rateShare(loadCase);
  return { temperatureC: brittle.value + riseK, evidence: brittle.evidence, slow: brittle, riseK };
}
