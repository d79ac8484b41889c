import type { CompanyRules, Layup, LayupLoad, Library, Statement } from '@anvilstone/schema';
import { formatNumber as f, say, celsius } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { FAILURE_CRITERIA } from './failure.ts';
import type { Stiffness3 } from './lamina.ts';
import {
  bendingConstants,
  deformationOf,
  inPlaneConstants,
  laminateOf,
  NO_LOAD,
  turnedLaminate,
  type Deformation,
  type EngineeringConstants,
  type Laminate,
  type LaminateLoad,
} from './laminate.ts';
import { loopReport, type LoopReport } from './loopReport.ts';
import { findTow, pliesOf } from './plyMaterials.ts';
import { plyStresses, type PlyStress } from './plyStress.ts';
import { laminateFailure, type LaminateFailure } from './progressive.ts';

/** One load on a layup: how it deforms, what each ply feels, and when it gives way by each criterion. */
export interface LoadReport {
  name: string;
  load: LaminateLoad;
  deformation: Deformation;
  stresses: readonly PlyStress[];
  failures: readonly LaminateFailure[];
  /** Largest over smallest first-ply load of the three criteria, − 1, %; 0 where nothing is stressed. */
  disagreementPct: number;
}

export interface LaminateReport {
  name: string;
  thicknessMm: number;
  plies: readonly { name: string; angleDeg: number; thicknessMm: number; zMm: number }[];
  /** N/mm, N, N·mm. */
  a: Stiffness3;
  b: Stiffness3;
  d: Stiffness3;
  inPlane: EngineeringConstants;
  bending: EngineeringConstants;
  /** In-plane modulus along directions from 0 to 180°. */
  aroundAngle: readonly { angleDeg: number; exMPa: number }[];
  /** Change of temperature from laid to service, K; null: not both are stated. */
  deltaTK: number | null;
  /** Rise of the middle of a strip of 100 mm that lies free, by that change, mm; along x and along y. */
  thermalBowMm: { x: number; y: number } | null;
  loads: readonly LoadReport[];
  loops: readonly LoopReport[];
  warnings: readonly Statement[];
}

const STRIP_MM = 100;
const ANGLE_STEP_DEG = 5;
/** More layers of one angle on each other than this tend to crack between them. */
const MOST_ALIKE = 4;

/**
 * Everything that is to be said of a layup. Through-thickness tension and shear between the layers are not in it: they stay
 * with the matrix, and the checks across the layers stay in force.
 * @throws InputError a strand, grade or thickness that is not there, constants that no material has
 */
export function laminateReport(
  layup: Layup,
  library: Pick<Library, 'grades'>,
  rules: CompanyRules = defaultCompanyRules,
): LaminateReport {
  const laminate = laminateOf(pliesOf(layup, library, rules));
  const deltaTK = layup.laidAtC === undefined || layup.serviceC === undefined ? null : layup.serviceC - layup.laidAtC;
  return {
    name: layup.name,
    thicknessMm: laminate.thicknessMm,
    plies: laminate.plies.map(({ lamina, angleDeg, thicknessMm }, i) => ({
      name: lamina.name,
      angleDeg,
      thicknessMm,
      zMm: laminate.zMm[i]!,
    })),
    a: laminate.a,
    b: laminate.b,
    d: laminate.d,
    inPlane: inPlaneConstants(laminate),
    bending: bendingConstants(laminate),
    aroundAngle: Array.from({ length: 180 / ANGLE_STEP_DEG + 1 }, (_, i) => {
      const angleDeg = i * ANGLE_STEP_DEG;
      return { angleDeg, exMPa: inPlaneConstants(turnedLaminate(laminate, angleDeg)).exMPa };
    }),
    deltaTK,
    thermalBowMm: deltaTK === null ? null : bowOf(laminate, deltaTK),
    loads: (layup.loads ?? []).map((load) => loadReport(laminate, load, deltaTK ?? 0)),
    loops: (layup.loops ?? []).map((loop) => loopReport(loop, rules)),
    warnings: warningsOf(layup, laminate),
  };
}

function loadReport(laminate: Laminate, asked: LayupLoad, deltaTK: number): LoadReport {
  const load: LaminateLoad = {
    nx: asked.nxNPerMm ?? 0,
    ny: asked.nyNPerMm ?? 0,
    nxy: asked.nxyNPerMm ?? 0,
    mx: asked.mxNmmPerMm ?? 0,
    my: asked.myNmmPerMm ?? 0,
    mxy: asked.mxyNmmPerMm ?? 0,
    deltaTK,
  };
  const failures = FAILURE_CRITERIA.flatMap((criterion) => laminateFailure(laminate, load, criterion) ?? []);
  const first = failures.map(({ firstPly }) => firstPly.atRatio);
  const [least, most] = [Math.min(...first), Math.max(...first)];
  return {
    name: asked.name,
    load,
    deformation: deformationOf(laminate, load),
    stresses: plyStresses(laminate, load),
    failures,
    disagreementPct: first.length > 0 && least > 0 ? 100 * (most / least - 1) : 0,
  };
}

/** A strip bent to a curvature κ rises in its middle by κ·L²/8. */
function bowOf(laminate: Laminate, deltaTK: number): { x: number; y: number } {
  const [x, y] = deformationOf(laminate, { ...NO_LOAD, deltaTK }).curvature;
  return { x: (x * STRIP_MM ** 2) / 8, y: (y * STRIP_MM ** 2) / 8 };
}

function warningsOf(layup: Layup, laminate: Laminate): Statement[] {
  const { a, b, thicknessMm: t, plies } = laminate;
  const found: Statement[] = [];
  const largest = Math.max(a[0][0], a[1][1]);
  if (b.flat().some((value) => Math.abs(value) > 1e-6 * largest * t))
    found.push('Not symmetric about its middle: it bends when it is pulled and bows as it cools.');
  if (Math.max(Math.abs(a[0][2]), Math.abs(a[1][2])) > 1e-6 * largest)
    found.push('Not balanced: for each ply at +θ one at −θ is missing, so that it shears when it is pulled.');
  let alike = 1;
  for (let i = 1; i < plies.length; i++) {
    const same = plies[i]!.angleDeg === plies[i - 1]!.angleDeg && plies[i]!.lamina === plies[i - 1]!.lamina;
    alike = same && plies[i]!.lamina.kind === 'tow' ? alike + 1 : 1;
    if (alike === MOST_ALIKE + 1)
      found.push(
        `More than ${MOST_ALIKE} strand layers of ${f(plies[i]!.angleDeg)}° lie on each other: cracks run between them.`,
      );
  }
  for (const id of new Set(layup.plies.flatMap(({ material }) => ('towId' in material ? [material.towId] : [])))) {
    const tow = findTow(id)!;
    if (layup.serviceC !== undefined && layup.serviceC > tow.maxServiceCompressionC)
      found.push(
        say`${tow.name}: ${celsius(layup.serviceC)} is above ${celsius(tow.maxServiceCompressionC)}, its limit in compression, shear and bending (${celsius(tow.maxServiceC)} in tension).`,
      );
  }
  found.push('Across the layers and between them the matrix alone carries: those checks stay in force.');
  return found;
}
