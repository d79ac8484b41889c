/** An empty library: nothing can be held against the brief, and why. */
export function NoGrades() {
  return (
    <div className="rounded-md border border-dashed border-line-strong p-8 text-center">
      <p className="text-base font-semibold">There are no grades to choose from</p>
      <p className="mt-1 text-quiet">
        This workshop was started without the demo library. Start it once with “npm start -- --reset-demo” to load the
        sample grades and machines; your own parts stay.
      </p>
    </div>
  );
}
