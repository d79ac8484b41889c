import type { Findings } from '@anvilstone/schema';
import { edgeStress } from './strength.ts';
import {
  all,
  HOT,
  missing,
  testedAtC,
  WEIGHT_FALLS,
  type Outcome,
  type PredictionInput,
  type Predicted,
  type SizeField,
  type Sizes,
  type TestMethod,
} from './testMethod.ts';

const BAR: readonly SizeField[] = [
  { id: 'spanMm', title: 'Between the supports', dimension: 'length', typical: 100 },
  { id: 'widthMm', title: 'Width', dimension: 'length', typical: 10 },
  { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 4 },
  { id: 'loadN', title: 'Weight in the middle', dimension: 'force', typical: 5 },
  { id: 'temperatureC', title: 'Temperature', dimension: 'temperature', typical: 23 },
];

/** Movement at a time while it is loaded; a reading within a tenth of the time serves. */
export function movedAt({ moved = [] }: Findings, timeS: number): number | undefined {
  const loaded = moved.filter(({ unloaded }) => !unloaded);
  const near = loaded.reduce<(typeof loaded)[number] | undefined>(
    (best, one) => (!best || Math.abs(one.timeS - timeS) < Math.abs(best.timeS - timeS) ? one : best),
    undefined,
  );
  return near && Math.abs(near.timeS - timeS) <= 0.1 * timeS ? near.movedMm : undefined;
}

/** E = F·L³/(48·I·δ) of a bar on two supports, F in the middle. */
function modulusAt(found: Findings, sizes: Sizes, timeS: number): number | undefined {
  const moved = movedAt(found, timeS);
  const known = all(sizes, 'spanMm', 'widthMm', 'thicknessMm', 'loadN');
  if (moved === undefined || !(moved > 0) || !known) return undefined;
  return (known.loadN * known.spanMm ** 3) / (4 * known.widthMm * known.thicknessMm ** 3 * moved);
}

const stressOf = (sizes: Sizes) => edgeStress(sizes.loadN, all(sizes, 'spanMm', 'widthMm', 'thicknessMm'));

const creepModulus = (id: string, timeS: number, title: string): Outcome => ({
  id,
  title: `Modulus after ${title}`,
  dimension: 'stress',
  property: 'creepModulus',
  conditions: (sizes) => ({
    durationH: timeS / 3600,
    ...(stressOf(sizes) ? { creepStressMPa: round(stressOf(sizes)!) } : {}),
  }),
  of: (found, sizes) => modulusAt(found, sizes, timeS),
});

const round = (value: number) => Number(value.toPrecision(3));

const startModulus = (timeS: number): Outcome => ({
  id: 'modulus',
  title: `Modulus at ${timeS} s`,
  dimension: 'stress',
  property: 'flexuralModulus',
  of: (found, sizes) => modulusAt(found, sizes, timeS),
});

/** How much of the movement that was left when the load came off is gone at the last look. */
const recovered: Outcome = {
  id: 'recovered',
  title: 'Movement that went back',
  dimension: 'fraction',
  of({ moved = [] }) {
    const last = moved.filter(({ unloaded }) => !unloaded).at(-1);
    const after = moved.filter(({ unloaded }) => unloaded).at(-1);
    return last && after && last.movedMm > 0 ? 100 * (1 - after.movedMm / last.movedMm) : undefined;
  },
};

function predictModulus(input: PredictionInput, timeH: number): Predicted {
  const { material, orientation, sizes } = input;
  const modulus = material.modulus[orientation === 'ZX' ? 'across' : 'inPlane'];
  if (!modulus.known) return missing(...modulus.gaps);
  if (!material.behaviour) return missing(...material.behaviourGaps);
  const at = testedAtC(sizes);
  return {
    known: true,
    value: (modulus.value * material.modulusRatio(at)) / material.creepGrowth(at, timeH),
    cov: Math.max(modulus.cov, 0.15),
    place: 'it bends and stays whole; nothing should break at this stress',
  };
}

const steps = (until: string) => [
  'Lay the bar on two rods and set the dial gauge over the middle, so that it just touches.',
  'Set the weight on without a jolt and start the clock as it comes to bear.',
  `Read the dial at the times that are listed, ${until}. The gauge is asked by itself where one is connected.`,
  'Nobody moves the rig meanwhile: a knock shows as a step and spoils everything after it.',
];

export const threeTimes: TestMethod = {
  id: 'bend-1-30-60',
  title: 'Bending for one minute',
  settles: 'How stiff is it, and how fast does it creep at first?',
  capture: 'time',
  rig: 'weight',
  tests: 'coupon',
  sizes: BAR,
  times: { loadedS: [1, 30, 60], unloadedS: [] },
  needs: ['Two rods on a board', 'A known weight on a hook', 'Dial gauge', 'A clock with seconds'],
  steps: steps('1, 30 and 60 s'),
  cautions: WEIGHT_FALLS,
  moves: ['deflection-at-load'],
  outcomes: [startModulus(1), creepModulus('at-60s', 60, '60 s')],
  predict: (input) => predictModulus(input, 1 / 3600),
  volumeMm3: barVolume,
  handsOnMin: 3,
};

export const sag48: TestMethod = {
  id: 'sag-48h',
  title: 'Creep test (48 h)',
  settles: 'How far does it creep, and how much recovers?',
  capture: 'time',
  rig: 'weight',
  tests: 'coupon',
  after: 'ISO 899-2, fewer readings',
  sizes: BAR,
  times: { loadedS: [10, 60, 600, 3600, 21_600, 86_400, 172_800], unloadedS: [3600, 86_400] },
  needs: ['Two rods on a board in a quiet place', 'A known weight on a hook', 'Dial gauge', 'Thermometer beside it'],
  steps: [...steps('10 s to 48 h'), 'Take the weight off, and read what is left after 1 h and after 24 h.'],
  cautions: WEIGHT_FALLS,
  moves: ['sag-after-duration'],
  outcomes: [
    creepModulus('at-48h', 172_800, '48 h'),
    creepModulus('at-24h', 86_400, '24 h'),
    creepModulus('at-1h', 3600, '1 h'),
    creepModulus('at-1min', 60, '1 min'),
    startModulus(10),
    recovered,
  ],
  predict: (input) => predictModulus(input, 48),
  volumeMm3: barVolume,
  handsOnMin: 12,
};

export const creepHot: TestMethod = {
  ...sag48,
  id: 'creep-hot',
  title: 'Creep test, hot',
  settles: 'How far does it creep at service temperature?',
  rig: 'oven',
  sizes: BAR.map((size) => (size.id === 'temperatureC' ? { ...size, typical: 60 } : size)),
  times: { loadedS: [10, 60, 600, 3600, 21_600, 86_400], unloadedS: [] },
  needs: [...sag48.needs, 'An oven that holds its temperature within 2 K', 'Thermocouple at the bar'],
  steps: [
    'Warm bar and rig without the weight until the thermocouple stands still for half an hour.',
    ...steps('10 s to 24 h'),
  ],
  cautions: [...HOT, ...WEIGHT_FALLS],
  moves: ['sag-after-duration'],
  outcomes: [
    creepModulus('at-24h', 86_400, '24 h'),
    creepModulus('at-1h', 3600, '1 h'),
    creepModulus('at-1min', 60, '1 min'),
  ],
  predict: (input) => predictModulus(input, 24),
};

function barVolume({ spanMm = 100, widthMm = 10, thicknessMm = 4 }: Sizes): number {
  return 1.2 * spanMm * widthMm * thicknessMm;
}
