import type { SearchHit } from '@anvilstone/schema';
import type { Knex } from 'knex';

const MOST_WORDS = 8;
const MOST_OF_A_KIND = 6;
const HEADLINE = 'StartSel=«, StopSel=», MaxFragments=1, MaxWords=18, MinWords=8';

/**
 * What is typed as a question to the full-text search: every word, the last one as far as it has been typed. Undefined: no word in it. Only letters and
 * digits get through, so that nothing typed is read as an operator.
 */
export function searchQuery(typed: string): string | undefined {
  const words = typed.normalize('NFKC').match(/[\p{L}\p{N}]+/gu) ?? [];
  if (words.length === 0) return undefined;
  return words
    .slice(0, MOST_WORDS)
    .map((word) => `${word.toLowerCase()}:*`)
    .join(' & ');
}

interface Found extends SearchHit {
  rank: number;
}

/** The best of each kind, best first; the words that were found are marked in the snippet. */
export async function searchEverything(db: Knex, typed: string): Promise<SearchHit[]> {
  const query = searchQuery(typed);
  if (query === undefined) return [];
  const { rows } = await db.raw<{ rows: Found[] }>(
    `with q as (select to_tsquery('english', :query) as english, to_tsquery('simple', :query) as simple),
    found as (
      ${KINDS.map((select) => `(${select} order by rank desc limit :most)`).join(' union all ')}
    )
    select kind, id, "partId", title, line, rank,
      case when kind = 'grade' then '' else ts_headline('english', text, english, :headline) end as snippet
    from found, q order by rank desc, title`,
    { query, most: MOST_OF_A_KIND, headline: HEADLINE },
  );
  return rows.map(({ rank: _rank, ...hit }) => hit);
}

/** One select a kind; weights put what is worked on before what is merely mentioned. The next kind is one line here. */
const KINDS = [
  `select 'part' as kind, p.id::text as id, p.id::text as "partId", brief ->> 'title' as title, '' as line,
     coalesce(brief ->> 'purpose', '') as text, 1.3 * ts_rank(search, english) as rank
   from parts p, q where search @@ english`,
  `select 'grade', g.id, null, name, maker, '', 1.1 * ts_rank(search, simple) as rank
   from grades g, q where search @@ simple`,
  `select 'decision', d.id::text, part_id::text, 'Decision ' || number || ': ' || coalesce(frozen #>> '{brief,title}', ''),
     grade_name || ', ' || orientation, reasons, ts_rank(search, english) as rank
   from decisions d, q where search @@ english`,
  `select 'finding', f.id, i.part_id::text, (i.document ->> 'mark') || ', ' || (p.brief ->> 'title'),
     left(f.document ->> 'at', 10) || ', ' || (f.document ->> 'state'),
     concat_ws(' · ', f.document ->> 'lesson', f.document ->> 'text'), 1.2 * ts_rank(f.search, english) as rank
   from service_findings f join installations i on i.id = f.installation_id join parts p on p.id = i.part_id, q
   where f.search @@ english`,
  `select 'in-service', i.id, i.part_id::text, (i.document ->> 'mark') || ', ' || (p.brief ->> 'title'),
     i.document ->> 'place', i.document ->> 'place', ts_rank(i.search, english) as rank
   from installations i join parts p on p.id = i.part_id, q where i.search @@ english`,
  `select 'campaign', c.id, c.document ->> 'partId', c.id || ': ' || (c.document ->> 'title'),
     coalesce(c.document ->> 'place', ''), c.document ->> 'title', ts_rank(search, english) as rank
   from campaigns c, q where search @@ english`,
] as const;
