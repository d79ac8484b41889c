import { Button } from './Button.tsx';
import { ProblemNotice } from './ProblemNotice.tsx';

/** The end of a small form that is opened in place. */
export function SaveOrCancel({
  error,
  ready,
  label = 'Save it',
  onSave,
  onCancel,
}: {
  error?: unknown;
  ready: boolean;
  label?: string;
  onSave: () => void;
  onCancel: () => void;
}) {
  return (
    <div className="col-span-full">
      {error !== undefined && <ProblemNotice error={error} />}
      <div className="mt-1 flex gap-2">
        <Button look="primary" disabled={!ready} onClick={onSave}>
          {label}
        </Button>
        <Button look="quiet" onClick={onCancel}>
          Cancel
        </Button>
      </div>
    </div>
  );
}
