import { TERMS } from '../ui/terms.ts';
import type { Word } from './word.ts';

export const evidenceWords: readonly Word[] = [
  {
    id: 'grade',
    word: 'Grade',
    means: 'One filament product. Its family is the polymer it is made of; two grades of a family may differ by half.',
    group: 'Evidence',
  },
  {
    id: 'observation',
    word: 'Observation',
    means:
      'One reported value with its conditions and its source: method, specimen, way up, moisture, temperature, test load. Without them two numbers may not be compared.',
    group: 'Evidence',
  },
  {
    id: 'resolved',
    word: 'Resolved property',
    means: 'The value that is used, with the steps from what was observed to the condition that the part is in.',
    group: 'Evidence',
  },
  { id: 'evidence', word: 'Evidence class', means: TERMS.evidence, group: 'Evidence' },
  {
    id: 'knock-down',
    word: 'Knock-down',
    means:
      'A factor that carries a value from where it was measured to where it is needed, such as from a moulded bar to a printed one. House rules hold it; the working shows it.',
    group: 'Evidence',
  },
  {
    id: 'like-for-like',
    word: 'Like for like',
    means:
      'Two values of the same property at the same conditions. Only these are compared in per cent; for all others it says in what they differ.',
    group: 'Evidence',
  },
  {
    id: 'cov',
    word: 'CoV, coefficient of variation',
    means: 'How far single parts scatter about the mean, as a share of it.',
    formula: 'CoV = standard deviation ÷ mean',
    group: 'Evidence',
  },
  {
    id: 'basis',
    word: 'B-basis',
    means:
      'The value that nine parts in ten exceed, stated with 95 % confidence. With few specimens it lies far below the mean. A-basis: ninety-nine in a hundred.',
    formula: 'B = mean − k·s',
    group: 'Evidence',
  },
  {
    id: 'gap',
    word: 'Gap',
    means:
      'A value that a check needs and nobody has given. Closing it may change the ranking; the shortlist says which gap is worth closing first.',
    group: 'Evidence',
  },
  {
    id: 'house-rules',
    word: 'House rules',
    means:
      'The team’s policy values: safety factors, knock-downs, limits. Each has a reason, and a change shows which parts it moves.',
    group: 'Evidence',
  },

  {
    id: 'campaign',
    word: 'Campaign',
    means:
      'A set of tests planned together to settle a question: which specimens, how many, on which rig, with what foretold.',
    group: 'Bench and records',
  },
  {
    id: 'specimen',
    word: 'Specimen',
    means: 'One printed piece that is tested, with a label that says which grade, way up and print it is.',
    group: 'Bench and records',
  },
  {
    id: 'trial',
    word: 'Trial',
    means: 'One specimen put to one test, with its readings and how it broke.',
    group: 'Bench and records',
  },
  {
    id: 'outlier',
    word: 'Outlier',
    means:
      'A reading far from its fellows. It is marked, never dropped by itself: whoever leaves it out says why, and it stays in sight.',
    group: 'Bench and records',
  },
  {
    id: 'bound',
    word: 'Bound',
    means:
      'The gauge ran out of range or the rig was stopped: the true value is more than this. A bound makes no mean.',
    group: 'Bench and records',
  },
  {
    id: 'weibull',
    word: 'Weibull fit',
    means:
      'The usual way to draw scattered strengths: a straight line if they come from one cause. A small shape number means much scatter.',
    group: 'Bench and records',
  },
  {
    id: 'foretold',
    word: 'Foretold',
    means:
      'What the evaluation expects of this test, before it is made. Measured ÷ foretold corrects the evidence afterwards.',
    group: 'Bench and records',
  },
  {
    id: 'half-width',
    word: 'Mean within, 95 %',
    means:
      'Half the width of the interval that holds the true mean nineteen times in twenty. More specimens narrow it, slowly.',
    formula: 't · s ÷ √n',
    group: 'Bench and records',
  },
  {
    id: 'record',
    word: 'Decision record',
    means:
      'What was chosen, on what grounds, frozen with a number. It can be computed again, here or elsewhere, and shows if anything in it was changed.',
    group: 'Bench and records',
  },
  {
    id: 'out-of-date',
    word: 'Out of date',
    means:
      'Something that this stage or record rested on has changed since. It says what, and is never put right by itself.',
    group: 'Bench and records',
  },
  {
    id: 'settled',
    word: 'Settled',
    means: 'You have said that you are content with this stage. It then watches what it rests on.',
    group: 'Bench and records',
  },
  {
    id: 'finding',
    word: 'Finding',
    means: 'What was seen on a part in service: a measurement, a picture, how it failed. It can become evidence.',
    group: 'Bench and records',
  },
];
