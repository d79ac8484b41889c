import { parseArgs } from 'node:util';
import { formatNumber as f, spellOut, type SpelledOut } from '@anvilstone/core/foundations';
import {
  MeshError,
  meshReport,
  readMesh,
  sectionOf,
  type MeshReport,
  type MeshSection,
  type Plane,
} from '@anvilstone/core/shapes';
import { BadInput, EXIT, type Terminal } from '../terminal.ts';

/** `anvilstone mesh F [--plane z=10] [--json]`: what a mesh is, and what a cut through it is. */
export async function meshCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { plane: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  const [path, ...rest] = positionals;
  if (path === undefined || rest.length > 0) throw new BadInput('name one file, STL or 3MF');
  const plane = values.plane === undefined ? undefined : readPlane(values.plane);
  const bytes = await terminal.readBytes(path).catch(() => {
    throw new BadInput(`${path} cannot be read`);
  });
  try {
    const { mesh, report: found } = meshReport(readMesh(new Uint8Array(bytes), path));
    const report = spellOut(found);
    const section = plane && sectionOf(mesh, plane);
    terminal.out(
      values.json ? JSON.stringify({ ...report, ...(section ? { section } : {}) }, null, 2) : inWords(report, section),
    );
    return EXIT.ok;
  } catch (error) {
    if (error instanceof MeshError) throw new BadInput(`${path}: ${error.message}`);
    throw error;
  }
}

const NORMAL = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] } as const;

function readPlane(text: string): Plane {
  const match = /^([xyz])=(-?\d+(?:\.\d+)?)$/i.exec(text.trim());
  if (!match) throw new BadInput(`--plane ${text} is none: write x=…, y=… or z=… in mm`);
  const normal = NORMAL[match[1]!.toLowerCase() as 'x' | 'y' | 'z'];
  const distance = Number(match[2]);
  return { normal, at: [normal[0] * distance, normal[1] * distance, normal[2] * distance] };
}

function inWords(report: SpelledOut<MeshReport>, section: MeshSection | undefined): string {
  const { lowMm, highMm, centroidMm, bed } = report;
  const size = highMm.map((high, axis) => f(high - lowMm[axis]!)).join(' × ');
  return [
    `${report.name}: ${report.triangles.toLocaleString('en')} triangles, ${report.bodies === 1 ? 'one body' : `${report.bodies} bodies`}, ${report.watertight ? 'watertight' : 'not watertight'}`,
    `Box ${size} mm, volume ${f(report.volumeMm3)} mm³, area ${f(report.areaMm2)} mm²`,
    `Centroid ${centroidMm.map((value) => f(value)).join(', ')} mm`,
    `As it lies: ${f(bed.heightMm)} mm high, rests on ${f(bed.footprintMm2)} mm², overhangs by more than 45° with ${f(bed.overhangMm2)} mm²`,
    ...(section
      ? [
          `Section: area ${f(section.areaMm2)} mm², second moments ${f(section.secondMomentUMm4)} and ${f(section.secondMomentVMm4)} mm⁴, product ${f(section.productMm4)} mm⁴`,
          `  principal ${f(section.principal.largestMm4)} and ${f(section.principal.smallestMm4)} mm⁴ at ${f(section.principal.angleDeg)}°`,
        ]
      : []),
    ...report.notes.map((note) => `Note: ${note}`),
  ].join('\n');
}
