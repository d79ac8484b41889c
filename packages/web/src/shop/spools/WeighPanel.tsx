import { doubtOfWeighing } from '@anvilstone/core/making';
import type { SpoolInStock } from '@anvilstone/schema';
import { useState } from 'react';
import { asProblem } from '../../sync/api/problem.ts';
import { useInstrumentsQuery } from '../instruments/instrumentsApi.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { useWeighSpoolMutation } from './spoolsApi.ts';
import { useChangeSpool } from './useChangeSpool.ts';
import { useSay } from '../../ui/useSay.ts';

/** Weighs a spool on the scale, or by hand; a mass that does not fit what is known is asked about first. */
export function WeighPanel({ one }: { one: SpoolInStock }) {
  const { spool } = one;
  const say = useSay();
  const { data: instruments } = useInstrumentsQuery();
  const scale = instruments?.find(({ kind }) => kind === 'scale');
  const [weigh, { error, isLoading }] = useWeighSpoolMutation();
  const { change, error: notSaved } = useChangeSpool(one);
  const [grossG, setGross] = useState<number>();
  const [note, setNote] = useState('');
  const doubt = grossG === undefined ? undefined : doubtOfWeighing(spool, grossG);
  const scaleDoubts = error !== undefined && asProblem(error).status === 422;
  const why = note.trim();
  return (
    <Panel title="Weigh with reel">
      {scale && (
        <Button
          look="primary"
          disabled={isLoading}
          onClick={() =>
            void weigh({ spoolId: spool.id, scaleId: scale.id, ...(why ? { note: why } : {}) })
              .unwrap()
              .then(() => setNote(''))
              .catch(() => undefined)
          }
        >
          {isLoading ? 'Weighing …' : 'Read the scale'}
        </Button>
      )}
      {error !== undefined && <ProblemNotice error={error} />}
      <div className="mt-2 flex items-end gap-2">
        <QuantityField
          label="Or enter it"
          dimension="mass"
          value={grossG}
          bounds={{ minimum: 0, maximum: 30000 }}
          onChange={setGross}
          onClear={() => setGross(undefined)}
        />
        <Button
          disabled={grossG === undefined || (doubt !== undefined && why === '')}
          onClick={() => {
            const event = {
              kind: 'weighed' as const,
              at: new Date().toISOString(),
              grossG: grossG!,
              from: 'typed' as const,
              ...(why ? { note: why } : {}),
            };
            void change((newest) => ({ ...newest, events: [...newest.events, event] })).then((isKept) => {
              if (!isKept) return;
              setGross(undefined);
              setNote('');
            });
          }}
        >
          Save weighing
        </Button>
      </div>
      {doubt && <p className="mt-1 text-xs text-fail">{say(doubt)}.</p>}
      {(doubt !== undefined || scaleDoubts) && (
        <TextField label="Reason for accepting it" value={note} maxLength={200} onChange={setNote} />
      )}
      {notSaved !== undefined && <ProblemNotice error={notSaved} />}
    </Panel>
  );
}
