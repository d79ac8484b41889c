import { InputError } from './InputError.ts';

type NumericField<T> = { [K in keyof T]: T[K] extends number | undefined ? K : never }[keyof T] & string;

/** @throws InputError naming the first of `fields` that is not a finite number */
export function requireFinite<T extends object>(input: T, fields: readonly NumericField<T>[]): void {
  for (const field of fields) {
    if (!Number.isFinite(input[field])) throw new InputError(field, input[field], 'a finite number is needed');
  }
}

/** @throws InputError naming the first of `fields` that is not a finite number above 0 */
export function requirePositive<T extends object>(input: T, fields: readonly NumericField<T>[]): void {
  requireFinite(input, fields);
  for (const field of fields) {
    if ((input[field] as number) <= 0) throw new InputError(field, input[field], 'a number above 0 is needed');
  }
}

/** @throws InputError when the value is not within low … high, both included */
export function requireWithin(field: string, value: number, low: number, high: number): void {
  if (!(value >= low && value <= high)) throw new InputError(field, value, `a number from ${low} to ${high} is needed`);
}

/** The same for a single value, without an object to hold it: inner loops call this. @throws InputError */
export function requireFiniteValue(field: string, value: number): void {
  if (!Number.isFinite(value)) throw new InputError(field, value, 'a finite number is needed');
}

/** @throws InputError when the value is not a finite number above 0 */
export function requirePositiveValue(field: string, value: number): void {
  requireFiniteValue(field, value);
  if (value <= 0) throw new InputError(field, value, 'a number above 0 is needed');
}
