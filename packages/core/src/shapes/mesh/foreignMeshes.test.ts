import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cutAcross } from './cut.ts';
import { meshReport, readMesh } from './report.ts';
import { thinnestWall } from './thinnest.ts';

/** A sleeve of 40 mm: outside radius 10 mm, bore 6 mm; exact values of the true solid. */
const EXACT = {
  volumeMm3: Math.PI * (10 ** 2 - 6 ** 2) * 40,
  secondMomentMm4: (Math.PI / 4) * (10 ** 4 - 6 ** 4),
  areaMm2: Math.PI * (10 ** 2 - 6 ** 2),
};

/** Free mesh makers of Debian, each told to draw the same sleeve: a text file and the command that makes a mesh of it. */
const makers: [tool: string, file: string, drawing: string, command: (source: string, target: string) => string[]][] = [
  [
    'gmsh',
    'sleeve.geo',
    'SetFactory("OpenCASCADE");\nCylinder(1) = {0, 0, 0, 0, 0, 40, 10};\nCylinder(2) = {0, 0, 0, 0, 0, 40, 6};\nBooleanDifference{ Volume{1}; Delete; }{ Volume{2}; Delete; }\nMesh.CharacteristicLengthMax = 1.5;\n',
    (source, target) => ['-2', '-format', 'stl', '-o', target, source],
  ],
  [
    'openscad',
    'sleeve.scad',
    '$fn = 96;\ndifference() {\n  cylinder(h = 40, r = 10);\n  translate([0, 0, -1]) cylinder(h = 42, r = 6);\n}\n',
    (source, target) => ['-o', target, source],
  ],
];

for (const [tool, file, drawing, command] of makers) {
  const present = spawnSync(tool, ['--version']).error === undefined;
  if (!present) console.warn(`SKIPPED: ${tool} is not installed; its mesh is not read.`);
  (present ? test : test.skip)(`a sleeve meshed by ${tool}: closed, volume and section within its facets`, () => {
    const folder = mkdtempSync(join(tmpdir(), 'anvilstone-mesh-'));
    try {
      const [source, target] = [join(folder, file), join(folder, 'sleeve.stl')];
      writeFileSync(source, drawing);
      const run = spawnSync(tool, command(source, target), {
        cwd: folder,
        encoding: 'utf8',
        env: { ...process.env, HOME: folder },
      });
      expect({ status: run.status, error: run.status === 0 ? '' : run.stderr }).toEqual({ status: 0, error: '' });
      const { mesh, report } = meshReport(readMesh(new Uint8Array(readFileSync(target)), 'sleeve.stl'));
      expect(report.watertight).toBe(true);
      expect(report.volumeMm3 / EXACT.volumeMm3).toBeCloseTo(1, 2);
      expect(report.highMm[2] - report.lowMm[2]).toBeCloseTo(40, 4);
      const { beam, geometry } = cutAcross(mesh, { along: 2, push: 0, loadAtMm: 40, held: 'low' }, 17.3);
      expect(geometry.holes).toHaveLength(1);
      expect(beam.areaMm2 / EXACT.areaMm2).toBeCloseTo(1, 2);
      expect(beam.secondMomentMm4 / EXACT.secondMomentMm4).toBeCloseTo(1, 1);
      expect(thinnestWall(mesh)!.thicknessMm).toBeGreaterThan(3.8);
      expect(thinnestWall(mesh)!.thicknessMm).toBeLessThan(4.05);
    } finally {
      rmSync(folder, { recursive: true });
    }
  });
}
