import { lazy, Suspense, useEffect, useState } from 'react';

const HelpSheet = lazy(async () => ({ default: (await import('./HelpSheet.tsx')).HelpSheet }));

/** The button in the rail, and the key that does the same where nothing is typed into. */
export function Help({ look }: { look: string }) {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const typing = (event.target as HTMLElement | null)?.closest('input, textarea, select, [contenteditable]');
      if (event.key !== '?' || typing || event.ctrlKey || event.metaKey || event.altKey) return;
      event.preventDefault();
      setOpen((was) => !was);
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, []);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        aria-keyshortcuts="?"
        title="What is this screen for? ( ? )"
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
