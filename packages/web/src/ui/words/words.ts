import { TERMS } from '../terms.ts';
import { evidenceWords } from './wordsOfEvidence.ts';
import { printWords } from './wordsOfPrint.ts';
import type { Word } from './word.ts';

const judging: readonly Word[] = [
  {
    id: 'demand',
    word: 'Demand',
    means: 'The requirement in one check: a stress, a deflection, a temperature, a price.',
    group: 'Judging',
  },
  {
    id: 'capacity',
    word: 'Capacity',
    means: 'The grade’s value in the same check, under the same conditions and after the same time.',
    group: 'Judging',
  },
  { id: 'reserve', word: 'Reserve factor', means: TERMS.reserve, formula: 'R = capacity ÷ demand', group: 'Judging' },
  {
    id: 'check',
    word: 'Check',
    means:
      'One question with a number for an answer: is the interlayer strength sufficient, is the creep deflection within its limit, does the oil attack it. A grade passes when every check that applies passes.',
    group: 'Judging',
  },
  { id: 'governs', word: 'Governing check', means: TERMS.governs, group: 'Judging' },
  {
    id: 'unknown',
    word: 'Unknown',
    means:
      'A value that this check needs is neither stated nor measured. Unknown never counts as zero or as a pass; the missing value and the test that resolves it are named.',
    group: 'Judging',
  },
  { id: 'typical', word: 'Passes on typical values', means: TERMS.typical, group: 'Judging' },
  {
    id: 'school',
    word: 'Ranking school',
    means:
      'How the leader is chosen: lowest cost (the default), highest minimum reserve, weighted merit, or lowest mass when each grade gets the size it needs.',
    group: 'Judging',
  },
  { id: 'chance', word: 'Probability', means: TERMS.chance, group: 'Judging' },
  {
    id: 'interval',
    word: 'Interval of a probability',
    means:
      'A probability counted in draws is not exact. The interval (Wilson, 95 %) contains it nineteen times in twenty.',
    group: 'Judging',
  },
  {
    id: 'sensitivity',
    word: 'Sensitivity',
    means:
      'How far the reserve factor changes, and whether another grade would lead, when one input changes by its scatter. Measure the longest bar first.',
    group: 'Judging',
  },
  {
    id: 'sized',
    word: 'Sized to pass',
    means:
      'The smallest free dimension at which this grade passes every check, with the resulting mass and cost. The fair comparison of a stiff, expensive grade with a soft, cheap one.',
    group: 'Judging',
  },
  {
    id: 'equal-mass',
    word: 'Equal mass',
    means: 'Every grade gets the infill that gives the part the same mass. Dense grades get less.',
    group: 'Judging',
  },
  {
    id: 'cost',
    word: 'Cost of one good part',
    means:
      'Filament with purge and support, machine time, drying, nozzle wear and labour, divided by the share of good parts.',
    formula: '(material + machine + drying + wear + labour) ÷ share of good parts',
    group: 'Judging',
  },
];

const loads: readonly Word[] = [
  {
    id: 'load-case',
    word: 'Load case',
    means:
      'One action on the part, with size, direction, duration or cycles, and temperature. Each is checked separately; the worst governs.',
    group: 'Loads',
  },
  {
    id: 'lasting',
    word: 'Sustained load',
    means: 'It stays on. The longer and warmer, the more a polymer creeps and the less stress it carries.',
    group: 'Loads',
  },
  {
    id: 'held',
    word: 'Imposed displacement',
    means: 'The part is held at a fixed deformation. It does not creep; its force relaxes instead.',
    group: 'Loads',
  },
  {
    id: 'repeated',
    word: 'Cyclic load',
    means: 'It acts for a number of cycles. Far less than the static strength breaks a part in the end.',
    group: 'Loads',
  },
  {
    id: 'stress-ratio',
    word: 'Stress ratio',
    means: 'Lowest over highest stress of a cycle. 0: fully released. −1: fully reversed. Close to 1: almost constant.',
    formula: 'r = σmin ÷ σmax',
    group: 'Loads',
  },
  {
    id: 'knock',
    word: 'Impact',
    means:
      'A blow, given as energy: mass × drop height. The part must absorb it undamaged, or at least without fracture.',
    formula: 'U = m·g·h',
    group: 'Loads',
  },
  {
    id: 'safety-factor',
    word: 'Safety factor',
    means:
      'Margin on the load, chosen by you or by company rules for uncertainty of the load. It divides the strength.',
    group: 'Loads',
  },
  {
    id: 'allowable',
    word: 'Allowable',
    means:
      'The usable stress: the strength reduced for temperature, time, moisture and weathering, divided by the safety factor.',
    formula: 'σallow = σbasis · kT · kt · kw · kUV ÷ S',
    group: 'Loads',
  },
  {
    id: 'deflection',
    word: 'Elastic deflection',
    means: 'The immediate deflection when the load is applied.',
    group: 'Loads',
  },
  {
    id: 'sag',
    word: 'Creep deflection',
    means:
      'The deflection at the end of the load’s duration and at its temperature: elastic deflection × creep factor.',
    formula: 'y(t) = y · (1 + a·(t/aT)^n)',
    group: 'Loads',
  },
  {
    id: 'creep',
    word: 'Creep',
    means: 'A polymer under sustained load keeps deforming, faster when warm.',
    group: 'Loads',
  },
  {
    id: 'relaxation',
    word: 'Relaxation',
    means: 'At a fixed deformation the force decreases with time. The same cause as creep.',
    group: 'Loads',
  },
  {
    id: 'stability',
    word: 'Stability',
    means: 'A slender part in compression buckles long before it is crushed, sooner when warm or after creep.',
    formula: 'Fcrit = π²·E·I ÷ (K·L)²',
    group: 'Loads',
  },
  {
    id: 'concentration',
    word: 'Stress concentration',
    means: 'The local increase of stress at a sharp inner corner. A larger fillet lowers it.',
    formula: 'σpeak = Kt · σnominal',
    group: 'Loads',
  },
  {
    id: 'strain',
    word: 'Strain',
    means:
      'Elongation relative to length. Hooks and hinges are bent by a fixed amount, so a stiffer grade only breaks sooner.',
    formula: 'ε = ΔL ÷ L',
    group: 'Loads',
  },
];

const heat: readonly Word[] = [
  {
    id: 'hdt',
    word: 'HDT, heat deflection temperature',
    means:
      'Where a standard bar under a standard load (0.45, 1.80 or 8.0 MPa) has bent by a standard amount. Values compare only at the same load, and none is the service temperature of your part.',
    group: 'Heat and time',
  },
  { id: 'own-heat-limit', word: 'Service temperature limit', means: TERMS.ownHeatLimit, group: 'Heat and time' },
  {
    id: 'tg',
    word: 'Glass transition, Tg',
    means:
      'The temperature from which an amorphous polymer is rubber. Semi-crystalline ones only soften there and go on to their melting point.',
    group: 'Heat and time',
  },
  {
    id: 'shift',
    word: 'Time shift',
    means: 'How much faster creep runs when warm: an hour at 50 °C may equal weeks at 23 °C.',
    formula: 'aT, by Arrhenius and, near Tg, WLF',
    group: 'Heat and time',
  },
  {
    id: 'brittle',
    word: 'Cold embrittlement',
    means:
      'Below its brittleness temperature a tough polymer breaks like a brittle one. The brief states the lowest temperature.',
    group: 'Heat and time',
  },
  {
    id: 'manner',
    word: 'Failure mode',
    means: 'Whether it bows, creaks or whitens before it fails, or breaks without warning.',
    group: 'Heat and time',
  },
  {
    id: 'moisture',
    word: 'Moisture state',
    means:
      'Dry as printed, in equilibrium with room air, or saturated. Polyamides lose stiffness and gain toughness and size as they take up water.',
    group: 'Heat and time',
  },
];

/** Every word of the field that the screens use, in the order they are best read in. One place each. */
export const WORDS: readonly Word[] = [...judging, ...loads, ...heat, ...evidenceWords, ...printWords];

export const findWord = (id: string): Word | undefined => WORDS.find((word) => word.id === id);

/** Those in which everything typed appears, those called so first. */
export function wordsLike(typed: string): Word[] {
  const wanted = typed.trim().toLowerCase();
  const named = WORDS.filter(({ word }) => word.toLowerCase().includes(wanted)).toSorted(
    (a, b) => Number(b.word.toLowerCase() === wanted) - Number(a.word.toLowerCase() === wanted),
  );
  return [...named, ...WORDS.filter((one) => !named.includes(one) && one.means.toLowerCase().includes(wanted))];
}
