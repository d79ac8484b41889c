import {
  bedProperties,
  cutAcross,
  cutSteps,
  meshReport,
  readMesh,
  thinnestWall,
  type BedProperties,
  type CutsAlong,
  type Mesh,
  type MeshCut,
  type MeshLoad,
  type MeshReport,
  type ThinnestWall,
  type SpaceAxis,
} from '@anvilstone/core/shapes';
import { expose, transfer } from 'comlink';

/** A mesh with what a page needs to show it. */
export interface LoadedMesh {
  report: MeshReport;
  /** For drawing only: corners as single precision, three of them a triangle. */
  vertices: Float32Array;
  triangles: Uint32Array;
}

/** The run of cuts that is wanted now. */
let running: unknown;
let kept: { mesh: Mesh; report: MeshReport } | undefined;
function loaded() {
  if (!kept) throw new Error('No mesh has been opened.');
  return kept;
}

/** Meshes are read, welded, cut and searched here, so that a million triangles never hold up the page. */
const meshEngine = {
  /** @param mmPerUnit of a file that does not say its unit; read ones are in mm already */
  open(bytes: Uint8Array, name: string, mmPerUnit: number): LoadedMesh {
    const soup = readMesh(bytes, name);
    if (mmPerUnit !== 1) for (let i = 0; i < soup.positions.length; i++) soup.positions[i]! *= mmPerUnit;
    kept = meshReport(soup);
    const vertices = Float32Array.from(kept.mesh.vertices);
    const triangles = kept.mesh.triangles.slice();
    return transfer({ report: kept.report, vertices, triangles }, [vertices.buffer, triangles.buffer]);
  },
  thinnest: (): ThinnestWall | undefined => thinnestWall(loaded().mesh),
  cut: (load: MeshLoad, atMm: number): MeshCut => cutAcross(loaded().mesh, load, atMm),
  /**
   * Cuts from end to end, and the most stressed one. Between two cuts whatever else is asked has its turn, so that the plane
   * under the hand never waits for them; a new run ends the one before, which then says nothing.
   */
  async cuts(load: MeshLoad, count: number, onProgress?: (share: number) => void): Promise<CutsAlong | undefined> {
    const { mesh, report } = loaded();
    const steps = cutSteps(mesh, report, load, count);
    running = steps;
    for (;;) {
      const next = steps.next();
      if (next.done) return next.value;
      onProgress?.(next.value);
      await new Promise((resolve) => setTimeout(resolve));
      if (running !== steps) return undefined;
    }
  },
  /** On the bed with this axis upright, whichever end down overhangs less. */
  bed(axis: SpaceAxis): BedProperties & { turned: boolean } {
    const { mesh } = loaded();
    const up: [number, number, number] = [0, 0, 0];
    up[axis] = 1;
    const asDrawn = bedProperties(mesh, up);
    up[axis] = -1;
    const turned = bedProperties(mesh, up);
    return turned.overhangMm2 < asDrawn.overhangMm2 ? { ...turned, turned: true } : { ...asDrawn, turned: false };
  },
};
export type MeshEngine = typeof meshEngine;

expose(meshEngine);
