import type { Machine } from '@anvilstone/schema';
import { documentTable } from '../db/documents.ts';

export const machineTable = documentTable<Machine>('machines');
