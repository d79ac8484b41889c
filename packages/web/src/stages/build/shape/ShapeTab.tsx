import { useState } from 'react';
import { usePartContext } from '../../parts/partContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/fields.tsx';
import { CutView } from './CutView.tsx';
import { MeshFacts } from './MeshFacts.tsx';
import { saysItsUnit, UNITS } from './meshFile.ts';
import { useMesh } from './useMesh.ts';

/** The part as it is really drawn: a mesh, its faults, its cuts, and the one that governs. */
export function ShapeTab() {
  const { partId } = usePartContext();
  const { current, open, setUnit, close } = useMesh(partId);
  if (current.state === 'reading')
    return (
      <p role="status" className="rounded border border-line bg-surface p-4">
        Reading {current.name} … the page stays usable meanwhile.
      </p>
    );
  if (current.state === 'none')
    return (
      <>
        {current.problem && (
          <p role="alert" className="mb-3 text-fail">
            {current.problem}
          </p>
        )}
        <DropMesh onFile={(file) => void open(file)} />
      </>
    );
  const { mesh } = current;
  const { file } = mesh;
  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-end gap-3">
        <h2 className="min-w-0 truncate text-base">{file.name}</h2>
        {saysItsUnit(file.bytes) ? (
          <span className="pb-1 text-sm text-quiet">the file says its unit</span>
        ) : (
          <div className="w-44">
            <Choice
              label="Mesh unit"
              value={String(file.mmPerUnit) as (typeof UNITS)[number]['value']}
              options={UNITS}
              onChange={(value) => void setUnit(file, Number(value))}
            />
          </div>
        )}
        <span className="grow" />
        <Button look="quiet" onClick={() => void close()}>
          Close
        </Button>
      </div>
      <CutView key={`${file.name} ${file.mmPerUnit}`} mesh={mesh} />
      <MeshFacts mesh={mesh} />
    </div>
  );
}

/** A place to drop the file on, which is a button as well. */
function DropMesh({ onFile }: { onFile: (file: File) => void }) {
  const [over, setOver] = useState(false);
  return (
    <label
      className={`flex cursor-pointer flex-col items-center gap-2 rounded-md border-2 border-dashed p-12 text-center focus-within:border-ember ${over ? 'border-ember bg-ember-ground' : 'border-line-strong bg-surface'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const [file] = event.dataTransfer.files;
        if (file) onFile(file);
      }}
    >
      <strong>Drop the part’s mesh here, or choose a file</strong>
      <span className="max-w-[36rem] text-sm text-quiet">
        STL (binary or text) or 3MF. It is read on this computer; nothing is sent. It is checked for closure, mass and
        thin walls, and its most stressed cut can be applied to the brief.
      </span>
      <input
        type="file"
        aria-label="Mesh file"
        accept=".stl,.3mf"
        className="mt-1 text-sm"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
        }}
      />
    </label>
  );
}
