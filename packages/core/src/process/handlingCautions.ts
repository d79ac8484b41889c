import type { Family } from '../reference/family.ts';
import type { Reinforcement } from '../reference/reinforcement.ts';

/** What is breathed while printing, by the family's handling class. */
const FUMES: Record<string, string> = {
  low: 'Few fumes when printed within its temperature range: ventilate all the same.',
  styrene: 'Gives off styrene when printed: enclose the machine and extract or filter the air; do not sit beside it.',
  caprolactam: 'Gives off caprolactam and similar vapours when printed: extract or filter the air.',
  acrylic: 'Gives off acrylic vapours when printed, which irritate: extract or filter the air.',
  highTemperature:
    'Printed very hot, or breaks down into harmful gases when overheated: extract the air, stay below the stated nozzle temperature, and let hot end and chamber cool before reaching in.',
};

/**
 * The usual cautions of printing and working a grade. They do not replace its safety data sheet, local rules or licensed
 * practice, and the list ends by saying so. For an unknown family nothing is assumed harmless.
 */
export function handlingCautions(family: Family | undefined, filler: Reinforcement | undefined): string[] {
  const cautions = [
    family
      ? (FUMES[family.fumes] ?? FUMES.highTemperature!)
      : 'The polymer is not stated: treat its fumes as harmful and extract the air.',
  ];
  if (filler?.handlingCaution) cautions.push(filler.handlingCaution);
  cautions.push('The grade’s safety data sheet and local rules come first.');
  return cautions;
}
