import type { BuildOrientation } from '@anvilstone/schema';

/** Where a choice is made, with the ranking method by which it was found. */
export function decisionAddress(
  partId: string,
  gradeId: string,
  built: BuildOrientation,
  search: URLSearchParams,
): string {
  const rankingMethod = search.get('school');
  return `/parts/${partId}/decision?grade=${gradeId}&built=${built}${rankingMethod === null ? '' : `&school=${rankingMethod}`}`;
}
