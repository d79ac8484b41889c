import type { Grade } from '@anvilstone/schema';
import { documentTable } from '../db/documents.ts';

export const gradeTable = documentTable<Grade>('grades');
