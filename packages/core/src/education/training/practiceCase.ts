import type { Brief, GradeEvaluation } from '@anvilstone/schema';

/** A small brief with four grades to choose from, and what there is to learn from it. */
export interface PracticeCase {
  id: string;
  title: string;
  /** What the part has to do, to whoever has to choose. */
  story: string;
  brief: Brief;
  /** Of the sample library. */
  gradeIds: readonly [string, string, string, string];
  /** Checks to choose from when it is asked what governs. */
  checkIds: readonly [string, string, string];
  /** What each of the four is about in this case, by grade. */
  remarks: Readonly<Record<string, string>>;
  lesson: string;
}

export interface PracticeAnswer {
  /** In the order in which the case offers them. */
  evaluations: readonly GradeEvaluation[];
  /** The lowest cost. */
  best: GradeEvaluation;
  /** Minimum reserve of that one. */
  governingCheckId: string;
}
