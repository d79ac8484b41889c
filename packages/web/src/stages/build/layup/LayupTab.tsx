import { laminateOf, layupDeck, plySheetSvg, pliesOf } from '@anvilstone/core/shapes';
import { layup as layupSchema, type Layup, type LayupLoad } from '@anvilstone/schema';

import { useState } from 'react';
import { saveFile } from '../../../charts/saveFile.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice, TextField, Tick } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';

import { useAnswer } from '../../../workers/useAnswer.ts';
import { LaminateFacts } from './LaminateFacts.tsx';
import { LoopList } from './LoopList.tsx';
import { PlyList } from './PlyList.tsx';
import { readLayup } from './readLayup.ts';
import { repeated, STACKS, withStack } from './stacks.ts';
import { useLayup } from './useLayup.ts';

/** A stack of plies built by hand: what it is as a whole, what each ply feels, and when it gives way. */
export function LayupTab({ gradeId }: { gradeId: string }) {
  const { library } = usePartContext();
  const { layup, set, remove } = useLayup();
  const [problem, setProblem] = useState<string>();
  const report = useAnswer(library, 'laminate', [layup]);
  const open = async (file: File) => {
    const read = readLayup(await file.text());
    setProblem('problem' in read ? `${file.name}: ${read.problem}` : undefined);
    if ('layup' in read) set(read.layup);
  };
  const deck = () =>
    saveFile('layup.inp', 'text/plain', layupDeck(layup.name, laminateOf(pliesOf(layup, library, library.rules))));
  return (
    <div className="grid grid-cols-[minmax(0,7fr)_minmax(0,6fr)] narrow:grid-cols-1 gap-4">
      <div className="flex min-w-0 flex-col gap-4">
        <Panel
          title="Plies, from below upwards"
          aside={
            <Button look="quiet" disabled={!remove} onClick={remove}>
              Remove layup
            </Button>
          }
        >
          <div className="mb-3 grid grid-cols-2 gap-3">
            <TextField
              label="Name"
              value={layup.name}
              maxLength={200}
              onChange={(name) => name && set({ ...layup, name })}
            />
            <Choice
              label="Start from a standard layup"
              value=""
              options={[
                { value: '', label: 'keep this layup' },
                ...STACKS.map(({ id, title }) => ({ value: id, label: title })),
              ]}
              onChange={(id) => set(withStack(layup, id))}
            />
          </div>
          <PlyList layup={layup} gradeId={gradeId} onChange={set} />
          <div className="mt-3 flex items-center gap-3">
            <Tick
              label="Symmetric: mirrored upper half"
              checked={layup.mirrored === true}
              onChange={(mirrored) => {
                const { mirrored: _before, ...rest } = layup;
                set(mirrored ? { ...rest, mirrored: true } : rest);
              }}
            />
            <span className="grow" />
            <Button onClick={() => set(repeated(layup))}>Repeats</Button>
          </div>
        </Panel>
        <Surroundings layup={layup} onChange={set} />
        <LoopList layup={layup} onChange={set} />
        <div className="flex items-center gap-2 print:hidden">
          <Button
            className="whitespace-nowrap"
            onClick={() => saveFile('layup.json', 'application/json', `${JSON.stringify(layup, null, 2)}\n`)}
          >
            JSON
          </Button>
          <Button
            className="whitespace-nowrap"
            disabled={!report.value}
            onClick={() => report.value && saveFile('plies.svg', 'image/svg+xml', plySheetSvg(report.value))}
          >
            Plies as SVG
          </Button>
          <Button className="whitespace-nowrap" disabled={!report.value} onClick={deck}>
            Input deck
          </Button>
          <label className="text-sm">
            <span className="mr-1 text-quiet">Open a layup</span>
            <input
              type="file"
              accept=".json"
              aria-label="Layup file"
              className="text-sm"
              onChange={(event) => {
                const file = event.target.files?.[0];
                if (file) void open(file);
              }}
            />
          </label>
        </div>
        {problem && (
          <p role="alert" className="text-fail">
            {problem}
          </p>
        )}
        <p className="text-xs text-quiet">
          {remove
            ? 'The layup is saved with the part.'
            : 'An example until you change it; then it is saved with the part.'}{' '}
          {layupSchema.description}. Strand values are typical, evidence D.
        </p>
      </div>
      <div className="min-w-0">
        {report.state === 'failed' && (
          <p role="alert" className="mb-3 text-fail">
            {report.message}
          </p>
        )}
        {report.value && <LaminateFacts report={report.value} />}
      </div>
    </div>
  );
}

const LOADS: readonly [keyof LayupLoad, string, string][] = [
  ['nxNPerMm', 'Tension along x', 'N/mm'],
  ['nyNPerMm', 'Tension along y', 'N/mm'],
  ['nxyNPerMm', 'Shear', 'N/mm'],
  ['mxNmmPerMm', 'Bending about y', 'N·mm/mm'],
  ['myNmmPerMm', 'Bending about x', 'N·mm/mm'],
  ['mxyNmmPerMm', 'Twisting', 'N·mm/mm'],
];

/** Its temperatures and one load on a width of a millimetre. */
function Surroundings({ layup, onChange }: { layup: Layup; onChange: (layup: Layup) => void }) {
  const load: LayupLoad = layup.loads?.[0] ?? { name: 'Load' };
  const temperature = (field: 'laidAtC' | 'serviceC', label: string, hint?: string) => (
    <QuantityField
      label={label}
      hint={hint}
      dimension="temperature"
      value={layup[field]}
      bounds={{ minimum: -80, maximum: 400 }}
      onChange={(value) => onChange({ ...layup, [field]: value })}
      onClear={() => {
        const { [field]: _before, ...rest } = layup;
        onChange(rest);
      }}
    />
  );
  return (
    <Panel title="Load per mm of width, and temperature">
      <div className="grid grid-cols-3 narrow:grid-cols-2 gap-3">
        {LOADS.map(([field, label, unit]) => (
          <QuantityField
            key={field}
            label={`${label}, ${unit}`}
            dimension="ratio"
            value={load[field] as number | undefined}
            bounds={{ minimum: -1e7, maximum: 1e7 }}
            onChange={(value) => onChange({ ...layup, loads: [{ ...load, [field]: value }] })}
            onClear={() => {
              const { [field]: _before, ...rest } = load;
              onChange({ ...layup, loads: [rest as LayupLoad] });
            }}
          />
        ))}
        {temperature('laidAtC', 'Stress-free temperature', 'about the glass transition of the matrix')}
        {temperature('serviceC', 'Service temperature')}
        <QuantityField
          label="Tsai–Wu interaction"
          hint="F12/√(F11·F22); empty = −0.5. It takes a test in two directions to know it"
          dimension="ratio"
          value={layup.tsaiWuInteraction}
          bounds={{ minimum: -0.99, maximum: 0.99 }}
          onChange={(tsaiWuInteraction) => onChange({ ...layup, tsaiWuInteraction })}
          onClear={() => {
            const { tsaiWuInteraction: _before, ...rest } = layup;
            onChange(rest);
          }}
        />
      </div>
    </Panel>
  );
}
