import { asProblem } from '../sync/api/problem.ts';
import { Button } from './Button.tsx';
import { ProblemNotice } from './ProblemNotice.tsx';

/** Why a record was not saved; when somebody else was first, theirs can be taken instead. Nothing without an error. */
export function SaveProblem<T>({ error, onTakeNewer }: { error: unknown; onTakeNewer: (newer: T) => void }) {
  if (error === undefined) return null;
  const { status, current } = asProblem(error);
  const newer = status === 409 ? (current as T | undefined) : undefined;
  return (
    <ProblemNotice error={error}>
      {newer && (
        <Button className="mt-2" onClick={() => onTakeNewer(newer)}>
          Use the newer version
        </Button>
      )}
    </ProblemNotice>
  );
}
