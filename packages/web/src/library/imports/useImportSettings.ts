import type { ImportSettings } from '@anvilstone/schema';
import { useCallback, useEffect, useState } from 'react';
import { useChangeImportMutation } from './importsApi.ts';

/** A change is told from the newest settings: what is shown of them may be older than the last answer given. */
export type ChangeImportSettings = (change: (newest: ImportSettings) => Partial<ImportSettings>) => void;

/**
 * How an import is read, as it is here: what was chosen a moment ago shows at once and is sent, one request at a time and never an
 * older one after a newer. From the first change on, the settings of this page lead until it is left: the server is asked again
 * and again meanwhile, and an answer that was under way knows nothing of the last change.
 */
export function useImportSettings(id: string, stored: ImportSettings) {
  const [mine, setMine] = useState<ImportSettings>();
  const [sent, setSent] = useState<ImportSettings>();
  const [send, { error, isLoading }] = useChangeImportMutation();
  useEffect(() => {
    if (!mine || mine === sent || isLoading) return;
    // What is refused stays on the screen with the reason, and is sent with the next change.
    void send({ id, settings: mine }).finally(() => setSent(mine));
  }, [id, mine, sent, isLoading, send]);
  return {
    settings: mine ?? stored,
    /** Something chosen here is not at the server yet. */
    isPending: mine !== sent,
    error,
    change: useCallback<ChangeImportSettings>(
      (change) =>
        setMine((latest) => {
          const newest = latest ?? stored;
          return { ...newest, ...change(newest) };
        }),
      [stored],
    ),
  };
}
