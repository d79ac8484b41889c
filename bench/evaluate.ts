/**
 * Speed of the evaluation, as rates and ratios, not seconds: they mean the same on another machine.
 *   npm run bench
 */
import { lampArm, nozzleBracket, ratchetPawl, sampleLibrary } from '@anvilstone/core/education/sample';
import {
  chanceOfMeetingAll,
  evaluate,
  prepareSizing,
  reserveOverTemperature,
  screen,
} from '@anvilstone/core/evaluation';
import type { Brief, Library } from '@anvilstone/schema';
import { leastMs } from './rows.ts';

const WANTED_GRADES = 5000;
/** What a dragged dimension may take: 5,000 grades × 3 orientations × 12 checks in 0.3 s on one core. */
const TARGET_GRADES_PER_S = WANTED_GRADES / 0.3;

const library: Library = {
  machines: sampleLibrary.machines,
  grades: Array.from({ length: WANTED_GRADES }, (_, i) => {
    const grade = sampleLibrary.grades[i % sampleLibrary.grades.length]!;
    return { ...grade, id: `${grade.id}-${i}` };
  }),
};
const twelveChecks: Brief = {
  ...lampArm,
  asks: {
    ...lampArm.asks,
    heat: { ...lampArm.asks.heat, coldestC: -20 },
    thermalFit: { fixedTo: 'steel', lengthMm: 200, coldestC: -20, hottestC: 50, allowedMm: 2 },
    mustWarn: true,
  },
};

const best = (work: () => void, runs = 7) => leastMs(work, runs);
const rate = (ms: number, count = WANTED_GRADES) => Math.round((count / ms) * 1000);

/** How fast this core is at what the evaluation is made of, so that two machines can be compared. */
const pairs = best(() => {
  let sum = 0;
  for (let i = 1; i <= 1e6; i++) sum += Math.exp(-i / 1e6) * Math.log(i);
  if (!Number.isFinite(sum)) throw new Error('the sum ran away');
});
console.log(`this core: ${(1e3 / pairs).toFixed(1)} million pairs of exp and log a second`);

const fresh = performance.now();
screen(twelveChecks, library);
const first = performance.now() - fresh;
const again = best(() => screen(twelveChecks, library));
const checks = screen(twelveChecks, { ...library, grades: library.grades.slice(0, 1) }).checkIds.length;
console.log(
  `screening, 3 orientations × ${checks} checks: ${rate(again)} grades/s, ${(rate(again) / TARGET_GRADES_PER_S).toFixed(2)} × the wanted rate; ` +
    `the first time, with every property resolved, ${(first / again).toFixed(1)} × as long`,
);
for (const brief of [lampArm, nozzleBracket, ratchetPawl]) {
  const ms = best(() => screen(brief, library));
  const count = screen(brief, { ...library, grades: [] }).checkIds.length;
  console.log(`${brief.title}: ${rate(ms)} grades/s (3 orientations × ${count} checks)`);
}
const kept = best(() => evaluate(lampArm, library), 3);
console.log(
  `keeping every result: ${(kept / best(() => screen(lampArm, library))).toFixed(1)} × the time of screening`,
);
const hundred = { ...library, grades: library.grades.slice(0, 100) };
const explained = best(() => evaluate(lampArm, hundred, { showWorking: true }));
console.log(
  `with working: ${(explained / best(() => evaluate(lampArm, hundred))).toFixed(1)} × the time of one without`,
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
console.log(`reserve over temperature: ${rate(curve, 200)} points/s`);

const twenty = library.grades.slice(0, 20);
const DRAWS = 10000;
/** Wanted: 10,000 draws × 20 grades × 12 checks in 1.5 s on one core. */
const chances = best(() => {
  for (const grade of twenty) chanceOfMeetingAll(twelveChecks, library, grade, 'XZ', { draws: DRAWS });
}, 4);
console.log(
  `chance of meeting all checks: ${rate(chances, DRAWS * twenty.length)} draws of all checks a second, ${(1500 / chances).toFixed(1)} × the wanted rate`,
);
const sizes = best(() => {
  const job = prepareSizing(lampArm, library)!;
  for (const grade of twenty) job.size(grade);
}, 4);
console.log(`sized to pass: ${rate(sizes, twenty.length)} grades/s`);
