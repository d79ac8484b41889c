import type { Statement } from '@anvilstone/schema';
import { say, mm, bare } from '@anvilstone/core/foundations';
import {
  all,
  direction,
  missing,
  STORED_ENERGY,
  testedAtC,
  type PredictionInput,
  type Predicted,
  type TestMethod,
} from './testMethod.ts';

export const atTemperature = ({ sizes }: PredictionInput) => testedAtC(sizes);

/** Strength as averaged, in the direction of the pull, at the test’s temperature. */
function strengthOf(input: PredictionInput, property: 'tensileStrength' | 'flexuralStrength') {
  const { material, orientation } = input;
  return material.property(property, direction(orientation), atTemperature(input));
}

export const layerPlace = (input: PredictionInput, otherwise: Statement): Statement =>
  input.orientation === 'ZX' ? 'between two layers, straight across' : otherwise;

export const pullBar: TestMethod = {
  id: 'pull-bar',
  title: 'Tensile test',
  settles: 'How strong is it along and across the layers?',
  capture: 'force',
  rig: 'pull',
  tests: 'coupon',
  after: 'ISO 527-2, with a shorter bar and hand loading',
  sizes: [
    { id: 'widthMm', title: 'Width of the neck', dimension: 'length', typical: 6 },
    { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 4 },
    { id: 'lengthMm', title: 'Whole length', dimension: 'length', typical: 80 },
    { id: 'temperatureC', title: 'Temperature', dimension: 'temperature', typical: 23 },
  ],
  needs: [
    'Force gauge or hanging scale with a peak hold',
    'Two printed grips or pinned eyes',
    'A screw or lever that pulls slowly',
    'Calliper',
  ],
  steps: [
    'Print the bars with the walls you print parts with, all of one grade from one spool. Upright bars side by side, with a brim.',
    'Wait until they are in the moisture state you want to know about; weigh each.',
    'Measure width and thickness of the neck at three places; the smallest counts. Write them with the specimen.',
    'Set the bar in the grips so that it hangs in line with the pull. A bar that is pulled askew breaks early.',
    say`Zero the gauge with the bar hanging, then pull by about ${mm(5)} a minute until it parts.`,
    'Record the location of failure. In the grip, or at a print defect: keep the value and note it.',
  ],
  cautions: STORED_ENERGY,
  moves: ['strength-in-plane', 'strength-across-layers'],
  outcomes: [
    {
      id: 'strength',
      breaks: true,
      title: 'Tensile strength',
      dimension: 'stress',
      property: 'tensileStrength',
      of: ({ peakN }, sizes) => perArea(peakN, all(sizes, 'widthMm', 'thicknessMm')),
    },
    {
      id: 'first-crack',
      breaks: true,
      title: 'Stress at the first crack',
      dimension: 'stress',
      of: ({ firstCrackN }, sizes) => perArea(firstCrackN, all(sizes, 'widthMm', 'thicknessMm')),
    },
    { id: 'peak', breaks: true, title: 'Largest force', dimension: 'force', of: ({ peakN }) => peakN },
  ],
  predict(input) {
    const sizes = all(input.sizes, 'widthMm', 'thicknessMm');
    if (!sizes) return missing('Width and thickness of the neck are not stated');
    const strength = strengthOf(input, 'tensileStrength');
    if (!strength.known) return missing(...strength.gaps);
    return {
      known: true,
      value: strength.value,
      cov: strength.cov,
      forceN: strength.value * sizes.widthMm * sizes.thicknessMm,
      place: layerPlace(input, 'in the neck'),
    };
  },
  // The neck and two heads of twice its width, each a quarter of the length.
  volumeMm3: ({ widthMm = 6, thicknessMm = 4, lengthMm = 80 }) => 1.5 * widthMm * thicknessMm * lengthMm,
  resize: { size: 'thicknessMm', power: 1, least: 2 },
  handsOnMin: 4,
};

export const bendBar: TestMethod = {
  id: 'bend-bar',
  title: 'Three-point bending to failure',
  settles: 'Stiffness, first damage and edge stress at failure?',
  capture: 'force',
  rig: 'bend',
  tests: 'coupon',
  after: 'ISO 178, hand loaded',
  sizes: [
    { id: 'spanMm', title: 'Between the supports', dimension: 'length', typical: 64 },
    { id: 'widthMm', title: 'Width', dimension: 'length', typical: 10 },
    { id: 'thicknessMm', title: 'Thickness', dimension: 'length', typical: 4 },
    { id: 'temperatureC', title: 'Temperature', dimension: 'temperature', typical: 23 },
  ],
  needs: [
    say`Two ${bare(mm(6))} to ${mm(10)} steel rods as supports and one to press with`,
    'Force gauge or a scale under the rig',
    'Dial gauge',
    'Calliper',
  ],
  steps: [
    'Screw the two support rods to a board, 16 times the bar’s thickness apart. Measure the span between their tops.',
    'Measure width and thickness of each bar in the middle; write them with the specimen.',
    'Lay the bar across, the side that was down on the bed facing down, and note which way it lies.',
    'Zero force and dial gauge with the pressing rod just touching.',
    say`Press in the middle, slowly, about ${mm(2)} a minute, until it breaks or has bent by a tenth of the span.`,
    'Listen and look for the first crack: it is a reading of its own.',
  ],
  cautions: STORED_ENERGY,
  moves: ['deflection-at-load', 'strength-in-plane'],
  outcomes: [
    {
      id: 'strength',
      breaks: true,
      title: 'Flexural strength',
      dimension: 'stress',
      property: 'flexuralStrength',
      of: ({ peakN }, sizes) => edgeStress(peakN, all(sizes, 'spanMm', 'widthMm', 'thicknessMm')),
    },
    {
      id: 'modulus',
      title: 'Flexural modulus',
      dimension: 'stress',
      property: 'flexuralModulus',
      of: ({ stiffnessNPerMm }, sizes) => beamModulus(stiffnessNPerMm, all(sizes, 'spanMm', 'widthMm', 'thicknessMm')),
    },
    {
      id: 'first-crack',
      breaks: true,
      title: 'Edge stress at the first crack',
      dimension: 'stress',
      of: ({ firstCrackN }, sizes) => edgeStress(firstCrackN, all(sizes, 'spanMm', 'widthMm', 'thicknessMm')),
    },
    { id: 'energy', breaks: true, title: 'Work to break', dimension: 'energy', of: ({ energyJ }) => energyJ },
  ],
  predict(input) {
    const sizes = all(input.sizes, 'spanMm', 'widthMm', 'thicknessMm');
    if (!sizes) return missing('Span, width and thickness are not stated');
    const strength = strengthOf(input, 'flexuralStrength');
    if (!strength.known) return missing(...strength.gaps);
    return {
      known: true,
      value: strength.value,
      cov: strength.cov,
      forceN: (2 * strength.value * sizes.widthMm * sizes.thicknessMm ** 2) / (3 * sizes.spanMm),
      place: layerPlace(
        input,
        say`under the pressing rod, on the pulled side; it bends ${mm(sizes.spanMm / 16)} or more first`,
      ),
    };
  },
  volumeMm3: ({ spanMm = 64, widthMm = 10, thicknessMm = 4 }) => 1.25 * spanMm * widthMm * thicknessMm,
  resize: { size: 'thicknessMm', power: 2, least: 2 },
  handsOnMin: 3,
};

const perArea = (forceN: number | undefined, sizes: { widthMm: number; thicknessMm: number } | undefined) =>
  forceN === undefined || !sizes ? undefined : forceN / (sizes.widthMm * sizes.thicknessMm);

/** σ = 3·F·L/(2·b·t²). Source: ISO 178. */
export const edgeStress = (
  forceN: number | undefined,
  sizes: { spanMm: number; widthMm: number; thicknessMm: number } | undefined,
) =>
  forceN === undefined || !sizes
    ? undefined
    : (3 * forceN * sizes.spanMm) / (2 * sizes.widthMm * sizes.thicknessMm ** 2);

/** E = S·L³/(4·b·t³). Source: ISO 178. */
const beamModulus = (
  stiffness: number | undefined,
  sizes: { spanMm: number; widthMm: number; thicknessMm: number } | undefined,
) =>
  stiffness === undefined || !sizes
    ? undefined
    : (stiffness * sizes.spanMm ** 3) / (4 * sizes.widthMm * sizes.thicknessMm ** 3);

/** What the part itself is expected to bear comes from the brief, not from a formula of the method. */
export const fromTheBrief = (): Predicted =>
  missing('The part’s own load is predicted from its brief: begin the campaign from the part');

export const breakPart: TestMethod = {
  id: 'break-part',
  title: 'Proof load to failure',
  settles: 'What load does the real part carry, where does it fail, and is its model right?',
  capture: 'force',
  rig: 'part',
  tests: 'part',
  sizes: [],
  needs: [
    'The part, printed as it will be used',
    'A mount as stiff as the real one',
    'Force gauge, with pulley or lever where it is too small',
    'Dial gauge at the load',
  ],
  steps: [
    'Print the parts exactly as they will be used: same spool, build orientation, walls and machine. Weigh each.',
    'Mount it as it will be mounted, in the direction the brief loads it. Say so if it is loaded the other way round.',
    'Zero the gauges, load slowly, and note the first crack, sound or whitening separately from the break.',
    'Photograph the break before anything is moved: whether layers parted, or the wall tore, is half of the result.',
    'A break at a print fault is a result too: keep it, say what was seen, and decide in the open whether it counts.',
  ],
  cautions: [...STORED_ENERGY, 'A real part breaks where it likes: shield all round it, not only along the load.'],
  moves: ['strength-in-plane', 'strength-across-layers'],
  outcomes: [
    {
      id: 'peak',
      breaks: true,
      property: 'tensileStrength',
      throughModel: true,
      title: 'Breaking load',
      dimension: 'force',
      of: ({ peakN }) => peakN,
    },
    {
      id: 'first-crack',
      breaks: true,
      title: 'Load at the first crack',
      dimension: 'force',
      of: ({ firstCrackN }) => firstCrackN,
    },
    { id: 'energy', breaks: true, title: 'Work to break', dimension: 'energy', of: ({ energyJ }) => energyJ },
  ],
  predict: fromTheBrief,
  handsOnMin: 10,
};
