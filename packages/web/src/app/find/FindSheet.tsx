import { SEARCH_KINDS, type SearchHit } from '@anvilstone/schema';
import { skipToken } from '@reduxjs/toolkit/query';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useId, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { controlLook } from '../../ui/fields.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { calledBy, commandsFor, matching } from './commands.ts';
import { conversions } from './conversions.ts';
import { useSearchQuery } from './findApi.ts';
import { useFocusBack } from '../../ui/useFocusBack.ts';

interface Row {
  id: string;
  group: string;
  title: string;
  line: string;
  snippet: string;
  to: string;
}

const MOST_PLACES = 6;
const FEWEST_LETTERS = 2;
const GROUPS: Record<SearchHit['kind'], string> = {
  part: 'Parts',
  grade: 'Grades',
  decision: 'Decisions',
  finding: 'Findings in service',
  'in-service': 'In service',
  campaign: 'Bench',
};

/** One field for everything: places, stages, what is written anywhere in the workshop, and quantities in other units. */
export function FindSheet({ onClose }: { onClose: () => void }) {
  const focusBack = useFocusBack();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const partId = /^\/parts\/([0-9a-f-]{36})/.exec(pathname)?.[1];
  const asked = useDeferredValue(typed.trim());
  const { currentData: hits, error, isFetching } = useSearchQuery(asked.length >= FEWEST_LETTERS ? asked : skipToken);
  const listId = useId();
  const places = matching(commandsFor(partId), typed)
    .slice(0, typed === '' ? undefined : MOST_PLACES)
    .map((one): Row => ({ ...one, group: 'Go to', line: '', snippet: '' }));
  // Never what was found, missed or broken for other words: Enter would open it, and “nothing” would be said too soon.
  const isAsked = asked.length >= FEWEST_LETTERS && asked === typed.trim();
  const found = isAsked ? rowsOf(hits ?? []) : [];
  // A place called by the beginning of its name leads, and stays where it is when what is written arrives;
  // else what is written comes before where to go.
  const called = places.filter(({ title }) => calledBy(title, typed));
  const rows = [...called, ...found, ...places.filter((place) => !called.includes(place))];
  const chosen = Math.min(at, rows.length - 1);
  const units = conversions(typed);
  const nothing =
    rows.length > 0 || units.length > 0
      ? undefined
      : typed.trim().length < FEWEST_LETTERS
        ? 'No match. Two letters search everything.'
        : isAsked && hits && !error && 'No match.';
  const go = (row: Row | undefined) => {
    if (!row) return;
    onClose();
    void navigate(row.to);
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/30" />
        <Dialog.Content
          onCloseAutoFocus={focusBack}
          aria-describedby={undefined}
          className="fixed top-0 bottom-0 left-19 z-50 flex w-[34rem] max-w-[calc(100vw-4.75rem)] flex-col border-r border-line bg-surface shadow-2xl"
        >
          <div className="border-b border-line p-3">
            <Dialog.Title className="mb-1 text-sm">Search</Dialog.Title>
            <input
              role="combobox"
              aria-expanded={rows.length > 0}
              aria-controls={listId}
              aria-activedescendant={rows[chosen] ? `${listId}-${chosen}` : undefined}
              aria-label="Search"
              autoFocus
              className={controlLook}
              value={typed}
              onChange={(event) => {
                setTyped(event.target.value);
                setAt(0);
              }}
              onKeyDown={(event) => {
                if (event.key === 'Enter') go(rows[chosen]);
                else if (event.key === 'ArrowDown') setAt(Math.min(rows.length - 1, chosen + 1));
                else if (event.key === 'ArrowUp') setAt(Math.max(0, chosen - 1));
                else return;
                event.preventDefault();
              }}
            />
            {units.length > 0 && <p className="mt-1.5 font-semibold">= {units.join(' = ')}</p>}
          </div>
          <div className="grow overflow-y-auto p-2" aria-busy={isFetching}>
            {isAsked && error !== undefined && <ProblemNotice error={error} />}
            {nothing && <p className="p-2 text-quiet">{nothing}</p>}
            <ul id={listId} role="listbox" aria-label="Found">
              {rows.map((row, i) => (
                <li
                  key={`${row.group} ${row.id}`}
                  id={`${listId}-${i}`}
                  role="option"
                  aria-selected={i === chosen}
                  ref={(element) => {
                    if (i === chosen) element?.scrollIntoView({ block: 'nearest' });
                  }}
                  className={`cursor-pointer rounded px-2 py-1 ${i === chosen ? 'bg-ember-ground' : 'hover:bg-sunken'}`}
                  onMouseMove={() => setAt(i)}
                  onClick={() => go(row)}
                >
                  {row.group !== rows[i - 1]?.group && (
                    <span className="block pt-1 text-xs text-quiet">{row.group}</span>
                  )}
                  <span className="font-semibold">{row.title}</span>
                  {row.line && <span className="text-sm text-quiet"> · {row.line}</span>}
                  {row.snippet && <Snippet text={row.snippet} />}
                </li>
              ))}
            </ul>
          </div>
          <p className="border-t border-line px-3 py-1.5 text-xs text-quiet">
            Arrows choose, Enter opens, Esc closes. A quantity such as “12 lbf” is told in other units.
          </p>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** Kinds together, the kind with the best hit first. */
function rowsOf(hits: readonly SearchHit[]): Row[] {
  const order = [...new Set([...hits.map(({ kind }) => kind), ...SEARCH_KINDS])];
  return order.flatMap((kind) =>
    hits
      .filter((hit) => hit.kind === kind)
      .map((hit) => ({
        id: hit.id,
        group: GROUPS[kind],
        title: hit.title,
        line: hit.line,
        snippet: hit.snippet,
        to: placeOf(hit),
      })),
  );
}

function placeOf({ kind, id, partId }: SearchHit): string {
  switch (kind) {
    case 'part':
      return `/parts/${id}/shortlist`;
    case 'grade':
      return `/grades/${id}`;
    case 'decision':
      return `/parts/${partId}/decision?record=${id}`;
    case 'finding':
      return `/parts/${partId}/service`;
    case 'in-service':
      return `/parts/${partId}/service?at=${id}`;
    case 'campaign':
      return `/bench/${id}`;
  }
}

/** The words that were found stand between « and ». */
function Snippet({ text }: { text: string }) {
  return (
    <span className="block text-sm text-quiet">
      {text.split(/[«»]/).map((piece, i) =>
        i % 2 === 1 ? (
          <mark key={i} className="bg-transparent font-semibold text-ink">
            {piece}
          </mark>
        ) : (
          piece
        ),
      )}
    </span>
  );
}
