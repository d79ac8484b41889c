import { Term } from './Term.tsx';

/** A heading, or a heading with its explanation. */
export type Heading = string | { title: string; means: string };

export function TableHead({ headings }: { headings: readonly Heading[] }) {
  return (
    <thead>
      <tr className="border-b border-line text-left text-xs text-quiet">
        {headings.map((heading) => (
          <th key={typeof heading === 'string' ? heading : heading.title} scope="col" className="px-3 py-2 font-normal">
            {typeof heading === 'string' ? heading : <Term means={heading.means}>{heading.title}</Term>}
          </th>
        ))}
      </tr>
    </thead>
  );
}
