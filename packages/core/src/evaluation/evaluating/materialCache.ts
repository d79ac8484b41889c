import type { Conditioning, Grade, CompanyRules } from '@anvilstone/schema';
import { prepareMaterial, type Material, type PrintState } from '@anvilstone/core/materials';

interface Kept {
  rules: CompanyRules;
  conditioning: Conditioning;
  explain: boolean;
  print: PrintState;
  material: Material;
}

/** Grades are immutable documents: the same object under the same rules always resolves to the same material. */
const kept = new WeakMap<Grade, Kept[]>();

/** As many sets of rules and states as are in use at a time; more would only hold memory. */
const MOST_KEPT = 3;

/** The prepared material of a grade, made once for a moisture state and set of rules. Two moves of a slider ask for the same. */
export function cachedMaterial(
  grade: Grade,
  conditioning: Conditioning,
  rules: CompanyRules,
  explain: boolean,
  print: PrintState = {},
): Material {
  const known = kept.get(grade);
  const found = known?.find(
    (one) =>
      one.rules === rules &&
      one.conditioning === conditioning &&
      one.explain === explain &&
      one.print.annealed === print.annealed &&
      one.print.inChamber === print.inChamber &&
      one.print.bends === print.bends &&
      one.print.foamNozzleC === print.foamNozzleC,
  );
  if (found) return found.material;
  const material = prepareMaterial(grade, conditioning, rules, explain, print);
  const next = [{ rules, conditioning, explain, print, material }, ...(known ?? [])].slice(0, MOST_KEPT);
  kept.set(grade, next);
  return material;
}
