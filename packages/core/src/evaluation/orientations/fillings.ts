import type { Brief, EvaluationEntry, Grade, CompanyRules, Library, WallsAndInfill } from '@anvilstone/schema';
import { evaluateGrade, prepareJob } from '../evaluating/evaluate.ts';
import { InputError } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';

/** Walls and infill that most prints start from: 0.45 mm lines, 3 of them, 5 layers of 0.2 mm at top and bottom. */
export const USUAL_FILLING: WallsAndInfill = {
  lineWidthMm: 0.45,
  layerHeightMm: 0.2,
  walls: 3,
  topBottomLayers: 5,
  pattern: 'triangles',
  infillShare: 0.25,
};

/** A way to fill the part, and what comes of it in its best allowed build orientation. */
export interface Filling {
  /** Undefined: solid. */
  filled: WallsAndInfill | undefined;
  title: string;
  entry: EvaluationEntry;
}

export const fillingTitle = (filled: WallsAndInfill | undefined): string =>
  filled === undefined || filled.infillShare >= 1
    ? 'Solid'
    : `${filled.walls} wall${filled.walls === 1 ? '' : 's'}, ${Math.round(100 * filled.infillShare)} % infill`;

const WALLS = [2, 3, 4, 6, 8] as const;
const SHARES = [0.15, 0.3, 0.5] as const;

/** Solid, the filling that is set, and a grid of walls and infill around it, lightest first. @throws InputError as evaluate does */
export function compareFillings(
  brief: Brief,
  library: Library,
  gradeId: string,
  rules: CompanyRules = defaultCompanyRules,
): Filling[] {
  const grade = gradeOf(library, gradeId);
  const base = brief.filled ?? USUAL_FILLING;
  const grid = WALLS.flatMap((walls) => SHARES.map((infillShare): WallsAndInfill => ({ ...base, walls, infillShare })));
  const all = [undefined, ...(brief.filled ? [brief.filled] : []), ...grid];
  const seen = new Set<string>();
  return all
    .filter((filled) => {
      const key = JSON.stringify(filled ?? null);
      return seen.has(key) ? false : (seen.add(key), true);
    })
    .map((filled) => fillingOf(brief, library, grade, filled, rules))
    .sort((a, b) => (a.entry.massG ?? 0) - (b.entry.massG ?? 0));
}

/**
 * The same mass spent otherwise: for each number of walls the infill at which the part weighs `massG`, by bisection.
 * Numbers of walls whose shell alone is heavier, or whose solid is lighter, are left out.
 * @throws InputError a mass that is none, or as evaluate does
 */
export function fillingsOfMass(
  brief: Brief,
  library: Library,
  gradeId: string,
  massG: number,
  rules: CompanyRules = defaultCompanyRules,
): Filling[] {
  if (!(massG > 0)) throw new InputError('massG', massG, 'a mass above 0 g');
  const grade = gradeOf(library, gradeId);
  const base = brief.filled ?? USUAL_FILLING;
  return Array.from({ length: 10 }, (_, i) => i + 1).flatMap((walls) => {
    const found = infillForMass({ ...brief, filled: { ...base, walls } }, library, grade, massG, rules);
    return found === undefined ? [] : [fillingOf(brief, library, grade, { ...base, walls, infillShare: found }, rules)];
  });
}

const MOST_STEPS = 20;
/** A hundredth of a gram weighs nothing. */
const CLOSE_G = 1e-5;

/**
 * The share of infill at which a filled part has this mass in its best orientation, by the secant within its bracket: mass is
 * straight in the share as long as the best orientation stays. Undefined: no share does,
 * or the best orientation changes just there and the mass jumps.
 */
export function infillForMass(
  brief: Brief & { filled: WallsAndInfill },
  library: Library,
  grade: Grade,
  massG: number,
  rules: CompanyRules = defaultCompanyRules,
): number | undefined {
  const missAt = (infillShare: number) => {
    const mass = fillingOf(brief, library, grade, { ...brief.filled, infillShare }, rules).entry.massG;
    return mass === null ? undefined : mass - massG;
  };
  let [low, high] = [0, 1];
  let [missLow, missHigh] = [missAt(low), missAt(high)];
  if (missLow === undefined || missHigh === undefined || missLow > 0 || missHigh < 0) return undefined;
  for (let i = 0; i < MOST_STEPS; i++) {
    if (missHigh - missLow < CLOSE_G) return high;
    const straight: number = low + ((high - low) * -missLow) / (missHigh - missLow);
    const miss = missAt(straight)!;
    if (Math.abs(miss) < CLOSE_G) return straight;
    if (miss < 0) [low, missLow] = [straight, miss];
    else [high, missHigh] = [straight, miss];
  }
  return undefined;
}

function fillingOf(
  brief: Brief,
  library: Library,
  grade: Grade,
  filled: WallsAndInfill | undefined,
  rules: CompanyRules,
): Filling {
  const { filled: _before, ...solid } = brief;
  const job = prepareJob(filled ? { ...solid, filled } : solid, { ...library, grades: [] }, { rules });
  return { filled, title: fillingTitle(filled), entry: evaluateGrade(job, grade).best };
}

function gradeOf(library: Library, gradeId: string): Grade {
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library');
  return grade;
}
