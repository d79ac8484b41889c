import type { ReactNode } from 'react';

/** Where there is nothing yet: that there is nothing, and what to do next. */
export function Empty({ title, children }: { title?: string; children: ReactNode }) {
  return (
    <div className="rounded-md border border-dashed border-line-strong p-8 text-center text-quiet">
      {title && <p className="mb-1 text-base font-semibold text-ink">{title}</p>}
      {children}
    </div>
  );
}
