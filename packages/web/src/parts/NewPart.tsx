import type { PartSummary } from '@anvilstone/schema';
import { lazy, Suspense, useState } from 'react';
import { Button } from '../ui/Button.tsx';

const load = () => import('./NewPartSheet.tsx');
const NewPartSheet = lazy(async () => ({ default: (await load()).NewPartSheet }));

/** The way to a new part; what is offered there is fetched when somebody is about to go it. */
export function NewPart({ parts }: { parts: readonly PartSummary[] }) {
  const [open, setOpen] = useState(false);
  const fetchAhead = () => void load().catch(() => undefined);
  return (
    <>
      <Button
        look="primary"
        aria-haspopup="dialog"
        onPointerEnter={fetchAhead}
        onFocus={fetchAhead}
        onClick={() => setOpen(true)}
      >
        New part
      </Button>
      {open && (
        <Suspense>
          <NewPartSheet parts={parts} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
