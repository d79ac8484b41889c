import type { Installation, InstallationRecord } from '@anvilstone/schema';
import { useInTurn } from '../../sync/store/useInTurn.ts';
import { useSaveInstallationMutation } from './serviceApi.ts';

/** Changes a part in service, one change after the other. */
export function useChangeInstallation({ installation, revision }: InstallationRecord) {
  const [save, { error, isLoading }] = useSaveInstallationMutation();
  const change = useInTurn(`installation ${installation.id}`, { installation, revision }, (record) =>
    save(record).unwrap(),
  );
  return {
    /** Resolves to whether it was saved. */
    change: (next: (installation: Installation) => Installation) =>
      change((newest) => ({ installation: next(newest.installation), revision: newest.revision })),
    error,
    isLoading,
  };
}
