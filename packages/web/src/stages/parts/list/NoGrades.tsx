import { Link } from 'react-router';
import { Empty } from '../../../ui/Empty.tsx';
import { SampleOffer } from '../../../team/data/SampleOffer.tsx';

/** An empty library: nothing can be held against the brief, and why. */
export function NoGrades() {
  return (
    <Empty title="No grades">
      <p>
        Bring a maker’s table in under{' '}
        <Link to="/grades/import" className="underline">
          Grades → Import
        </Link>
        , or take the sample ones to begin with; what is yours stays as it is.
      </p>
      <div className="mt-3">
        <SampleOffer withParts={false}>Add sample grades and machines</SampleOffer>
      </div>
    </Empty>
  );
}
