import { formatNumber as f } from '@anvilstone/core/foundations';
import type { Check } from '../engine/check.ts';
import { judged, known, unknown } from '../engine/outcome.ts';
import { showResolved } from '../engine/showMaterial.ts';

/** A printed wall has pores along its beads: this much of a moulded plate’s field is not to be used. Ours, class D. */
const SAFETY = 4;

/** Field across the thinnest wall against the dielectric strength. Screening only: creepage and codes are apart. */
export const insulation: Check = {
  id: 'insulation',
  title: 'Electrical insulation',
  anyWayUp: true,
  asks: 'Does the thinnest wall withstand the voltage?',
  testedBy: ['surface-resistance'],
  words: ['Electric field', 'allowable'],
  applies: ({ brief }) => brief.asks.insulation !== undefined,
  evaluate({ material, body, brief }, working) {
    const { voltageV } = brief.asks.insulation!;
    const demand = voltageV / 1000 / body.thinnestMm;
    if ((material.filler?.surfaceResistivityLog10Ohm?.low ?? 99) < 12)
      return judged('fail', 'D', `${material.filler!.name}: it may conduct, so it is no insulator`);
    const strength = material.property('dielectricStrength');
    if (!strength.known)
      return unknown('kV/mm', [
        `Dielectric strength: not known, and no family value is safe to use. Punch through three printed plates as thick as the wall (IEC 60243-1)`,
      ]);
    if (working) {
      working.add('E', 'Field across the thinnest wall', demand, 'kV/mm', {
        expression: `${f(voltageV)} V / ${f(body.thinnestMm)} mm / 1000`,
      });
      showResolved(working, 'E_d', 'Dielectric strength', strength, 'kV/mm');
      working.add('SF', 'Margin for pores between the beads', SAFETY, '÷', { source: 'ours, evidence D' });
    }
    return known({
      demand,
      capacity: strength.value / SAFETY,
      unit: 'kV/mm',
      evidence: 'D',
      reason: 'Screening only: creepage, ageing and the electrical code are not in it',
    });
  },
};
