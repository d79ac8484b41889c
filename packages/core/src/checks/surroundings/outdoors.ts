import { formatNumber as f, HOURS_PER_YEAR } from '@anvilstone/core/foundations';
import type { Check } from '../engine/check.ts';
import { judged, known, unknown } from '../engine/outcome.ts';
import { showWeathering } from '../engine/showMaterial.ts';

const STYRENICS = new Set(['abs', 'hips', 'pc-abs']);

/** Sun, rain and frost: the share of strength left at the end against the share it has to keep. */
export const outdoors: Check = {
  id: 'outdoors',
  title: 'Weathering',
  anyWayUp: true,
  asks: 'Is enough strength left after weathering?',
  failsAs: 'weathered',
  testedBy: ['leave-out'],
  words: ['Required retention', 'retention'],
  applies: ({ brief }) => brief.asks.outdoors !== undefined,
  evaluate(context, working) {
    const { weathering, brief, rules, material } = context;
    const ask = brief.asks.outdoors!;
    const { kept, evidence, source, acceleratedH } = weathering!;
    if (kept === undefined)
      return unknown('%', [
        `Weathering: ${source()}. Expose five printed bars outdoors for a summer, or ${f(acceleratedH)} h in a weathering chamber (ISO 4892-2), and pull them`,
      ]);
    if (working) {
      working.add('t', 'Accelerated weathering that stands for it', acceleratedH, 'h', {
        expression: `${f(rules.weatheringHPerYear)} h a year outside (company rule) · ${f(ask.hoursPerYear)} / ${HOURS_PER_YEAR} · ${f(ask.years)} years`,
      });
      showWeathering(working, context);
    }
    const { family } = material;
    if (rules.styrenicsOutdoors === 'refuse' && evidence === 'D' && family && STYRENICS.has(family.id))
      return judged(
        'fail',
        'D',
        `Company rule: no unstabilised ${family.abbreviation} in the open; ASA is its relative for outdoors`,
      );
    return known({
      demand: ask.keepPct,
      capacity: 100 * kept,
      unit: '%',
      evidence,
      reason: evidence === 'D' ? 'Typical of the natural polymer, not tested: stabiliser and pigment decide' : source(),
    });
  },
};
