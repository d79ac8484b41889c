import type { WorkingStep } from '@anvilstone/schema';

/** Collects the shown arithmetic. Only made when somebody asks for it; the ranking path passes none. */
export class Working {
  readonly steps: WorkingStep[] = [];

  add(
    symbol: string,
    meaning: string,
    value: number | string,
    unit: string,
    how: { expression?: string; source?: string } = {},
  ): void {
    this.steps.push({ symbol, meaning, value, unit, ...how });
  }
}
