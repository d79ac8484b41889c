import {
  EQUAL_WEIGHTS,
  findSchool,
  GROUPINGS,
  MERIT_CRITERIA,
  type Grouping,
  type MeritWeights,
  type RankingSchool,
} from '@anvilstone/core';
import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import type { Sort } from './SortHead.tsx';

export const VIEWS = ['drawn', 'sized', 'equal-mass', 'map'] as const;
export type View = (typeof VIEWS)[number];

/** Chances that can be asked for, as shares. */
export const SURENESS = [0.5, 0.8, 0.9, 0.95, 0.99] as const;

/** Everything that is set on the shortlist, read from the address, so that a view can be sent, kept and gone back to. */
export interface ShortlistAddress {
  view: View;
  school: RankingSchool;
  /** The school before the last change, so that what moved can be shown. */
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

export type SetAddress = (change: Record<string, string | null>, replace?: boolean) => void;

export function useShortlistAddress(usualSchoolId: string | undefined): [ShortlistAddress, SetAddress] {
  const [search, setSearch] = useSearchParams();
  const set = useCallback<SetAddress>(
    (change, replace = false) =>
      setSearch(
        (before) => {
          const next = new URLSearchParams(before);
          for (const [key, value] of Object.entries(change)) {
            if (value === null || value === '') next.delete(key);
            else next.set(key, value);
          }
          return next;
        },
        { replace },
      ),
    [setSearch],
  );
  const address = useMemo(() => readShortlistAddress(search, usualSchoolId), [search, usualSchoolId]);
  return [address, set];
}

export function readShortlistAddress(search: URLSearchParams, usualSchoolId?: string): ShortlistAddress {
  const sortBy = search.get('sort');
  const sure = Number(search.get('sure'));
  const massG = Number(search.get('mass'));
  const was = search.get('was');
  return {
    view: VIEWS.find((one) => one === search.get('view')) ?? 'drawn',
    school: findSchool(search.get('school') ?? usualSchoolId),
    previousSchoolId: was === null ? undefined : findSchool(was).id,
    weights: readWeights(search.get('weights')),
    leastChance: SURENESS.find((one) => one === sure),
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

/** “20,20,20,20,20” in the order of the criteria; what is not whole numbers from 0 to 100 is left aside. */
export function readWeights(text: string | null): MeritWeights {
  const parts = (text ?? '').split(',').map(Number);
  const usable =
    text !== null &&
    parts.length === MERIT_CRITERIA.length &&
    parts.every((one) => Number.isInteger(one) && one >= 0 && one <= 100) &&
    parts.some((one) => one > 0);
  if (!usable) return EQUAL_WEIGHTS;
  return Object.fromEntries(MERIT_CRITERIA.map(({ id }, i) => [id, parts[i]!])) as MeritWeights;
}

export const weightsText = (weights: MeritWeights) => MERIT_CRITERIA.map(({ id }) => weights[id]).join(',');
