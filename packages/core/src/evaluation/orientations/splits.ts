import type {
  Brief,
  EvaluationEntry,
  Grade,
  CompanyRules,
  Library,
  Machine,
  PartGeometry,
  Statement,
} from '@anvilstone/schema';
import { contextFor, materialFor } from '../evaluating/context.ts';
import { evaluateGrade, prepareJob, smallestReserveOf, type EvaluationJob } from '../evaluating/evaluate.ts';
import { InputError, say, mm, joined } from '@anvilstone/core/foundations';
import { warpFindings, materialFindings, processNeeds } from '@anvilstone/core/machines';
import { type Material, defaultCompanyRules, findFamily, findReinforcement } from '@anvilstone/core/materials';
import { otherMaterialFill, type Fill, partBody, takesFill } from '@anvilstone/core/shapes';
import { skinBond, type SkinBond } from './skinBond.ts';

export type SplitStatus = EvaluationEntry['status'];

/** A part with a skin of one grade all around a core of another, or of one grade alone. */
export interface Split {
  title: Statement;
  outerGradeId: string;
  /** Undefined: of the outer grade throughout. */
  innerGradeId: string | undefined;
  skinMm: number | undefined;
  /** Under the conditions that part the two materials’ moduli least in its favour. */
  entry?: EvaluationEntry;
  massG: number | null;
  costUsd: number | null;
  /** Shear between skin and core, and what is known to hold it; undefined: one material. */
  bond?: SkinBond;
  /** The checks and the bond together: a bond that is not known is never a pass. */
  status: SplitStatus;
  /** Why it cannot be worked out. */
  why?: Statement;
}

/** Short-time values. */
const A_MINUTE_H = 1 / 60;
const SKINS_MM = [0.8, 1.2, 1.6, 2.4, 3.2, 4.8] as const;

/** Bars whose section is drawn: skin and core share the strain of each place. */
export const takesSplit = (part: PartGeometry): boolean => takesFill(part) && part.model !== 'elastomer-pad';

/**
 * A part split into a stiff and a tough material: each of two grades alone, and either as a skin of several thicknesses around
 * the other. Skin and core by the transformed section, with the ratio of their moduli and strengths at each load’s own
 * temperature and duration; the worst of those counts. On machines that print both. Knocks, fluids, heat and ratings are judged by the skin. What passes comes first, cheapest first.
 * Source: Gere & Timoshenko, Mechanics of Materials, 4th ed., section 6.3.
 * @throws InputError when the library has no such grade, the part has no drawn section, or as evaluate does
 */
export function compareSplits(
  brief: Brief,
  library: Library,
  gradeIds: readonly [string, string],
  rules: CompanyRules = defaultCompanyRules,
): Split[] {
  if (!takesSplit(brief.part)) throw new InputError('part', brief.part.model, 'a bar with a drawn section');
  const [a, b] = gradeIds.map((id) => {
    const grade = library.grades.find((one) => one.id === id);
    if (!grade) throw new InputError('gradeId', id, 'a grade of the library');
    return grade;
  }) as [Grade, Grade];
  const { filled: _lattice, fibre: _strands, ...solid } = brief;
  const here = { ...library, grades: [] };
  const job = prepareJob(solid, here, { rules });
  const alone = (grade: Grade): Split => {
    const { best } = evaluateGrade(job, grade);
    return {
      title: `${grade.name} alone`,
      outerGradeId: grade.id,
      innerGradeId: undefined,
      skinMm: undefined,
      entry: best,
      massG: best.massG,
      costUsd: best.costUsd,
      status: best.status,
    };
  };
  const longestMm = Math.max(...Object.values(job.prepared.body.extentMm));
  // Whatever prints the part prints both, so each skin is judged on machines that the core suits as well.
  const suiting = (inner: Grade) => ({
    ...here,
    machines: library.machines.filter((one) => prints(inner, one, rules, longestMm)),
  });
  const skins = (outer: Grade, inner: Grade) =>
    SKINS_MM.flatMap((skinMm) => {
      const found = splitOf(job, solid, suiting(inner), rules, outer, inner, skinMm);
      return found ? [found] : [];
    });
  const RANK: Record<SplitStatus, number> = { pass: 0, unknown: 1, fail: 2 };
  return [alone(a), alone(b), ...skins(a, b), ...skins(b, a)].sort(
    (x, y) => RANK[x.status] - RANK[y.status] || (x.costUsd ?? Infinity) - (y.costUsd ?? Infinity),
  );
}

/** Undefined: nothing is left for the core. */
function splitOf(
  job: EvaluationJob,
  brief: Brief,
  library: Library,
  rules: CompanyRules,
  outer: Grade,
  inner: Grade,
  skinMm: number,
): Split | undefined {
  const [skin, core] = [outer, inner].map((grade) => materialFor(job.prepared, grade)) as [Material, Material];
  const base = {
    title: say`${mm(skinMm)} of ${outer.name} around ${inner.name}`,
    outerGradeId: outer.id,
    innerGradeId: inner.id,
    skinMm,
    massG: null,
    costUsd: null,
  };
  const coreMm3 = coreVolumeMm3(brief.part, skinMm);
  if (coreMm3 <= 0) return undefined;
  const ratios = ratiosOf(brief, skin, core);
  if ('why' in ratios) return { ...base, status: 'unknown', why: ratios.why };
  if (library.machines.length === 0) return { ...base, status: 'fail', why: `No machine here prints ${inner.name}` };
  const pricePerKgUsd = priceTogether(skin, core, partBody(brief.part).volumeMm3, coreMm3);
  const priced: Grade = pricePerKgUsd === null ? outer : { ...outer, pricePerKgUsd };
  const tries = ratios.map((ratio) => {
    const fill = otherMaterialFill({ skinMm, ...ratio });
    const split = prepareJob(brief, library, { rules, fill });
    return { split, entry: evaluateGrade(split, priced).best };
  });
  const worst = tries.reduce((least, one) =>
    (smallestReserveOf(one.entry) ?? 0) < (smallestReserveOf(least.entry) ?? 0) ? one : least,
  );
  const { entry } = worst;
  const bond = skinBond(contextFor(worst.split.prepared, skin, entry.orientation), core, skinMm);
  const holds: SplitStatus = bond.hasMPa === null ? 'unknown' : bond.needMPa <= bond.hasMPa ? 'pass' : 'fail';
  const statuses = [entry.status, holds];
  return {
    ...base,
    entry,
    massG: entry.massG,
    costUsd: pricePerKgUsd === null ? null : entry.costUsd,
    bond,
    status: statuses.includes('fail') ? 'fail' : statuses.includes('unknown') ? 'unknown' : 'pass',
  };
}

function prints(grade: Grade, machine: Machine, rules: CompanyRules, longestMm: number): boolean {
  const needs = processNeeds(grade, findFamily(grade.familyId), findReinforcement(grade.reinforcementId));
  return (
    needs !== undefined &&
    [...materialFindings(needs, machine, rules), ...warpFindings(needs, machine, longestMm)].every(
      ({ verdict }) => verdict !== 'blocker',
    )
  );
}

interface Ratio {
  stiffness: number;
  strength: number;
  density: number;
}

/** The core’s modulus, strength and density over those of the skin: at once and cool, and as each load and the heat leave them. */
function ratiosOf(brief: Brief, skin: Material, core: Material): Ratio[] | { why: Statement } {
  for (const one of [skin, core]) {
    if (!one.behaviour) return { why: say`${one.grade.name}: ${joined(one.behaviourGaps, '; ')}` };
    for (const known of [one.modulus.inPlane, one.strength.inPlane, one.density])
      if (!known.known) return { why: say`${one.grade.name}: ${joined(known.gaps, '; ')}` };
  }
  const valueOf = (resolution: Material['density']) => (resolution.known ? resolution.value : Number.NaN);
  const steadyC = brief.asks.heat?.steadyC;
  const longestH = Math.max(...brief.loadCases.map(({ durationH }) => durationH));
  const conditions = [
    [23, A_MINUTE_H],
    ...brief.loadCases.map(({ temperatureC, durationH }) => [temperatureC, durationH] as const),
    ...(steadyC === undefined ? [] : [[steadyC, longestH] as const]),
  ] as const;
  const modulus = (one: Material, temperatureC: number, durationH: number) =>
    (valueOf(one.modulus.inPlane) * one.modulusRatio(temperatureC)) / one.creepGrowth(temperatureC, durationH);
  // Built upright the layers part: of both strengths the one counts in which the core is weaker beside the skin.
  const across = valueOf(core.strength.across) / valueOf(skin.strength.across);
  const inPlane = valueOf(core.strength.inPlane) / valueOf(skin.strength.inPlane);
  const weaker = Number.isNaN(across) ? inPlane : Math.min(inPlane, across);
  const seen = new Map<string, Ratio>();
  for (const [temperatureC, durationH] of conditions) {
    const ratio = {
      stiffness: modulus(core, temperatureC, durationH) / modulus(skin, temperatureC, durationH),
      strength: (weaker * core.strengthFactor(temperatureC, durationH)) / skin.strengthFactor(temperatureC, durationH),
      density: valueOf(core.density) / valueOf(skin.density),
    };
    seen.set(`${ratio.stiffness.toPrecision(6)} ${ratio.strength.toPrecision(6)}`, ratio);
  }
  return [...seen.values()];
}

/** The part less its skin. */
function coreVolumeMm3(part: PartGeometry, skinMm: number): number {
  const empty: Fill = otherMaterialFill({ skinMm, stiffness: 1e-9, strength: 1e-9, density: 0 });
  return partBody(part).volumeMm3 - partBody(part, empty).volumeMm3;
}

const priceOf = (grade: Grade, { family, filler }: Material): number | null =>
  grade.pricePerKgUsd ?? (family ? family.pricePerKgUsd.mid * (filler?.priceFactor ?? 1) : null);

/** USD/kg of skin and core together, by their masses, so that purge, scrap and the limit of cost count it. Null: not known. */
function priceTogether(skin: Material, core: Material, partMm3: number, coreMm3: number): number | null {
  const [own, inner] = [priceOf(skin.grade, skin), priceOf(core.grade, core)];
  if (own === null || inner === null || !skin.density.known || !core.density.known) return null;
  const [skinG, coreG] = [(partMm3 - coreMm3) * skin.density.value, coreMm3 * core.density.value];
  return (own * skinG + inner * coreG) / (skinG + coreG);
}
