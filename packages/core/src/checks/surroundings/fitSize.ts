import { formatNumber as f, say, mm } from '@anvilstone/core/foundations';
import { sizeDrift } from '@anvilstone/core/machines';
import { annealingOf } from '@anvilstone/core/materials';
import type { EvidenceClass } from '@anvilstone/schema';
import type { Check } from '../engine/check.ts';
import { known, unknown, weakest } from '../engine/outcome.ts';
import { showResolved } from '../engine/showMaterial.ts';

/**
 * A size that has to fit: scatter of print shrinkage + swelling in damp air + growth with temperature, against the allowed
 * deviation either way from the size as printed, dry, 23 °C. The mean shrinkage is taken as compensated in the drawing.
 */
export const fitSize: Check = {
  id: 'fit-size',
  isLimit: true,
  title: 'Tolerance',
  anyWayUp: true,
  asks: 'Does the size stay in tolerance after shrinkage, swelling and thermal expansion?',
  failsAs: 'lost-hold',
  testedBy: ['soak', 'soak-fluid', 'condition'],
  words: ['Size variation', 'tolerance'],
  applies: ({ brief }) => brief.asks.fit !== undefined,
  evaluate({ brief, material, body, rules }, working) {
    const ask = brief.asks.fit!;
    const shrink = material.property('printShrink');
    const swelling = material.property('swellingSaturation');
    const halfTime = material.property('sorptionHalfTime');
    const expansion = material.property('thermalExpansion');
    for (const one of [shrink, swelling, expansion]) if (!one.known) return unknown('mm', one.gaps);
    if (!shrink.known || !swelling.known || !expansion.known) return unknown('mm', []);
    if (ask.dampH !== undefined && !halfTime.known) return unknown('mm', halfTime.gaps);
    const annealing = brief.annealed ? annealingOf(material.family) : null;
    const shrinkPct = shrink.value + (annealing?.shrinkPct ?? 0);
    const parts = sizeDrift({
      nominalMm: ask.nominalMm,
      shrinkPct,
      scatterShare: rules.shrinkScatterShare,
      swellingSaturationPct: swelling.value,
      relativeHumidityPct: ask.dampestRhPct,
      expansion1e6PerK: expansion.value,
      coldestC: ask.coldestC,
      hottestC: ask.hottestC,
      ...(ask.dampH !== undefined && halfTime.known
        ? { soak: { hours: ask.dampH, thicknessMm: body.thinnestMm, halfTime2mmH: halfTime.value } }
        : {}),
    });
    if (working) {
      showResolved(working, 's', 'Print shrinkage', shrink, '%');
      if (annealing)
        working.add('s_a', 'Further shrinkage in the oven', annealing.shrinkPct, '%', {
          source: 'typical of the family',
        });
      working.add('Δs', 'Scatter of it', parts.scatterMm, 'mm', {
        expression: say`${mm(ask.nominalMm)} · ${f(shrinkPct)} % · ${f(rules.shrinkScatterShare)}`,
        source: 'share is a company rule',
      });
      showResolved(working, 'w', 'Swelling, saturated', swelling, '%');
      working.add('Δw', `Swelling at ${f(ask.dampestRhPct)} % RH`, parts.swellingMm, 'mm', {
        expression: say`${mm(ask.nominalMm)} · ${f(swelling.value)} % · ${f(ask.dampestRhPct)} / 100 · ${f(parts.uptake)} taken up`,
      });
      showResolved(working, 'α', 'Thermal expansion', expansion, '1e−6/K');
      working.add('Δ+', 'Growth, hottest', parts.warmMm, 'mm');
      working.add('Δ−', 'Shrinking, coldest', parts.coldMm, 'mm');
    }
    const larger = parts.scatterMm + parts.swellingMm + parts.warmMm;
    const smaller = parts.scatterMm + parts.coldMm;
    const demand = Math.max(larger, smaller, 1e-9);
    const shares: [string, number][] =
      larger >= smaller
        ? [
            ['swelling in damp air', parts.swellingMm],
            ['growth in heat', parts.warmMm],
            ['scatter of shrinkage', parts.scatterMm],
          ]
        : [
            ['shrinking in the cold', parts.coldMm],
            ['scatter of shrinkage', parts.scatterMm],
          ];
    const [first] = shares.sort((a, b) => b[1] - a[1]);
    const evidence: EvidenceClass = weakest(shrink.evidence, swelling.evidence, expansion.evidence);
    return known({
      demand,
      capacity: ask.allowedMm,
      unit: 'mm',
      evidence,
      reason: say`${mm(demand, 2)} ${larger >= smaller ? 'larger' : 'smaller'}, most of it ${first![0]} (${mm(first![1], 2)})`,
    });
  },
};
