import type { Instrument, Place, PlaceRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, TextField } from '../../ui/fields.tsx';
import { freshId } from '../../ui/freshId.ts';
import { Panel } from '../../ui/Panel.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { SaveOrCancel } from '../../ui/SaveOrCancel.tsx';
import { useSavePlaceMutation } from '../spools/spoolsApi.ts';

/** Where spools lie, and what the air is like there. */
export function PlacesPanel({ places, loggers }: { places: readonly PlaceRecord[]; loggers: readonly Instrument[] }) {
  const [edited, setEdited] = useState<PlaceRecord>();
  const units = useAppSelector((state) => state.settings.units);
  const blank = (): PlaceRecord => ({
    place: {
      id: freshId(
        'place',
        places.map(({ place }) => place.id),
      ),
      name: '',
      temperatureC: 22,
      humidityPct: 60,
      sampleData: false,
    },
    revision: 0,
  });
  return (
    <Panel title="Storage locations" aside={!edited && <Button onClick={() => setEdited(blank())}>+ A place</Button>}>
      <ul className="flex flex-col gap-1 text-sm">
        {places.map((record) => (
          <li key={record.place.id} className="flex items-start justify-between gap-2">
            <span>
              <strong>{record.place.name}</strong>
              <span className="block text-xs text-quiet">
                {record.place.loggerId === undefined
                  ? 'no logger: assumed'
                  : `${loggers.find(({ id }) => id === record.place.loggerId)?.name ?? record.place.loggerId}; without readings`}{' '}
                {record.place.humidityPct} % at {amount(record.place.temperatureC, '°C', units)}
              </span>
            </span>
            <Button look="quiet" aria-label={`Change ${record.place.name}`} onClick={() => setEdited(record)}>
              Change
            </Button>
          </li>
        ))}
      </ul>
      {edited && (
        <EditPlace key={edited.place.id} record={edited} loggers={loggers} onDone={() => setEdited(undefined)} />
      )}
    </Panel>
  );
}

function EditPlace({
  record,
  loggers,
  onDone,
}: {
  record: PlaceRecord;
  loggers: readonly Instrument[];
  onDone: () => void;
}) {
  const [place, setPlace] = useState(record.place);
  const [save, { error }] = useSavePlaceMutation();
  const change = (next: Partial<Place>) => setPlace({ ...place, ...next });
  return (
    <div className="mt-3 grid grid-cols-2 gap-2 border-t border-line pt-3">
      <TextField label="Name" value={place.name} maxLength={200} onChange={(name) => change({ name })} />
      <Choice
        label="Logger"
        value={place.loggerId ?? ''}
        options={[{ value: '', label: 'none' }, ...loggers.map(({ id, name }) => ({ value: id, label: name }))]}
        onChange={(loggerId) => {
          const { loggerId: _before, ...rest } = place;
          setPlace(loggerId === '' ? rest : { ...rest, loggerId });
        }}
      />
      <QuantityField
        label="Usual highest humidity"
        dimension="fraction"
        value={place.humidityPct}
        bounds={{ minimum: 0, maximum: 100 }}
        onChange={(humidityPct) => change({ humidityPct })}
      />
      <QuantityField
        label="Usual temperature"
        dimension="temperature"
        value={place.temperatureC}
        bounds={{ minimum: -40, maximum: 90 }}
        onChange={(temperatureC) => change({ temperatureC })}
      />
      <SaveOrCancel
        error={error}
        ready={place.name.trim() !== ''}
        onSave={() =>
          void save({ place, revision: record.revision })
            .unwrap()
            .then(onDone)
            .catch(() => undefined)
        }
        onCancel={onDone}
      />
    </div>
  );
}
