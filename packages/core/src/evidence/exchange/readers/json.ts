import { FileError } from '@anvilstone/core/foundations';
import { decodeText } from './decodeText.ts';

/**
 * Grades out of JSON in our schema: a library, a list of grades, one grade, or a decision (which holds its grades). They
 * are not checked yet.
 * @throws FileError not JSON, or none of these
 */
export function readJsonGrades(bytes: Uint8Array): unknown[] {
  let document: unknown;
  try {
    document = JSON.parse(decodeText(bytes).replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new FileError(`It is not JSON: ${(error as Error).message}.`);
  }
  if (Array.isArray(document)) return document as unknown[];
  if (typeof document === 'object' && document !== null) {
    if ('grades' in document && Array.isArray(document.grades)) return document.grades as unknown[];
    if ('observations' in document) return [document];
  }
  throw new FileError(
    'This JSON holds no grades. Expected: {"grades": […]}, a list of grades, or one grade (docs/schemas/grade.schema.json).',
  );
}
