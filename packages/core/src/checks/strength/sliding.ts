import type { Statement } from '@anvilstone/schema';
import { formatNumber as f, ROOM_C, say, celsius } from '@anvilstone/core/foundations';
import { fillerEffects } from '@anvilstone/core/materials';
import type { Check, CheckContext } from '../engine/check.ts';
import { known, unknown } from '../engine/outcome.ts';
import { showResolved } from '../engine/showMaterial.ts';

/** What grease changes, by orders of magnitude usual of plastics on steel. Ours, class D. */
const GREASED = { pvFactor: 5, wearFactor: 0.1, mostFriction: 0.1 } as const;
const GREASE_NOTE = 'grease cracks or swells some polymers: ask for it as a fluid';
/** Solid lubricant carries off heat by not making it: by as much as it lowers friction, and no more than this. */
const MOST_BY_LUBRICANT = 2;

/**
 * Wear rate dry against smooth steel, mm³/(N·m), by the family's wear class. Ours, class D: usual orders of magnitude; a
 * factor of three either way is ordinary, grit and grease change it by ten.
 */
const WEAR_RATE = { good: 2e-6, fair: 1e-5, poor: 5e-5 } as const;

/**
 * Depth worn away, mm: rate × pressure × distance. Source: J. F. Archard, J. Appl. Phys. 24 (1953) 981. Rate in mm³/(N·m),
 * pressure MPa, distance m; all above 0.
 */
export function wearDepthMm(rateMm3PerNm: number, pressureMPa: number, distanceM: number): number {
  return rateMm3PerNm * pressureMPa * distanceM;
}

/** Wear over the way that it slides, where an end to it is asked. */
export const wear: Check = {
  id: 'wear',
  isLimit: true,
  title: 'Wear',
  anyWayUp: true,
  asks: 'Is the wear within its limit?',
  failsAs: 'worn',
  testedBy: ['rub'],
  words: ['Wear depth', 'limit'],
  applies: ({ brief: { asks } }) => asks.sliding?.distanceKm !== undefined && asks.sliding.maxWearMm !== undefined,
  evaluate(context, working) {
    const { pressureMPa, distanceKm, maxWearMm, running } = context.brief.asks.sliding!;
    const { family, filler } = context.material;
    const own = context.material.property('wearRate');
    if (!own.known && !family) return unknown('mm', own.gaps);
    const factor = own.known ? 1 : (fillerEffects(family!, filler)?.mechanical.wear ?? 1);
    // Canonical is mm³ per MN·m.
    const dry = own.known ? own.value * 1e-6 : WEAR_RATE[family!.wearClass] * factor;
    const rate = running === 'greased' ? dry * GREASED.wearFactor : dry;
    const demand = wearDepthMm(rate, pressureMPa, distanceKm! * 1000);
    if (working) {
      if (own.known) showResolved(working, 'k', 'Wear rate', own, 'mm³/MN·m');
      else
        working.add('k', `Wear rate, dry against steel: wear class ${family!.wearClass}`, dry, 'mm³/(N·m)', {
          ...(factor === 1 ? {} : { expression: `${WEAR_RATE[family!.wearClass]} · ${f(factor)} for the filler` }),
          source: 'usual order of magnitude, ours (evidence D); grit and grease change it by ten',
        });
      if (running === 'greased')
        working.add('k_g', 'Greased', rate, 'mm³/(N·m)', {
          expression: `k · ${GREASED.wearFactor}`,
          source: `ours (evidence D); ${GREASE_NOTE}`,
        });
      working.add('h', 'Wear', demand, 'mm', {
        expression: `k · ${f(pressureMPa)} MPa · ${f(distanceKm! * 1000)} m`,
        source: 'Archard 1953',
      });
    }
    return known({
      demand,
      capacity: maxWearMm!,
      unit: 'mm',
      evidence: own.known && running !== 'greased' ? own.evidence : 'D',
      reason: own.known ? null : 'An order of magnitude: run it in on the bench',
    });
  },
};

/** Friction against steel, where a limit on it is asked. */
export const friction: Check = {
  id: 'friction',
  isLimit: true,
  title: 'Friction',
  anyWayUp: true,
  asks: 'Is the friction low enough?',
  failsAs: 'worn',
  testedBy: ['rub'],
  words: ['Coefficient of friction', 'limit'],
  applies: ({ brief }) => brief.asks.sliding?.maxFriction !== undefined,
  evaluate(context, working) {
    const resolved = context.material.property('frictionVsSteel');
    if (!resolved.known) return unknown('µ', resolved.gaps);
    const { running, maxFriction } = context.brief.asks.sliding!;
    const greased = running === 'greased';
    const demand = greased ? Math.min(resolved.value, GREASED.mostFriction) : resolved.value;
    if (working) {
      showResolved(working, 'µ', 'Coefficient of friction against steel, dry', resolved, '×');
      if (greased)
        working.add('µ_g', 'Greased, in boundary friction', demand, '×', {
          source: `at most ${GREASED.mostFriction}, ours (evidence D); ${GREASE_NOTE}`,
        });
    }
    return known({ demand, capacity: maxFriction!, unit: 'µ', evidence: greased ? 'D' : resolved.evidence });
  },
};

/** Pressure × velocity against what the family bears dry before it melts or wears away. */
export const pressureVelocity: Check = {
  id: 'pressure-velocity',
  title: 'Pressure × velocity',
  anyWayUp: true,
  asks: 'Are contact pressure and sliding speed within the PV limit?',
  failsAs: 'worn',
  testedBy: ['rub'],
  scatter: 'form',
  applies: ({ brief, body, loads }) =>
    brief.asks.sliding !== undefined || (body.sliding !== undefined && body.sliding.speedMPerS > 0 && loads.length > 0),
  evaluate(context, working) {
    const { behaviour, behaviourGaps, family, filler } = context.material;
    const dry = context.material.property('pvLimit');
    if (!dry.known) return unknown('MPa·m/s', dry.gaps);
    if (!behaviour || !family) return unknown('MPa·m/s', behaviourGaps);
    const slide = slidingOf(context);
    const warmC = hottestC(context);
    const { continuousC } = behaviour.form;
    // The face may get so much warmer than what is round it before it lets go.
    const byHeat = Math.max(0, Math.min(1, (continuousC - warmC) / (continuousC - ROOM_C)));
    const byGrease = slide.running === 'greased' ? GREASED.pvFactor : 1;
    const friction = fillerEffects(family, filler)?.mechanical.friction ?? 1;
    const isOwn = dry.evidence !== 'D';
    const byLubricant = !isOwn && filler?.kind === 'solid lubricant' ? Math.min(MOST_BY_LUBRICANT, 1 / friction) : 1;
    const capacity = dry.value * byHeat * byGrease * byLubricant;
    const demand = slide.pressureMPa * slide.speedMPerS;
    if (working) {
      working.add(
        'p',
        'Contact pressure',
        slide.pressureMPa,
        'MPa',
        slide.formula ? { expression: slide.formula } : {},
      );
      working.add('v', 'Sliding speed', slide.speedMPerS, 'm/s');
      working.add('pv', 'Pressure × velocity', demand, 'MPa·m/s');
      if (isOwn) showResolved(working, 'pv_lim', 'Limit, dry against steel', dry, 'MPa·m/s');
      else
        working.add('pv_lim', `Limit, dry against steel: wear class ${family.wearClass}`, dry.value, 'MPa·m/s', {
          source: 'usual order of magnitude, ours (evidence D); a run-in test changes it',
        });
      if (byHeat < 1)
        working.add('k_T', say`Left of it at ${celsius(warmC)}`, byHeat, '×', {
          expression: say`(${celsius(continuousC)} − ${celsius(warmC)}) / (${celsius(continuousC)} − ${celsius(ROOM_C)})`,
          source: 'the face may warm up to the form limit',
        });
      if (byGrease > 1) working.add('k_g', 'Greased', byGrease, '×', { source: `ours (evidence D); ${GREASE_NOTE}` });
      if (byLubricant > 1)
        working.add('k_µ', 'Solid lubricant', byLubricant, '×', { source: '1 over what it leaves of the friction' });
    }
    return known({
      demand,
      capacity,
      unit: 'MPa·m/s',
      evidence: byGrease === 1 ? dry.evidence : 'D',
    });
  },
};

interface Sliding {
  pressureMPa: number;
  speedMPerS: number;
  running?: 'dry' | 'greased' | undefined;
  formula?: Statement;
}

function slidingOf({ brief, body, part }: CheckContext): Sliding {
  if (brief.asks.sliding) return brief.asks.sliding;
  const largest = Math.max(...part.loads.map((load) => load.amount));
  const { pressurePerUnit, speedMPerS, running, formula } = body.sliding!;
  return { pressureMPa: pressurePerUnit * largest, speedMPerS, running, formula };
}

/** Where it runs at its warmest, at least room temperature, °C. */
function hottestC({ brief, part }: CheckContext): number {
  const loads = part.loads.map(({ loadCase }) => loadCase.temperatureC);
  return Math.max(ROOM_C, brief.asks.heat?.steadyC ?? ROOM_C, ...loads);
}
