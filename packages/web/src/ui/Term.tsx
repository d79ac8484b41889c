import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';

/** A word with its explanation one hover or focus away. */
export function Term({ children, means }: { children: ReactNode; means: string }) {
  return (
    <Tooltip.Provider delayDuration={200}>
      <Tooltip.Root>
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
            {means}
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
