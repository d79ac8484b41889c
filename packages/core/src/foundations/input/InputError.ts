/** A value handed to the computation that it cannot use: which field, what was given, what would be accepted. */
export class InputError extends Error {
  readonly field: string;
  readonly accepted: string;
  constructor(field: string, value: unknown, accepted: string) {
    super(`${field}: ${describe(value)} is not usable; ${accepted}`);
    this.name = 'InputError';
    this.field = field;
    this.accepted = accepted;
  }
}

function describe(value: unknown): string {
  if (value === undefined) return 'nothing';
  return typeof value === 'number' ? String(value) : JSON.stringify(value);
}
