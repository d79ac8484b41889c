import type { DryerSchedule, DryerScheduleRecord } from '@anvilstone/schema';
import { useCallback, useEffect, useState } from 'react';
import { useSaveScheduleMutation } from '../spools/spoolsApi.ts';

/** Several steps of one move are one change. */
const SETTLE_MS = 350;

/**
 * The schedule as it is here: what was changed a moment ago shows at once and is saved when it has settled, one save at a time.
 * A change is saved upon the revision that was seen when it was made, never upon a newer one of somebody else.
 */
export function useSavedSchedule(stored: DryerScheduleRecord) {
  const [saved, setSaved] = useState<DryerScheduleRecord>();
  const [mine, setMine] = useState<DryerScheduleRecord>();
  const [save, { error, isLoading }] = useSaveScheduleMutation();
  // An answer that was under way while a change was saved tells of the time before it.
  const { schedule, revision } = saved && saved.revision > stored.revision ? saved : stored;
  useEffect(() => {
    if (!mine || isLoading) return;
    const timer = setTimeout(() => {
      save(mine)
        .unwrap()
        .then(
          (answer) => {
            setSaved(answer);
            // What was changed meanwhile was changed upon what has just been saved.
            setMine((latest) => (latest === mine ? undefined : latest && { ...latest, revision: answer.revision }));
          },
          // Refused: what is stored shows again, and the notice says who was first.
          () => {
            setMine(undefined);
            setSaved(undefined);
          },
        );
    }, SETTLE_MS);
    return () => clearTimeout(timer);
  }, [mine, isLoading, save]);
  return {
    schedule: mine?.schedule ?? schedule,
    revision: mine?.revision ?? revision,
    saving: mine !== undefined || isLoading,
    /** @param on the revision that the change was made upon, if another than the one that shows */
    keep: useCallback(
      (next: DryerSchedule, on = revision) =>
        setMine((earlier) => ({ schedule: next, revision: earlier?.revision ?? on })),
      [revision],
    ),
    error,
  };
}
