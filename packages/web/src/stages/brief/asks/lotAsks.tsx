import { controlLook, Field } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { useIssue } from '../editBrief.ts';
import { askOf, type AskFieldsProps, type AskKind } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';

export function LotFields({ asks, set }: AskFieldsProps) {
  const lot = asks.lot!;
  const issue = useIssue('/asks/lot/readyBy');
  const change = (part: Partial<typeof lot>) => set({ lot: { ...lot, ...part } });
  const clear = (key: 'readyBy' | 'setupUsd' | 'supportG') => {
    const { [key]: _gone, ...rest } = lot;
    set({ lot: rest });
  };
  return (
    <FieldRow>
      <QuantityField
        label="Good parts"
        dimension="ratio"
        value={lot.quantity}
        bounds={bounds.quantity}
        onChange={(quantity) => change({ quantity: Math.max(1, Math.round(quantity)) })}
      />
      <Field label="Ready by" error={issue} hint="empty = no date">
        {(ids) => (
          <input
            {...ids}
            type="date"
            className={controlLook}
            value={lot.readyBy ?? ''}
            onChange={({ target: { value } }) => (value === '' ? clear('readyBy') : change({ readyBy: value }))}
          />
        )}
      </Field>
      <QuantityField
        label="Set-up cost"
        dimension="money"
        value={lot.setupUsd}
        bounds={bounds.setup}
        hint="empty = company rule"
        onChange={(setupUsd) => change({ setupUsd })}
        onClear={() => clear('setupUsd')}
      />
      <QuantityField
        label="Support of each part"
        dimension="mass"
        value={lot.supportG}
        bounds={bounds.support}
        hint="empty = none"
        onChange={(supportG) => change({ supportG })}
        onClear={() => clear('supportG')}
      />
    </FieldRow>
  );
}

export function ConsumableFields({ asks, set }: AskFieldsProps) {
  const consumable = asks.consumable!;
  const change = (part: Partial<typeof consumable>) => set({ consumable: { ...consumable, ...part } });
  return (
    <FieldRow>
      <QuantityField
        label="Uses per part"
        dimension="ratio"
        value={consumable.uses}
        bounds={bounds.uses}
        onChange={(uses) => change({ uses })}
      />
      <QuantityField
        label="Replacement"
        dimension="money"
        value={consumable.changeOverUsd}
        bounds={bounds.changeOver}
        onChange={(changeOverUsd) => change({ changeOverUsd })}
      />
    </FieldRow>
  );
}

export const lotAsks: readonly AskKind[] = [
  askOf(
    'lot',
    { quantity: 10 },
    {
      id: 'lot',
      title: 'Quantity and date',
      explains: 'How many good parts are wanted and by when: cost of the lot, machine hours and spools to buy follow.',
      Fields: LotFields,
    },
  ),
  askOf('lifeYears', 5, {
    id: 'life',
    title: 'Service life',
    explains: 'Required life: used for thermal ageing and for loads given as a rate.',
    Fields: ({ asks, set }) => (
      <FieldRow>
        <QuantityField
          label="Years"
          dimension="ratio"
          value={asks.lifeYears}
          bounds={bounds.life}
          onChange={(lifeYears) => set({ lifeYears })}
        />
      </FieldRow>
    ),
  }),
  askOf(
    'consumable',
    { uses: 100, changeOverUsd: 0 },
    {
      id: 'consumable',
      title: 'Consumable',
      explains: 'A part that wears out and is replaced: grades are also compared by cost per use.',
      Fields: ConsumableFields,
    },
  ),
];
