import type { Comparison } from '@anvilstone/core/decisions';
import { usePartContext } from '../parts/partContext.ts';
import { Cautions } from '../../ui/Cautions.tsx';

/** The cautions of each finalist, where it differs from the others in what people must mind. */
export function FinalistCautions({ comparison }: { comparison: Comparison }) {
  const { brief, library } = usePartContext();
  return (
    <section aria-label="Cautions of the finalists" className="grid grid-cols-2 narrow:grid-cols-1 gap-4">
      {comparison.finalists.map(({ gradeId, letter, name }) => (
        <div key={gradeId} className="print:break-inside-avoid">
          <h3 className="mb-1 text-sm">
            {letter} {name}
          </h3>
          <Cautions
            place="shortlist"
            brief={brief}
            grade={library.grades.find(({ id }) => id === gradeId)}
            rules={library.rules}
            agents={library.agents}
          />
        </div>
      ))}
    </section>
  );
}
