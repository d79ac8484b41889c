import type { Brief, BuildOrientation, EvaluationEntry, CompanyRules, Library, Machine } from '@anvilstone/schema';
import { contextFor, materialFor, evaluateGrade, prepareJob, preparePart } from '@anvilstone/core/evaluation';
import { InputError } from '@anvilstone/core/foundations';
import {
  boxOf,
  longestOf,
  atPricePerKgUsd,
  savedWithoutOdds,
  type Cost,
  type CostLine,
  openPricePerKgUsd,
  warpFindings,
  caution,
  fibreFindings,
  materialFindings,
  processNeeds,
  sizeFindings,
  verdictOf,
  type MachineFit,
  scrapShareOf,
} from '@anvilstone/core/machines';
import { findFamily, findReinforcement, completeRules, defaultCompanyRules } from '@anvilstone/core/materials';
import { BUILT_UP } from '@anvilstone/core/shapes';
import { cheapestRelief, cheapestUnlock, type Unlock } from './unlock.ts';

/** One machine for a grade and a build orientation: what speaks against it, and what would help. */
export interface MachineChoice {
  machine: Machine;
  fit: MachineFit;
  /** The part printed on it; its status is that of every check. */
  entry: EvaluationEntry;
  /** What a good part costs on it, the same as on every other screen; null: not known. */
  cost: Cost | null;
  costLines: readonly CostLine[];
  /** On a machine with a closed supply: what a part costs more than with the grade at its open price, USD; null: an open machine. */
  closedExtraUsd: number | null;
  /** Cheapest upgrades after which nothing blocks it; absent: nothing does, or nothing helps. */
  unlock?: Unlock;
  /** Cheapest upgrades after which no print fails for want of warm air, and what a part then costs less, USD; absent: none does. */
  relief?: Unlock & { savesUsd: number | null };
}

/**
 * Every machine of the workshop for one grade in one build orientation, those that nothing blocks first, cheapest first; those that the brief
 * leaves out last. Undefined: the family is not known, so neither is how it is printed.
 * @throws InputError when the library has no such grade, or as evaluate does
 */
export function machineChoices(
  brief: Brief,
  library: Library,
  gradeId: string,
  orientation: BuildOrientation,
  rules: CompanyRules = defaultCompanyRules,
): MachineChoice[] | undefined {
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library');
  const needs = processNeeds(grade, findFamily(grade.familyId), findReinforcement(grade.reinforcementId));
  if (!needs) return undefined;
  const { body, fibre } = preparePart(brief, BUILT_UP[orientation]);
  const box = boxOf(body.extentMm, BUILT_UP[orientation]);
  const { machineIds, ...asks } = brief.asks;
  const isLeftOut = (machine: Machine) => machineIds !== undefined && !machineIds.includes(machine.id);
  const here: Brief = { ...brief, asks: { ...asks, orientations: [orientation] } };
  return library.machines
    .map((machine): MachineChoice => {
      const fit = verdictOf(machine, [
        ...materialFindings(needs, machine, rules),
        ...warpFindings(needs, machine, longestOf(box)),
        ...sizeFindings(machine, box),
        ...(fibre ? fibreFindings(machine) : []),
        ...(isLeftOut(machine) ? [caution('The brief excludes this machine')] : []),
      ]);
      const job = prepareJob(here, { ...library, grades: [], machines: [machine] }, { rules });
      const unlock = fibre && !machine.laysFibre ? undefined : cheapestUnlock(needs, machine, box, rules);
      const material = materialFor(job.prepared, grade);
      const { cost, costLines } = contextFor(job.prepared, material, orientation);
      const relief = cheapestRelief(needs, machine, box, rules);
      const usualScrap = scrapShareOf(machine, completeRules(rules).scrapShare);
      const openUsd = openPricePerKgUsd(material);
      return {
        machine,
        fit,
        entry: evaluateGrade(job, grade).best,
        cost,
        costLines: costLines(),
        closedExtraUsd:
          machine.closedSupply && cost && openUsd !== null ? cost.totalUsd - atPricePerKgUsd(cost, openUsd) : null,
        ...(unlock ? { unlock } : {}),
        ...(relief ? { relief: { ...relief, savesUsd: cost && savedWithoutOdds(cost, usualScrap) } } : {}),
      };
    })
    .sort(
      (a, b) =>
        Number(isLeftOut(a.machine)) - Number(isLeftOut(b.machine)) ||
        Number(a.fit.verdict === 'blocker') - Number(b.fit.verdict === 'blocker') ||
        (a.entry.costUsd ?? Infinity) - (b.entry.costUsd ?? Infinity) ||
        a.machine.id.localeCompare(b.machine.id),
    );
}
