/** Facts under their names, numbers to the right so that they stand below each other. */
export function FactList({
  rows,
  className = '',
}: {
  rows: readonly (readonly [title: string, value: string])[];
  className?: string;
}) {
  return (
    <dl className={`grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-sm ${className}`}>
      {rows.map(([title, value]) => (
        <div key={title} className="contents">
          <dt className="text-quiet">{title}</dt>
          <dd className="text-right">{value}</dd>
        </div>
      ))}
    </dl>
  );
}
