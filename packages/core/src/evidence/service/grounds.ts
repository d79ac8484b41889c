import type {
  Brief,
  BuildOrientation,
  Decision,
  EvaluationEntry,
  Grade,
  CompanyRules,
  Installation,
  Library,
} from '@anvilstone/schema';
import { evaluate } from '@anvilstone/core/evaluation';

/** What was predicted of a part in service: by the record it was made from, or else by what is known today. */
export interface ServiceInputs {
  brief: Brief;
  grade: Grade;
  orientation: BuildOrientation;
  rules: CompanyRules;
  library: Pick<Library, 'machines' | 'agents'>;
  entry: EvaluationEntry;
  /** Number of the record; undefined: there is none, and it was worked out today. */
  decisionNumber?: number;
}

export interface TodayInputs {
  brief: Brief;
  library: Library;
  rules: CompanyRules;
}

/**
 * Undefined: the grade, or the build orientation it was built, is not there to be predicted from.
 * @throws InputError when the brief cannot be evaluated
 */
export function inputsOfInstallation(
  { gradeId, orientation }: Pick<Installation, 'gradeId' | 'orientation'>,
  decision: Decision | undefined,
  today: TodayInputs | undefined,
): ServiceInputs | undefined {
  const source = decision ?? today;
  if (!source) return undefined;
  const { brief, rules } = source;
  const library: Library = 'library' in source ? source.library : source;
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) return undefined;
  const held: Brief = { ...brief, asks: { ...brief.asks, orientations: [orientation] } };
  const [own] = evaluate(held, { ...library, grades: [grade] }, { rules }).grades;
  return (
    own && {
      brief,
      grade,
      orientation,
      rules,
      library,
      entry: own.best,
      ...(decision ? { decisionNumber: decision.number } : {}),
    }
  );
}
