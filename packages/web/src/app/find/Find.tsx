import { lazy, Suspense, useEffect } from 'react';
import { useOpenByKey } from '../../ui/useOpenByKey.ts';

const load = () => import('./FindSheet.tsx');
const FindSheet = lazy(async () => ({ default: (await load()).FindSheet }));
/** Once the first screen stands: what is typed right after the key must not be lost while the sheet is fetched. */
const FETCH_AHEAD_MS = 1500;

const isWanted = ({ key, ctrlKey, metaKey }: KeyboardEvent, typing: boolean) =>
  (key === 'k' && (ctrlKey || metaKey)) || (key === '/' && !typing);

/** The button in the rail, and the keys that do the same: “/” where nothing is typed into, Ctrl-K or ⌘-K anywhere. */
export function Find() {
  const [open, setOpen] = useOpenByKey(isWanted);
  useEffect(() => {
    const timer = setTimeout(() => void load().catch(() => undefined), FETCH_AHEAD_MS);
    return () => clearTimeout(timer);
  }, []);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-keyshortcuts="/ Control+K"
        title="Find anything ( / )"
        className="flex w-full flex-col items-center gap-0.5 border-l-3 border-transparent py-1.5 text-xs text-quiet hover:text-ink"
        onClick={() => setOpen(true)}
      >
        <svg viewBox="0 0 24 24" className="size-5 fill-none stroke-current stroke-[1.6]" aria-hidden="true">
          <path d="M10.5 4a6.5 6.5 0 1 0 .1 0M15.5 15.5L20 20" />
        </svg>
        Find
      </button>
      {open && (
        <Suspense>
          <FindSheet onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
