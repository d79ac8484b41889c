import type { Grade } from '@anvilstone/schema';
import { useNavigate } from 'react-router';
import { ConfirmRemoval } from '../../../ui/ConfirmRemoval.tsx';
import { useRemoveGradeMutation } from '../gradesApi.ts';

/** Takes a grade out of the library after asking. Frozen decisions hold a copy of their own. */
export function RemoveGrade({ grade, revision }: { grade: Grade; revision: number }) {
  const [remove, { error }] = useRemoveGradeMutation();
  const navigate = useNavigate();
  return (
    <ConfirmRemoval
      name={grade.name}
      error={error}
      onRemove={() =>
        void remove({ id: grade.id, revision })
          .unwrap()
          .then(() => navigate('/grades'))
          .catch(() => undefined)
      }
    >
      It is removed from every shortlist. Decisions keep their own copy, and the history stays.
    </ConfirmRemoval>
  );
}
