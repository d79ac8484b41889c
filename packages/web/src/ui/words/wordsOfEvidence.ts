import { TERMS } from '../terms.ts';
import type { Word } from './word.ts';

export const evidenceWords: readonly Word[] = [
  {
    id: 'grade',
    word: 'Grade',
    means: 'One filament product. Its family is its polymer; two grades of a family may differ by half.',
    group: 'Evidence',
  },
  {
    id: 'observation',
    word: 'Observation',
    means:
      'One reported value with its conditions and its source: method, specimen, build orientation, moisture, temperature, test load. Without them two values cannot be compared.',
    group: 'Evidence',
  },
  {
    id: 'resolved',
    word: 'Resolved property',
    means: 'The value used in the checks, with the steps from the observation to the part’s condition.',
    group: 'Evidence',
  },
  { id: 'evidence', word: 'Evidence class', means: TERMS.evidence, group: 'Evidence' },
  {
    id: 'knock-down',
    word: 'Knock-down factor',
    means:
      'A factor that adjusts a value to another condition, such as from moulded to printed. Set in the company rules, shown in the calculation.',
    group: 'Evidence',
  },
  {
    id: 'like-for-like',
    word: 'Equal conditions',
    means:
      'Two values of the same property at the same conditions. Only these are compared in per cent; for others the differences are listed.',
    group: 'Evidence',
  },
  {
    id: 'cov',
    word: 'CoV, coefficient of variation',
    means: 'Scatter of single parts about the mean, relative to it.',
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
      'A missing value that a check needs. Closing it may change the ranking; the shortlist shows which gap matters most.',
    group: 'Evidence',
  },
  {
    id: 'company-rules',
    word: 'Company rules',
    means:
      'Policy values: safety factors, knock-down factors, limits. Each has a reason, and a change shows the parts affected.',
    group: 'Evidence',
  },

  {
    id: 'campaign',
    word: 'Campaign',
    means:
      'A set of tests planned together to answer a question: which specimens, how many, on which rig, with which predictions.',
    group: 'Bench and records',
  },
  {
    id: 'specimen',
    word: 'Specimen',
    means: 'One printed piece that is tested, with a label that says which grade, build orientation and print it is.',
    group: 'Bench and records',
  },
  {
    id: 'trial',
    word: 'Trial',
    means: 'One test of one specimen, with its readings and failure mode.',
    group: 'Bench and records',
  },
  {
    id: 'outlier',
    word: 'Outlier',
    means:
      'A reading far from the others. It is marked, never dropped automatically: an exclusion needs a reason and stays visible.',
    group: 'Bench and records',
  },
  {
    id: 'bound',
    word: 'Bound',
    means: 'The gauge went out of range or the rig was stopped: the true value is higher. A bound is not averaged.',
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
    id: 'predicted',
    word: 'Predicted',
    means: 'The expected result of a test, stated before it. Measured ÷ predicted then corrects the evidence.',
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
      'The choice and its reasons, frozen with a number. It can be recomputed anywhere, and its seal shows any change.',
    group: 'Bench and records',
  },
  {
    id: 'out-of-date',
    word: 'Out of date',
    means: 'An input of this stage or record has changed since. The change is named and never applied automatically.',
    group: 'Bench and records',
  },
  {
    id: 'settled',
    word: 'Reviewed',
    means: 'The stage was marked as reviewed. It then shows when an input changes.',
    group: 'Bench and records',
  },
  {
    id: 'finding',
    word: 'Finding',
    means: 'An observation on a part in service: a measurement, a photo, a failure. It can become evidence.',
    group: 'Bench and records',
  },
];
