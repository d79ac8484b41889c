import { PROPERTY_DEFINITIONS, reportedText } from '@anvilstone/core/materials';
import { PROPERTIES, type Observation } from '@anvilstone/schema';
import { useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { conditionWords, SOURCE_WORDS } from '../conditionWords.ts';
import type { Section } from './section.ts';
import { ObservationForm } from './ObservationForm.tsx';

/** All reports of a grade, in the order of the property list; one at a time is open for editing. */
export function ObservationsEditor({ grade, edit, issueAt }: Section) {
  const [openId, setOpenId] = useState<string | null>(null);
  const { observations } = grade;
  const set = (next: Observation[], field: string) => edit({ observations: next }, field);
  const add = (like?: Observation) => {
    const id = freeId(grade.id || 'observation', observations);
    const fresh: Observation = like
      ? { ...like, id }
      : { id, property: 'tensileStrength', unit: 'MPa', source: 'bench', specimen: 'printed', reference: '' };
    set([...observations, fresh], `add ${id}`);
    setOpenId(id);
  };
  const ordered = observations
    .map((one, i) => ({ one, i }))
    .sort((a, b) => PROPERTIES.indexOf(a.one.property) - PROPERTIES.indexOf(b.one.property) || a.i - b.i);
  return (
    <Panel
      title={`Evidence (${observations.length} reports)`}
      aside={<Button onClick={() => add()}>Add a report</Button>}
    >
      {observations.length === 0 && (
        <p className="text-quiet">No reports yet: every value is a family estimate or unknown. Add a report.</p>
      )}
      <ul>
        {ordered.map(({ one, i }) => {
          const faulty = ['id', 'value', 'low', 'unit', 'classValue', 'reference'].some(
            (field) => issueAt(`/observations/${i}/${field}`) !== undefined,
          );
          const open = openId === one.id;
          return (
            <li key={one.id} className="border-b border-line py-1">
              <div className="flex items-baseline gap-3 narrow:flex-wrap text-sm">
                <button
                  type="button"
                  aria-expanded={open}
                  className="w-60 shrink-0 text-left hover:underline"
                  onClick={() => setOpenId(open ? null : one.id)}
                >
                  <span aria-hidden="true" className="mr-1 inline-block w-3 text-quiet">
                    {open ? '▾' : '▸'}
                  </span>
                  {PROPERTY_DEFINITIONS[one.property].title}
                </button>
                <span className="w-40 shrink-0 font-semibold">{reportedText(one)}</span>
                <span className="min-w-0 grow truncate text-quiet">
                  {conditionWords(one)
                    .map(({ text }) => text)
                    .join(', ')}
                </span>
                <span className="w-56 shrink-0 truncate text-quiet">
                  {SOURCE_WORDS[one.source]}: {one.reference}
                </span>
                {faulty && <span className="text-fail">corrected</span>}
                <Button
                  look="quiet"
                  className="shrink-0 px-1 py-0 text-xs whitespace-nowrap"
                  onClick={() => add(one)}
                  aria-label={`Copy ${PROPERTY_DEFINITIONS[one.property].title}`}
                >
                  Copy
                </Button>
                <Button
                  look="quiet"
                  className="shrink-0 px-1 py-0 text-xs whitespace-nowrap"
                  aria-label={`Delete ${PROPERTY_DEFINITIONS[one.property].title}`}
                  onClick={() =>
                    set(
                      observations.filter(({ id }) => id !== one.id),
                      `remove ${one.id}`,
                    )
                  }
                >
                  Delete
                </Button>
              </div>
              {open && (
                <ObservationForm
                  observation={one}
                  issueAt={(field) => issueAt(`/observations/${i}/${field}`)}
                  onChange={(next, field) =>
                    set(
                      observations.map((other) => (other.id === one.id ? next : other)),
                      `${one.id}.${field}`,
                    )
                  }
                />
              )}
            </li>
          );
        })}
      </ul>
    </Panel>
  );
}

function freeId(stem: string, observations: readonly Observation[]): string {
  const taken = new Set(observations.map(({ id }) => id));
  let n = observations.length + 1;
  while (taken.has(`${stem}-${n}`)) n++;
  return `${stem}-${n}`;
}
