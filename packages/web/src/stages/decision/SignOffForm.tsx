import type { Decision } from '@anvilstone/schema';
import { useState } from 'react';
import { refusedAt } from '../../sync/api/problem.ts';
import { useOwnName } from '../../sync/api/useOwnName.ts';
import { Button } from '../../ui/Button.tsx';
import { TextArea, TextField } from '../../ui/fields.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useSignMutation, useSignOffsQuery } from './decisionApi.ts';

/** Signing, or taking a signature back: both stay. */
export function SignOffForm({ decision, digest }: { decision: Decision; digest: string }) {
  const { data: signOffs } = useSignOffsQuery(decision.id);
  const [sign, signing] = useSignMutation();
  const [open, setOpen] = useState<'signed' | 'withdrawn'>();
  const [by, setBy] = useState(useOwnName());
  const [role, setRole] = useState('');
  const [statement, setStatement] = useState('');
  const [limits, setLimits] = useState('');
  const [proofTest, setProofTest] = useState('');
  const hurts = decision.brief.failureCouldHurt === 'yes';
  const isSigned = signOffs?.at(-1)?.kind === 'signed';
  const issueAt = refusedAt(signing.error);
  if (open === undefined)
    return (
      <div className="no-print mt-3 flex gap-2">
        <Button onClick={() => setOpen('signed')}>Sign with limits …</Button>
        {isSigned && (
          <Button look="quiet" onClick={() => setOpen('withdrawn')}>
            Withdraw signature …
          </Button>
        )}
      </div>
    );
  const submit = async () => {
    await sign({
      id: decision.id,
      kind: open,
      by,
      role,
      statement,
      limits,
      ...(proofTest.trim() === '' ? {} : { proofTest }),
      decisionDigest: digest,
    }).unwrap();
    setOpen(undefined);
  };
  return (
    <section
      aria-label={open === 'signed' ? 'Sign' : 'Withdraw signature'}
      className="no-print mt-3 flex flex-col gap-3 rounded border border-line-strong p-3"
    >
      <p className="text-sm text-quiet">
        {open === 'signed'
          ? 'The signatory is responsible for the part under the rules that apply where it is used. The app computes; it approves nothing. A signature can be withdrawn but not changed.'
          : 'The signature stays on the record, marked as withdrawn with the reason.'}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <TextField label="Name" value={by} maxLength={200} onChange={setBy} error={issueAt('/by')} />
        <TextField label="Signs as" value={role} maxLength={200} onChange={setRole} error={issueAt('/role')} />
      </div>
      <TextArea
        label={open === 'signed' ? 'Statement' : 'Reason for withdrawal'}
        value={statement}
        onChange={setStatement}
        error={issueAt('/statement')}
        rows={2}
      />
      {open === 'signed' && (
        <>
          <TextArea
            label="Scope: loads, temperatures, locations, quantities, dates"
            value={limits}
            onChange={setLimits}
            error={issueAt('/limits')}
            rows={2}
          />
          <TextArea
            label={`How every part is proof-tested before use${hurts ? '' : ' (where it is)'}`}
            value={proofTest}
            onChange={setProofTest}
            error={issueAt('/proofTest')}
            rows={2}
          />
        </>
      )}
      {signing.error !== undefined && <ProblemNotice error={signing.error} />}
      <div className="flex gap-2">
        <Button look="primary" disabled={signing.isLoading} onClick={() => void submit().catch(() => undefined)}>
          {open === 'signed' ? 'Sign' : 'Withdraw'}
        </Button>
        <Button look="quiet" onClick={() => setOpen(undefined)}>
          Cancel
        </Button>
      </div>
    </section>
  );
}
