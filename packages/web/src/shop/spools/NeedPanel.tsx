import type { SpoolInStock } from '@anvilstone/schema';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { controlLook, Field, TextField } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { localMinute, moment } from '../../ui/when.ts';
import { useChangeSpool } from './useChangeSpool.ts';

const DAY_MS = 24 * 3600e3;

/** By when a spool has to be dry, and for what: the dryers are planned by it. */
export function NeedPanel({ one }: { one: SpoolInStock }) {
  const { need } = one.spool;
  const { change, error } = useChangeSpool(one);
  const [what, setWhat] = useState(need?.what ?? '');
  const [atMs, setAt] = useState(() => (need ? Date.parse(need.at) : Date.now() + DAY_MS));
  return (
    <Panel title="Needed dry by">
      {need && (
        <p className="mb-2 text-sm">
          {moment(Date.parse(need.at))} for {need.what}.{' '}
          <Link to="/spools?show=dryers" className="underline">
            Dryers
          </Link>
        </p>
      )}
      <TextField label="Purpose" value={what} maxLength={200} onChange={setWhat} />
      <Field label="When">
        {(ids) => (
          <input
            {...ids}
            type="datetime-local"
            className={controlLook}
            value={localMinute(atMs)}
            onChange={(event) => {
              const ms = Date.parse(event.target.value);
              if (Number.isFinite(ms)) setAt(ms);
            }}
          />
        )}
      </Field>
      <div className="mt-2 flex gap-2">
        <Button
          disabled={what.trim() === ''}
          onClick={() =>
            void change((spool) => ({ ...spool, need: { at: new Date(atMs).toISOString(), what: what.trim() } }))
          }
        >
          {need ? 'Change' : 'Add'}
        </Button>
        {need && (
          <Button look="quiet" onClick={() => void change(({ need: _over, ...rest }) => rest)}>
            Not needed
          </Button>
        )}
      </div>
      {error !== undefined && <ProblemNotice error={error} />}
    </Panel>
  );
}
