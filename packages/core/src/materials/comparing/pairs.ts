import type { Grade } from '@anvilstone/schema';

export interface LinkedGrade {
  grade: Grade;
  /** What the other one is to this one. */
  relation: 'unfilled' | 'filled';
}

/**
 * Grades that pair with this one: same maker, same family, and one of the two unfilled. Only such pairs show what a filler
 * does; grades of different makers differ in much else.
 */
export function pairsOf(grade: Grade, grades: readonly Grade[]): LinkedGrade[] {
  return grades.flatMap((other): LinkedGrade[] => {
    if (other.id === grade.id || other.maker !== grade.maker || other.familyId !== grade.familyId) return [];
    if (grade.reinforcementId === null)
      return other.reinforcementId === null ? [] : [{ grade: other, relation: 'filled' }];
    return other.reinforcementId === null ? [{ grade: other, relation: 'unfilled' }] : [];
  });
}
