import { HEADING_WORDS } from './headingWords.ts';
import { Term } from './Term.tsx';

/** A heading, or a heading with its explanation. */
export type Heading = string | { title: string; means: string };

export function TableHead({ headings }: { headings: readonly Heading[] }) {
  return (
    <thead>
      <tr className="border-b border-line text-left text-xs text-quiet">
        {headings.map((heading) => (
          <th key={typeof heading === 'string' ? heading : heading.title} scope="col" className="px-3 py-2 font-normal">
            <Title heading={heading} />
          </th>
        ))}
      </tr>
    </thead>
  );
}

/** A word that the list explains is explained wherever it heads a column. */
function Title({ heading }: { heading: Heading }) {
  if (typeof heading !== 'string') return <Term means={heading.means}>{heading.title}</Term>;
  const word = HEADING_WORDS[heading];
  return word ? <Term word={word}>{heading}</Term> : heading;
}
