import { SOLVENT_BATHS } from '@anvilstone/schema';
import { Choice } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
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
        label="Toleranced length"
        dimension="length"
        value={ask.nominalMm}
        bounds={bounds.fitNominal}
        onChange={(nominalMm) => change({ nominalMm })}
      />
      <QuantityField
        label="Tolerance, ±"
        dimension="length"
        value={ask.allowedMm}
        bounds={bounds.fitDeviation}
        onChange={(allowedMm) => change({ allowedMm })}
      />
      <QuantityField
        label="Highest humidity"
        dimension="fraction"
        value={ask.dampestRhPct}
        bounds={bounds.humidity}
        hint="% RH; 100 = wet through"
        onChange={(dampestRhPct) => change({ dampestRhPct })}
      />
      <QuantityField
        label="Duration"
        dimension="time"
        value={ask.dampH}
        bounds={bounds.fitDamp}
        hint="empty = until saturated"
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
        label="Dissolved within"
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
      title: 'Tolerance',
      explains: 'Shrinkage scatter, moisture swelling and thermal expansion against a tolerance.',
      Fields: FitFields,
    },
  ),
  askOf('liesFlat', true, {
    id: 'flat',
    title: 'Warpage',
    explains: 'No corner may lift during printing, as long, low parts of shrinking polymers do on open machines.',
  }),
  askOf(
    'dissolves',
    { bath: 'water', withinH: 24 },
    {
      id: 'dissolves',
      title: 'Soluble part',
      explains: 'Lost cores, supports, timed releases: dissolved in a bath within a time.',
      Fields: DissolvesFields,
    },
  ),
];
