import type { View } from './shortlistAddress.ts';

const TITLES: Record<View, string> = {
  drawn: 'As drawn',
  sized: 'Sized to pass',
  'equal-mass': 'Equal mass',
  map: 'Map',
};

/** Which parts are shown: as drawn, each at its own size, all at one mass, or the drawn ones on a map. */
export function ViewSwitch({ view, onChange }: { view: View; onChange: (view: View) => void }) {
  return (
    <div
      role="group"
      aria-label="Parts shown"
      className="flex shrink-0 overflow-hidden rounded border border-line-strong print:hidden"
    >
      {(Object.keys(TITLES) as View[]).map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={view === one}
          className={`px-2.5 py-1.5 text-sm whitespace-nowrap ${view === one ? 'bg-sunken font-semibold' : 'text-quiet hover:text-ink'}`}
          onClick={() => onChange(one)}
        >
          {TITLES[one]}
        </button>
      ))}
    </div>
  );
}
