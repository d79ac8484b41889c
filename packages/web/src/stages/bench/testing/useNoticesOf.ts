import type { PartNotice } from '@anvilstone/schema';
import { useNoticesQuery } from '../benchApi.ts';

/** Notices of one part, newest first. */
export function useNoticesOf(partId: string): readonly PartNotice[] {
  const { data } = useNoticesQuery();
  return data?.filter((one) => one.partId === partId) ?? [];
}
