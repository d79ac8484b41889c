import type { Brief } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';
import type { Check } from '../engine/check.ts';
import { known, unknown } from '../engine/outcome.ts';
import { showResolved } from '../engine/showMaterial.ts';

/** Linear expansion, 1e−6 per K, near room temperature: Shigley, 10th ed., table 3-3; glass, concrete and wood along the grain, usual values. */
export const OTHER_EXPANSION: Record<NonNullable<Brief['asks']['thermalFit']>['fixedTo'], number> = {
  steel: 11.7,
  'stainless-steel': 17.3,
  aluminium: 23.9,
  brass: 18.7,
  glass: 9,
  concrete: 11,
  wood: 5,
};

/** Difference in growth of two bodies from 23 °C, mm: |α₁ − α₂|·L·|T − 23|, at the worse of two temperatures. */
export function growthDifferenceMm(fit: {
  expansion1e6PerK: number;
  otherExpansion1e6PerK: number;
  lengthMm: number;
  coldestC: number;
  hottestC: number;
}): number {
  const rise = Math.max(Math.abs(fit.coldestC - 23), Math.abs(fit.hottestC - 23));
  return Math.abs(fit.expansion1e6PerK - fit.otherExpansion1e6PerK) * 1e-6 * fit.lengthMm * rise;
}

/** It grows more than what it is fixed to: can slots and gaps take the difference? */
export const thermalFit: Check = {
  id: 'thermal-fit',
  isLimit: true,
  title: 'Thermal expansion mismatch',
  anyWayUp: true,
  asks: 'Can the joint take the difference in thermal expansion?',
  failsAs: 'lost-hold',
  words: ['Expansion mismatch', 'limit'],
  applies: ({ brief }) => brief.asks.thermalFit !== undefined,
  evaluate(context, working) {
    const ask = context.brief.asks.thermalFit!;
    const expansion = context.material.property('thermalExpansion');
    if (!expansion.known) return unknown('mm', expansion.gaps);
    const otherExpansion1e6PerK = OTHER_EXPANSION[ask.fixedTo];
    const demand = growthDifferenceMm({
      expansion1e6PerK: expansion.value,
      otherExpansion1e6PerK,
      lengthMm: ask.lengthMm,
      coldestC: ask.coldestC,
      hottestC: ask.hottestC,
    });
    if (working) {
      showResolved(working, 'α', 'Expansion of the grade', expansion, '1e−6/K');
      working.add('α₀', `Expansion of ${ask.fixedTo.replace('-', ' ')}`, otherExpansion1e6PerK, '1e−6/K', {
        source: 'Shigley, 10th ed., table 3-3',
      });
      const rise = Math.max(Math.abs(ask.coldestC - 23), Math.abs(ask.hottestC - 23));
      working.add('Δ', 'Difference in growth from 23 °C', demand, 'mm', {
        expression: `|${f(expansion.value)} − ${f(otherExpansion1e6PerK)}| · 1e−6 · ${f(ask.lengthMm)} mm · ${f(rise)} K`,
      });
    }
    return known({ demand: Math.max(demand, 1e-9), capacity: ask.allowedMm, unit: 'mm', evidence: expansion.evidence });
  },
};
