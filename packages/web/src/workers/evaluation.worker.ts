import {
  defaultHouseRules,
  evaluate,
  explain,
  libraryTable,
  reserveOverTemperature,
  type LibraryTable,
  type LibraryTableRequest,
  type TemperaturePoint,
} from '@anvilstone/core';
import type { Brief, BuildOrientation, CheckResult, EvaluationResult, HouseRules, Library } from '@anvilstone/schema';
import { expose, transfer } from 'comlink';

/** Grades and machines with the policy values in force: all that an evaluation reads beside the brief. */
export interface Workshop extends Library {
  rules: HouseRules;
}
let workshop: Workshop = { grades: [], machines: [], rules: defaultHouseRules };

/** Runs in a web worker, so that the page never waits for the arithmetic. The library is sent once and kept. */
const engine = {
  setWorkshop(value: Workshop): void {
    workshop = value;
  },
  evaluate: (brief: Brief): EvaluationResult => evaluate(brief, workshop, { rules: workshop.rules }),
  explain: (brief: Brief, gradeId: string, orientation: BuildOrientation): CheckResult[] =>
    explain(brief, workshop, gradeId, orientation, workshop.rules),
  reserveOverTemperature: (
    brief: Brief,
    gradeId: string,
    orientation: BuildOrientation,
    temperaturesC: number[],
  ): TemperaturePoint[] => reserveOverTemperature(brief, workshop, gradeId, orientation, temperaturesC, workshop.rules),
  /** The table’s arrays are handed over, not copied. */
  libraryTable(request: LibraryTableRequest): LibraryTable {
    const table = libraryTable(workshop.grades, workshop.machines, request, workshop.rules);
    const buffers = [...table.values, ...table.evidence, table.overall, table.printable].map(({ buffer }) => buffer);
    return transfer(table, buffers);
  },
};
export type Engine = typeof engine;

expose(engine);
