import { STERILISATIONS } from '@anvilstone/schema';
import { Choice } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { askOf, type AskFieldsProps, type AskKind } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';

function SteriliseFields({ asks, set }: AskFieldsProps) {
  const ask = asks.sterilise!;
  return (
    <FieldRow>
      <Choice
        label="How"
        value={ask.method}
        options={STERILISATIONS.map((value) => ({
          value,
          label: `${value.charAt(0).toUpperCase()}${value.slice(1)}`,
        }))}
        onChange={(method) => set({ sterilise: { ...ask, method } })}
      />
      <QuantityField
        label="How often"
        dimension="ratio"
        value={ask.cycles}
        bounds={bounds.cycles}
        hint="cycles over its life"
        onChange={(cycles) => set({ sterilise: { ...ask, cycles: Math.round(cycles) } })}
      />
    </FieldRow>
  );
}

export const peopleAsks: readonly AskKind[] = [
  askOf('food', 'dry', {
    id: 'food',
    title: 'Food contact',
    explains: 'Only a statement that covers a printed part counts; a raw grade’s does not.',
    Fields: ({ asks, set }) => (
      <FieldRow>
        <Choice
          label="Food type"
          value={asks.food!}
          options={[
            { value: 'dry', label: 'Dry' },
            { value: 'wet-or-fatty', label: 'Wet or fatty' },
          ]}
          onChange={(food) => set({ food })}
        />
      </FieldRow>
    ),
  }),
  askOf('skin', 'brief', {
    id: 'skin',
    title: 'Skin contact',
    explains: 'Handles and things worn. Only a statement that covers a printed part counts.',
    Fields: ({ asks, set }) => (
      <FieldRow>
        <Choice
          label="How long"
          value={asks.skin!}
          options={[
            { value: 'brief', label: 'Minutes at a time' },
            { value: 'lasting', label: 'Hours a day' },
          ]}
          onChange={(skin) => set({ skin })}
        />
      </FieldRow>
    ),
  }),
  askOf(
    'sterilise',
    { method: 'steam 121 °C', cycles: 5 },
    {
      id: 'sterilise',
      title: 'Sterilisation',
      explains: 'Steam, dry heat, gas or rays, so many times. Chemical disinfectants belong to the fluids.',
      Fields: SteriliseFields,
    },
  ),
  askOf('outgassing', true, {
    id: 'outgassing',
    title: 'Outgassing',
    explains: 'For vacuum, optics or sensors. Only a measured result counts.',
  }),
];
