import type {
  Brief,
  EvaluationEntry,
  Grade,
  CompanyRules,
  Library,
  WallsAndInfill,
  Statement,
} from '@anvilstone/schema';
import { infillForMass } from '../orientations/fillings.ts';
import { InputError, bisect, say, grams } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { freeSize, LAYER_NORMAL } from '@anvilstone/core/shapes';
import { materialFor } from '../evaluating/context.ts';
import { evaluateGrade, prepareJob, type EvaluationJob } from '../evaluating/evaluate.ts';

const SMALLEST_SHARE = 1 / 5;
const LARGEST_SHARE = 5;
const HALVINGS = 40;

/** A grade at the size, or with the infill, at which its part weighs as much as the others’, or why it has none. */
export type AtEqualMass =
  | { ok: true; gradeId: string; sizeMm: number; heightMm: number; entry: EvaluationEntry }
  | { ok: true; gradeId: string; infillShare: number; heightMm: number; entry: EvaluationEntry }
  | { ok: false; gradeId: string; why: Statement };

export interface EqualMassJob {
  title: string;
  /** The drawn size, mm; NaN where the infill is what changes. */
  drawnMm: number;
  massG: number;
  at(grade: Grade): AtEqualMass;
}

/**
 * Every grade at one mass: the free dimension grows for a light polymer and shrinks for a heavy one, between a fifth and
 * five times of the drawn one. A part with an infill keeps its outer shape, and its infill is solved instead. Undefined: the
 * part has no dimension that may grow by itself.
 * @param massG mass of one part, above 0
 * @throws InputError when the brief cannot be evaluated as drawn, or the mass is no mass
 */
export function prepareEqualMass(
  brief: Brief,
  library: Pick<Library, 'machines' | 'agents'>,
  massG: number,
  rules: CompanyRules = defaultCompanyRules,
): EqualMassJob | undefined {
  if (!(massG > 0)) throw new InputError('massG', massG, 'a mass above 0 g');
  const { filled } = brief;
  if (filled && filled.infillShare < 1) return byInfill({ ...brief, filled }, library, massG, rules);
  const free = freeSize(brief.part);
  if (!free) return undefined;
  const bare: Library = { ...library, grades: [] };
  const drawn = prepareJob(brief, bare, { rules });
  const jobAt = (sizeMm: number): EvaluationJob | undefined => {
    try {
      return prepareJob({ ...brief, part: free.with(sizeMm) }, bare, { rules });
    } catch (error) {
      // A wall thicker than half its tube: this size cannot be drawn.
      if (!(error instanceof InputError)) throw error;
      return undefined;
    }
  };
  const volumeAt = (sizeMm: number) => jobAt(sizeMm)?.prepared.body.volumeMm3 ?? 0;
  const [smallest, largest] = [free.valueMm * SMALLEST_SHARE, free.valueMm * LARGEST_SHARE];
  const [least, most] = [volumeAt(smallest), volumeAt(largest)];
  return {
    title: free.title,
    drawnMm: free.valueMm,
    massG,
    at(grade) {
      const { density } = materialFor(drawn.prepared, grade);
      if (!density.known) return { ok: false, gradeId: grade.id, why: 'Its density is not known.' };
      const massOf = (volumeMm3: number) => (volumeMm3 * density.value) / 1000;
      // Strands weigh otherwise than what they take the place of, and as the build orientation lays them.
      const massAt = brief.fibre
        ? (sizeMm: number) => evaluateOr0(jobAt(sizeMm), grade)
        : (sizeMm: number) => massOf(volumeAt(sizeMm));
      const [lightest, heaviest] = brief.fibre ? [massAt(smallest), massAt(largest)] : [massOf(least), massOf(most)];
      if (massG < lightest || massG > heaviest)
        return {
          ok: false,
          gradeId: grade.id,
          why: say`No size between a fifth and five times of the drawn one weighs ${grams(massG)}.`,
        };
      const isLight = (tried: number) => massAt(tried) < massG;
      const [, sizeMm] = bisect(isLight, smallest, largest, { steps: HALVINGS, geometric: true });
      const job = jobAt(sizeMm)!;
      const entry = evaluateGrade(job, grade).best;
      return {
        ok: true,
        gradeId: grade.id,
        sizeMm,
        heightMm: job.prepared.body.extentMm[LAYER_NORMAL[entry.orientation]],
        entry,
      };
    },
  };
}

/** Mass of a grade’s best build orientation; 0 where the size cannot be drawn. */
const evaluateOr0 = (job: EvaluationJob | undefined, grade: Grade) =>
  job ? (evaluateGrade(job, grade).best.massG ?? 0) : 0;

function byInfill(
  brief: Brief & { filled: WallsAndInfill },
  library: Pick<Library, 'machines' | 'agents'>,
  massG: number,
  rules: CompanyRules,
): EqualMassJob {
  const bare: Library = { ...library, grades: [] };
  return {
    title: 'Infill',
    drawnMm: Number.NaN,
    massG,
    at(grade) {
      const infillShare = infillForMass(brief, bare, grade, massG, rules);
      if (infillShare === undefined)
        return {
          ok: false,
          gradeId: grade.id,
          why: say`No infill between none and solid makes it weigh ${grams(massG)}, or its density is not known.`,
        };
      const job = prepareJob({ ...brief, filled: { ...brief.filled, infillShare } }, bare, { rules });
      const entry = evaluateGrade(job, grade).best;
      const heightMm = job.prepared.body.extentMm[LAYER_NORMAL[entry.orientation]];
      return { ok: true, gradeId: grade.id, infillShare, heightMm, entry };
    },
  };
}
