import { Link } from 'react-router';
import { SampleOffer } from './SampleOffer.tsx';

/** An empty library: nothing can be held against the brief, and why. */
export function NoGrades() {
  return (
    <div className="rounded-md border border-dashed border-line-strong p-8 text-center">
      <p className="text-base font-semibold">There are no grades to choose from</p>
      <p className="mt-1 text-quiet">
        Bring a maker’s table in under{' '}
        <Link to="/grades/import" className="underline">
          Grades → Import
        </Link>
        , or take the sample ones to begin with; what is yours stays as it is.
      </p>
      <div className="mt-3">
        <SampleOffer withParts={false}>Take the sample grades and machines</SampleOffer>
      </div>
    </div>
  );
}
