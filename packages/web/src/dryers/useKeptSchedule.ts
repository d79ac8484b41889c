import type { DryerSchedule, DryerScheduleRecord } from '@anvilstone/schema';
import { useCallback, useEffect, useState } from 'react';
import { useSaveScheduleMutation } from '../spools/spoolsApi.ts';

/** Several steps of one move are one change. */
const SETTLE_MS = 350;

/** The schedule as it is here: what was changed a moment ago shows at once and is saved when it has settled, one save at a time. */
export function useKeptSchedule({ schedule, revision }: DryerScheduleRecord) {
  const [mine, setMine] = useState<DryerSchedule>();
  const [save, { error, isLoading }] = useSaveScheduleMutation();
  useEffect(() => {
    if (!mine || isLoading) return;
    const timer = setTimeout(() => {
      const settle = () => setMine((latest) => (latest === mine ? undefined : latest));
      // Refused: what is stored shows again, and the notice says who was first.
      save({ schedule: mine, revision }).unwrap().then(settle, settle);
    }, SETTLE_MS);
    return () => clearTimeout(timer);
  }, [mine, isLoading, revision, save]);
  return {
    schedule: mine ?? schedule,
    revision,
    saving: mine !== undefined || isLoading,
    keep: useCallback((next: DryerSchedule) => setMine(next), []),
    error,
  };
}
