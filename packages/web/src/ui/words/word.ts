/** A term and what it means here. */
export interface Word {
  id: string;
  word: string;
  means: string;
  /** The arithmetic in one line, where there is one. */
  formula?: string;
  group:
    | 'Judging'
    | 'Loads'
    | 'Heat and time'
    | 'Evidence'
    | 'Bench and records'
    | 'Printing'
    | 'Fibre'
    | 'Surroundings';
}
