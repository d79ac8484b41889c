import { lazy, Suspense, useEffect, useState } from 'react';

const load = () => import('./FindSheet.tsx');
const FindSheet = lazy(async () => ({ default: (await load()).FindSheet }));
/** Once the first screen stands: what is typed right after the key must not be lost while the sheet is fetched. */
const FETCH_AHEAD_MS = 1500;

/** The button in the rail, and the keys that do the same: “/” where nothing is typed into, Ctrl-K or ⌘-K anywhere. */
export function Find() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => void load().catch(() => undefined), FETCH_AHEAD_MS);
    return () => clearTimeout(timer);
  }, []);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const typing = (event.target as HTMLElement | null)?.closest('input, textarea, select, [contenteditable]');
      const wanted = (event.key === 'k' && (event.ctrlKey || event.metaKey)) || (event.key === '/' && !typing);
      if (!wanted) return;
      event.preventDefault();
      setOpen(true);
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
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
