import { Tooltip } from 'radix-ui';
import { useState, type ReactNode } from 'react';

/** Explanations come when the first one is looked at: they are a good part of what the first page would have to bring. */
const meaningOf = async (id: string) => (await import('./words/words.ts')).findWord(id)?.means;

/** A word with its explanation one hover or focus away: its own, or that of a word of the list. */
export function Term({
  children,
  means,
  word,
}: { children: ReactNode } & ({ means: string; word?: never } | { word: string; means?: never })) {
  const [fetched, setFetched] = useState<string>();
  const look = (open: boolean) => {
    if (open && word !== undefined && fetched === undefined)
      void meaningOf(word).then((found) => setFetched(found ?? 'No explanation was found for this word.'));
  };
  return (
    <Tooltip.Provider delayDuration={200}>
      <Tooltip.Root onOpenChange={look}>
        <Tooltip.Trigger asChild>
          <button type="button" className="cursor-help border-b border-dotted border-line-strong text-left">
            {children}
          </button>
        </Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            sideOffset={4}
            collisionPadding={8}
            className="z-50 max-w-80 rounded border border-line bg-ink px-3 py-2 text-sm text-ground"
          >
            {means ?? fetched ?? '…'}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
