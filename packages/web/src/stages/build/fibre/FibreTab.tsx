import { tows, towStatement } from '@anvilstone/core/materials/tables';
import { findPartModel, takesFibre } from '@anvilstone/core/shapes';
import { fibreInFaces, type FibreInFaces } from '@anvilstone/schema';

import { useState } from 'react';
import { useEdit } from '../../brief/editBrief.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { Choice } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField, type Bounds } from '../../../ui/QuantityField.tsx';

import { useAnswer } from '../../../workers/useAnswer.ts';
import { OptionsTable } from './OptionsTable.tsx';
import { FactList } from '../../../ui/FactList.tsx';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';

/** The usual cover: two walls. */
const START: FibreInFaces = { towId: tows[0]!.id, strandsDeep: 2, insetMm: 0.9 };

/** Continuous strands in the faces that bend: how many it takes, and whether something else would be cheaper or lighter. */
export function FibreTab({ gradeId }: { gradeId: string }) {
  const { brief } = usePartContext();
  if (!takesFibre(brief.part))
    return (
      <p className="rounded border border-line bg-surface p-4">
        {findPartModel(brief.part.model).title}: strands are laid in the faces of arms, beams and cuts of any shape with
        a drawn section. For plates and other stacks use the layup.
      </p>
    );
  return (
    <div className="grid grid-cols-[18rem_minmax(0,1fr)] narrow:grid-cols-1 gap-4">
      <Strands />
      <Plan gradeId={gradeId} />
    </div>
  );
}

const bounds = (field: keyof typeof fibreInFaces.properties): Bounds => fibreInFaces.properties[field] as Bounds;

function Strands() {
  const units = useAppSelector((state) => state.settings.units);
  const { brief } = usePartContext();
  const edit = useEdit();
  const { fibre } = brief;
  const tow = tows.find(({ id }) => id === fibre?.towId);
  const set = (next: FibreInFaces | undefined, field: string) => {
    const { fibre: _before, ...rest } = brief;
    edit(next ? { ...rest, fibre: next } : rest, `fibre ${field}`);
  };
  return (
    <Panel title="Strands in both faces" className="self-start">
      <Choice
        label="Strand"
        value={fibre?.towId ?? ''}
        options={[{ value: '', label: 'none' }, ...tows.map(({ id, name }) => ({ value: id, label: name }))]}
        onChange={(towId) => set(towId === '' ? undefined : { ...(fibre ?? START), towId }, 'strand')}
      />
      {fibre && tow && (
        <div className="mt-3 flex flex-col gap-3">
          <QuantityField
            label="Strand layers in each face"
            dimension="ratio"
            value={fibre.strandsDeep}
            bounds={bounds('strandsDeep')}
            hint={`each ${amount(tow.beadHeightMm, 'mm', units)} deep built flat, ${amount(tow.beadWidthMm, 'mm', units)} on edge`}
            onChange={(value) => set({ ...fibre, strandsDeep: Math.max(1, Math.round(value)) }, 'strandsDeep')}
          />
          <QuantityField
            label="Printed cover"
            dimension="length"
            value={fibre.insetMm}
            bounds={bounds('insetMm')}
            onChange={(insetMm) => set({ ...fibre, insetMm }, 'insetMm')}
          />
          <FactList
            rows={[
              ['Modulus along it', amount(tow.e1Mpa, 'MPa', units)],
              [
                'Tensile, compressive strength',
                `${amount(tow.xtMpa, 'MPa', units)}, ${amount(tow.xcMpa, 'MPa', units)}`,
              ],
              ['Strength scatter', `${tow.covTypicalPct} %`],
              ['Minimum bend radius', `${amount(tow.minimumBendRadiusMm, 'mm', units)} radius`],
              ['Minimum length', amount(tow.minimumLengthMm, 'mm', units)],
              ['Temperature limit, bending', amount(tow.maxServiceCompressionC, '°C', units)],
            ]}
          />
          <p className="text-xs text-quiet">{tow.notes}</p>
          <p className="border-l-3 border-unknown pl-2 text-xs">{tow.handlingCaution}</p>
        </div>
      )}
      <p className="mt-3 text-xs text-quiet">{towStatement}</p>
    </Panel>
  );
}

function Plan({ gradeId }: { gradeId: string }) {
  const { brief, library } = usePartContext();
  const [target, setTarget] = useState(1);
  const { value } = useAnswer(library, 'planFibre', [brief, gradeId, target]);
  if (!value) return <p className="text-quiet">Placing strands …</p>;
  return (
    <OptionsTable
      options={value.proposals}
      from={value.from}
      gradeId={gradeId}
      aside={
        <span className="w-44">
          <QuantityField
            label="Target reserve factor"
            dimension="ratio"
            value={target}
            bounds={{ minimum: 1, maximum: 10 }}
            onChange={setTarget}
          />
        </span>
      }
    />
  );
}
