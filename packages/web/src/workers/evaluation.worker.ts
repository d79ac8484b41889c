import { evaluate, explain, reserveOverTemperature, type TemperaturePoint } from '@anvilstone/core';
import type { Brief, BuildOrientation, CheckResult, EvaluationResult, Library } from '@anvilstone/schema';
import { expose } from 'comlink';

let library: Library = { grades: [], machines: [] };

/** Runs in a web worker, so that the page never waits for the arithmetic. The library is sent once and kept. */
const engine = {
  setLibrary(value: Library): void {
    library = value;
  },
  evaluate: (brief: Brief): EvaluationResult => evaluate(brief, library),
  explain: (brief: Brief, gradeId: string, orientation: BuildOrientation): CheckResult[] =>
    explain(brief, library, gradeId, orientation),
  reserveOverTemperature: (
    brief: Brief,
    gradeId: string,
    orientation: BuildOrientation,
    temperaturesC: number[],
  ): TemperaturePoint[] => reserveOverTemperature(brief, library, gradeId, orientation, temperaturesC),
};
export type Engine = typeof engine;

expose(engine);
