import type { Statement } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';
import type { Check } from './check.ts';
import { known, unknown } from './outcome.ts';
import { showResolved } from './showMaterial.ts';

export const massLimit: Check = {
  id: 'mass-limit',
  isLimit: true,
  title: 'Mass',
  anyWayUp: true,
  asks: 'Is the part light enough?',
  worseWhenLarger: true,
  isBudget: true,
  scatter: 'mass',
  applies: ({ brief }) => brief.asks.maxMassG !== undefined,
  evaluate({ brief, massG, material, body, part }, working) {
    if (massG === null || !material.density.known)
      return unknown('g', material.density.known ? [] : material.density.gaps);
    if (working) {
      showResolved(working, 'ρ', 'Density', material.density, 'g/cm³');
      working.add('m', brief.filled ? 'Mass, walls and infill' : 'Mass, printed solid', massG, 'g', {
        expression: `${f(body.volumeMm3)} mm³ · ${f(material.density.value)} g/cm³ / 1000${part.fibre ? ', with the strands in its place' : ''}`,
      });
    }
    return known({ demand: massG, capacity: brief.asks.maxMassG!, unit: 'g', evidence: material.density.evidence });
  },
};

export const costLimit: Check = {
  id: 'cost-limit',
  isLimit: true,
  title: 'Cost',
  asks: 'Is the cost of one good part within its limit?',
  worseWhenLarger: true,
  isBudget: true,
  scatter: 'price',
  applies: ({ brief }) => brief.asks.maxCostUsd !== undefined,
  evaluate({ brief, cost, costLines, fit, priceIsFamilyEstimate, material }, working) {
    if (cost === null) return unknown('USD', costGaps(material.density.known, fit !== undefined));
    if (working) {
      for (const { id, title, usd, how } of costLines())
        working.add(`C_${id}`, id === 'machine' ? `Machine time on ${fit!.machine.name}` : title, usd, 'USD', {
          expression: how,
        });
      working.add('C', 'One good part', cost.totalUsd, 'USD', { expression: 'sum of these' });
    }
    return known({
      demand: cost.totalUsd,
      capacity: brief.asks.maxCostUsd!,
      unit: 'USD',
      evidence: priceIsFamilyEstimate ? 'D' : 'C',
    });
  },
};

function costGaps(densityKnown: boolean, machineKnown: boolean): Statement[] {
  const gaps: Statement[] = [];
  if (!densityKnown) gaps.push('Density: not known, so neither is the mass of filament');
  if (!machineKnown) gaps.push('No machine to price the print on, or its process window is not known');
  return gaps.length > 0 ? gaps : ['Price per kg: not known'];
}
