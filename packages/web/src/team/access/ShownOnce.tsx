import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';

/** A secret that cannot be looked up again. */
export function ShownOnce({ what, text }: { what: string; text: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <div role="status" className="mt-3 rounded border border-line-strong bg-sunken p-3 text-sm">
      <p className="mb-1">{what} is shown only once: hand it over now through a channel you trust.</p>
      <div className="flex items-center gap-2">
        <code className="min-w-0 grow rounded bg-surface px-2 py-1 break-all select-all">{text}</code>
        <Button
          onClick={() =>
            void navigator.clipboard
              .writeText(text)
              .then(() => setCopied(true))
              .catch(() => undefined)
          }
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </div>
    </div>
  );
}
