import type { Brief, BuildOrientation, Grade, HouseRules, Machine } from '@anvilstone/schema';
import type { CheckContext } from '../checks/check.ts';
import { prepareMaterial, type Material } from '../materials/material.ts';
import { partBody } from '../parts/index.ts';
import type { PartBody } from '../parts/partModel.ts';
import { partCost, type Cost } from '../process/cost.ts';
import { machineFit, processNeeds, type MachineFit } from '../process/machineFit.ts';
import { stiffnessOf } from './stiffness.ts';

/** A brief made ready: the part's body and the machines that may print it. */
export interface PreparedBrief {
  brief: Brief;
  body: PartBody;
  machines: readonly Machine[];
  rules: HouseRules;
}

/** @throws InputError when a dimension of the part cannot be used */
export function prepareBrief(brief: Brief, machines: readonly Machine[], rules: HouseRules): PreparedBrief {
  const allowed = brief.asks.machineIds;
  return {
    brief,
    body: partBody(brief.part),
    machines: allowed ? machines.filter((machine) => allowed.includes(machine.id)) : machines,
    rules,
  };
}

/** `explain` writes down how each property came about; only a shown working needs it. */
export function materialFor(prepared: PreparedBrief, grade: Grade, explain = false): Material {
  return prepareMaterial(grade, prepared.brief.moisture, prepared.rules, explain);
}

/** One grade in one orientation on the machine that suits it best: no blocker first, then the cheapest. */
export function contextFor(prepared: PreparedBrief, material: Material, orientation: BuildOrientation): CheckContext {
  const { brief, body, machines, rules } = prepared;
  const massG = material.density.known ? (body.volumeMm3 * material.density.value) / 1000 : null;
  const pricePerKgUsd = material.grade.pricePerKgUsd ?? familyPrice(material);
  const needs = processNeeds(material.grade, material.family, material.filler);
  let best: { fit: MachineFit; cost: Cost | null } | undefined;
  if (needs) {
    for (const machine of machines) {
      const fit = machineFit(needs, machine, body.extentMm, orientation, rules);
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
    body,
    orientation,
    stiffness: stiffnessOf(material, orientation),
    fit: best?.fit,
    massG,
    cost: best?.cost ?? null,
    priceIsFamilyEstimate: material.grade.pricePerKgUsd === null,
    heatLimits: new Map(),
  };
}

function familyPrice(material: Material): number | null {
  if (!material.family) return null;
  return material.family.pricePerKgUsd.mid * (material.filler?.priceFactor ?? 1);
}

type Candidate = { fit: MachineFit; cost: Cost | null };

function isBetter(a: Candidate, b: Candidate): boolean {
  const blockers = (one: Candidate) => one.fit.findings.filter((finding) => finding.verdict === 'blocker').length;
  const difference = blockers(a) - blockers(b) || (a.cost?.totalUsd ?? Infinity) - (b.cost?.totalUsd ?? Infinity);
  return difference === 0 || Number.isNaN(difference) ? a.fit.machine.id < b.fit.machine.id : difference < 0;
}
