import { withPart } from '@anvilstone/core/shapes';
import { Link } from 'react-router';
import { ModelCards } from '../../brief/shape/ModelChooser.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { newBrief } from '../new/newBrief.ts';
import { SampleOffer } from '../../../team/data/SampleOffer.tsx';
import { useStartPart } from '../new/useStartPart.ts';

/** A workspace with nothing in it: what to do first, and then. `gradeCount` undefined: not known yet. */
export function FirstPart({ gradeCount }: { gradeCount: number | undefined }) {
  const { start, error } = useStartPart();
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_19rem] narrow:grid-cols-1 gap-6 max-lg:grid-cols-1">
      <section aria-labelledby="first-part">
        <h2 id="first-part" className="text-lg">
          What does your part do?
        </h2>
        <p className="mb-3 text-quiet">
          Choose the closest type. The part starts with one load; the filaments that pass are shown at once.
        </p>
        {error !== undefined && <ProblemNotice error={error} />}
        <ModelCards onChoose={(model) => start(withPart(newBrief, model.start))} />
      </section>
      <aside className="space-y-4">
        {gradeCount === 0 && (
          <section
            aria-label="Grades to choose from"
            className="rounded-md border border-unknown bg-unknown-ground p-4 text-unknown"
          >
            <h2 className="text-sm">! No grades yet</h2>
            <p className="mt-1 mb-3">
              Parts are evaluated against grades. Start with the sample grades, or{' '}
              <Link to="/grades/import" className="underline">
                import a maker’s table
              </Link>
              .
            </p>
            <SampleOffer withParts={false}>Add sample grades and machines</SampleOffer>
          </section>
        )}
        <section aria-label="The sample" className="rounded-md border border-line bg-surface p-4">
          <h2 className="text-sm">Sample project</h2>
          <p className="mt-1 mb-3 text-quiet">
            Eleven parts of an invented cableway, with grades, machines, spools and tests. Sample data, not for design;
            your own data is not affected.
          </p>
          <SampleOffer withParts>Add the sample parts</SampleOffer>
        </section>
        <section aria-label="Training" className="rounded-md border border-line bg-surface p-4">
          <h2 className="text-sm">Or train first</h2>
          <p className="mt-1 text-quiet">
            <Link to="/training" className="text-ink underline">
              Eight short cases
            </Link>
            : which grade would you choose, and what governs?
          </p>
        </section>
      </aside>
    </div>
  );
}
