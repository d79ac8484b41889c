import type { Spool, SpoolInStock, SpoolRecord } from '@anvilstone/schema';
import { useInTurn } from '../../sync/store/useInTurn.ts';
import { useSaveSpoolMutation } from './spoolsApi.ts';

/** Changes a spool, one change after the other. */
export function useChangeSpool({ spool, revision }: SpoolInStock) {
  const [save, { error, isLoading }] = useSaveSpoolMutation();
  const change = useInTurn(`spool ${spool.id}`, { spool, revision }, (record: SpoolRecord) => save(record).unwrap());
  return {
    /** Resolves to whether it was saved. */
    change: (next: (spool: Spool) => Spool) =>
      change((newest) => ({ spool: next(newest.spool), revision: newest.revision })),
    error,
    isLoading,
  };
}
