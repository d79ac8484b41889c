import { bisect, ROOM_C, say, megapascals } from '@anvilstone/core/foundations';
import { all, HOT, missing, STORED_ENERGY, WEIGHT_FALLS, type Sizes, type TestMethod } from './testMethod.ts';
import { edgeStress } from './strength.ts';

export const twist: TestMethod = {
  id: 'twist-90',
  title: 'Torsion test to 90°',
  settles: 'Torsional stiffness, and does it stay intact?',
  capture: 'number',
  rig: 'twist',
  tests: 'coupon',
  sizes: [
    { id: 'lengthMm', title: 'Between the grips', dimension: 'length', typical: 80 },
    { id: 'widthMm', title: 'Width', dimension: 'length', typical: 10 },
    { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 4 },
  ],
  number: { title: 'Torque at 90°', dimension: 'torque' },
  needs: ['A vice', 'A lever of known length with a gauge or a weight', 'A protractor on the lever'],
  steps: [
    'Clamp one end in the vice, the lever square on the other end.',
    'Turn by 10° in about two seconds, wait two seconds and write the torque: force × arm. On in steps to 90°.',
    'Let go and write down how far it has stayed turned, and whether layers have opened.',
    'It broke before 90°: keep the torque at which it did, and say so.',
  ],
  cautions: STORED_ENERGY,
  moves: [],
  outcomes: [{ id: 'torque', title: 'Torque at 90°', dimension: 'torque', of: ({ reading }) => reading }],
  predict({ material, sizes }) {
    const known = all(sizes, 'lengthMm', 'widthMm', 'thicknessMm');
    if (!known) return missing('Length, width and thickness are not stated');
    const { modulus, behaviour } = material;
    if (!modulus.inPlane.known || !behaviour) return missing('The modulus is not known');
    const shear = modulus.inPlane.value / (2 * (1 + behaviour.poisson));
    const [wide, thin] = [Math.max(known.widthMm, known.thicknessMm), Math.min(known.widthMm, known.thicknessMm)];
    // Roark, table 10.1: torsion constant of a rectangle.
    const constant = wide * thin ** 3 * (1 / 3 - 0.21 * (thin / wide) * (1 - (thin / wide) ** 4 / 12));
    return {
      known: true,
      value: (shear * constant * (Math.PI / 2)) / known.lengthMm,
      cov: 0.3,
      place: 'middle of the wide faces; with long bars it yields and stays turned',
    };
  },
  volumeMm3: ({ lengthMm = 80, widthMm = 10, thicknessMm = 4 }) => 1.4 * lengthMm * widthMm * thicknessMm,
  handsOnMin: 4,
};

/** Heat deflection is told when the edge strain has grown by this, as in ISO 75. */
const STRAIN = 0.002;
const HDT_STRESSES = [0.45, 1.8, 8];
/** No oven of a workshop, and no filament, goes beyond, °C. */
const HOTTEST_C = 400;

export const heatLadder: TestMethod = {
  id: 'heat-ladder',
  title: 'Stepwise heating under load',
  settles: 'At which temperature does it deflect under this stress?',
  capture: 'number',
  rig: 'oven',
  tests: 'coupon',
  after: 'ISO 75-2, in steps of 5 K',
  sizes: [
    { id: 'spanMm', title: 'Between the supports', dimension: 'length', typical: 64 },
    { id: 'widthMm', title: 'Width', dimension: 'length', typical: 10 },
    { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 4 },
    { id: 'loadN', title: 'Weight in the middle', dimension: 'force', typical: 0.75 },
  ],
  number: { title: 'Temperature of the first movement', dimension: 'temperature' },
  needs: [
    'Oven with a window',
    'Thermocouple at the bar',
    'Weight on a hook, dial gauge through the roof or a mark on a scale behind',
  ],
  steps: [
    say`Choose the weight for ${megapascals(0.45)} or ${megapascals(1.8)} of edge stress: the set-up shows what it makes.`,
    'Lay the bar on the rods with the weight on, wait five minutes and set the dial to zero.',
    'Go up by 5 K, wait ten minutes, read; and again.',
    'First movement is 0.002 × span² ÷ (6 × thickness) more than at the start; write down the bar’s own temperature.',
  ],
  cautions: [...HOT, ...WEIGHT_FALLS],
  moves: ['heat-steady'],
  outcomes: [
    {
      id: 'hdt',
      title: 'Heat deflection temperature',
      dimension: 'temperature',
      property: 'heatDeflectionTemperature',
      conditions: (sizes) => ({ hdtStressMPa: hdtStress(sizes) }),
      of: ({ reading }) => reading,
    },
  ],
  predict(input) {
    const stress = edgeStress(input.sizes.loadN, all(input.sizes, 'spanMm', 'widthMm', 'thicknessMm'));
    if (stress === undefined) return missing('Span, width, thickness and weight are not stated');
    const { modulus, behaviour } = input.material;
    if (!modulus.inPlane.known) return missing(...modulus.inPlane.gaps);
    if (!behaviour) return missing(...input.material.behaviourGaps);
    // ISO 75: it has let go where σ/E(T) − σ/E₂₃ = 0.002.
    const left = 1 / (1 + (STRAIN * modulus.inPlane.value) / stress);
    const [, value] = bisect((c) => input.material.modulusRatio(c) > left, ROOM_C, HOTTEST_C, { steps: 40 });
    return { known: true, value, cov: 0.08, place: 'it bows in the middle; it does not break' };
  },
  volumeMm3: ({ spanMm = 64, widthMm = 10, thicknessMm = 4 }) => 1.25 * spanMm * widthMm * thicknessMm,
  handsOnMin: 20,
};

/** The stress of the standard where the weight makes nearly that, else what it makes. */
function hdtStress(sizes: Sizes): number {
  const made = edgeStress(sizes.loadN, all(sizes, 'spanMm', 'widthMm', 'thicknessMm')) ?? 0.45;
  return HDT_STRESSES.find((one) => Math.abs(made / one - 1) < 0.1) ?? Number(made.toPrecision(2));
}

export const leaveOut: TestMethod = {
  id: 'leave-out',
  title: 'Exposure in service',
  settles: 'Which specimens last in the real environment, and for how long?',
  capture: 'looks',
  rig: 'outside',
  tests: 'coupon',
  sizes: [
    { id: 'spanMm', title: 'Free length', dimension: 'length', typical: 80 },
    { id: 'widthMm', title: 'Width', dimension: 'length', typical: 10 },
    { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 4 },
    { id: 'loadN', title: 'Load on each, where there is one', dimension: 'force', typical: 2 },
  ],
  needs: [
    'A place as the part’s: same sun, heat, fluid and load',
    'A thermometer that keeps its highest',
    'A camera and a mark to photograph from',
  ],
  steps: [
    'Hang at least three of each grade, mixed, not grade by grade: one end of the board is always sunnier.',
    'Load them as the part will be loaded; photograph and measure them on the first day.',
    'Look on the dates that are planned: measure how far each has moved, look for cracks, chalk and colour.',
    'One that no longer does its work is gone: write the date, and leave the others.',
  ],
  cautions: ['Hang them where nobody is below: something will fall.'],
  moves: [],
  outcomes: [],
  predict: () => missing('How long it lasts is what is to be found out'),
  volumeMm3: ({ spanMm = 80, widthMm = 10, thicknessMm = 4 }) => 1.3 * spanMm * widthMm * thicknessMm,
  handsOnMin: 5,
};
