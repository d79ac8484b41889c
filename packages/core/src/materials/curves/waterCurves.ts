import { say, mm } from '@anvilstone/core/foundations';
import type { GradeCurve, MarkedPoint } from './gradeCurve.ts';
import type { Material } from '../behaviour/material.ts';
import { resolve } from '../resolving/resolve.ts';
import { waterDiffusionMm2PerH, waterUptakeFraction } from '../behaviour/sorption.ts';
import { byDecades } from './span.ts';

const WALLS_MM = [1, 2, 4, 8];

/** Water taken up over time in 23 °C water, for some wall thicknesses. Empty for what dissolves. */
export function waterCurves({ grade, family, rules }: Material): GradeCurve[] {
  if (family?.waterSaturationPct === null || !family) return [];
  const at = { direction: 'in-plane', conditioning: 'dry' } as const;
  const saturation = resolve(grade, 'waterSaturation', at, rules, false);
  const halfTime = resolve(grade, 'sorptionHalfTime', at, rules, false);
  if (!saturation.known || !halfTime.known) return [];
  const diffusion = waterDiffusionMm2PerH(halfTime.value);
  const own = grade.observations.some((one) => one.property === 'sorptionHalfTime');
  const marks: MarkedPoint[] = [
    {
      x: halfTime.value,
      y: saturation.value / 2,
      kind: own ? 'measured' : 'typical',
      label: say`half time of a ${mm(2)} wall`,
    },
  ];
  return [
    {
      id: 'water-over-time',
      title: 'Water taken up in 23 °C water',
      x: { title: 'Time in water', dimension: 'time', logarithmic: true },
      y: { title: 'Water, share of mass', dimension: 'fraction' },
      lines: WALLS_MM.map((wall) => ({
        label: say`${mm(wall)} wall`,
        points: byDecades(1, 30_000, 80).map((h) => ({
          x: h,
          y: saturation.value * waterUptakeFraction(wall, diffusion, h),
        })),
      })),
      marks,
      evidence: saturation.evidence === 'D' || halfTime.evidence === 'D' ? 'D' : 'C',
      notes: ['Solid wall, both faces open; diffusion constants spread by a factor of three and more'],
    },
  ];
}
