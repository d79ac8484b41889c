import type { Drawing } from '@anvilstone/core/foundations';
import type { CheckStatus } from '@anvilstone/schema';

/** A cell of a table: words, or a reserve that its reader shows in its own way. */
export type RecordCell = string | { reserve: number | null; status: CheckStatus };

export type RecordBlock =
  | { kind: 'heading'; text: string }
  | { kind: 'text'; text: string; tone?: 'quiet' | 'strong' | 'warning' }
  | { kind: 'list'; items: readonly string[] }
  | { kind: 'facts'; rows: readonly (readonly [label: string, text: string])[] }
  | { kind: 'table'; head: readonly string[]; rows: readonly (readonly RecordCell[])[]; governs?: number; wide: number }
  | { kind: 'drawing'; drawing: Drawing };
