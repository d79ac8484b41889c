import {
  all,
  direction,
  HOT,
  missing,
  STORED_ENERGY,
  testedAtC,
  WEIGHT_FALLS,
  type PredictionInput,
  type Predicted,
  type Sizes,
  type TestMethod,
} from './testMethod.ts';
import { edgeStress } from './strength.ts';

/** A property as the library has it now, for methods whose reading is that property. */
function fromProperty(
  { material, orientation, sizes }: PredictionInput,
  property: 'waterSaturation' | 'waterAt50Rh' | 'wearRate' | 'surfaceResistivity',
  place: string,
): Predicted {
  const found = material.property(property, direction(orientation), testedAtC(sizes));
  if (!found.known) return missing(...found.gaps);
  return { known: true, value: found.value, cov: found.cov, place };
}

export const twist: TestMethod = {
  id: 'twist-90',
  title: 'Twist a bar by 90°',
  settles: 'How hard is it to twist, and does it stay whole?',
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
  bears: ['strength-across-layers', 'stability'],
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

export const heatLadder: TestMethod = {
  id: 'heat-ladder',
  title: 'Warm it step by step until it gives',
  settles: 'At which temperature does it first move under this stress?',
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
    'Choose the weight for 0.45 or 1.8 MPa of edge stress: the set-up shows what it makes.',
    'Lay the bar on the rods with the weight on, wait five minutes and set the dial to zero.',
    'Go up by 5 K, wait ten minutes, read; and again.',
    'First movement is 0.002 × span² ÷ (6 × thickness) more than at the start; write down the bar’s own temperature.',
  ],
  cautions: [...HOT, ...WEIGHT_FALLS],
  bears: ['heat-steady', 'heat-peak', 'contact-temperature'],
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
    let [low, high] = [23, 400];
    for (let i = 0; i < 40; i++) {
      const middle = (low + high) / 2;
      if (input.material.modulusRatio(middle) > left) low = middle;
      else high = middle;
    }
    return { known: true, value: high, cov: 0.08, place: 'it bows in the middle; it does not break' };
  },
  volumeMm3: ({ spanMm = 64, widthMm = 10, thicknessMm = 4 }) => 1.25 * spanMm * widthMm * thicknessMm,
  handsOnMin: 20,
};

/** The stress of the standard where the weight makes nearly that, else what it makes. */
function hdtStress(sizes: Sizes): number {
  const made = edgeStress(sizes.loadN, all(sizes, 'spanMm', 'widthMm', 'thicknessMm')) ?? 0.45;
  return HDT_STRESSES.find((one) => Math.abs(made / one - 1) < 0.1) ?? Number(made.toPrecision(2));
}

const massGain = (id: string, title: string, property: 'waterSaturation' | 'waterAt50Rh') => ({
  id,
  title,
  dimension: 'fraction' as const,
  property,
  of: ({ reading }: { reading?: number }) => reading,
});

export const soak: TestMethod = {
  id: 'soak',
  title: 'Soak it and weigh it',
  settles: 'How much does it take up, and does it crack, cloud or soften?',
  capture: 'number',
  rig: 'bath',
  tests: 'coupon',
  after: 'ISO 62, until it gains no more',
  sizes: [
    { id: 'widthMm', title: 'Width', dimension: 'length', typical: 30 },
    { id: 'lengthMm', title: 'Length', dimension: 'length', typical: 30 },
    { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 2 },
    { id: 'durationH', title: 'Time in it', dimension: 'time', typical: 168 },
  ],
  number: { title: 'Mass gained', dimension: 'fraction' },
  needs: ['Scale that shows 0.01 g', 'Jar with a lid', 'Oven to dry it first', 'Lint-free cloth'],
  steps: [
    'Dry the plaques until they lose no more, and weigh them.',
    'Hang them in the fluid so that they touch neither each other nor the glass.',
    'Take out, wipe dry, weigh within a minute; back in. Daily until the gain is less than a hundredth of what it was.',
    'Mass gained in % = (wet − dry) ÷ dry × 100. Look for cracks against the light, and bend one slightly.',
  ],
  cautions: [
    'Solvents, cleaners, fuels: read their safety sheet; gloves, no flame, lid on, ventilate. Dispose of them as local rules say.',
  ],
  bears: ['chemical', 'stress-cracking', 'fit-size'],
  outcomes: [massGain('gain', 'Water taken up when full', 'waterSaturation')],
  predict: (input) => fromProperty(input, 'waterSaturation', 'nothing should crack in water'),
  volumeMm3: ({ widthMm = 30, lengthMm = 30, thicknessMm = 2 }) => widthMm * lengthMm * thicknessMm,
  handsOnMin: 10,
};

export const conditionIt: TestMethod = {
  ...soak,
  id: 'condition',
  title: 'Let it take up the air’s water',
  settles: 'How much water does it hold in ordinary air, and how long does that take?',
  after: 'ISO 62, in 50 % humidity',
  number: { title: 'Mass gained in air of 50 %', dimension: 'fraction' },
  steps: [
    'Dry the plaques until they lose no more, and weigh them.',
    'Keep them above a saturated magnesium nitrate solution, or in a room that is logged at 50 ± 5 %.',
    'Weigh daily, later weekly, until the gain is less than a hundredth of what it was.',
  ],
  cautions: [],
  bears: ['fit-size', 'impact-unbroken', 'deflection-at-load'],
  outcomes: [massGain('gain', 'Water at 50 % humidity', 'waterAt50Rh')],
  predict: (input) => fromProperty(input, 'waterAt50Rh', 'it grows a little; nothing should crack'),
};

export const rubIt: TestMethod = {
  id: 'rub',
  title: 'Rub it on steel and weigh what is gone',
  settles: 'How fast does it wear?',
  capture: 'number',
  rig: 'rub',
  tests: 'coupon',
  sizes: [
    { id: 'widthMm', title: 'Width that rubs', dimension: 'length', typical: 10 },
    { id: 'lengthMm', title: 'Length that rubs', dimension: 'length', typical: 10 },
    { id: 'thicknessMm', title: 'Height', dimension: 'length', typical: 10 },
    { id: 'loadN', title: 'Pressed on with', dimension: 'force', typical: 20 },
    { id: 'slideM', title: 'Way that is rubbed, m', dimension: 'ratio', typical: 2000 },
  ],
  number: { title: 'Volume worn away, mm³', dimension: 'ratio' },
  needs: [
    'A turning steel disc or a moved sheet',
    'A lever with a weight that presses the block on',
    'Scale that shows 0.001 g',
    'Counter',
  ],
  steps: [
    'Run it in for a tenth of the way, clean, and weigh.',
    'Rub slowly enough that the block stays cool to the touch; stop when the way is done.',
    'Clean and weigh. Volume in mm³ = mass lost in mg ÷ density in g/cm³.',
  ],
  cautions: ['Turning disc: no gloves, no loose sleeves, guard on. Fibre dust: suck it off at the block, wear a mask.'],
  bears: ['wear', 'friction', 'pressure-velocity'],
  outcomes: [
    {
      id: 'wear',
      title: 'Wear',
      dimension: 'wearRate',
      property: 'wearRate',
      of({ reading }, sizes) {
        const known = all(sizes, 'loadN', 'slideM');
        return reading === undefined || !known ? undefined : (1e6 * reading) / (known.loadN * known.slideM);
      },
    },
  ],
  predict: (input) => fromProperty(input, 'wearRate', 'the rubbed face'),
  volumeMm3: ({ widthMm = 10, lengthMm = 10, thicknessMm = 10 }) => widthMm * lengthMm * thicknessMm,
  handsOnMin: 20,
};

export const surfaceMeter: TestMethod = {
  id: 'surface-resistance',
  title: 'Measure the surface’s resistance',
  settles: 'Does it lead charge away, and is it even over the part?',
  capture: 'number',
  rig: 'meter',
  tests: 'coupon',
  after: 'IEC 62631-3-2, two painted strips',
  sizes: [
    { id: 'lengthMm', title: 'Length of the strips', dimension: 'length', typical: 50 },
    { id: 'spanMm', title: 'Gap between the strips', dimension: 'length', typical: 5 },
    { id: 'voltageV', title: 'Voltage', dimension: 'voltage', typical: 100 },
  ],
  number: { title: 'Resistance read', dimension: 'resistance' },
  needs: [
    'Resistance meter for high values',
    'Silver paint or conductive rubber strips',
    'Dry room, humidity written down',
  ],
  steps: [
    'Keep the plaques for two days in the air in which they will work; write its humidity down.',
    'Paint two parallel strips, clean the gap with alcohol and let it dry.',
    'Apply the voltage for one minute, then read. Both sides of the plaque, and along and across the roads.',
  ],
  cautions: ['Up to 500 V at the probes: keep hands off, and discharge before touching.'],
  bears: ['electrostatic', 'insulation'],
  outcomes: [
    {
      id: 'surface',
      title: 'Surface resistivity',
      dimension: 'resistance',
      property: 'surfaceResistivity',
      conditions: ({ voltageV }) => (voltageV === undefined ? {} : { resistivityVoltageV: voltageV }),
      of({ reading }, sizes) {
        const known = all(sizes, 'lengthMm', 'spanMm');
        return reading === undefined || !known ? undefined : (reading * known.lengthMm) / known.spanMm;
      },
    },
  ],
  predict: (input) => fromProperty(input, 'surfaceResistivity', 'nothing breaks'),
  volumeMm3: ({ lengthMm = 50 }) => 1.4 * lengthMm * 30 * 2,
  handsOnMin: 6,
};

export const leaveOut: TestMethod = {
  id: 'leave-out',
  title: 'Leave them where they will work',
  settles: 'Which of them lasts in the real place, and for how long?',
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
  bears: ['outdoors', 'chemical', 'stress-cracking', 'sag-after-duration', 'heat-steady'],
  outcomes: [],
  predict: () => missing('How long it lasts is what is to be found out'),
  volumeMm3: ({ spanMm = 80, widthMm = 10, thicknessMm = 4 }) => 1.3 * spanMm * widthMm * thicknessMm,
  handsOnMin: 5,
};
