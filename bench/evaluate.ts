/**
 * Speed of the evaluation, as rates and ratios, not seconds: they mean the same on another machine.
 *   npm run bench
 */
import { evaluate, reserveOverTemperature } from '@anvilstone/core';
import { lampArm, sampleLibrary } from '@anvilstone/core/sample';
import type { Library } from '@anvilstone/schema';

const WANTED_GRADES = 1000;
const library: Library = {
  machines: sampleLibrary.machines,
  grades: Array.from({ length: WANTED_GRADES }, (_, i) => {
    const grade = sampleLibrary.grades[i % sampleLibrary.grades.length]!;
    return { ...grade, id: `${grade.id}-${i}` };
  }),
};

const best = (work: () => void, runs = 5) => {
  let least = Infinity;
  for (let i = 0; i < runs; i++) {
    const from = performance.now();
    work();
    least = Math.min(least, performance.now() - from);
  }
  return least;
};

const plain = best(() => evaluate(lampArm, library));
const explained = best(() =>
  evaluate(lampArm, { ...library, grades: library.grades.slice(0, 100) }, { showWorking: true }),
);
const curve = best(() =>
  reserveOverTemperature(
    lampArm,
    library,
    'tm-asa-4',
    'XZ',
    Array.from({ length: 200 }, (_, i) => 20 + i / 2),
  ),
);
const checks = evaluate(lampArm, sampleLibrary).checkIds.length;

console.log(`evaluation: ${Math.round((WANTED_GRADES / plain) * 1000)} grades/s (3 orientations × ${checks} checks)`);
console.log(`with working: ${(explained / 100 / (plain / WANTED_GRADES)).toFixed(1)} × the time of one without`);
console.log(`reserve over temperature: ${Math.round((200 / curve) * 1000)} points/s`);
