import { wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { LoadedMesh, MeshEngine } from '../../../workers/mesh.worker.ts';
import { forgetMesh, MOST_BYTES, rememberedMesh, rememberMesh, type MeshFile } from './meshFile.ts';

export interface OpenMesh extends LoadedMesh {
  file: MeshFile;
  engine: Remote<MeshEngine>;
}

export type MeshState =
  | { state: 'none'; problem?: string }
  | { state: 'reading'; name: string }
  | { state: 'open'; mesh: OpenMesh };

/** The part’s mesh: opened in a worker of its own, kept on this computer, and there again after a reload. */
export function useMesh(partId: string) {
  const [current, setCurrent] = useState<MeshState>({ state: 'none' });
  const engine = useRef<Remote<MeshEngine>>(undefined);

  const show = useCallback(
    async (remote: Remote<MeshEngine>, file: MeshFile, keep: boolean) => {
      setCurrent({ state: 'reading', name: file.name });
      try {
        const loaded = await remote.open(file.bytes, file.name, file.mmPerUnit);
        setCurrent({ state: 'open', mesh: { ...loaded, file, engine: remote } });
        // A browser without room for it still shows it now.
        if (keep) await rememberMesh(partId, file).catch(() => undefined);
      } catch (error) {
        setCurrent({
          state: 'none',
          problem: `${file.name}: ${error instanceof Error ? error.message : String(error)}`,
        });
      }
    },
    [partId],
  );

  useEffect(() => {
    const worker = new Worker(new URL('../../../workers/mesh.worker.ts', import.meta.url), { type: 'module' });
    const remote = wrap<MeshEngine>(worker);
    let here = true;
    engine.current = remote;
    void rememberedMesh(partId)
      .catch(() => undefined)
      .then((file) => (file && here ? show(remote, file, false) : undefined));
    return () => {
      here = false;
      engine.current = undefined;
      worker.terminate();
    };
  }, [partId, show]);

  const open = useCallback(
    async (file: File) => {
      if (!engine.current) return;
      if (file.size > MOST_BYTES) {
        const size = Math.round(file.size / 1e6);
        return setCurrent({
          state: 'none',
          problem: `${file.name} has ${size} MB; up to ${MOST_BYTES / 1e6} MB are read.`,
        });
      }
      const bytes = new Uint8Array(await file.arrayBuffer());
      await show(engine.current, { name: file.name, bytes, mmPerUnit: 1 }, true);
    },
    [show],
  );
  const setUnit = useCallback(
    async (file: MeshFile, mmPerUnit: number) => engine.current && show(engine.current, { ...file, mmPerUnit }, true),
    [show],
  );
  const close = useCallback(async () => {
    await forgetMesh(partId).catch(() => undefined);
    setCurrent({ state: 'none' });
  }, [partId]);
  return { current, open, setUnit, close };
}
