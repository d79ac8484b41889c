import { layup as layupSchema, type Layup } from '@anvilstone/schema';
import { Value } from '@sinclair/typebox/value';

/** Reads a layup file; what is wrong with it is said at its place. */
export function readLayup(text: string): { layup: Layup } | { problem: string } {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return { problem: 'This is not JSON.' };
  }
  if ((value as { format?: unknown } | null)?.format !== 'anvilstone-layup/1')
    return { problem: 'This is not a layup: its “format” would be “anvilstone-layup/1”.' };
  const [first] = Value.Errors(layupSchema, value);
  return first ? { problem: `${first.path || '/'}: ${first.message}` } : { layup: value as Layup };
}
