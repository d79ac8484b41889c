import { place as placeSchema, type Instrument, type Place, type PlaceRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { SmallEditor } from '../../ui/form/SmallEditor.tsx';
import { freshId } from '../../ui/freshId.ts';
import { Panel } from '../../ui/Panel.tsx';
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

const PlaceField = FormField<Place>;

function EditPlace({
  record,
  loggers,
  onDone,
}: {
  record: PlaceRecord;
  loggers: readonly Instrument[];
  onDone: () => void;
}) {
  const form = useRecordForm<Place>(placeSchema, record.place);
  const [save, { error }] = useSavePlaceMutation();
  return (
    <SmallEditor
      form={form}
      at="/place"
      error={error}
      onSave={(place) => save({ place, revision: record.revision }).unwrap()}
      onDone={onDone}
    >
      <PlaceField name="name" label="Name" />
      <PlaceField
        name="loggerId"
        label="Logger"
        none="none"
        options={loggers.map(({ id, name }) => ({ value: id, label: name }))}
      />
      <PlaceField name="humidityPct" label="Usual highest humidity" />
      <PlaceField name="temperatureC" label="Usual temperature" />
    </SmallEditor>
  );
}
