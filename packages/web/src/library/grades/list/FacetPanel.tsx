import { EVIDENCE_LABELS, PRINTABLE_LABELS, type Facet, type Filtered, type GradeFilter } from './gradeFilter.ts';

const TITLES: Record<Facet, string> = {
  printable: 'Printable here',
  evidence: 'Evidence of strength and stiffness',
  family: 'Family',
  filler: 'Filler',
  morphology: 'Morphology',
  maker: 'Maker',
  colour: 'Colour',
  hazard: 'Hazards when printing',
};
const ORDER: readonly Facet[] = [
  'printable',
  'evidence',
  'family',
  'filler',
  'morphology',
  'maker',
  'colour',
  'hazard',
];
const OPEN: ReadonlySet<Facet> = new Set(['printable', 'evidence', 'filler']);
/** Values that have an order of their own; others are sorted by how many grades have them. */
const FIXED: Partial<Record<Facet, readonly string[]>> = {
  evidence: ['A', 'B', 'C', 'D', EVIDENCE_LABELS[0]],
  printable: [...PRINTABLE_LABELS.slice(1), PRINTABLE_LABELS[0]],
};

/** What may be narrowed down, with how many grades each choice would leave. */
export function FacetPanel({
  filter,
  counts,
  onChoose,
}: {
  filter: GradeFilter;
  counts: Filtered['counts'];
  onChoose: (facet: Facet, values: readonly string[]) => void;
}) {
  return (
    <div className="flex flex-col gap-1">
      {ORDER.map((facet) => (
        <FacetGroup
          key={facet}
          title={TITLES[facet]}
          open={OPEN.has(facet)}
          values={valuesOf(facet, counts[facet], filter.chosen[facet] ?? [])}
          chosen={filter.chosen[facet] ?? []}
          counts={counts[facet]}
          onChoose={(values) => onChoose(facet, values)}
        />
      ))}
    </div>
  );
}

function valuesOf(facet: Facet, counts: ReadonlyMap<string, number>, chosen: readonly string[]): string[] {
  const known = new Set([...counts.keys(), ...chosen]);
  const fixed = FIXED[facet];
  if (fixed) return fixed.filter((value) => known.has(value));
  return [...known].sort((a, b) => (counts.get(b) ?? 0) - (counts.get(a) ?? 0) || (a < b ? -1 : 1));
}

function FacetGroup({
  title,
  open,
  values,
  chosen,
  counts,
  onChoose,
}: {
  title: string;
  open: boolean;
  values: readonly string[];
  chosen: readonly string[];
  counts: ReadonlyMap<string, number>;
  onChoose: (values: readonly string[]) => void;
}) {
  return (
    <details open={open || chosen.length > 0} className="border-b border-line pb-1">
      <summary className="py-1 text-xs font-semibold">
        {title}
        {chosen.length > 0 && <span className="ml-1 text-ember">{chosen.length} chosen</span>}
      </summary>
      <ul className="max-h-52 overflow-y-auto" tabIndex={-1}>
        {values.map((value) => (
          <li key={value}>
            <label className="flex cursor-pointer items-center gap-1.5 py-px text-sm">
              <input
                type="checkbox"
                className="accent-(--ember)"
                checked={chosen.includes(value)}
                onChange={(event) =>
                  onChoose(event.target.checked ? [...chosen, value] : chosen.filter((one) => one !== value))
                }
              />
              <span className="min-w-0 grow truncate" title={value}>
                {value}
              </span>
              <span className="text-xs text-quiet">{counts.get(value) ?? 0}</span>
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}
