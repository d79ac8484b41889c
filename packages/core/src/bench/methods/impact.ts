import { atTemperature, fromTheBrief, layerPlace } from './strength.ts';
import { all, direction, missing, WEIGHT_FALLS, type TestMethod } from './testMethod.ts';

export const dropOnPart: TestMethod = {
  id: 'drop-part',
  title: 'Drop a weight on the part',
  settles: 'At which energy do half of them break, in the cold if it will be cold?',
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
    'Write down the energy of each specimen that broke; those that held are noted with their energy as well.',
  ],
  cautions: [
    'Shards fly: eye protection and a shield all round. Hands out before the weight is let go.',
    ...WEIGHT_FALLS,
  ],
  bears: ['impact-undamaged', 'impact-unbroken', 'struck-fast', 'cold-embrittlement'],
  outcomes: [
    { id: 'energy', breaks: true, title: 'Energy at break', dimension: 'energy', of: ({ reading }) => reading },
  ],
  predict: fromTheBrief,
  handsOnMin: 5,
};

export const pendulum: TestMethod = {
  id: 'pendulum',
  title: 'Strike a bar with a pendulum',
  settles: 'How much of a blow does it take up, unnotched, per area?',
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
  bears: ['impact-undamaged', 'impact-unbroken', 'struck-fast', 'cold-embrittlement'],
  outcomes: [
    {
      id: 'impact',
      breaks: true,
      title: 'Impact strength, unnotched',
      dimension: 'impact',
      property: 'charpyUnnotched',
      of({ reading }, sizes) {
        const known = all(sizes, 'widthMm', 'thicknessMm');
        // 1 J/mm² = 1000 kJ/m².
        return reading === undefined || !known ? undefined : (1000 * reading) / (known.widthMm * known.thicknessMm);
      },
    },
  ],
  predict(input) {
    const impact = input.material.property('charpyUnnotched', direction(input.orientation), atTemperature(input));
    if (!impact.known) return missing(...impact.gaps);
    if (!Number.isFinite(impact.value)) return missing('It is not expected to break');
    return {
      known: true,
      value: impact.value,
      cov: Math.max(impact.cov, 0.2),
      place: layerPlace(input, 'in the middle'),
    };
  },
  volumeMm3: ({ widthMm = 10, thicknessMm = 4 }) => 80 * widthMm * thicknessMm,
  handsOnMin: 2,
};
