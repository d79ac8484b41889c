import { dueInspections, type DueInspection } from '@anvilstone/core/evidence';
import { useMemo, useState } from 'react';
import { useFindingsQuery, useInstallationsQuery } from './serviceApi.ts';

/** Inspections due at every part in service; undefined: not known yet. */
export function useDue(): DueInspection[] | undefined {
  const { data: installations } = useInstallationsQuery();
  const { data: findings } = useFindingsQuery();
  const [now] = useState(() => new Date().toISOString());
  return useMemo(
    () =>
      installations &&
      findings &&
      dueInspections(
        installations.map(({ installation }) => installation),
        findings.map(({ finding }) => finding),
        now,
      ),
    [installations, findings, now],
  );
}
