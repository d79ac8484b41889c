import { inSentence, requireWithin, InputError, say, mm } from '@anvilstone/core/foundations';
import { pairsOf, defaultCompanyRules, tows } from '@anvilstone/core/materials';
import { builtAs, takesFibre } from '@anvilstone/core/shapes';
import {
  ORIENTATIONS,
  type Brief,
  type BuildOrientation,
  type EvaluationEntry,
  type FibreInFaces,
  type Grade,
  type CompanyRules,
  type Library,
  type Statement,
} from '@anvilstone/schema';
import { evaluateGrade, prepareJob, smallestReserveOf } from '../evaluating/evaluate.ts';
import { prepareSizing } from './sizing.ts';

/** One way to bring the part to its target: strands, more material, a chopped-filled grade of the same base, or strands in that. */
export interface StiffeningOption {
  kind: 'as-drawn' | 'thicker' | 'filled-grade' | 'filled-grade-thicker' | 'fibre' | 'fibre-in-filled';
  title: Statement;
  gradeId: string;
  /** The part with it; absent: it cannot be done. */
  brief?: Brief;
  entry?: EvaluationEntry;
  /** Every check is at its target. */
  reaches?: boolean;
  /** Why it cannot. */
  why?: Statement;
}

/** Printed cover over the first strand: two usual walls, so that no strand lies bare. */
const COVER_MM = 0.9;
const MOST_DEEP = 60;

/**
 * The least fibre that brings every check to its target, for each strand of the table, beside thickening the plain part and
 * the chopped-filled grades of the same base, as drawn, thickened, and as the body around strands. Scatter counts as the company rule for strengths says.
 * With a target above 1 every load case is planned with its safety factor times it; what is shown is judged at the brief’s own.
 * Cheapest of those that reach the target first, then those that do not.
 * @param target reserve that the loads’ checks are to reach, 1 to 10
 * @throws InputError when the library has no such grade, the part takes no strands, or the brief cannot be evaluated
 */
export function planFibre(
  brief: Brief,
  library: Library,
  gradeId: string,
  rules: CompanyRules = defaultCompanyRules,
  target = 1,
): StiffeningOption[] {
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library');
  if (!takesFibre(brief.part))
    throw new InputError('fibre', brief.part.model, 'strands are laid in arms, beams and cuts');
  requireWithin('target', target, 1, 10);
  const { fibre: _before, ...own } = brief;
  const plain = withReserve(own, target);
  const entryOf = (changed: Brief, of: Grade) =>
    evaluateGrade(prepareJob(changed, { ...library, grades: [] }, { rules }), of).best;
  const drawn = (kind: StiffeningOption['kind'], title: Statement, of: Grade): StiffeningOption => ({
    kind,
    title,
    gradeId: of.id,
    brief: plain,
    entry: entryOf(plain, of),
  });
  const sizing = prepareSizing(plain, library, rules);
  const thicker = (kind: StiffeningOption['kind'], of: Grade, name: string): StiffeningOption[] => {
    if (!sizing) return [];
    const sized = sizing.size(of);
    const title = (size: Statement) =>
      name === '' ? say`${sizing.title} ${size}` : say`${name}${inSentence(sizing.title)} ${size}`;
    if (!sized.ok) return [{ kind, title: title('larger'), gradeId: of.id, why: sized.why }];
    const sizeMm = Math.ceil(sized.sizeMm * 10) / 10;
    const changed = { ...plain, part: sizing.with(sizeMm) };
    return [{ kind, title: title(say`${mm(sizeMm)}`), gradeId: of.id, brief: changed, entry: entryOf(changed, of) }];
  };
  const pairs = pairsOf(grade, library.grades)
    .map(({ grade: other }) => other)
    .filter(({ reinforcementId }) => reinforcementId !== null);
  const options = [
    drawn('as-drawn', 'As drawn', grade),
    ...thicker('thicker', grade, ''),
    ...pairs.flatMap((other) => [
      drawn('filled-grade', `${other.name}, as drawn`, other),
      ...thicker('filled-grade-thicker', other, `${other.name}, `),
    ]),
    ...tows.map(({ id, name }) => leastFibre(plain, entryOf, grade, id, name)),
    ...pairs.flatMap((other) =>
      tows.map(({ id, name }): StiffeningOption => ({
        ...leastFibre(plain, entryOf, other, id, `${name} in ${other.name}`),
        kind: 'fibre-in-filled',
      })),
    ),
  ];
  return options
    .map((option) => atItsOwn(option, brief, entryOf, library))
    .sort(
      (a, b) =>
        Number(b.reaches) - Number(a.reaches) ||
        Number(b.entry !== undefined) - Number(a.entry !== undefined) ||
        (a.entry?.costUsd ?? Infinity) - (b.entry?.costUsd ?? Infinity),
    );
}

const withReserve = (brief: Brief, target: number): Brief =>
  target === 1
    ? brief
    : {
        ...brief,
        loadCases: brief.loadCases.map((one) => ({ ...one, safetyFactor: one.safetyFactor * target })),
      };

/** Planned with larger safety factors, shown with those of the brief. */
function atItsOwn(
  option: StiffeningOption,
  { loadCases }: Brief,
  entryOf: (brief: Brief, grade: Grade) => EvaluationEntry,
  library: Library,
): StiffeningOption {
  const reaches = option.entry?.status === 'pass';
  if (!option.brief || !option.entry) return { ...option, reaches };
  const brief = { ...option.brief, loadCases };
  const { orientation } = option.entry;
  const grade = library.grades.find(({ id }) => id === option.gradeId)!;
  const entry = entryOf({ ...brief, asks: { ...brief.asks, orientations: [orientation] } }, grade);
  return { ...option, brief, entry, reaches };
}

/**
 * One strand more at a time until everything passes, in each allowed build orientation, since a strand deep is a layer of them in one and
 * a line in every layer in the other; the cheapest of what passes, else what comes nearest.
 */
function leastFibre(
  plain: Brief,
  entryOf: (brief: Brief, grade: Grade) => EvaluationEntry,
  grade: Grade,
  towId: string,
  name: string,
): StiffeningOption {
  const allowed = plain.asks.orientations ?? ORIENTATIONS;
  const found = allowed.map((orientation) => leastFibreBuilt(orientation, plain, entryOf, grade, towId, name));
  const costOf = ({ entry }: StiffeningOption) => entry?.costUsd ?? Infinity;
  const passing = found.filter(({ entry }) => entry?.status === 'pass').sort((a, b) => costOf(a) - costOf(b));
  const near = found
    .filter(({ entry }) => entry !== undefined)
    .sort((a, b) => (smallestReserveOf(b.entry!) ?? -1) - (smallestReserveOf(a.entry!) ?? -1));
  return passing[0] ?? near[0] ?? found[0]!;
}

function leastFibreBuilt(
  orientation: BuildOrientation,
  plain: Brief,
  entryOf: (brief: Brief, grade: Grade) => EvaluationEntry,
  grade: Grade,
  towId: string,
  name: string,
): StiffeningOption {
  let best: StiffeningOption | undefined;
  for (let strandsDeep = 1; strandsDeep <= MOST_DEEP; strandsDeep++) {
    const fibre: FibreInFaces = { towId, strandsDeep, insetMm: COVER_MM };
    const changed = { ...plain, fibre };
    const entry = entryOf({ ...changed, asks: { ...plain.asks, orientations: [orientation] } }, grade);
    const option: StiffeningOption = {
      kind: 'fibre',
      title: `${name}, ${strandsDeep} deep in each face, built ${builtAs(plain.part, orientation)}`,
      gradeId: grade.id,
      brief: changed,
      entry,
    };
    if (entry.status === 'pass') return option;
    const laid = entry.checks.find(({ checkId }) => checkId === 'fibre-laid');
    if (laid?.status === 'fail')
      return best ?? { kind: 'fibre', title: name, gradeId: grade.id, why: laid.reason ?? 'It cannot be laid' };
    const before = best?.entry && (smallestReserveOf(best.entry) ?? 0);
    if (best && before !== undefined && (smallestReserveOf(entry) ?? 0) <= before * 1.0001) return best;
    best = option;
  }
  return best!;
}
