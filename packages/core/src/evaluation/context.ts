import type { Brief, BuildOrientation, Grade, HouseRules, Machine } from '@anvilstone/schema';
import type { CheckContext, PreparedPart } from '../checks/check.ts';
import { movabilityOf } from '../checks/movability.ts';
import type { Material } from '../materials/material.ts';
import { partCost, type Cost } from '../process/cost.ts';
import {
  materialFindings,
  processNeeds,
  sizeFindings,
  verdictOf,
  type FitFinding,
  type MachineFit,
} from '../process/machineFit.ts';
import { cachedMaterial } from './materialCache.ts';
import { preparePart } from './preparePart.ts';

/** A brief made ready, with the machines that may print it. */
export interface PreparedBrief extends PreparedPart {
  machines: readonly Machine[];
  rules: HouseRules;
  /** What speaks against the part’s size on each machine. */
  sizes: Record<BuildOrientation, Map<Machine, readonly FitFinding[]>>;
}

/** @throws InputError when a dimension of the part cannot be used, or a load does not say how large it is */
export function prepareBrief(brief: Brief, machines: readonly Machine[], rules: HouseRules): PreparedBrief {
  const part = preparePart(brief);
  const allowed = brief.asks.machineIds;
  const usable = allowed ? machines.filter((machine) => allowed.includes(machine.id)) : machines;
  const sizesIn = (orientation: BuildOrientation) =>
    new Map(usable.map((machine) => [machine, sizeFindings(machine, part.body.extentMm, orientation)]));
  return {
    ...part,
    machines: usable,
    rules,
    sizes: { XY: sizesIn('XY'), XZ: sizesIn('XZ'), ZX: sizesIn('ZX') },
  };
}

/** `explain` writes down how each property came about; only a shown working needs it. */
export function materialFor(prepared: PreparedBrief, grade: Grade, explain = false): Material {
  return cachedMaterial(grade, prepared.brief.moisture, prepared.rules, explain);
}

/** One grade in one orientation on the machine that suits it best: no blocker first, then the cheapest. */
export function contextFor(prepared: PreparedBrief, material: Material, orientation: BuildOrientation): CheckContext {
  const { brief, body, machines, rules, responses, sizes } = prepared;
  const massG = material.density.known ? (body.volumeMm3 * material.density.value) / 1000 : null;
  const pricePerKgUsd = material.grade.pricePerKgUsd ?? familyPrice(material);
  const fits = fitsWhateverTheSize(material, machines, rules);
  let best: { fit: MachineFit; cost: Cost | null } | undefined;
  if (fits) {
    for (const machine of machines) {
      const tooLarge = sizes[orientation].get(machine)!;
      const anySize = fits.get(machine)!;
      const fit = tooLarge.length === 0 ? anySize : verdictOf(machine, [...anySize.findings, ...tooLarge]);
      const cost =
        massG === null || pricePerKgUsd === null
          ? null
          : partCost({ massG, volumeMm3: body.volumeMm3, pricePerKgUsd, machine, rules });
      if (!best || isBetter({ fit, cost }, best)) best = { fit, cost };
    }
  }
  return {
    brief,
    rules,
    material,
    part: prepared,
    body,
    orientation,
    bearings: prepared.bearings[orientation],
    movabilities: responses.map((response) => movabilityOf(response, material, orientation)),
    fit: best?.fit,
    massG,
    cost: best?.cost ?? null,
    priceIsFamilyEstimate: material.grade.pricePerKgUsd === null,
    heatLimits: new Map(),
  };
}

/** How each machine suits a material, whatever the part; kept with the material, which belongs to one set of rules. */
const fitsOf = new WeakMap<Material, Map<Machine, MachineFit>>();

function fitsWhateverTheSize(
  material: Material,
  machines: readonly Machine[],
  rules: HouseRules,
): Map<Machine, MachineFit> | undefined {
  let found = fitsOf.get(material);
  if (found && machines.every((machine) => found!.has(machine))) return found;
  const needs = processNeeds(material.grade, material.family, material.filler);
  if (!needs) return undefined;
  found = new Map(machines.map((machine) => [machine, verdictOf(machine, materialFindings(needs, machine, rules))]));
  fitsOf.set(material, found);
  return found;
}

function familyPrice(material: Material): number | null {
  if (!material.family) return null;
  return material.family.pricePerKgUsd.mid * (material.filler?.priceFactor ?? 1);
}

type Candidate = { fit: MachineFit; cost: Cost | null };

function blockers({ fit }: Candidate): number {
  let count = 0;
  for (const { verdict } of fit.findings) if (verdict === 'blocker') count += 1;
  return count;
}

function isBetter(a: Candidate, b: Candidate): boolean {
  const difference = blockers(a) - blockers(b) || (a.cost?.totalUsd ?? Infinity) - (b.cost?.totalUsd ?? Infinity);
  return difference === 0 || Number.isNaN(difference) ? a.fit.machine.id < b.fit.machine.id : difference < 0;
}
