import type { BuildOrientation } from '@anvilstone/schema';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useDecisionsQuery } from '../../sync/api/api.ts';
import { usePartContext } from './partContext.ts';

/** The grade that every stage of a part opens on, before anybody looks at another there. */
export interface Preferred {
  gradeId: string;
  /** As it was decided; undefined: its best build orientation. */
  orientation: BuildOrientation | undefined;
  because: 'decided' | 'pinned';
}

/**
 * What was decided last, else the first that is pinned. Undefined: neither, so whoever comes first. `known` is false until the decisions
 * have come.
 */
export function usePreferred(): { preferred: Preferred | undefined; known: boolean } {
  const { library, partId } = usePartContext();
  const { data: decisions, isError } = useDecisionsQuery(partId);
  const [search] = useSearchParams();
  const pins = search.get('pin') ?? rememberedPins(partId);
  const preferred = useMemo((): Preferred | undefined => {
    const isThere = (id: string) => library.grades.some((grade) => grade.id === id);
    const [newest] = [...(decisions ?? [])].sort((a, b) => b.number - a.number);
    if (newest && isThere(newest.gradeId))
      return { gradeId: newest.gradeId, orientation: newest.orientation, because: 'decided' };
    const pinned = pins.split(',').find(isThere);
    return pinned === undefined ? undefined : { gradeId: pinned, orientation: undefined, because: 'pinned' };
  }, [library, decisions, pins]);
  return { preferred, known: decisions !== undefined || isError };
}

const KEY = 'anvilstone-pinned';

function remembered(): Record<string, string> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, string>;
  } catch {
    return {};
  }
}

const rememberedPins = (partId: string): string => remembered()[partId] ?? '';

/** Pins stand in the address of the shortlist; the other stages open on them too, on this computer. */
export function rememberPins(partId: string, gradeIds: readonly string[]): void {
  localStorage.setItem(KEY, JSON.stringify({ ...remembered(), [partId]: gradeIds.join(',') }));
}
