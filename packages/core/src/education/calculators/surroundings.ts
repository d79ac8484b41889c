import { Type } from '@sinclair/typebox';
import { wearDepthMm, shareLeft } from '@anvilstone/core/checks';
import { sizeDrift } from '@anvilstone/core/machines';
import { nineOfTenFactor } from '@anvilstone/core/materials';
import { calculator } from './calculator.ts';
import { above0, temperatureC } from './fields.ts';

const answer = Type.Number();
const share = (description: string) => Type.Number({ exclusiveMinimum: 0, maximum: 1, description });
const percent = (description: string) => Type.Number({ minimum: 0, maximum: 100, description });

export const weathered = calculator({
  id: 'weathered-strength',
  title: 'Strength left after weathering',
  source: 'r^(t/1000), ours; lamps and climates differ by a factor of two and more',
  example: { sharePer1000h: 0.8, acceleratedH: 2000 },
  input: {
    sharePer1000h: share('Share left after 1000 h of accelerated weathering'),
    acceleratedH: Type.Number({ minimum: 0, description: 'Accelerated weathering, h' }),
  },
  output: { shareLeft: answer },
  run: (input) => ({ shareLeft: shareLeft(input.sharePer1000h, input.acceleratedH) }),
});

export const drift = calculator({
  id: 'size-drift',
  title: 'How far a printed size strays: shrinkage, swelling, heat',
  source: 'Scatter of shrinkage + swelling in a straight line with humidity + thermal growth',
  example: {
    nominalMm: 24,
    shrinkPct: 1.2,
    scatterShare: 0.1,
    swellingSaturationPct: 2.4,
    relativeHumidityPct: 60,
    expansion1e6PerK: 80,
    coldestC: 18,
    hottestC: 28,
  },
  input: {
    nominalMm: above0('Nominal size, mm'),
    shrinkPct: percent('Print shrinkage, %'),
    scatterShare: Type.Number({ minimum: 0, maximum: 1, description: 'Scatter of it as a share of it' }),
    swellingSaturationPct: percent('Swelling at saturation, %'),
    relativeHumidityPct: percent('Humidity of the air, %'),
    expansion1e6PerK: Type.Number({ minimum: 0, description: 'Thermal expansion, 1e−6/K' }),
    coldestC: temperatureC,
    hottestC: temperatureC,
  },
  output: { largerByMm: answer, smallerByMm: answer },
  run(input) {
    const { scatterMm, swellingMm, warmMm, coldMm } = sizeDrift(input);
    return { largerByMm: scatterMm + swellingMm + warmMm, smallerByMm: scatterMm + coldMm };
  },
});

export const worn = calculator({
  id: 'wear-depth',
  title: 'Depth worn away by sliding',
  source: 'Archard, J. Appl. Phys. 24 (1953) 981',
  example: { rateMm3PerNm: 1e-5, pressureMPa: 1, distanceM: 10000 },
  input: {
    rateMm3PerNm: above0('Wear rate, mm³/(N·m)'),
    pressureMPa: above0('Contact pressure, MPa'),
    distanceM: above0('Sliding distance, m'),
  },
  output: { depthMm: answer },
  run: (input) => ({ depthMm: wearDepthMm(input.rateMm3PerNm, input.pressureMPa, input.distanceM) }),
});

export const nineOfTen = calculator({
  id: 'nine-of-ten',
  title: 'What nine of ten parts reach, over the mean (B-basis)',
  source: 'Log-normal, scatter taken as known: exp(−1.2816·√ln(1 + CoV²)); CMH-17 volume 1',
  example: { covShare: 0.1 },
  input: { covShare: Type.Number({ minimum: 0, maximum: 2, description: 'Coefficient of variation, 0.1 = 10 %' }) },
  output: { factor: answer },
  run: (input) => ({ factor: nineOfTenFactor(input.covShare) }),
});
