import { dryingOf } from '@anvilstone/core/making';
import type { Grade, PlaceRecord, Spool, SpoolEvent, SpoolInStock } from '@anvilstone/schema';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Choice, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useChangeSpool } from './useChangeSpool.ts';

/** What was done to a spool by hand: opened, moved, dried, printed from, used up. */
export function WritePanel({
  one,
  grade,
  places,
}: {
  one: SpoolInStock;
  grade: Grade | undefined;
  places: readonly PlaceRecord[];
}) {
  const { spool } = one;
  const { change, error, isLoading } = useChangeSpool(one);
  const drying = grade && dryingOf(grade);
  const [temperatureC, setTemperature] = useState(drying?.dryingC ?? 60);
  const [hours, setHours] = useState(drying?.dryingH ?? 6);
  const [massG, setMass] = useState<number>();
  const [what, setWhat] = useState('');
  const add = (event: SpoolEvent, more: Partial<Spool> = {}) =>
    change((newest) => ({ ...newest, ...more, events: [...newest.events, event] }));
  const now = () => new Date().toISOString();
  return (
    <Panel title="Log an event">
      <fieldset disabled={isLoading} className="flex flex-col gap-3">
        <div className="flex flex-wrap gap-2">
          {spool.openedAt === undefined && (
            <Button onClick={() => void change((newest) => ({ ...newest, openedAt: now() }))}>Opened now</Button>
          )}
          {spool.empty ? (
            <Button onClick={() => void change(({ empty: _was, ...rest }) => rest)}>Not empty</Button>
          ) : (
            <Button onClick={() => void change(({ need: _need, ...rest }) => ({ ...rest, empty: true }))}>Empty</Button>
          )}
        </div>
        <Choice
          label="Moved to"
          value={spool.placeId ?? ''}
          options={[
            ...(spool.placeId === null ? [{ value: '', label: 'unknown location' }] : []),
            ...places.map(({ place }) => ({ value: place.id, label: place.name })),
          ]}
          onChange={(placeId) =>
            void add(
              {
                kind: 'moved',
                at: now(),
                placeId,
                ...(spool.placeId === null ? {} : { fromPlaceId: spool.placeId }),
              },
              { placeId },
            )
          }
        />
        <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
          <QuantityField
            label="Dried at"
            dimension="temperature"
            value={temperatureC}
            bounds={{ minimum: 20, maximum: drying?.limitC ?? 250 }}
            onChange={setTemperature}
          />
          <QuantityField
            label="For"
            dimension="time"
            value={hours}
            bounds={{ exclusiveMinimum: 0, maximum: 1000 }}
            onChange={setHours}
          />
          <Button
            aria-label="Drying finished"
            onClick={() =>
              void add({ kind: 'dried', at: now(), hours, temperatureC }, { openedAt: spool.openedAt ?? now() })
            }
          >
            Taken out
          </Button>
        </div>
        <div className="grid grid-cols-[5rem_1fr_auto] items-end gap-2">
          <QuantityField
            label="Used"
            dimension="mass"
            value={massG}
            bounds={{ exclusiveMinimum: 0, maximum: 30000 }}
            onChange={setMass}
            onClear={() => setMass(undefined)}
          />
          <TextField label="Purpose" value={what} maxLength={200} onChange={setWhat} />
          <Button
            disabled={massG === undefined || what.trim() === ''}
            onClick={() => {
              // What was typed stays until it is written down.
              void add({ kind: 'used', at: now(), massG: massG!, what: what.trim() }).then((isKept) => {
                if (!isKept) return;
                setMass(undefined);
                setWhat('');
              });
            }}
          >
            Record use
          </Button>
        </div>
      </fieldset>
      {error !== undefined && <ProblemNotice error={error} />}
    </Panel>
  );
}
