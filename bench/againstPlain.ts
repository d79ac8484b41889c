/**
 * Every heavy sum as a rate and as a ratio to the same sum written down plainly in `reference/`, so that a slowdown shows on
 * any machine. That both come to the same numbers is tested beside them.
 *   npm run bench
 */
import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { chanceOfMeetingAll, evaluate, prepareSizing, screen } from '@anvilstone/core/evaluation';
import { planImport, readImportFile } from '@anvilstone/core/evidence/exchange';
import { planDryers } from '@anvilstone/core/making';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import {
  freeSize,
  inPlaneConstants,
  laminateOf,
  turnedLaminate,
  type Ply,
  meshReport,
  readMesh,
} from '@anvilstone/core/shapes';
import type { Grade, Library } from '@anvilstone/schema';
import { dryers, spools } from './dryerCase.ts';
import { chanceOfArmPlainly } from './reference/armChance.ts';
import { evaluateArmPlainly } from './reference/armEvaluation.ts';
import { splitTable } from './reference/csv.ts';
import { planByHand } from './reference/dryers.ts';
import { modulusAlongX } from './reference/laminate.ts';
import { readPlainly } from './reference/mesh.ts';
import { sizeByTrying } from './reference/sizing.ts';
import { leastMs, perSecond, printHead, printRow } from './rows.ts';

const copies = (count: number): Grade[] =>
  Array.from({ length: count }, (_, i) => {
    const grade = sampleLibrary.grades[i % sampleLibrary.grades.length]!;
    return { ...grade, id: `${grade.id}-${i}` };
  });
const GRADES = 2100;
const library: Library = { ...sampleLibrary, grades: copies(GRADES) };

printHead('one core');

const plainMs = leastMs(
  () => library.grades.forEach((grade) => evaluateArmPlainly(lampArm, grade, defaultCompanyRules)),
  3,
);
screen(lampArm, library);
const againMs = leastMs(() => screen(lampArm, library), 7);
printRow({
  what: 'evaluation: grades of a library, 3 build orientations, 9 checks, as a dimension is dragged',
  rate: perSecond(GRADES, againMs, 'grades'),
  ratio: plainMs / againMs,
  note: `wanted: 5 ×; the reference leaves out machine, cost and colour, and does ${perSecond(GRADES, plainMs, 'grades')}`,
});
const freshMs = leastMs(() => screen(lampArm, { ...library, grades: copies(GRADES) }), 3);
printRow({
  what: 'the same for the first time, with all evidence resolved',
  rate: perSecond(GRADES, freshMs, 'grades'),
  ratio: plainMs / freshMs,
});

const DRAWS = 10_000;
const PLAIN_DRAWS = 500;
const arm = sampleLibrary.grades.find(({ id }) => id === 'tm-petg')!;
const quick = () => chanceOfMeetingAll(lampArm, sampleLibrary, arm, 'XZ', { draws: DRAWS })!;
const { scatter } = quick();
const quickMs = leastMs(quick, 7);
const slowMs = leastMs(() => chanceOfArmPlainly(lampArm, arm, 'XZ', scatter, PLAIN_DRAWS, Math.random), 3);
printRow({
  what: 'Monte Carlo: draws of all checks',
  rate: perSecond(DRAWS, quickMs, 'draws'),
  ratio: slowMs / PLAIN_DRAWS / (quickMs / DRAWS),
  note: 'wanted: 5 ×',
});

const ten = sampleLibrary.grades.slice(0, 10);
const free = freeSize(lampArm.part)!;
const sizedMs = leastMs(() => {
  const job = prepareSizing(lampArm, sampleLibrary)!;
  ten.forEach((grade) => job.size(grade));
}, 4);
const triedMs = leastMs(() => {
  ten.forEach((grade) => sizeByTrying((mm) => free.with(mm), 30, lampArm, sampleLibrary, grade));
}, 2);
printRow({ what: 'sized to pass', rate: perSecond(ten.length, sizedMs, 'grades'), ratio: triedMs / sizedMs });

const lamina = {
  name: 'carbon',
  ...{ e1MPa: 60_000, e2MPa: 3800, g12MPa: 1450, nu12: 0.32 },
  ...{ xtMPa: 1, xcMPa: 1, ytMPa: 1, ycMPa: 1, sMPa: 1, alpha1PerK: 0, alpha2PerK: 0, cov: 0, kind: 'tow' as const },
};
const plies = [0, 45, -45, 90, 90, -45, 45, 0].map((angleDeg): Ply => ({ lamina, angleDeg, thicknessMm: 0.125 }));
const around = Array.from({ length: 180 }, (_, i) => i);
const laminateMs = leastMs(() => around.forEach((deg) => inPlaneConstants(turnedLaminate(laminateOf(plies), deg))));
const matricesMs = leastMs(() =>
  around.forEach((deg) => modulusAlongX(plies.map((ply) => ({ ...ply, angleDeg: ply.angleDeg - deg })))),
);
printRow({
  what: 'laminate of 8 plies, its constants at an angle',
  rate: perSecond(around.length, laminateMs, 'laminates'),
  ratio: matricesMs / laminateMs,
});

const bytes = torus(400, 250);
const meshMs = leastMs(() => meshReport(readMesh(bytes, 'torus.stl')), 3);
const objectsMs = leastMs(() => readPlainly(bytes), 2);
printRow({
  what: 'mesh: triangles read, welded, checked, measured',
  rate: perSecond(200_000, meshMs, 'triangles'),
  ratio: objectsMs / meshMs,
});

const ROWS = 5000;
const sheet = `Product;Maker;Polymer;Density (g/cm³);Tensile modulus XY, printed, dry (MPa);Tensile strength XY, printed, dry (MPa);Price (USD/kg)\n${Array.from({ length: ROWS }, (_, i) => `Grade ${i};Maker ${i % 40};PETG;1,2${i % 10};${1850 + (i % 200)};${44 + (i % 5)},5;${18 + (i % 30)},50`).join('\n')}\n`;
const file = Buffer.from(sheet);
let readMs = Infinity;
for (let run = 0; run < 3; run++) {
  const from = performance.now();
  planImport(await readImportFile(file, {}), { fileName: 'bench.csv', settings: {}, library: [] });
  readMs = Math.min(readMs, performance.now() - from);
}
const splitMs = leastMs(() => splitTable(sheet));
printRow({
  what: 'import: rows read, units and conditions judged, checked, planned',
  rate: perSecond(ROWS, readMs, 'rows'),
  ratio: splitMs / readMs,
  note: 'the reference only splits the text: below 1 is the price of judging',
});

const planMs = leastMs(() => planDryers(spools, dryers), 3);
const handMs = leastMs(() => planByHand(spools, dryers));
const plan = planDryers(spools, dryers);
printRow({
  what: 'dryer schedule: 60 spools, 3 dryers',
  rate: perSecond(1, planMs, 'plans'),
  ratio: handMs / planMs,
  note: `${plan.lateH.toFixed(0)} h late altogether, the plan by hand ${planByHand(spools, dryers).toFixed(0)} h: below 1 is the price of looking further`,
});
const kept = leastMs(() => evaluate(lampArm, { ...sampleLibrary, grades: library.grades.slice(0, 100) }), 5);
printRow({
  what: 'evaluation, every result kept',
  rate: perSecond(100, kept, 'grades'),
  ratio: plainMs / GRADES / (kept / 100),
});

/** A torus about z as a binary file. */
function torus(aroundCount: number, alongCount: number): Uint8Array {
  const view = new DataView(new ArrayBuffer(84 + aroundCount * alongCount * 2 * 50));
  view.setUint32(80, aroundCount * alongCount * 2, true);
  const point = (i: number, k: number) => {
    const [a, b] = [(2 * Math.PI * (i % aroundCount)) / aroundCount, (2 * Math.PI * (k % alongCount)) / alongCount];
    const radius = 60 + 20 * Math.cos(b);
    return [radius * Math.cos(a), radius * Math.sin(a), 20 * Math.sin(b)];
  };
  let at = 84;
  const put = (...corners: number[][]) => {
    corners.flat().forEach((value, i) => view.setFloat32(at + 12 + 4 * i, value, true));
    at += 50;
  };
  for (let i = 0; i < aroundCount; i++)
    for (let k = 0; k < alongCount; k++) {
      put(point(i, k), point(i + 1, k), point(i + 1, k + 1));
      put(point(i, k), point(i + 1, k + 1), point(i, k + 1));
    }
  return new Uint8Array(view.buffer);
}
