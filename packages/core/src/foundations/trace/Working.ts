import type { Statement, WorkingStep } from '@anvilstone/schema';

/** Collects the shown arithmetic. Only made when somebody asks for it; the ranking path passes none. */
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
