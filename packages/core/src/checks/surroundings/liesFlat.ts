import { formatNumber as f } from '@anvilstone/core/foundations';
import { boxOf, ENCLOSURE_FACTOR, warpIndex, warpTendency } from '@anvilstone/core/machines';
import type { Check, CheckContext } from '../engine/check.ts';
import { known, unknown } from '../engine/outcome.ts';

/**
 * Warp index: the family’s tendency (1 … 5, with the filler’s change) × √(longest edge on the bed / 100 mm) × what an
 * enclosure leaves of it. A ranking, not a lift in mm; bed surface, brim and first layer decide as much. Evidence D.
 */
export const liesFlat: Check = {
  id: 'lies-flat',
  isLimit: true,
  title: 'Warp',
  asks: 'Does the part stay flat on the bed to the last layer?',
  worseWhenLarger: true,
  words: ['Warp index', 'allowed'],
  applies: ({ brief }) => brief.asks.liesFlat === true,
  evaluate(context, working) {
    const { family, filler } = context.material;
    if (!family) return unknown('', context.material.behaviourGaps);
    if (!context.fit) return unknown('', ['No machine to evaluate']);
    const tendency = warpTendency(family, filler);
    const delta = tendency - family.warpTendency1to5;
    const edgeMm = longestEdge(context);
    const { enclosure, name } = context.fit.machine;
    const demand = warpIndex(tendency, edgeMm, enclosure);
    if (working) {
      working.add('w', 'Tendency to warp, 1 to 5', tendency, '', {
        expression:
          delta === 0 ? '' : `${family.warpTendency1to5} ${delta < 0 ? '−' : '+'} ${f(Math.abs(delta))} for the filler`,
        source: 'typical of the family',
      });
      working.add('L', 'Longest edge on the bed', edgeMm, 'mm');
      working.add('k', `${name}: ${enclosure}`, ENCLOSURE_FACTOR[enclosure], '×', { source: 'ours, evidence D' });
      working.add('W', 'Warp index', demand, '', { expression: 'w · √(L / 100 mm) · k' });
    }
    return known({
      demand,
      capacity: context.rules.warpLimit,
      unit: '',
      evidence: 'D',
      reason: 'A ranking, not a lift in mm: bed, brim and first layer decide as much',
    });
  },
};

const longestEdge = ({ body, part }: CheckContext) => boxOf(body.extentMm, part.up).longMm;
