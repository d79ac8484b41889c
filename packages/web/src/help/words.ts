import { TERMS } from '../ui/terms.ts';
import { evidenceWords } from './wordsOfEvidence.ts';
import { printWords } from './wordsOfPrint.ts';
import type { Word } from './word.ts';

const judging: readonly Word[] = [
  {
    id: 'demand',
    word: 'Demand',
    means: 'What the part asks of the material in one check: a stress, a movement, a temperature, a price.',
    group: 'Judging',
  },
  {
    id: 'capacity',
    word: 'Capacity',
    means: 'What the grade gives in the same check, under the same conditions and after the same time.',
    group: 'Judging',
  },
  { id: 'reserve', word: 'Reserve factor', means: TERMS.reserve, formula: 'R = capacity ÷ demand', group: 'Judging' },
  {
    id: 'check',
    word: 'Check',
    means:
      'One question with a number for an answer: is it strong enough across the layers, does it sag too far, does the oil attack it. A grade passes when every check that applies passes.',
    group: 'Judging',
  },
  { id: 'governs', word: 'Governing check', means: TERMS.governs, group: 'Judging' },
  {
    id: 'unknown',
    word: 'Unknown',
    means:
      'Nobody has said or measured what this check needs. Unknown is never counted as zero and never as a pass: it says which value is missing and what would settle it.',
    group: 'Judging',
  },
  { id: 'typical', word: 'Passes on typical values', means: TERMS.typical, group: 'Judging' },
  {
    id: 'school',
    word: 'Ranking school',
    means:
      'How “first” is meant. Cheapest that passes is the usual one; others want the largest smallest reserve, a weighted merit, or the lightest part when each grade is given just the size it needs.',
    group: 'Judging',
  },
  { id: 'chance', word: 'Chance', means: TERMS.chance, group: 'Judging' },
  {
    id: 'interval',
    word: 'Interval of a chance',
    means:
      'A chance that was counted in draws is itself not exact. The interval (Wilson, 95 %) is where it would lie nineteen times in twenty, were the draws made anew.',
    group: 'Judging',
  },
  {
    id: 'sensitivity',
    word: 'Sensitivity',
    means:
      'How far the reserve moves, and whether another grade would lead, when one input moves by its own scatter. The longest bar is what to measure first.',
    group: 'Judging',
  },
  {
    id: 'sized',
    word: 'Sized to pass',
    means:
      'The smallest free dimension at which this grade passes every check, and what the part then weighs and costs. The fair comparison of a stiff dear grade with a soft cheap one.',
    group: 'Judging',
  },
  {
    id: 'equal-mass',
    word: 'Equal mass',
    means: 'Every grade gets the infill that makes the part weigh the same. Dense grades get less of it.',
    group: 'Judging',
  },
  {
    id: 'cost',
    word: 'Cost of one good part',
    means:
      'Filament with purge and support, hours of the machine, drying, wear of the nozzle, work by hand, spread over the parts that come out good.',
    formula: '(material + machine + drying + wear + work) ÷ share of good parts',
    group: 'Judging',
  },
];

const loads: readonly Word[] = [
  {
    id: 'load-case',
    word: 'Load case',
    means:
      'One thing that acts on the part, with its size, direction, how long or how often, and how warm it is then. Each is judged by itself; the worst decides.',
    group: 'Loads',
  },
  {
    id: 'lasting',
    word: 'Lasting load',
    means: 'It stays on. The longer and the warmer, the further a polymer creeps and the less stress it bears.',
    group: 'Loads',
  },
  {
    id: 'held',
    word: 'Held movement',
    means:
      'The part is kept bent or squeezed by a fixed amount. It does not sag; its force fades instead (relaxation).',
    group: 'Loads',
  },
  {
    id: 'repeated',
    word: 'Repeated load',
    means: 'It comes and goes, with a number of times. Far less than the strength breaks a part in the end.',
    group: 'Loads',
  },
  {
    id: 'stress-ratio',
    word: 'Stress ratio',
    means:
      'Lowest stress of a cycle over the highest. 0: it lets go fully each time. −1: it turns round. Close to 1: it hardly changes.',
    formula: 'r = σmin ÷ σmax',
    group: 'Loads',
  },
  {
    id: 'knock',
    word: 'Knock',
    means:
      'A blow, given as an energy: mass × height it falls. The part must take it up by bending, undamaged or at least unbroken.',
    formula: 'U = m·g·h',
    group: 'Loads',
  },
  {
    id: 'safety-factor',
    word: 'Safety factor',
    means:
      'How many times the load the part should bear, chosen by you or by the house for what you do not know of the load. It divides what the material may be used for.',
    group: 'Loads',
  },
  {
    id: 'allowable',
    word: 'Allowable',
    means:
      'The stress that may be used: the strength that nearly all parts reach, less for heat, time, water and sun, divided by the safety factor.',
    formula: 'σallow = σbasis · kT · kt · kw · kUV ÷ S',
    group: 'Loads',
  },
  {
    id: 'deflection',
    word: 'Deflection at load',
    means: 'How far it moves at once when the load comes on.',
    group: 'Loads',
  },
  {
    id: 'sag',
    word: 'Sag after duration',
    means:
      'How far it has moved after the load has been on for its whole duration, at its temperature: deflection × creep.',
    formula: 'y(t) = y · (1 + a·(t/aT)^n)',
    group: 'Loads',
  },
  {
    id: 'creep',
    word: 'Creep',
    means: 'A polymer under a lasting load goes on giving way. Warmth speeds it up as if time ran faster.',
    group: 'Loads',
  },
  {
    id: 'relaxation',
    word: 'Relaxation',
    means: 'What is held at a fixed bend pushes back less and less. The same cause as creep.',
    group: 'Loads',
  },
  {
    id: 'stability',
    word: 'Stability',
    means:
      'A slender part under compression bows out sideways long before it is crushed, sooner when it is warm or has crept.',
    formula: 'Fcrit = π²·E·I ÷ (K·L)²',
    group: 'Loads',
  },
  {
    id: 'concentration',
    word: 'Stress concentration',
    means: 'At a sharp inner corner the stress is higher than beside it. A larger fillet lowers it.',
    formula: 'σpeak = Kt · σnominal',
    group: 'Loads',
  },
  {
    id: 'strain',
    word: 'Strain',
    means:
      'How far a fibre of the part is stretched, as a share of its length. Hooks and hinges are bent by a fixed amount, so a stiffer grade only breaks sooner.',
    formula: 'ε = ΔL ÷ L',
    group: 'Loads',
  },
];

const heat: readonly Word[] = [
  {
    id: 'hdt',
    word: 'HDT, heat deflection temperature',
    means:
      'Where a standard bar under a standard load (0.45, 1.80 or 8.0 MPa) has bent by a standard amount. Two of them compare only at the same load, and neither is the temperature that your part stands.',
    group: 'Heat and time',
  },
  { id: 'own-heat-limit', word: 'Own heat limit', means: TERMS.ownHeatLimit, group: 'Heat and time' },
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
    means: 'How much faster creep runs when it is warmer: an hour at 50 °C may be worth weeks at 23 °C.',
    formula: 'aT, by Arrhenius and, near Tg, WLF',
    group: 'Heat and time',
  },
  {
    id: 'brittle',
    word: 'Cold embrittlement',
    means:
      'Below a temperature of its own a tough polymer snaps like a brittle one. The brief asks for the coldest that it must still take a knock at.',
    group: 'Heat and time',
  },
  {
    id: 'manner',
    word: 'Failure manner',
    means: 'Whether it bows, creaks or whitens before it breaks, or snaps without warning.',
    group: 'Heat and time',
  },
  {
    id: 'moisture',
    word: 'Moisture state',
    means:
      'Dry as printed, in balance with room air, or wet through. Polyamides lose stiffness and gain toughness and size as they take up water.',
    group: 'Heat and time',
  },
];

/** Every word of the field that the screens use, in the order they are best read in. One place each. */
export const WORDS: readonly Word[] = [...judging, ...loads, ...heat, ...evidenceWords, ...printWords];

export const findWord = (id: string): Word | undefined => WORDS.find((word) => word.id === id);

/** Those in which everything typed appears, those called so first. */
export function wordsLike(typed: string): Word[] {
  const wanted = typed.trim().toLowerCase();
  const named = WORDS.filter(({ word }) => word.toLowerCase().includes(wanted));
  return [...named, ...WORDS.filter((one) => !named.includes(one) && one.means.toLowerCase().includes(wanted))];
}
