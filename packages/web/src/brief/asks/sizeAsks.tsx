import { SOLVENT_BATHS } from '@anvilstone/schema';
import { Choice } from '../../ui/fields.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { useIssue } from '../editBrief.ts';
import { askOf, type AskFieldsProps, type AskKind } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';

function FitFields({ asks, set }: AskFieldsProps) {
  const ask = asks.fit!;
  const issue = useIssue('/asks/fit/coldestC');
  const change = (part: Partial<typeof ask>) => set({ fit: { ...ask, ...part } });
  return (
    <FieldRow>
      <QuantityField
        label="Length that has to fit"
        dimension="length"
        value={ask.nominalMm}
        bounds={bounds.fitNominal}
        onChange={(nominalMm) => change({ nominalMm })}
      />
      <QuantityField
        label="Larger or smaller by"
        dimension="length"
        value={ask.allowedMm}
        bounds={bounds.fitDeviation}
        onChange={(allowedMm) => change({ allowedMm })}
      />
      <QuantityField
        label="Dampest air"
        dimension="fraction"
        value={ask.dampestRhPct}
        bounds={bounds.humidity}
        hint="% RH; 100 = wet through"
        onChange={(dampestRhPct) => change({ dampestRhPct })}
      />
      <QuantityField
        label="Damp for"
        dimension="time"
        value={ask.dampH}
        bounds={bounds.fitDamp}
        hint="empty = until it takes up no more"
        onChange={(dampH) => change({ dampH })}
        onClear={() => {
          const { dampH: _gone, ...rest } = ask;
          set({ fit: rest });
        }}
      />
      <QuantityField
        label="Coldest"
        dimension="temperature"
        value={ask.coldestC}
        bounds={bounds.temperature}
        error={issue}
        onChange={(coldestC) => change({ coldestC })}
      />
      <QuantityField
        label="Hottest"
        dimension="temperature"
        value={ask.hottestC}
        bounds={bounds.temperature}
        onChange={(hottestC) => change({ hottestC })}
      />
    </FieldRow>
  );
}

function DissolvesFields({ asks, set }: AskFieldsProps) {
  const ask = asks.dissolves!;
  return (
    <FieldRow>
      <Choice
        label="Laid in"
        value={ask.bath}
        options={SOLVENT_BATHS.map((value) => ({ value, label: value }))}
        onChange={(bath) => set({ dissolves: { ...ask, bath } })}
      />
      <QuantityField
        label="Gone within"
        dimension="time"
        value={ask.withinH}
        bounds={bounds.dissolveTime}
        onChange={(withinH) => set({ dissolves: { ...ask, withinH } })}
      />
    </FieldRow>
  );
}

export const sizeAsks: readonly AskKind[] = [
  askOf(
    'fit',
    { nominalMm: 30, allowedMm: 0.2, dampestRhPct: 60, coldestC: 10, hottestC: 35 },
    {
      id: 'fit',
      title: 'Has to fit',
      explains: 'Scatter of shrinkage, swelling in damp air and growth with heat against a tolerance.',
      Fields: FitFields,
    },
  ),
  askOf('liesFlat', true, {
    id: 'flat',
    title: 'Must not warp',
    explains: 'No corner may lift in the print: long, low parts of shrinking polymers do on open machines.',
  }),
  askOf(
    'dissolves',
    { bath: 'water', withinH: 24 },
    {
      id: 'dissolves',
      title: 'Dissolves on purpose',
      explains: 'Lost cores, supports, time releases: gone in a bath within a time.',
      Fields: DissolvesFields,
    },
  ),
];
