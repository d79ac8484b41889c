import { lazy, Suspense } from 'react';
import { useOpenByKey } from '../ui/useOpenByKey.ts';

const HelpSheet = lazy(async () => ({ default: (await import('./HelpSheet.tsx')).HelpSheet }));

const isWanted = ({ key, ctrlKey, metaKey, altKey }: KeyboardEvent, typing: boolean) =>
  key === '?' && !typing && !ctrlKey && !metaKey && !altKey;

/** The button in the rail, and the key that does the same where nothing is typed into. */
export function Help({ look }: { look: string }) {
  const [open, setOpen] = useOpenByKey(isWanted);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-keyshortcuts="?"
        title="Help for this screen ( ? )"
        className={look}
        onClick={() => setOpen(true)}
      >
        Help
      </button>
      {open && (
        <Suspense>
          <HelpSheet onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
