import { PageHeading } from '../../ui/PageHeading.tsx';
import type { FormEvent, ReactNode } from 'react';

/** The one sheet in the middle of an empty page, for whoever is not in yet. */
export function Door({ title, children, onSubmit }: { title: string; children: ReactNode; onSubmit?: () => void }) {
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSubmit?.();
  };
  return (
    <main className="mx-auto mt-24 w-96 max-w-full px-4">
      <img src="/mark.svg" alt="Anvilstone" className="mb-3 size-10" />
      <form onSubmit={submit} className="flex flex-col gap-3 rounded-md border border-line bg-surface p-5">
        <PageHeading className="text-lg">{title}</PageHeading>
        {children}
      </form>
    </main>
  );
}

/** Said where a password would be typed: whoever listens on the way could read it. */
export function NotEncrypted({ isEncrypted }: { isEncrypted: boolean }) {
  return isEncrypted ? null : (
    <p className="text-sm text-unknown">! This connection is not encrypted: a password can be read on the way.</p>
  );
}
