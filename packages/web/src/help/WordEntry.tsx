import type { Word } from '../ui/words/word.ts';

/** A word of the list with what it means, within a dl. */
export function WordEntry({ word: { word, means, formula } }: { word: Word }) {
  return (
    <>
      <dt className="font-semibold">{word}</dt>
      <dd className="text-quiet">
        {means}
        {formula && <span className="block text-ink">{formula}</span>}
      </dd>
    </>
  );
}
