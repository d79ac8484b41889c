import { FEWEST_FINALISTS, MOST_FINALISTS } from '@anvilstone/core/decisions';
import type { RankingPreferences } from '@anvilstone/core/evaluation';

import { useCallback, useEffect, useMemo } from 'react';
import { useAddress } from '../../sync/address/useAddress.ts';
import { usePartContext } from '../parts/partContext.ts';
import { usePreferred } from '../parts/usePreferred.ts';

import { useAnswer } from '../../workers/useAnswer.ts';

/** Told from who is compared at that moment: the table may still be of those before. */
export type ChooseFinalists = (change: (ids: readonly string[]) => readonly string[]) => void;

export interface Finalists {
  /** Undefined: not known yet. The first is the base. */
  ids: readonly string[] | undefined;
  /** They stand in the address, rather than being the leaders of the ranking methods. */
  chosen: boolean;
  choose: ChooseFinalists;
}

const KEY = 'anvilstone-finalists';

/**
 * The few that are compared: those of the address, else those compared last for this part on this computer, else the decided or pinned
 * one with whoever leads each ranking method, filled up from the first ranking method to two.
 */
export function useFinalists(preferences: RankingPreferences): Finalists {
  const { brief, library, partId } = usePartContext();
  const [search, setAddress] = useAddress();
  const text = search.get('grades');
  const known = useMemo(() => new Set(library.grades.map(({ id }) => id)), [library]);
  const usable = useCallback(
    (ids: readonly string[]) => [...new Set(ids)].filter((id) => known.has(id)).slice(0, MOST_FINALISTS),
    [known],
  );
  const inAddress = useMemo(() => (text === null ? undefined : usable(text.split(','))), [text, usable]);
  const { value: leaders } = useAnswer(
    library,
    'methodLeaders',
    inAddress === undefined ? [brief, preferences] : undefined,
  );
  useEffect(() => {
    if (inAddress && inAddress.length >= FEWEST_FINALISTS) remember(partId, inAddress);
  }, [partId, inAddress]);
  const last = useMemo(() => usable(remembered()[partId] ?? []), [partId, usable]);
  const { preferred, known: decided } = usePreferred();
  const usual = useMemo(() => {
    if (!leaders || !decided) return undefined;
    return preferred ? usable([preferred.gradeId, ...leaders]) : leaders;
  }, [leaders, decided, preferred, usable]);
  const ids = inAddress ?? (last.length >= FEWEST_FINALISTS ? last : usual);
  const choose = useCallback<ChooseFinalists>(
    (change) =>
      setAddress((newest) => {
        const listed = newest.get('grades');
        // An empty choice is a choice too: it must not fall back to the leaders.
        return { grades: change(listed === null ? (ids ?? []) : usable(listed.split(','))).join(',') || '-' };
      }),
    [setAddress, ids, usable],
  );
  return { ids, chosen: inAddress !== undefined, choose };
}

function remembered(): Record<string, string[]> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, string[]>;
  } catch {
    return {};
  }
}

function remember(partId: string, ids: readonly string[]): void {
  localStorage.setItem(KEY, JSON.stringify({ ...remembered(), [partId]: ids }));
}
