/**
 * Speed and memory of reading a mesh of a million triangles: a torus, whose volume and section are known.
 *   npm run bench
 */
import { meshReport, readMesh, sectionOf } from '@anvilstone/core/shapes';

const AROUND = 1000;
const ALONG = 500;
const [RING_MM, TUBE_MM] = [60, 20];

/** A torus about z as a binary file, its outside looking out. */
function torus(): Uint8Array {
  const bytes = new Uint8Array(84 + AROUND * ALONG * 2 * 50);
  const view = new DataView(bytes.buffer);
  view.setUint32(80, AROUND * ALONG * 2, true);
  const point = (i: number, k: number) => {
    const [a, b] = [(2 * Math.PI * (i % AROUND)) / AROUND, (2 * Math.PI * (k % ALONG)) / ALONG];
    const radius = RING_MM + TUBE_MM * Math.cos(b);
    return [radius * Math.cos(a), radius * Math.sin(a), TUBE_MM * Math.sin(b)];
  };
  let at = 84;
  const put = (...corners: number[][]) => {
    corners.flat().forEach((value, i) => view.setFloat32(at + 12 + 4 * i, value, true));
    at += 50;
  };
  for (let i = 0; i < AROUND; i++)
    for (let k = 0; k < ALONG; k++) {
      put(point(i, k), point(i + 1, k), point(i + 1, k + 1));
      put(point(i, k), point(i + 1, k + 1), point(i, k + 1));
    }
  return bytes;
}

const bytes = torus();
globalThis.gc?.();
const before = process.memoryUsage.rss();
const times: number[] = [];
const cuts: number[] = [];
let found: ReturnType<typeof meshReport> | undefined;
let areaMm2 = 0;
for (let run = 0; run < 3; run++) {
  const start = performance.now();
  found = meshReport(readMesh(bytes, 'torus.stl'));
  times.push(performance.now() - start);
  const from = performance.now();
  areaMm2 = sectionOf(found.mesh, { normal: [0, 0, 1], at: [0, 0, 0.01] }).areaMm2;
  cuts.push(performance.now() - from);
}
const { report } = found!;
const peak = process.resourceUsage().maxRSS / 1024;
const volume = 2 * Math.PI ** 2 * RING_MM * TUBE_MM ** 2;
const ring = Math.PI * ((RING_MM + TUBE_MM) ** 2 - (RING_MM - TUBE_MM) ** 2);
console.log(
  `${report.triangles.toLocaleString('en')} triangles, ${report.watertight ? 'watertight' : 'NOT watertight'}: properties in ${times.map((ms) => Math.round(ms)).join(', ')} ms (wanted: under 2000), ` +
    `section in ${cuts.map((ms) => Math.round(ms)).join(', ')} ms (wanted: under 300), peak ${Math.round(peak)} MB (file ${Math.round(bytes.length / 1e6)} MB, ${Math.round(before / 1048576)} MB before; wanted: under 600)`,
);
console.log(
  `volume ${(100 * (report.volumeMm3 / volume - 1)).toFixed(4)} % and section ${(100 * (areaMm2 / ring - 1)).toFixed(4)} % off the exact torus`,
);
