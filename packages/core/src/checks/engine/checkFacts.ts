/** Failure modes in service, as those of the library of evidence name them. */
export type FailureModeId =
  | 'sagged'
  | 'lost-hold'
  | 'fatigue-crack'
  | 'layers-parted'
  | 'torn'
  | 'buckled'
  | 'shattered'
  | 'softened'
  | 'crazed'
  | 'weathered'
  | 'worn';

/**
 * What else is known of a check than its arithmetic. Sizing, probability, bench and service read these fields: the next check says them of
 * itself, and nothing else is touched.
 */
export interface CheckFacts {
  /** Failure mode seen in service when it is not met; absent: not in a way that is seen there. */
  failsAs?: FailureModeId;
  /** Bench methods whose result bears on it, by id; absent: none does. */
  testedBy?: readonly string[];
  /** A larger part makes it worse: it limits a size from above. */
  worseWhenLarger?: true;
  /** A limit that somebody set on mass or money: its reserve tells of the limit more than of the grade. */
  isBudget?: true;
  /** Reserve 1 is where the part breaks on the bench: pulled or pushed until it goes, or struck. */
  breaksUnder?: 'force' | 'blow';
  /**
   * What its reserve scatters with. loads: with each of its load cases, as they are evaluated. stiffness: with modulus and load. heat: with the
   * grade’s heat curve. form: with its form limit, and by its evidence. brittleness: all such checks at once. mass, price: by what those vary.
   * Absent: by its evidence alone.
   */
  scatter?: 'loads' | 'stiffness' | 'heat' | 'form' | 'brittleness' | 'mass' | 'price';
}
