import type { MeshCut, MeshLoad, SpaceAxis } from '@anvilstone/core/shapes';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { meshScene, type MeshScene } from './meshScene.ts';
import type { OpenMesh } from './useMesh.ts';

const VIEWS = [
  { name: 'Isometric', from: [1, -1.2, 0.8] },
  { name: 'Along x', from: [1, 0, 0] },
  { name: 'Along y', from: [0, -1, 0] },
  { name: 'From above', from: [0, 0, 1] },
] as const;

/** The mesh to be turned by hand; a click on it moves the cut there. What it shows is in numbers beside it too. */
export function MeshViewer({
  mesh,
  load,
  atMm,
  cut,
  up,
  onPick,
}: {
  mesh: OpenMesh;
  load: MeshLoad;
  atMm: number;
  cut: MeshCut | undefined;
  up: SpaceAxis;
  onPick: (point: readonly [number, number, number]) => void;
}) {
  const holder = useRef<HTMLDivElement>(null);
  const scene = useRef<MeshScene>(undefined);
  const pick = useRef(onPick);
  const [no3d, setNo3d] = useState(false);
  useEffect(() => {
    pick.current = onPick;
  }, [onPick]);
  useEffect(() => {
    if (!holder.current) return;
    try {
      const made = meshScene(holder.current, mesh, (point) => pick.current(point));
      scene.current = made;
      made.look(VIEWS[0].from);
      return () => {
        scene.current = undefined;
        made.dispose();
      };
    } catch {
      queueMicrotask(() => setNo3d(true));
      return undefined;
    }
  }, [mesh]);
  useEffect(() => {
    scene.current?.show({ load, atMm, cut, up });
  }, [mesh, load, atMm, cut, up]);
  if (no3d)
    return (
      <p className="rounded-md border border-line bg-surface p-4 text-sm text-quiet">
        This browser draws no 3D here. Everything else works: cuts, numbers and the outline of the cut.
      </p>
    );
  return (
    <div className="rounded-md border border-line bg-surface">
      <div ref={holder} role="img" aria-label={`${mesh.file.name} in three dimensions with the cut`} className="h-96" />
      <div className="flex gap-2 border-t border-line px-2 py-1 print:hidden">
        {VIEWS.map(({ name, from }) => (
          <Button key={name} look="quiet" className="whitespace-nowrap" onClick={() => scene.current?.look(from)}>
            {name}
          </Button>
        ))}
        <span className="grow self-center text-right text-xs text-quiet">Drag turns it; a click cuts it there</span>
      </div>
    </div>
  );
}
