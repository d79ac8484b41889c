import { handlingCautions } from '@anvilstone/core';
import type { Grade } from '@anvilstone/schema';

/** The usual cautions of printing and working a grade, where it is chosen and where it is recorded. */
export function Cautions({ grade }: { grade: Grade }) {
  const cautions = handlingCautions(grade);
  return (
    <section
      aria-label="Cautions"
      className="mt-4 rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown"
    >
      <h3 className="text-sm">Cautions when printing and working it</h3>
      <ul className="list-disc pl-5">
        {cautions.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
    </section>
  );
}
