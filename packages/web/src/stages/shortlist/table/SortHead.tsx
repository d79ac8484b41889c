export interface Sort {
  by: string;
  descending: boolean;
}

/** A heading that sorts: pressed once by the likelier way, again the other way, a third time back to the ranking method's order. */
export function SortHead({
  id,
  title,
  means,
  sort,
  onSort,
  right = false,
  startsRising = false,
}: {
  id: string;
  title: string;
  means?: string | undefined;
  sort: Sort | null;
  onSort: (sort: Sort | null) => void;
  right?: boolean;
  /** What is cheap, light or soon comes first. */
  startsRising?: boolean;
}) {
  const active = sort?.by === id ? sort : null;
  const next = (): Sort | null => {
    if (!active) return { by: id, descending: !startsRising };
    return active.descending === !startsRising ? { by: id, descending: startsRising } : null;
  };
  return (
    <th
      scope="col"
      aria-sort={active ? (active.descending ? 'descending' : 'ascending') : 'none'}
      className={`px-1.5 py-2 font-normal ${right ? 'text-right' : ''}`}
    >
      <button
        type="button"
        title={means}
        className={`text-inherit hover:text-ink ${right ? 'text-right' : 'text-left'} ${active ? 'font-semibold text-ink' : ''}`}
        onClick={() => onSort(next())}
      >
        {title}
        {active && <span aria-hidden="true">{active.descending ? ' ↓' : ' ↑'}</span>}
      </button>
    </th>
  );
}
