/**
 * Force over movement, 200,000 lines out of a CSV: read, analysed, and thinned for drawing. As a rate and a ratio to what is wanted.
 *   npm run bench
 */
import { analyseCurve, readCurve, readingsToDraw } from '@anvilstone/core/evidence';

const LINES = 200_000;
/** Read, analysed and ready to draw in under 2 s. */
const TARGET_LINES_PER_S = LINES / 2;
const RUNS = 5;

const text = ['displacement (mm),force (kgf),time (s)'];
for (let i = 0; i < LINES; i++) {
  const force = i < LINES * 0.9 ? (i / LINES) * 60 + 0.02 * Math.sin(i * 12.9898) : 0.1;
  text.push(`${(i / 20_000).toFixed(5)},${force.toFixed(4)},${(i / 1000).toFixed(3)}`);
}
const csv = text.join('\n');

let leastMs = Infinity;
let drawn = 0;
const idle = process.memoryUsage().rss;
for (let i = 0; i < RUNS; i++) {
  const from = performance.now();
  const curve = readCurve(csv);
  const { peakN } = analyseCurve(curve);
  drawn = readingsToDraw(curve.forceN, 400).length;
  leastMs = Math.min(leastMs, performance.now() - from);
  if (!(peakN > 500)) throw new Error(`a peak of ${peakN} N is not what was written`);
}
const rate = LINES / (leastMs / 1000);
const memoryMb = (process.memoryUsage().rss - idle) / 2 ** 20;
console.log(
  `force–movement CSV, ${LINES.toLocaleString('en')} lines (${(csv.length / 2 ** 20).toFixed(1)} MB): ${Math.round(rate).toLocaleString('en')} lines/s, ${(rate / TARGET_LINES_PER_S).toFixed(1)} of the wanted rate; ${drawn} readings drawn, ${memoryMb.toFixed(0)} MB more`,
);
