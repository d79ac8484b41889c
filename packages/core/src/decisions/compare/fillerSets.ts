import type { Grade } from '@anvilstone/schema';
import { findFamily, findReinforcement } from '@anvilstone/core/materials';

/** One base polymer of one maker without and with fillers: the comparison that shows what a filler does. */
export interface FillerSet {
  /** “PETG of Tarrowmill: neat ↔ glass ↔ carbon” */
  title: string;
  gradeIds: readonly string[];
}

const MOST = 5;

/** Sets of a neat grade with at least one filled one of the same maker and family, those with the most fillers first. */
export function fillerSets(grades: readonly Grade[]): FillerSet[] {
  const groups = new Map<string, Grade[]>();
  for (const grade of grades) {
    if (grade.familyId === null || !findFamily(grade.familyId)) continue;
    const key = `${grade.maker}|${grade.familyId}`;
    groups.set(key, [...(groups.get(key) ?? []), grade]);
  }
  const sets = [...groups.values()].flatMap((of): (FillerSet & { fillers: number })[] => {
    const neat = of.find(({ reinforcementId }) => reinforcementId === null);
    const filled = of.filter(({ reinforcementId }) => reinforcementId !== null);
    if (!neat || filled.length === 0) return [];
    const chosen = [neat, ...filled.sort((a, b) => fillerRank(a) - fillerRank(b))].slice(0, MOST);
    const words = [...new Set(chosen.map(fillerWord))];
    const family = findFamily(neat.familyId!)!.abbreviation;
    return [
      {
        title: `${family} of ${neat.maker}: ${words.join(' ↔ ')}`,
        gradeIds: chosen.map(({ id }) => id),
        fillers: words.length,
      },
    ];
  });
  return sets
    .sort((a, b) => b.fillers - a.fillers || a.title.localeCompare(b.title))
    .map(({ title, gradeIds }) => ({ title, gradeIds }));
}

function fillerWord({ reinforcementId }: Grade): string {
  const filler = findReinforcement(reinforcementId);
  return filler ? filler.filler.toLowerCase() : 'neat';
}

function fillerRank(grade: Grade): number {
  const word = fillerWord(grade);
  return word.startsWith('glass') ? 0 : word.startsWith('carbon') ? 1 : 2;
}
