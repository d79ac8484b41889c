import { ORIGINS } from '@anvilstone/schema';
import { Choice, Field, controlLook, Tick } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { usePartContext } from '../../parts/partContext.ts';
import { bounds } from '../bounds.ts';
import { useIssue } from '../editBrief.ts';
import { askOf, without, type AskFieldsProps, type AskKind } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';

function ColourFields({ asks, set }: AskFieldsProps) {
  const ask = asks.colour!;
  const { library } = usePartContext();
  const nothingSaid = useIssue('/asks/colour');
  const contradiction = useIssue('/asks/colour/wanted');
  const known = [...new Set(library.grades.flatMap((grade) => grade.colours))].sort();
  return (
    <FieldRow>
      <Field label="Colour" hint="empty = any" error={nothingSaid ?? contradiction}>
        {(ids) => (
          <input
            {...ids}
            className={controlLook}
            list="known-colours"
            maxLength={40}
            value={ask.wanted ?? ''}
            onChange={({ target: { value } }) => {
              const { wanted: _was, ...rest } = ask;
              set({ colour: value.trim() === '' ? rest : { ...rest, wanted: value } });
            }}
          />
        )}
      </Field>
      <datalist id="known-colours">
        {known.map((one) => (
          <option key={one} value={one} />
        ))}
      </datalist>
      <div className="pt-5">
        <Tick
          label="Any but black"
          checked={ask.notBlack === true}
          onChange={(on) => {
            const { notBlack: _was, ...rest } = ask;
            set({ colour: on ? { ...rest, notBlack: true } : rest });
          }}
        />
      </div>
    </FieldRow>
  );
}

export const looksAsks: readonly AskKind[] = [
  askOf(
    'colour',
    { notBlack: true },
    {
      id: 'colour',
      title: 'Colour',
      explains: 'A required colour, or any but black: most carbon-filled grades are black only.',
      Fields: ColourFields,
    },
  ),
  askOf('clarity', 'lets-light-through', {
    id: 'clarity',
    title: 'Light transmission',
    explains: 'Transparent or translucent. A clear polymer does not make a clear print.',
    Fields: ({ asks, set }) => (
      <FieldRow>
        <Choice
          label="Clarity"
          value={asks.clarity!}
          options={[
            { value: 'lets-light-through', label: 'Translucent' },
            { value: 'see-through', label: 'Transparent' },
          ]}
          onChange={(clarity) => set({ clarity })}
        />
      </FieldRow>
    ),
  }),
  askOf('layerLinesHidden', true, {
    id: 'layer-lines',
    title: 'Hidden layer lines',
    explains: 'Without sanding or smoothing. Fibre-filled grades are matt and hide them.',
  }),
];

function OriginFields({ asks, set }: AskFieldsProps) {
  const chosen = asks.origin!;
  return (
    <div className="flex gap-5">
      {ORIGINS.map((one) => (
        <Tick
          key={one}
          label={`${one.charAt(0).toUpperCase()}${one.slice(1)}`}
          checked={chosen.includes(one)}
          onChange={(on) => {
            const next = ORIGINS.filter((other) => (other === one ? on : chosen.includes(other)));
            if (next.length > 0) set({ origin: [...next] });
          }}
        />
      ))}
    </div>
  );
}

export const supplyAsks: readonly AskKind[] = [
  {
    ...askOf('origin', ['recycled'], {
      id: 'origin',
      title: 'Recycled or biodegradable',
      explains: 'Needs the maker’s statement. Plant-based is not the same as biodegradable.',
      Fields: OriginFields,
    }),
    remove: (asks) => without(asks, 'origin'),
  },
  askOf('availableWithinDays', 5, {
    id: 'available',
    title: 'Lead time',
    explains: 'The filament must be delivered within a number of days. A lead time that is not stated is unknown.',
    Fields: ({ asks, set }) => (
      <FieldRow>
        <QuantityField
          label="Days"
          dimension="ratio"
          value={asks.availableWithinDays}
          bounds={bounds.days}
          hint="0 = in stock"
          onChange={(availableWithinDays) => set({ availableWithinDays })}
        />
      </FieldRow>
    ),
  }),
];
