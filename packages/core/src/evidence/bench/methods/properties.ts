import { say, grams } from '@anvilstone/core/foundations';
import type { Statement } from '@anvilstone/schema';
import {
  all,
  direction,
  missing,
  testedAtC,
  type Predicted,
  type PredictionInput,
  type TestMethod,
} from './testMethod.ts';

/** A property as the library has it now, for methods whose reading is that property. */
function fromProperty(
  { material, orientation, sizes }: PredictionInput,
  property: 'waterSaturation' | 'waterAt50Rh' | 'wearRate' | 'surfaceResistivity',
  place: Statement,
): Predicted {
  const found = material.property(property, direction(orientation), testedAtC(sizes));
  if (!found.known) return missing(...found.gaps);
  return { known: true, value: found.value, cov: found.cov, place };
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
  title: 'Water uptake at saturation',
  settles: 'How much water does it absorb, and does it crack, cloud or soften?',
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
  needs: [say`Scale that shows ${grams(0.01)}`, 'Jar with a lid', 'Oven to dry it first', 'Lint-free cloth'],
  steps: [
    'Dry the plaques until they lose no more, and weigh them.',
    'Hang them in the fluid so that they touch neither each other nor the glass.',
    'Take out, wipe dry, weigh within a minute; back in. Daily until the gain is less than a hundredth of what it was.',
    'Mass gained in % = (wet − dry) ÷ dry × 100. Look for cracks against the light, and bend one slightly.',
  ],
  cautions: [
    'Solvents, cleaners, fuels: read their safety sheet; gloves, no flame, lid on, ventilate. Dispose of them as local rules say.',
  ],
  moves: ['fit-size'],
  outcomes: [massGain('gain', 'Water taken up when full', 'waterSaturation')],
  predict: (input) => fromProperty(input, 'waterSaturation', 'nothing should crack in water'),
  volumeMm3: ({ widthMm = 30, lengthMm = 30, thicknessMm = 2 }) => widthMm * lengthMm * thicknessMm,
  handsOnMin: 10,
};

/** Change of mass beyond which a fluid is no longer borne well, and no longer at all, %. Ours, after the usual reading of ISO 175. */
const MASS_CHANGE_PCT = { resistant: 1, limited: 5 } as const;

export const soakInFluid: TestMethod = {
  ...soak,
  id: 'soak-fluid',
  title: 'Fluid immersion',
  settles: 'Does it resist this fluid at this temperature for this time?',
  after: 'ISO 175',
  asksFluid: true,
  sizes: [
    ...soak.sizes,
    { id: 'temperatureC', title: 'Temperature of the fluid', dimension: 'temperature', typical: 23 },
  ],
  number: { title: 'Change of mass, loss negative', dimension: 'fraction' },
  steps: [
    'Dry the plaques until they lose no more, weigh and measure them; keep one dry beside them.',
    'Hang them in the fluid so that they touch neither each other nor the glass; lid on, at the temperature of the part.',
    'Take out, wipe dry and weigh within a minute. Change of mass in % = (after − before) ÷ before × 100.',
    'Look for cracks, cloudiness, tackiness; bend one beside the dry one. What came to harm is written down as broken.',
  ],
  moves: ['chemical'],
  outcomes: [
    {
      id: 'change',
      title: 'Change of mass',
      dimension: 'fraction',
      property: 'chemicalResistance',
      classOf: {
        of: (mean) =>
          Math.abs(mean) <= MASS_CHANGE_PCT.resistant
            ? 'resistant'
            : Math.abs(mean) <= MASS_CHANGE_PCT.limited
              ? 'limited'
              : 'unsuitable',
        harmed: 'unsuitable',
      },
      conditions: ({ durationH }) => (durationH === undefined ? {} : { durationH }),
      of: ({ reading }) => reading,
    },
  ],
  predict: () => missing('What the fluid does is what is to be found out'),
};

export const conditionIt: TestMethod = {
  ...soak,
  id: 'condition',
  title: 'Water uptake at 50 % RH',
  settles: 'How much water does it absorb in room air, and how long does that take?',
  after: 'ISO 62, in 50 % humidity',
  number: { title: 'Mass gained in air of 50 %', dimension: 'fraction' },
  steps: [
    'Dry the plaques until they lose no more, and weigh them.',
    'Keep them above a saturated magnesium nitrate solution, or in a room that is logged at 50 ± 5 %.',
    'Weigh daily, later weekly, until the gain is less than a hundredth of what it was.',
  ],
  cautions: [],
  moves: [],
  outcomes: [massGain('gain', 'Water at 50 % humidity', 'waterAt50Rh')],
  predict: (input) => fromProperty(input, 'waterAt50Rh', 'it grows a little; nothing should crack'),
};

export const rubIt: TestMethod = {
  id: 'rub',
  title: 'Sliding wear on steel',
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
    say`Scale that shows ${grams(0.001)}`,
    'Counter',
  ],
  steps: [
    'Run it in for a tenth of the way, clean, and weigh.',
    'Rub slowly enough that the block stays cool to the touch; stop when the way is done.',
    'Clean and weigh. Volume in mm³ = mass lost in mg ÷ density in g/cm³.',
  ],
  cautions: ['Turning disc: no gloves, no loose sleeves, guard on. Fibre dust: suck it off at the block, wear a mask.'],
  moves: ['wear'],
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
  title: 'Surface resistance',
  settles: 'Is the surface resistance in range, and uniform?',
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
    'Apply the voltage for one minute, then read. Both sides of the plaque, and along and across the beads.',
  ],
  cautions: ['Up to 500 V at the probes: keep hands off, and discharge before touching.'],
  moves: ['electrostatic'],
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
