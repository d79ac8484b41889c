import {
  findRankingMethod,
  GROUPINGS,
  readLeastChance,
  readWeights,
  type ChoiceRules,
  type Grouping,
  type MeritWeights,
  type RankingMethod,
} from '@anvilstone/core/evaluation';
import { useMemo } from 'react';
import { useAddress, type SetAddress } from '../../sync/address/useAddress.ts';
import type { Sort } from '../../ui/table/tableColumn.ts';

const VIEWS = ['drawn', 'sized', 'equal-mass', 'map'] as const;
export type View = (typeof VIEWS)[number];

/** Everything that is set on the shortlist, read from the address, so that a view can be sent, kept and gone back to. */
export interface ShortlistAddress {
  view: View;
  rankingMethod: RankingMethod;
  /** The ranking method before the last change, so that what moved can be shown. */
  previousSchoolId: string | undefined;
  weights: MeritWeights;
  leastChance: number | undefined;
  groupBy: Grouping;
  sort: Sort | null;
  find: string;
  pinnedIds: readonly string[];
  openId: string | null;
  checkId: string | null;
  built: string | null;
  /** Axes of the map. */
  x: string | undefined;
  y: string | undefined;
  /** Mass of every part in the view of equal mass, g. */
  massG: number | undefined;
}

export function useShortlistAddress(rules: ChoiceRules): [ShortlistAddress, SetAddress] {
  const [search, set] = useAddress();
  const address = useMemo(() => readShortlistAddress(search, rules), [search, rules]);
  return [address, set];
}

export function readShortlistAddress(search: URLSearchParams, rules: ChoiceRules = {}): ShortlistAddress {
  const sortBy = search.get('sort');
  const massG = Number(search.get('mass'));
  const was = search.get('was');
  return {
    view: VIEWS.find((one) => one === search.get('view')) ?? 'drawn',
    rankingMethod: findRankingMethod(search.get('school') ?? rules.rankingSchool),
    previousSchoolId: was === null ? undefined : findRankingMethod(was).id,
    weights: readWeights(search.get('weights')),
    leastChance: readLeastChance(search.get('sure'), rules),
    groupBy: GROUPINGS.find((one) => one === search.get('group')) ?? 'none',
    sort: sortBy === null ? null : { by: sortBy, descending: search.get('falling') !== null },
    find: search.get('find') ?? '',
    pinnedIds: (search.get('pin') ?? '').split(',').filter(Boolean),
    openId: search.get('grade'),
    checkId: search.get('check'),
    built: search.get('built'),
    x: search.get('x') ?? undefined,
    y: search.get('y') ?? undefined,
    massG: massG > 0 ? massG : undefined,
  };
}
