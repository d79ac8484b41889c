import { Type } from '@sinclair/typebox';
import { signOffRequest, type Decision, type SignOffRequest } from '@anvilstone/schema';
import { useState } from 'react';
import { useOwnName } from '../../sync/api/useOwnName.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, RecordForm, useRecordForm } from '../../ui/form/RecordForm.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useSignMutation, useSignOffsQuery } from './decisionApi.ts';

type SignOff = Omit<SignOffRequest, 'kind' | 'decisionDigest'>;
const schema = Type.Omit(signOffRequest, ['kind', 'decisionDigest']);
const SignOffField = FormField<SignOff>;

/** Signing, or taking a signature back: both stay. */
export function SignOffForm({ decision, digest }: { decision: Decision; digest: string }) {
  const { data: signOffs } = useSignOffsQuery(decision.id);
  const [sign, signing] = useSignMutation();
  const [open, setOpen] = useState<'signed' | 'withdrawn'>();
  const form = useRecordForm<SignOff>(schema, { by: useOwnName(), role: '', statement: '', limits: '' });
  const hurts = decision.brief.failureCouldHurt === 'yes';
  const isSigned = signOffs?.at(-1)?.kind === 'signed';
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
      ...form.entered(),
      kind: open,
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
      <RecordForm form={form} error={signing.error}>
        <div className="grid grid-cols-2 gap-3">
          <SignOffField name="by" label="Name" />
          <SignOffField name="role" label="Signs as" />
        </div>
        <SignOffField name="statement" label={open === 'signed' ? 'Statement' : 'Reason for withdrawal'} />
        {open === 'signed' && (
          <>
            <SignOffField name="limits" label="Scope: loads, temperatures, locations, quantities, dates" />
            <SignOffField
              name="proofTest"
              label={`How every part is proof-tested before use${hurts ? '' : ' (where it is)'}`}
            />
          </>
        )}
      </RecordForm>
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
