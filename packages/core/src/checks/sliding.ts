import { formatNumber as f } from '../units/formatQuantity.ts';
import type { Check, CheckContext } from './check.ts';
import { known, unknown } from './outcome.ts';
import { showResolved } from './showMaterial.ts';

/**
 * Limiting pressure × speed, dry against steel, MPa·m/s, by the family's wear class. Ours, class D: the usual order of
 * magnitude for unlubricated engineering plastics (0.1), ordinary ones (0.05) and those that gall (0.02).
 */
export const PV_LIMIT = { good: 0.1, fair: 0.05, poor: 0.02 } as const;

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
