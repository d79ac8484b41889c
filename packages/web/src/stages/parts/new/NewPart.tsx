import type { PartSummary } from '@anvilstone/schema';
import { lazy, Suspense, useState } from 'react';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { Button } from '../../../ui/Button.tsx';

const load = () => import('./NewPartSheet.tsx');
const NewPartSheet = lazy(async () => ({ default: (await load()).NewPartSheet }));

/** The way to a new part; what is offered there is fetched when somebody is about to go it. */
export function NewPart({ parts }: { parts: readonly PartSummary[] }) {
  // “?new=part” leads straight to it: the end of the look around does, and whoever keeps it as a bookmark.
  const [address, change] = useAddress();
  const [pressed, setPressed] = useState(false);
  const open = pressed || address.get('new') === 'part';
  const close = () => {
    setPressed(false);
    change({ new: null }, true);
  };
  const fetchAhead = () => void load().catch(() => undefined);
  return (
    <>
      <Button
        look="primary"
        aria-haspopup="dialog"
        onPointerEnter={fetchAhead}
        onFocus={fetchAhead}
        onClick={() => setPressed(true)}
      >
        New part
      </Button>
      {open && (
        <Suspense>
          <NewPartSheet parts={parts} onClose={close} />
        </Suspense>
      )}
    </>
  );
}
