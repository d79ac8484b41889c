import type { Statement, WorkingStep } from '@anvilstone/schema';

/**
 * Collects the shown arithmetic. Only made when somebody asks for it; the ranking path passes none. An expression whose
 * numbers hold in their own units alone, with a constant such as 1/1000 or a density in it, is text with those units; any
 * other is a statement, which works out in the reader’s.
 */
export class Working {
  readonly steps: WorkingStep[] = [];

  add(
    symbol: string,
    meaning: Statement,
    value: number | Statement,
    unit: string,
    how: { expression?: Statement; source?: Statement } = {},
  ): void {
    this.steps.push({ symbol, meaning, value, unit, ...how });
  }
}
