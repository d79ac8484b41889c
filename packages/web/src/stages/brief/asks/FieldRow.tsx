import type { ReactNode } from 'react';

/** Fields of one ask, side by side. */
export function FieldRow({ children }: { children: ReactNode }) {
  return <div className="grid grid-cols-3 narrow:grid-cols-2 gap-3">{children}</div>;
}
