import { fieldMeaning } from '@anvilstone/core/foundations';
import { kindOf, type FieldSchema } from '../../ui/form/schemaField.ts';

/** A record to start a list with: the least that each field takes, but one where nothing may be nought. */
export function firstRow({ properties = {}, required = [] }: FieldSchema): Record<string, unknown> {
  return Object.fromEntries<unknown>(
    required.map((key): [string, unknown] => {
      const field = properties[key]!;
      if (kindOf(field) !== 'number') return [key, field.enum?.[0] ?? 'A'];
      return [key, field.exclusiveMinimum === undefined ? Math.max(0, field.minimum ?? 0) : field.exclusiveMinimum + 1];
    }),
  );
}

/** “peakShearMPa” → “Peak shear” and “MPa”: a result’s name says its unit. */
export function nameAndUnit(field: string): { name: string; unit: string } {
  const { words, unit } = fieldMeaning(field);
  return { name: words.charAt(0).toUpperCase() + words.slice(1), unit };
}

/** The input in an address, or undefined when it cannot be read: a link may have been cut or changed by hand. */
export function inputFromAddress(text: string | null): Record<string, unknown> | undefined {
  if (text === null) return undefined;
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === 'object' && value !== null && !Array.isArray(value)
      ? (value as Record<string, unknown>)
      : undefined;
  } catch {
    return undefined;
  }
}
