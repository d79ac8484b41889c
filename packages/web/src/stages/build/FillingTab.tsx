import { fillingTitle, USUAL_FILLING } from '@anvilstone/core/evaluation';
import { findPattern, findPartModel, takesFill } from '@anvilstone/core/shapes';
import { INFILL_PATTERNS, wallsAndInfill, type WallsAndInfill } from '@anvilstone/schema';

import { useEdit } from '../brief/editBrief.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Choice } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { QuantityField, type Bounds } from '../../ui/QuantityField.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';
import { FoamTable } from './FoamTable.tsx';
import { FillingsTable } from './FillingsTable.tsx';
import { FilledSectionPicture } from './FilledSectionPicture.tsx';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';

/** Solid, or walls around an infill: what is set, what else would do, and the same mass spent otherwise. */
export function FillingTab({ gradeId }: { gradeId: string }) {
  const { brief } = usePartContext();
  if (!takesFill(brief.part))
    return (
      <div className="flex flex-col gap-4">
        <p className="rounded border border-line bg-surface p-4">
          {findPartModel(brief.part.model).title}: treated as solid. Walls and infill are worked out for arms, beams,
          ties, struts, pads and cuts whose section is drawn.
        </p>
        <FoamTable gradeId={gradeId} />
      </div>
    );
  return (
    <div className="grid grid-cols-[20rem_minmax(0,1fr)] narrow:grid-cols-1 gap-4">
      <div className="flex flex-col gap-4">
        <Settings />
        <FilledSectionPicture brief={brief} />
      </div>
      <Tables gradeId={gradeId} />
    </div>
  );
}

const bounds = (field: keyof typeof wallsAndInfill.properties): Bounds => wallsAndInfill.properties[field] as Bounds;

function Settings() {
  const units = useAppSelector((state) => state.settings.units);
  const { brief } = usePartContext();
  const edit = useEdit();
  const { filled } = brief;
  const set = (next: WallsAndInfill | undefined, field: string) => {
    const { filled: _before, ...rest } = brief;
    edit(next ? { ...rest, filled: next } : rest, `filled ${field}`);
  };
  const whole = (field: 'walls' | 'topBottomLayers', label: string, hint: string) => (
    <QuantityField
      label={label}
      dimension="ratio"
      value={filled![field]}
      bounds={bounds(field)}
      hint={hint}
      onChange={(value) => set({ ...filled!, [field]: Math.round(value) }, field)}
    />
  );
  const length = (field: 'lineWidthMm' | 'layerHeightMm', label: string) => (
    <QuantityField
      label={label}
      dimension="length"
      value={filled![field]}
      bounds={bounds(field)}
      onChange={(value) => set({ ...filled!, [field]: value }, field)}
    />
  );
  return (
    <Panel title="Infill pattern">
      <Choice
        label="Body"
        value={filled ? 'filled' : 'solid'}
        options={[
          { value: 'solid', label: 'Solid throughout' },
          { value: 'filled', label: 'Walls around an infill' },
        ]}
        onChange={(kind) => set(kind === 'solid' ? undefined : USUAL_FILLING, 'kind')}
      />
      {filled && (
        <div className="mt-3 grid grid-cols-2 gap-3">
          {whole('walls', 'Walls', `${amount(filled.walls * filled.lineWidthMm, 'mm', units)} thick`)}
          {length('lineWidthMm', 'Line width')}
          {whole(
            'topBottomLayers',
            'Top and bottom layers',
            `${amount(filled.topBottomLayers * filled.layerHeightMm, 'mm', units)} thick`,
          )}
          {length('layerHeightMm', 'Layer height')}
          <Choice
            label="Infill"
            value={filled.pattern}
            options={INFILL_PATTERNS.map((id) => ({ value: id, label: findPattern(id).title }))}
            onChange={(pattern) => set({ ...filled, pattern }, 'pattern')}
          />
          <QuantityField
            label="Share of the core"
            dimension="fraction"
            value={filled.infillShare * 100}
            bounds={{ minimum: 0, maximum: 100 }}
            onChange={(percent) => set({ ...filled, infillShare: percent / 100 }, 'infillShare')}
          />
          <p className="col-span-2 text-xs text-quiet">{findPattern(filled.pattern).source}. Typical, evidence D.</p>
        </div>
      )}
    </Panel>
  );
}

function Tables({ gradeId }: { gradeId: string }) {
  const { brief, library } = usePartContext();
  const { value: fillings } = useAnswer(library, 'fillings', [brief, gradeId]);
  const now = fillings?.find(({ filled }) => JSON.stringify(filled) === JSON.stringify(brief.filled));
  const massG = now?.entry.massG;
  const { value: same } = useAnswer(
    library,
    'fillingsOfMass',
    brief.filled && massG ? [brief, gradeId, massG] : undefined,
  );
  if (!fillings) return <p className="text-quiet">Calculating infills …</p>;
  return (
    <div className="flex min-w-0 flex-col gap-4">
      <FoamTable gradeId={gradeId} />
      <FillingsTable title="Alternative infills" fillings={fillings} now={brief.filled} />
      {brief.filled && same && (
        <FillingsTable
          title={`Other ways to use the same mass as ${fillingTitle(brief.filled).toLowerCase()}`}
          fillings={same}
          now={brief.filled}
          empty="No other number of walls can weigh as much."
        />
      )}
      <p className="text-xs text-quiet">
        Stiffness and strength by the transformed section of shell and core. An infill that crushes under a point load
        and walls that buckle one by one are not covered: keep loads on the walls, and prove it on the bench.
      </p>
    </div>
  );
}
