import { say, mm, bare } from '@anvilstone/core/foundations';
import { atTemperature, fromTheBrief, layerPlace } from './strength.ts';
import type { Findings } from '@anvilstone/schema';
import {
  direction,
  missing,
  SPECIMEN_COV,
  WEIGHT_FALLS,
  type Predicted,
  type PredictionInput,
  type Sizes,
  type TestMethod,
} from './testMethod.ts';

export const dropOnPart: TestMethod = {
  id: 'drop-part',
  title: 'Drop-weight impact on the part',
  settles: 'At which energy do half of the specimens break, cold where service is cold?',
  capture: 'number',
  rig: 'drop',
  tests: 'part',
  sizes: [{ id: 'temperatureC', title: 'Temperature', dimension: 'temperature', typical: 23 }],
  number: { title: 'Energy it was struck with when it broke', dimension: 'energy' },
  needs: [
    'A tube to guide the weight',
    'A weight with a rounded nose',
    'Tape measure',
    'A freezer, where it will be cold',
  ],
  steps: [
    'Guide the weight in a tube above the place that will be struck; energy in J = mass in kg × 9.81 × height in m.',
    'Begin at half of what is expected. Whole: go up by a quarter for the next specimen. Broken: go down by a quarter.',
    'Use each specimen once: a first blow that left no mark has still hurt it.',
    'A part from the freezer is struck within ten seconds.',
    'Record the energy of every specimen, broken or not.',
  ],
  cautions: [
    'Shards fly: eye protection and a shield all round. Hands out before the weight is let go.',
    ...WEIGHT_FALLS,
  ],
  moves: ['impact-unbroken'],
  outcomes: [
    {
      id: 'energy',
      breaks: true,
      title: 'Energy at break',
      dimension: 'energy',
      property: 'charpyNotched',
      throughModel: true,
      of: ({ reading }) => reading,
    },
  ],
  predict: fromTheBrief,
  handsOnMin: 5,
};

/** Of notch A. */
const NOTCH_RADIUS_MM = 0.25;

/** Impact strength, kJ/m², from what a pendulum lost on a bar. */
const perArea = ({ reading }: Findings, { widthMm, thicknessMm }: Sizes): number | undefined =>
  // 1 J/mm² = 1000 kJ/m².
  reading === undefined || widthMm === undefined || thicknessMm === undefined
    ? undefined
    : (1000 * reading) / (widthMm * thicknessMm);

const predictImpact = (input: PredictionInput, property: 'charpyUnnotched' | 'charpyNotched'): Predicted => {
  const impact = input.material.property(property, direction(input.orientation), atTemperature(input));
  if (!impact.known) return missing(...impact.gaps);
  if (!Number.isFinite(impact.value)) return missing('It is not expected to break');
  return {
    known: true,
    value: impact.value,
    cov: Math.max(impact.cov, SPECIMEN_COV.impact),
    place: layerPlace(input, 'in the middle'),
  };
};

export const notchedPendulum: TestMethod = {
  id: 'pendulum-notched',
  title: 'Pendulum impact, notched bar',
  settles: 'How much impact energy per area does it absorb at a notch?',
  capture: 'number',
  rig: 'pendulum',
  tests: 'coupon',
  after: 'ISO 179-1, notch A, home-made pendulum',
  sizes: [
    { id: 'widthMm', title: 'Width left behind the notch', dimension: 'length', typical: 8 },
    { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 4 },
    { id: 'spanMm', title: 'Between the supports', dimension: 'length', typical: 62 },
    { id: 'temperatureC', title: 'Temperature', dimension: 'temperature', typical: 23 },
  ],
  number: { title: 'Energy that the pendulum lost', dimension: 'energy' },
  needs: [
    'Pendulum of known mass and length with a drag pointer',
    'Two supports',
    say`Notching file or cutter with a tip radius of ${mm(0.25)}`,
    'Calliper',
  ],
  steps: [
    say`Print the bars plain and cut the notch, ${mm(2)} deep: a printed notch has its own skin and is blunter.`,
    'Swing the pendulum empty ten times: the mean loss is friction and is taken off every reading.',
    'The bar lies against both supports, its notch away from the blow, which falls straight behind it.',
    'Energy lost in J = mass in kg × 9.81 × (height it fell from − height it rose to) in m, less the friction.',
    'For the cold, bars lie an hour in the freezer and are struck within ten seconds; write its temperature down.',
  ],
  cautions: ['Shards fly: shield and eye protection. Nobody stands in the plane of the swing.'],
  moves: ['impact-undamaged', 'impact-unbroken'],
  outcomes: [
    {
      id: 'impact',
      breaks: true,
      title: 'Impact strength, notched',
      dimension: 'impact',
      property: 'charpyNotched',
      conditions: () => ({ notchRadiusMm: NOTCH_RADIUS_MM }),
      of: perArea,
    },
  ],
  predict: (input) => predictImpact(input, 'charpyNotched'),
  volumeMm3: ({ widthMm = 8, thicknessMm = 4 }) => 80 * (widthMm + 2) * thicknessMm,
  handsOnMin: 4,
};

export const pendulum: TestMethod = {
  id: 'pendulum',
  title: 'Pendulum impact, unnotched bar',
  settles: 'How much impact energy per area does it absorb unnotched?',
  capture: 'number',
  rig: 'pendulum',
  tests: 'coupon',
  after: 'ISO 179-1 unnotched, home-made pendulum',
  sizes: [
    { id: 'widthMm', title: 'Width', dimension: 'length', typical: 10 },
    { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 4 },
    { id: 'spanMm', title: 'Between the supports', dimension: 'length', typical: 62 },
    { id: 'temperatureC', title: 'Temperature', dimension: 'temperature', typical: 23 },
  ],
  number: { title: 'Energy that the pendulum lost', dimension: 'energy' },
  needs: ['Pendulum of known mass and length with a drag pointer', 'Two supports', 'Calliper'],
  steps: [
    'Swing it empty ten times: the mean loss is friction and is taken off every reading.',
    'Energy lost in J = mass in kg × 9.81 × (height it fell from − height it rose to) in m, less the friction.',
    'The bar lies against both supports; the blow falls on its middle, on the side that was up when it was printed.',
    'A bar that only bends has not broken: write “no break” with the specimen and leave the number out.',
  ],
  cautions: ['Shards fly: shield and eye protection. Nobody stands in the plane of the swing.'],
  moves: [],
  outcomes: [
    {
      id: 'impact',
      breaks: true,
      title: 'Impact strength, unnotched',
      dimension: 'impact',
      property: 'charpyUnnotched',
      of: perArea,
    },
  ],
  predict: (input) => predictImpact(input, 'charpyUnnotched'),
  volumeMm3: ({ widthMm = 10, thicknessMm = 4 }) => 80 * widthMm * thicknessMm,
  handsOnMin: 2,
};

export const rebound: TestMethod = {
  id: 'rebound',
  title: 'Ball rebound from a pad',
  settles: 'How much impact energy does it return, and how much absorb?',
  capture: 'number',
  rig: 'drop',
  tests: 'coupon',
  after: 'ISO 4662, a falling ball for the pendulum',
  sizes: [
    { id: 'thicknessMm', title: 'Thickness of the pad', dimension: 'length', typical: 12 },
    { id: 'widthMm', title: 'Width of the pad', dimension: 'length', typical: 40 },
    { id: 'temperatureC', title: 'Temperature', dimension: 'temperature', typical: 23 },
  ],
  number: { title: 'Height it came back to ÷ height it fell from', dimension: 'fraction' },
  needs: [
    say`Steel ball of ${bare(mm(15))} to ${mm(20)}`,
    'Clear tube with a scale',
    'A heavy, flat plate under the pad',
    'A slow camera',
  ],
  steps: [
    'Lay the pad, printed solid, flat on the heavy plate; what gives under it takes up energy too.',
    say`Let the ball fall from ${mm(300)} through the tube six times; the first three settle the pad and do not count.`,
    say`Read the height that it comes back to, from its lower edge, and write the mean of the last three over ${mm(300)}.`,
  ],
  cautions: ['Eye protection: the ball jumps.'],
  moves: [],
  outcomes: [
    {
      id: 'rebound',
      title: 'Rebound resilience',
      dimension: 'fraction',
      property: 'rebound',
      of: ({ reading }) => reading,
    },
  ],
  predict({ material }) {
    const found = material.property('rebound');
    return found.known
      ? { known: true, value: found.value, cov: found.cov, place: 'the pad stays whole' }
      : missing(...found.gaps);
  },
  volumeMm3: ({ widthMm = 40, thicknessMm = 12 }) => widthMm * widthMm * thicknessMm,
  handsOnMin: 3,
};
