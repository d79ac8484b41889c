import { definitionOf, findUnit, type Dimension, type UnitSystem } from './dimensions.ts';
import { unitList } from './convert.ts';

export type ParsedQuantity = { ok: true; canonical: number; unit: string } | { ok: false; message: string };

// 3/16, 2 1/2, 1.25, 1,25, 1e3, -30
const NUMBER = /^([+-]?)(?:(\d+)\s+)?(?:(\d+)\s*\/\s*(\d+)|(\d+(?:[.,]\d*)?|[.,]\d+)(e[+-]?\d+)?)/i;

/**
 * Reads a typed quantity such as "12 lbf", "140 °F", "3/16 in", "2 1/2 in" or "12,5"; a bare number has the unit of
 * the unit system. Never guesses: "1,250" could be a thousand or one and a quarter, so it is refused with both spellings.
 */
export function parseQuantity(text: string, dimension: Dimension, system: UnitSystem = 'metric'): ParsedQuantity {
  const trimmed = text.trim().replaceAll('−', '-');
  const example = definitionOf(dimension)[system];
  if (trimmed === '') return refuse(`Type a number, with a unit if it is not ${example}.`);
  const match = NUMBER.exec(trimmed);
  if (!match) return refuse(`“${text.trim()}” does not start with a number.`);
  const number = readNumber(match);
  if (typeof number === 'string') return refuse(number);
  const unitName = trimmed.slice(match[0].length).trim() || example;
  const unit = findUnit(dimension, unitName) ?? (unitName === '' ? definitionOf(dimension).units[0] : undefined);
  if (!unit) return refuse(`“${unitName}” is not a unit of ${dimension} here. Use ${unitList(dimension)}.`);
  const canonical = number * unit.factor + (unit.offset ?? 0);
  return Number.isFinite(canonical)
    ? { ok: true, canonical, unit: unit.names[0] }
    : refuse('That number is too large.');
}

function readNumber(match: RegExpExecArray): number | string {
  const [, sign, whole, numerator, denominator, decimal, exponent] = match;
  let magnitude: number;
  if (numerator !== undefined) {
    if (Number(denominator) === 0) return 'A fraction cannot be divided by zero.';
    magnitude = Number(whole ?? 0) + Number(numerator) / Number(denominator);
  } else {
    if (whole !== undefined) return `Two numbers in a row. Write ${whole}.${decimal} or a fraction like ${whole} 1/2.`;
    const digits = decimal ?? '';
    if (/^[1-9]\d{0,2},\d{3}$/.test(digits)) {
      return `“${digits}” can be read two ways. Write ${digits.replace(',', '')} or ${digits.replace(',', '.')}.`;
    }
    magnitude = Number(digits.replace(',', '.') + (exponent ?? ''));
  }
  return sign === '-' ? -magnitude : magnitude;
}

function refuse(message: string): ParsedQuantity {
  return { ok: false, message };
}
