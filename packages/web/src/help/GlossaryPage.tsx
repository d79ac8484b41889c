import { useMemo } from 'react';
import { useAddress } from '../sync/address/useAddress.ts';
import { PageHead } from '../ui/PageHead.tsx';
import { wordsLike } from '../ui/words/words.ts';
import { WordEntry } from './WordEntry.tsx';

/** Every word of the field that the screens use, to look through, to search and to print. */
export function GlossaryPage() {
  const [address, change] = useAddress();
  const typed = address.get('find') ?? '';
  const words = useMemo(() => wordsLike(typed), [typed]);
  const groups = [...new Set(words.map(({ group }) => group))];
  return (
    <main className="max-w-6xl p-5">
      <PageHead
        title="Words"
        says="Terms used in Anvilstone. The same explanations appear wherever a word is underlined with dots."
      />
      <label className="no-print mb-4 block w-80 max-w-full text-xs text-quiet">
        Find a term
        <input
          type="search"
          value={typed}
          className="mt-0.5 block w-full rounded border border-line-strong bg-surface px-2 py-1 text-base text-ink"
          onChange={(event) => change({ find: event.target.value }, true)}
        />
      </label>
      <p role="status" className="sr-only">
        {words.length} words
      </p>
      {words.length === 0 && <p className="text-quiet">No term matches “{typed}”. Try a shorter one.</p>}
      {groups.map((group) => (
        <section key={group} aria-label={group} className="mb-6">
          <h2 className="mb-2 border-b border-line pb-1 text-base">{group}</h2>
          <dl className="columns-2 gap-8">
            {words
              .filter((one) => one.group === group)
              .map((one) => (
                <div key={one.id} id={one.id} className="mb-3 break-inside-avoid">
                  <WordEntry word={one} />
                </div>
              ))}
          </dl>
        </section>
      ))}
    </main>
  );
}
