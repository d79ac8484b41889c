import { formatNumber as f, say, mm } from '@anvilstone/core/foundations';
import { supports } from '@anvilstone/core/materials';
import type { Check } from '../engine/check.ts';
import { judged, known, unknown } from '../engine/outcome.ts';

/** Walls for which the shortest and the longest usual time stand, mm. */
const THIN_MM = 1;
const THICK_MM = 10;

/** Dissolving on purpose: usual hours for its thinnest wall, between those of thin and thick pieces. */
export const dissolves: Check = {
  id: 'dissolves',
  isLimit: true,
  title: 'Solubility',
  anyWayUp: true,
  asks: 'Does it dissolve in its bath in time?',
  words: ['Dissolved after', 'allowed'],
  applies: ({ brief }) => brief.asks.dissolves !== undefined,
  evaluate({ brief, material, body }, working) {
    const { bath, withinH } = brief.asks.dissolves!;
    const { family } = material;
    if (!family) return unknown('h', material.behaviourGaps);
    if (!family.solvents.includes(bath))
      return judged('fail', 'D', `${family.abbreviation} does not dissolve in ${bath}`);
    const support = supports.find(
      (one) => one.familyId === family.id && one.removal.agent.includes(bath.replace('d-', '')),
    );
    const test = `Hang a printed piece with the same walls in stirred ${bath} and time it`;
    if (!support) return unknown('h', [`${family.abbreviation} dissolves in ${bath}; how fast is not known. ${test}`]);
    const { low, high } = support.removal.hoursTypical;
    const share = Math.min(1, Math.max(0, (body.thinnestMm - THIN_MM) / (THICK_MM - THIN_MM)));
    const hours = low + (high - low) * share;
    working?.add('t', say`Usual time at a wall of ${mm(body.thinnestMm)}`, hours, 'h', {
      expression: `${f(low)} h thin … ${f(high)} h thick`,
      source: `${support.name}, typical; ${support.removal.helps.join(', ')}`,
    });
    return known({ demand: hours, capacity: withinH, unit: 'h', evidence: 'D', reason: `Typical, not timed. ${test}` });
  },
};
