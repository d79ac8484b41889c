/**
 * Writes the made-up grades of the demo workshop. Values start from the family reference data with the filler's effect,
 * vary per grade from a fixed seed, and are then reported the way real evidence is: other methods, units, specimens,
 * moisture states and gaps. Run again only to change the sample; the output is committed.
 *   npx tsx scripts/makeSampleLibrary.ts
 */
import { writeFileSync } from 'node:fs';
import { gradeOf } from './sampleLibrary/grade.ts';
import { rows } from './sampleLibrary/rows.ts';
import { laySurroundings } from './sampleLibrary/surroundings.ts';
import { layTraps } from './sampleLibrary/traps.ts';

const grades = rows.map(gradeOf);
layTraps(grades);
laySurroundings(grades);
writeFileSync(
  new URL('../packages/core/src/education/sample/data/grades.json', import.meta.url),
  `${JSON.stringify(grades, null, 1)}\n`,
);
console.log(
  `${grades.length} grades, ${grades.reduce((sum, grade) => sum + grade.observations.length, 0)} observations`,
);
