import { PageHeading } from './PageHeading.tsx';
import type { ReactNode } from 'react';

/** How every place begins: its name, the question it answers, and what can be done with all of it. */
export function PageHead({ title, says, children }: { title: ReactNode; says?: ReactNode; children?: ReactNode }) {
  return (
    <header className="mb-4 flex items-start justify-between gap-x-6 gap-y-2 narrow:flex-wrap">
      <div className="min-w-0">
        <PageHeading>{title}</PageHeading>
        {says && <p className="max-w-220 text-quiet">{says}</p>}
      </div>
      {children && (
        <div className="no-print flex shrink-0 items-end gap-2 narrow:shrink narrow:flex-wrap">{children}</div>
      )}
    </header>
  );
}
