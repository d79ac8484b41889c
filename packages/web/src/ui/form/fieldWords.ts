import { fieldMeaning, type Dimension } from '@anvilstone/core/foundations';

/** A schema's description without its unit: “Free length, mm” → “Free length”; what follows a semicolon is a hint. */
export function labelOf(description: string): { label: string; hint: string | undefined } {
  const [main = '', ...rest] = description.split('; ');
  const label = main.replace(/, (mm[²³⁴]?|°C?|MPa|N|s|h|g|%|rev\/min|N·mm)$/, '');
  // A schema speaks to programs, which leave a field out; a person leaves it empty.
  const hint = rest.join('; ').replace(/\babsent = /g, 'empty = ');
  return { label, hint: hint === '' ? undefined : hint };
}

/** What a field’s number measures, by the unit in its name. “Millimetres per newton” and the like are ratios. */
export function dimensionOf(field: string): Dimension {
  if (field === 'cyclesPerH') return 'rate';
  if (field === 'hours') return 'time';
  const { dimension } = fieldMeaning(field);
  return dimension === undefined || (/Per[A-Z]/.test(field) && dimension !== 'speed' && dimension !== 'price')
    ? 'ratio'
    : dimension;
}

/** Choices of the schema in words. One that is not listed is shown as it is, with its dashes taken out. */
const CHOICES: Record<string, string> = {
  supported: 'Simply supported',
  clamped: 'Clamped',
  pinned: 'Pinned both ends',
  'clamped-pinned': 'Clamped and pinned',
  'clamped-free': 'Clamped and free',
  practical: 'Practical joints',
  ideal: 'Ideal joints',
  rigid: 'Something rigid',
  'printed-wall': 'A printed wall',
  fillet: 'With a fillet',
  'runs-on': 'None (no shoulder)',
  point: 'At one place',
  spread: 'Spread evenly',
  even: 'Same thickness throughout',
  half: 'Tapered to half',
  pinched: 'Pinched from two sides',
  'pressed-from-inside': 'Pressed from inside',
  'pressed-from-outside': 'Pressed from outside',
  'pushed-over': 'Pushed over something',
  round: 'Round',
  rectangular: 'Rectangular',
  turns: 'Rotates (living hinge)',
  shifts: 'Translates',
  block: 'Block',
  disc: 'Disc',
  bonded: 'Held',
  slipping: 'Free to slide',
};
export function choiceWords(value: string): string {
  const words = CHOICES[value] ?? value.replaceAll('-', ' ');
  return words[0]!.toUpperCase() + words.slice(1);
}
