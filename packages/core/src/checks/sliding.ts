import { fillerEffects } from '../materials/familyEstimate.ts';
import { formatNumber as f } from '../units/formatQuantity.ts';
import type { Check, CheckContext } from './check.ts';
import { known, unknown } from './outcome.ts';
import { showResolved } from './showMaterial.ts';

/**
 * Limiting pressure × speed, dry against steel, MPa·m/s, by the family's wear class. Ours, class D: the usual order of
 * magnitude for unlubricated engineering plastics (0.1), ordinary ones (0.05) and those that gall (0.02).
 */
const PV_LIMIT = { good: 0.1, fair: 0.05, poor: 0.02 } as const;

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
  title: 'Wear',
  anyWayUp: true,
  asks: 'Is enough of it left after all the sliding?',
  words: ['Wears by', 'allowed'],
  applies: ({ brief: { asks } }) => asks.sliding?.distanceKm !== undefined && asks.sliding.maxWearMm !== undefined,
  evaluate(context, working) {
    const { pressureMPa, distanceKm, maxWearMm } = context.brief.asks.sliding!;
    const { family, filler } = context.material;
    const own = context.material.property('wearRate');
    if (!own.known && !family) return unknown('mm', own.gaps);
    const factor = own.known ? 1 : (fillerEffects(family!, filler)?.mechanical.wear ?? 1);
    // Canonical is mm³ per MN·m.
    const rate = own.known ? own.value * 1e-6 : WEAR_RATE[family!.wearClass] * factor;
    const demand = wearDepthMm(rate, pressureMPa, distanceKm! * 1000);
    if (working) {
      if (own.known) showResolved(working, 'k', 'Wear rate', own, 'mm³/MN·m');
      else
        working.add('k', `Wear rate, dry against steel: wear class ${family!.wearClass}`, rate, 'mm³/(N·m)', {
          ...(factor === 1 ? {} : { expression: `${WEAR_RATE[family!.wearClass]} · ${f(factor)} for the filler` }),
          source: 'usual order of magnitude, ours (evidence D); grit and grease change it by ten',
        });
      working.add('h', 'Worn away', demand, 'mm', {
        expression: `k · ${f(pressureMPa)} MPa · ${f(distanceKm! * 1000)} m`,
        source: 'Archard 1953',
      });
    }
    return known({
      demand,
      capacity: maxWearMm!,
      unit: 'mm',
      evidence: own.known ? own.evidence : 'D',
      reason: own.known ? null : 'An order of magnitude: run it in on the bench',
    });
  },
};

/** Friction against steel, where a limit on it is asked. */
export const friction: Check = {
  id: 'friction',
  title: 'Friction',
  anyWayUp: true,
  asks: 'Does it slide easily enough?',
  words: ['Coefficient of friction', 'allowed'],
  applies: ({ brief }) => brief.asks.sliding?.maxFriction !== undefined,
  evaluate(context, working) {
    const resolved = context.material.property('frictionVsSteel');
    if (!resolved.known) return unknown('µ', resolved.gaps);
    if (working) showResolved(working, 'µ', 'Coefficient of friction against steel', resolved, '×');
    return known({
      demand: resolved.value,
      capacity: context.brief.asks.sliding!.maxFriction!,
      unit: 'µ',
      evidence: resolved.evidence,
    });
  },
};

/** Pressure × speed against what the family bears dry before it melts or wears away. */
export const pressureVelocity: Check = {
  id: 'pressure-velocity',
  title: 'Pressure × speed',
  anyWayUp: true,
  asks: 'Does it slide cool enough to last?',
  applies: ({ brief, body, loads }) =>
    brief.asks.sliding !== undefined || (body.sliding !== undefined && body.sliding.speedMPerS > 0 && loads.length > 0),
  evaluate(context, working) {
    const { family, filler } = context.material;
    if (!family) return unknown('MPa·m/s', context.material.behaviourGaps);
    const slide = slidingOf(context);
    const capacity = PV_LIMIT[family.wearClass];
    if (working) {
      working.add(
        'p',
        'Contact pressure',
        slide.pressureMPa,
        'MPa',
        slide.formula ? { expression: slide.formula } : {},
      );
      working.add('v', 'Sliding speed', slide.speedMPerS, 'm/s');
      working.add('pv', 'Pressure × speed', slide.pressureMPa * slide.speedMPerS, 'MPa·m/s');
      working.add('pv_lim', `Limit, dry against steel: wear class ${family.wearClass}`, capacity, 'MPa·m/s', {
        source: 'usual order of magnitude, ours (evidence D); grease or a run-in test changes it',
      });
      if (filler)
        working.add('', 'Filler', `${filler.name}: wear × ${f(filler.effects.amorphousOrPla.wear)}, not counted`, '');
    }
    return known({
      demand: slide.pressureMPa * slide.speedMPerS,
      capacity,
      unit: 'MPa·m/s',
      evidence: 'D',
    });
  },
};

function slidingOf({ brief, body, part }: CheckContext): { pressureMPa: number; speedMPerS: number; formula?: string } {
  if (brief.asks.sliding) return brief.asks.sliding;
  const largest = Math.max(...part.loads.map((load) => load.amount));
  const { pressurePerUnit, speedMPerS, formula } = body.sliding!;
  return { pressureMPa: pressurePerUnit * largest, speedMPerS, formula };
}
