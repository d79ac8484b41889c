import { useInstrumentsQuery } from '../../../shop/instruments/instrumentsApi.ts';

/** Of the stand-in; a real gauge does not say over the line how far it reads, so its range is typed in. */
const STAND_IN_GAUGE_N = 500;

/** Largest force the gauge at hand reads, N. `waiting`: the instruments have not been asked yet. */
export function useGaugeCapacity(): { capacityN: number | undefined; waiting: boolean } {
  const { data, isLoading } = useInstrumentsQuery();
  const standIn = data?.some(({ kind, behaviour }) => kind === 'force-gauge' && behaviour !== undefined);
  return { capacityN: standIn ? STAND_IN_GAUGE_N : undefined, waiting: isLoading };
}
