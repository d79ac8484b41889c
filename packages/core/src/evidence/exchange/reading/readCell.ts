export type DecimalSign = 'point' | 'comma';

export interface CellNumber {
  kind: 'number';
  value?: number;
  low?: number;
  high?: number;
  /** Standard deviation, where the cell says “45 ± 2”. */
  spread?: number;
  bound?: 'atLeast' | 'atMost';
  /** As written in the cell; '' where it states none. */
  unit: string;
  /** Could be read two ways; the decimal sign of the file settled it. */
  ambiguous: boolean;
}
export type CellReading =
  | { kind: 'empty' }
  | CellNumber
  /** A result in words. */
  | { kind: 'words'; text: string }
  | { kind: 'error'; message: string };

/** Digits with at most two decimals behind a point or a comma: they can be read one way only. */
const PLAIN = /^-?\d{1,15}(?:[.,]\d{1,2})?$/;
const EMPTY =
  /^(|-|–|—|\/|\?|n\.?\s?\/?\s?a\.?|n\.?\s?d\.?|tbd|tbc|none|null|not (tested|available|determined|applicable))$/i;
const NO_BREAK = /^(nb|n\.b\.|no break|does not break|non break|o\.b\.)$/i;
const NUMBER = String.raw`[-+−]?\d(?:[\d.,'’\u00a0\u202f]*\d)?(?:\s?(?:[eE]|[x×*]\s?10\s?\^?)\s?[-+−]?\d+)?`;
const WHOLE = new RegExp(
  String.raw`^(?<sign><=|>=|<|>|≤|≥|~|≈|ca\.?|approx\.?|about|min\.?|max\.?|at least|at most|up to)?\s*(?<first>${NUMBER})\s*(?:(?<join>±|\+\/-|\+-|–|—|-|to|\.\.\.?|…|÷|bis)\s*(?<second>${NUMBER}))?\s*(?<unit>[^\d\s].*|1\/.*|10\S*\/K.*|1e-?\d\s?\/.*)?$`,
  'i',
);
const AT_LEAST = /^(>|>=|≥|min|at least)/i;
const AT_MOST = /^(<|<=|≤|max|at most|up to)/i;
const SPREAD = /^(±|\+\/-|\+-)$/;

/**
 * What a cell of a data sheet says: “2 400”, “1,95 GPa”, “50–60”, “45 ± 2 MPa”, “> 1e13”, “NB”. The decimal sign decides
 * only where a number can be read two ways (“1,250”); one that can be read one way is read that way whatever the file does.
 */
export function readCell(text: string, decimal: DecimalSign): CellReading {
  // Most cells of a large table are plain numbers.
  if (PLAIN.test(text)) return { kind: 'number', value: Number(text.replace(',', '.')), unit: '', ambiguous: false };
  const trimmed = text.replace(/[\u00a0\u202f]/g, ' ').trim();
  if (EMPTY.test(trimmed)) return { kind: 'empty' };
  if (NO_BREAK.test(trimmed)) return { kind: 'words', text: 'no break' };
  const match = WHOLE.exec(closeThousands(trimmed));
  if (!match?.groups) return { kind: 'words', text: trimmed };
  const { sign = '', first = '', join, second, unit = '' } = match.groups;
  const one = readNumber(first, decimal);
  const two = second === undefined ? undefined : readNumber(second, decimal);
  if (one === null || two === null) return { kind: 'error', message: `“${trimmed}” is not a number that can be read` };
  const ambiguous = one.ambiguous || (two?.ambiguous ?? false);
  const base = { kind: 'number', unit: unit.trim().replace(/^[[(]|[\])]$/g, ''), ambiguous } as const;
  const bound = AT_LEAST.test(sign) ? 'atLeast' : AT_MOST.test(sign) ? 'atMost' : undefined;
  if (two === undefined) return { ...base, value: one.value, ...(bound ? { bound } : {}) };
  if (SPREAD.test(join!)) return { ...base, value: one.value, spread: Math.abs(two.value) };
  if (two.value < one.value) return { kind: 'error', message: `“${trimmed}”: the range runs backwards` };
  return { ...base, low: one.value, high: two.value };
}

/** “2 400” is one number: a space between a digit and exactly three more is a thousands space. */
const closeThousands = (text: string) => text.replace(/(?<=\d) (?=\d{3}(?!\d))/g, '');

export type Evidence = DecimalSign | 'either' | 'none';

/** What a number shows of the file's decimal sign: “1,5” a comma, “1.5” a point, “1,250” either, “12” nothing. */
export function decimalEvidence(text: string): Evidence {
  const digits = /\d[\d.,]*\d/.exec(text)?.[0];
  if (!digits) return 'none';
  const [points, commas] = [digits.split('.').length - 1, digits.split(',').length - 1];
  if (points > 0 && commas > 0) return digits.lastIndexOf('.') > digits.lastIndexOf(',') ? 'point' : 'comma';
  if (points + commas === 0) return 'none';
  if (points > 1) return 'comma'; // 1.234.567
  if (commas > 1) return 'point';
  if (/^[1-9]\d{0,2}[.,]\d{3}$/.test(digits)) return 'either';
  return points === 1 ? 'point' : 'comma';
}

function readNumber(text: string, decimal: DecimalSign): { value: number; ambiguous: boolean } | null {
  const power = /\s?(?:[eE]|[x×*]\s?10\s?\^?)\s?([-+−]?\d+)$/.exec(text);
  const mantissa = (power ? text.slice(0, power.index) : text).replace(/['’\u00a0\u202f]/g, '').replace('−', '-');
  const evidence = decimalEvidence(mantissa);
  const sign = evidence === 'either' ? decimal : evidence === 'none' ? 'point' : evidence;
  const plain = sign === 'comma' ? mantissa.replaceAll('.', '').replace(',', '.') : mantissa.replaceAll(',', '');
  const exponent = power ? `e${power[1]!.replace('−', '-')}` : '';
  const value = Number(plain + exponent);
  return Number.isFinite(value) && /\d/.test(plain) ? { value, ambiguous: evidence === 'either' } : null;
}
