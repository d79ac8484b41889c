/** What a screen is for, said to somebody who sees it for the first time. */
export interface ScreenHelp {
  /** Of its address, as the router writes it. */
  path: string;
  title: string;
  /** The question it answers. */
  question: string;
  /** What one does here, in the order one does it. */
  does: readonly string[];
  /** Of the list of words. */
  words: readonly string[];
  keys?: readonly (readonly [keys: string, does: string])[];
}
