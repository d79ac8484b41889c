import { inSentence, DIMENSIONS, findUnit, type Dimension, unitList, formatNumber } from '@anvilstone/core/foundations';
import { TEST_PARAMETERS, PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import type { Observation, PropertyId } from '@anvilstone/schema';
import { plausibility } from '../reading/plausible.ts';
import { readCell, type CellNumber, type DecimalSign } from '../reading/readCell.ts';
import type { Issues } from './issues.ts';
import type { Questions } from './questions.ts';

export interface ResultCell {
  line: number;
  column: number;
  header: string;
  text: string;
  property: PropertyId;
  /** Of the column or the row; null: none. */
  unit: string | null;
  /** The conditions known so far: the heading's or the row's. */
  conditions: Partial<Observation>;
  familyId: string | undefined;
  reinforcementId: string | null;
  /** Written by this app before: what it does not state was known not to be stated, and is not asked again. */
  settled: boolean;
  /** Where a question about it belongs: one for a column, or for a property of a long table. */
  group: string;
}

interface Reader {
  decimal: DecimalSign;
  questions: Questions;
  issues: Issues;
}

const DIMENSIONLESS: ReadonlySet<Dimension> = new Set(['ratio', 'hardness', 'count']);
const D256_LIGAMENT_MM = 10.16;

/**
 * Reads one result cell into the value, unit and test parameters of an observation. Null: empty, refused (with an issue),
 * or waiting for an answer.
 */
export function readResult(cell: ResultCell, reader: Reader): Partial<Observation> | null {
  const definition = PROPERTY_DEFINITIONS[cell.property];
  const reading = readCell(cell.text, reader.decimal);
  if (reading.kind === 'empty') return null;
  if (definition.classes) return readClass(cell, definition.classes, reader);
  if (reading.kind === 'error') {
    reader.issues.error(cell, reading.message);
    return null;
  }
  if (reading.kind === 'words') {
    if (definition.wording?.includes(reading.text))
      return { classValue: reading.text, unit: cell.unit ?? DIMENSIONS[definition.dimension].metric };
    reader.issues.error(cell, `“${cell.text}” is no number; ${definition.title} needs one`);
    return null;
  }
  const unit = unitOf(cell, reading, definition.dimension, reader);
  if (unit === undefined) return null;
  const parameters = missingParameters(cell, unit, reader);
  if (parameters === undefined) return null;
  const settled = settleUnit(cell, reading, unit, reader);
  return settled === null ? null : { ...numbersOf(reading), unit: settled, ...parameters };
}

function numbersOf({ value, low, high, spread, bound }: CellNumber): Partial<Observation> {
  return {
    ...(value === undefined ? {} : { value }),
    ...(low === undefined ? {} : { low, high: high! }),
    ...(spread === undefined ? {} : { standardDeviation: spread }),
    ...(bound === undefined ? {} : { bound }),
  };
}

const plainClass = (text: string) => text.toLowerCase().replace(/ul ?-?94|[\s_-]/g, '');

function readClass(cell: ResultCell, classes: readonly string[], { issues }: Reader): Partial<Observation> | null {
  const found = classes.find((one) => plainClass(one) === plainClass(cell.text));
  if (found) return { classValue: found, unit: '-' };
  issues.error(cell, `“${cell.text}” is none of ${classes.join(', ')}`);
  return null;
}

/** The unit of the cell, else of the column, else of the row, else the person's answer. Undefined: none yet, or not one. */
function unitOf(
  cell: ResultCell,
  reading: CellNumber,
  dimension: Dimension,
  { questions, issues }: Reader,
): string | undefined {
  const stated = reading.unit !== '' ? reading.unit : (cell.unit ?? '');
  if (stated === '' || stated === '-') {
    if (DIMENSIONLESS.has(dimension)) return '-';
    return questions.ask(`unit:${cell.group}`, () => unitQuestion(cell, dimension), {
      line: cell.line,
      text: cell.text,
    });
  }
  if (findUnit(dimension, stated)) return stated;
  if (dimension === 'impact' && findUnit('impactPerThickness', stated)) return stated;
  // “C” and “°” are how sheets abbreviate, and “%” may be typed behind a ratio.
  issues.error(
    cell,
    `“${stated}” is not a unit of ${PROPERTY_DEFINITIONS[cell.property].title}. Use ${unitList(dimension)}`,
  );
  return undefined;
}

function unitQuestion({ header, property, text }: ResultCell, dimension: Dimension) {
  const { title } = PROPERTY_DEFINITIONS[property];
  return {
    kind: 'unit' as const,
    text: `In which unit is “${header}”?`,
    detail: `Neither the heading nor the cells say so. ${title} may be in:`,
    choices: DIMENSIONS[dimension].units.map(({ names: [name] }) => ({
      id: name,
      label: name,
      means: `“${text}” is ${text} ${name}`,
    })),
  };
}

/** Izod in J/m needs the depth under the notch, a heat deflection its stress: asked once for the column. */
function missingParameters(cell: ResultCell, unit: string, { questions }: Reader): Partial<Observation> | undefined {
  const { property, conditions, header, line, text } = cell;
  if (cell.settled) return {};
  const example = { line, text };
  if (property === 'izodNotched' && !findUnit('impact', unit) && conditions.ligamentMm === undefined) {
    const answer = questions.ask(
      `notch:${cell.group}`,
      () => ({
        kind: 'notch',
        text: `How deep was the bar under the notch in “${header}”?`,
        detail:
          'J/m is energy over thickness. It becomes kJ/m², which compares, only with the depth left under the notch.',
        choices: [
          {
            id: String(D256_LIGAMENT_MM),
            label: '10.16 mm',
            means: 'the bar of ASTM D256: 100 J/m is then 9.84 kJ/m²',
          },
          { id: '8', label: '8 mm', means: 'the bar of ISO 180: 100 J/m is then 12.5 kJ/m²' },
          { id: 'unknown', label: 'Not known', means: 'kept in J/m; it will compare with nothing' },
        ],
      }),
      example,
    );
    if (answer === undefined) return undefined;
    return answer === 'unknown' ? {} : { ligamentMm: Number(answer) };
  }
  if (property === 'heatDeflectionTemperature' && conditions.hdtStressMPa === undefined) {
    const answer = questions.ask(
      `hdt-stress:${cell.group}`,
      () => ({
        kind: 'hdt-stress',
        text: `Under which stress was “${header}” measured?`,
        detail: `${TEST_PARAMETERS.hdtStressMPa.title} decides what the temperature means; without it the value cannot be used.`,
        choices: [
          { id: '0.45', label: '0.45 MPa', means: 'ISO 75 method B, 66 psi' },
          { id: '1.8', label: '1.8 MPa', means: 'ISO 75 method A, 264 psi' },
          { id: '8', label: '8 MPa', means: 'ISO 75 method C' },
          { id: 'unknown', label: 'Not stated', means: 'kept, but never used' },
        ],
      }),
      example,
    );
    if (answer === undefined) return undefined;
    return answer === 'unknown' ? {} : { hdtStressMPa: Number(answer) };
  }
  return {};
}

/** The unit as written, unless the number cannot be meant in it: then the person decides. Null: refused or waiting. */
function settleUnit(cell: ResultCell, reading: CellNumber, unit: string, { questions, issues }: Reader): string | null {
  const { property, familyId, reinforcementId, line, text, header } = cell;
  const { dimension, title, physical } = PROPERTY_DEFINITIONS[property];
  if (!findUnit(dimension, unit)) return unit;
  const number = reading.value ?? (reading.low! + reading.high!) / 2;
  const found = plausibility(number, unit, property, familyId, reinforcementId, cell.conditions);
  const metric = DIMENSIONS[dimension].metric;
  if (cell.settled && found.verdict !== 'likely') {
    issues.remark(cell, 'Far from what is typical of the family, or of any filament; it was written down so before');
    return unit;
  }
  switch (found.verdict) {
    case 'likely':
      return unit;
    case 'unusual':
      issues.remark(cell, `Far from what is typical of the family (${formatNumber(found.typical)} ${metric})`);
      return unit;
    case 'impossible':
      issues.error(
        cell,
        `${title} of ${text}${text.includes(unit) ? '' : ` ${unit}`}: no filament reaches it (${formatNumber(physical[0])} to ${formatNumber(physical[1])} ${metric})`,
      );
      return null;
    case 'unit-slip': {
      const { otherUnit, typical } = found;
      const answer = questions.ask(
        `unit-slip:${cell.group}:${unit}:${otherUnit}`,
        () => ({
          kind: 'unit-slip',
          text: `“${header}”: is ${formatNumber(number, 5)} meant in ${unit}, or in ${otherUnit}?`,
          detail: `${formatNumber(number, 5)} ${unit} is far off for ${inSentence(title)}${typical === null ? '' : `; typical of the family is ${formatNumber(typical)} ${metric}`}. In ${otherUnit} it would fit.`,
          choices: [
            { id: 'other', label: otherUnit, means: `${formatNumber(number, 5)} ${otherUnit}; a slip in the file` },
            { id: 'as-written', label: unit, means: `${formatNumber(number, 5)} ${unit}, as written` },
          ],
        }),
        { line, text },
      );
      return answer === undefined ? null : answer === 'other' ? otherUnit : unit;
    }
  }
}
