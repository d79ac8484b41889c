/** A spool that has to be dry by a time. Times are hours from now. */
export interface SpoolToDry {
  id: string;
  /** Drying air that `hours` belong to, °C. */
  dryingC: number;
  /** Hotter it fuses on the spool, °C. @default dryingC */
  limitC?: number;
  hours: number;
  needByH: number;
  /** Not at hand before. @default 0 */
  fromH?: number;
}

export interface Dryer {
  id: string;
  slots: number;
  maximumC: number;
  /** Busy until then. @default 0 */
  freeH?: number;
}

/** Cooler by more than this water hardly leaves, K. */
export const MOST_COOLER_K = 25;
