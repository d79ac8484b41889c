import type { Sort } from '../../../ui/table/tableColumn.ts';
import { FACETS, type GradeFilter, type Range } from './gradeFilter.ts';

/** Filter and order as they stand in the address, so that a view can be linked and the browser's back button works. */
export function readAddress(params: URLSearchParams): { filter: GradeFilter; sort: Sort } {
  const chosen: GradeFilter['chosen'] = {};
  for (const facet of FACETS) {
    const values = params.getAll(facet);
    if (values.length > 0) chosen[facet] = values;
  }
  const price = Number(params.get('price') ?? Number.NaN);
  const [by = 'name', order] = (params.get('sort') ?? 'name').split('~');
  return {
    filter: {
      words: params.get('q') ?? '',
      chosen,
      ...(Number.isFinite(price) ? { priceAtMost: price } : {}),
      ranges: params.getAll('range').flatMap(readRange),
    },
    sort: { by, descending: order === 'down' },
  };
}

export function writeAddress(filter: GradeFilter, sort: Sort): URLSearchParams {
  const params = new URLSearchParams();
  if (filter.words) params.set('q', filter.words);
  for (const facet of FACETS) for (const value of filter.chosen[facet] ?? []) params.append(facet, value);
  if (filter.priceAtMost !== undefined) params.set('price', String(filter.priceAtMost));
  for (const { columnId, least, most } of filter.ranges)
    params.append('range', `${columnId}~${least ?? ''}~${most ?? ''}`);
  if (sort.by !== 'name' || sort.descending) params.set('sort', `${sort.by}${sort.descending ? '~down' : ''}`);
  return params;
}

function readRange(text: string): Range[] {
  const [columnId = '', least = '', most = ''] = text.split('~');
  const end = (value: string) => (value !== '' && Number.isFinite(Number(value)) ? Number(value) : undefined);
  const [from, to] = [end(least), end(most)];
  return [{ columnId, ...(from === undefined ? {} : { least: from }), ...(to === undefined ? {} : { most: to }) }];
}
