import type { ReactNode } from 'react';
import type { FieldValues } from 'react-hook-form';
import { SaveOrCancel } from '../SaveOrCancel.tsx';
import { RecordForm, type RecordFormState } from './RecordForm.tsx';

/** A record of a few fields that is edited in place. */
export function SmallEditor<T extends FieldValues>({
  form,
  at,
  error,
  onSave,
  onDone,
  children,
}: {
  form: RecordFormState<T>;
  at: string;
  error: unknown;
  /** Rejects when it is refused: the reason is in `error`. */
  onSave: (entered: T) => Promise<unknown>;
  /** Saved, or not wanted. */
  onDone: () => void;
  children: ReactNode;
}) {
  return (
    <RecordForm form={form} error={error} at={at}>
      <div className="mt-3 grid grid-cols-2 gap-2 border-t border-line pt-3">
        {children}
        <SaveOrCancel
          error={error}
          ready={form.isComplete}
          onSave={() => void onSave(form.entered()).then(onDone, () => undefined)}
          onCancel={onDone}
        />
      </div>
    </RecordForm>
  );
}
