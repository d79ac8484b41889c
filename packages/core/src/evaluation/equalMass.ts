import type { Brief, EvaluationEntry, Grade, HouseRules, Library } from '@anvilstone/schema';
import { InputError } from '../input/InputError.ts';
import { freeSize } from '../parts/freeSize.ts';
import { LAYER_NORMAL } from '../parts/partModel.ts';
import { defaultHouseRules } from '../rules/houseRules.ts';
import { materialFor } from './context.ts';
import { evaluateGrade, prepareJob, type EvaluationJob } from './evaluate.ts';

const SMALLEST_SHARE = 1 / 5;
const LARGEST_SHARE = 5;
const HALVINGS = 40;

/** A grade at the size at which its part weighs as much as the others’, or why it has none. */
export type AtEqualMass =
  | { ok: true; gradeId: string; sizeMm: number; heightMm: number; entry: EvaluationEntry }
  | { ok: false; gradeId: string; why: string };

export interface EqualMassJob {
  title: string;
  drawnMm: number;
  massG: number;
  at(grade: Grade): AtEqualMass;
}

/**
 * Every grade at one mass: the free dimension grows for a light polymer and shrinks for a heavy one, between a fifth and
 * five times of the drawn one. Undefined: the part has no dimension that may grow by itself.
 * @param massG mass of one part, above 0
 * @throws InputError when the brief cannot be evaluated as drawn, or the mass is no mass
 */
export function prepareEqualMass(
  brief: Brief,
  library: Pick<Library, 'machines' | 'agents'>,
  massG: number,
  rules: HouseRules = defaultHouseRules,
): EqualMassJob | undefined {
  if (!(massG > 0)) throw new InputError('massG', massG, 'a mass above 0 g');
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
      const wanted = (massG / density.value) * 1000;
      if (wanted < least || wanted > most)
        return {
          ok: false,
          gradeId: grade.id,
          why: `No size between a fifth and five times of the drawn one weighs ${massG.toFixed(1)} g.`,
        };
      let [low, high] = [Math.log(smallest), Math.log(largest)];
      for (let i = 0; i < HALVINGS; i++) {
        const middle = (low + high) / 2;
        if (volumeAt(Math.exp(middle)) < wanted) low = middle;
        else high = middle;
      }
      const sizeMm = Math.exp(high);
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
