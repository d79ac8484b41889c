import { defaultHouseRules } from '@anvilstone/core';
import { houseRules as schema, type HouseRules, type HouseRulesRecord } from '@anvilstone/schema';
import { useEffect, useState } from 'react';
import { api, useHouseRulesQuery } from '../app/api.ts';
import { asProblem } from '../app/problem.ts';
import { Button } from '../ui/Button.tsx';
import { Loading } from '../ui/Loading.tsx';
import { Panel } from '../ui/Panel.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';
import { QuantityField, type Bounds } from '../ui/QuantityField.tsx';
import { useUndoable } from '../ui/useUndoable.ts';

const { useSaveHouseRulesMutation } = api.injectEndpoints({
  endpoints: (build) => ({
    saveHouseRules: build.mutation<HouseRulesRecord, HouseRulesRecord>({
      query: (body) => ({ url: 'house-rules', method: 'PUT', body }),
      invalidatesTags: ['HouseRules'],
    }),
  }),
});

const SCHOOLS = [
  {
    id: 'bench-first',
    title: 'Own bench first',
    means:
      'Three or more specimens of your own lead; else the maker’s data sheet, knocked down. The two are never averaged. This is the default: it measures what your machines make.',
  },
  {
    id: 'datasheet',
    title: 'Data sheet first',
    means:
      'The maker’s numbers lead, carried over where need be. For workshops that print as the maker does and test little.',
  },
  {
    id: 'lower-of-both',
    title: 'The lower of both',
    means:
      'Where both exist, the lower one counts. Careful, and dearer: one unlucky campaign decides until it is repeated.',
  },
] as const;

type NumberRule = Exclude<keyof HouseRules, 'evidenceSchool'>;
const GROUPS: readonly {
  title: string;
  rules: readonly { name: NumberRule; title: string; dimension: 'ratio' | 'temperature' | 'money'; means: string }[];
}[] = [
  {
    title: 'Knock-downs on reported values',
    rules: [
      {
        name: 'datasheetStrengthFactor',
        title: 'Data sheet strength ×',
        dimension: 'ratio',
        means: 'A maker’s best print is rarely yours',
      },
      {
        name: 'datasheetModulusFactor',
        title: 'Data sheet modulus ×',
        dimension: 'ratio',
        means: 'The same for stiffness',
      },
      {
        name: 'mouldedToPrintedStrengthFactor',
        title: 'Moulded → printed, strength ×',
        dimension: 'ratio',
        means: 'Solid printed bar in the layer plane over a moulded one',
      },
      {
        name: 'mouldedToPrintedModulusFactor',
        title: 'Moulded → printed, modulus ×',
        dimension: 'ratio',
        means: 'The same for stiffness',
      },
    ],
  },
  {
    title: 'Printing',
    rules: [
      {
        name: 'ptfeLimitC',
        title: 'PTFE-lined hot end, at most',
        dimension: 'temperature',
        means: 'Above about 240 °C the lining gives off toxic fumes',
      },
      {
        name: 'printTimeFactor',
        title: 'Print time over pure extrusion ×',
        dimension: 'ratio',
        means: 'Travel, corners and small layers',
      },
      {
        name: 'purgeShare',
        title: 'Purge, share of the part',
        dimension: 'ratio',
        means: 'Filament lost to starting up',
      },
      {
        name: 'scrapShare',
        title: 'Prints that fail, share',
        dimension: 'ratio',
        means: 'Good parts pay for the others',
      },
      {
        name: 'labourPerPartUsd',
        title: 'Labour for one print',
        dimension: 'money',
        means: 'Starting, taking off, cleaning',
      },
    ],
  },
];

/** Whose numbers lead and which factors carry them over. Every evaluation follows; frozen decisions keep theirs. */
export function HouseRulesPage() {
  const { data: record, error } = useHouseRulesQuery();
  if (error) {
    return (
      <main className="p-6">
        <ProblemNotice error={error} />
      </main>
    );
  }
  return record ? <RulesForm record={record} /> : <Loading what="the house rules" />;
}

const SAVE_AFTER_MS = 500;

function RulesForm({ record }: { record: HouseRulesRecord }) {
  const { now: rules, edit, undo, redo, reset, canUndo, canRedo } = useUndoable(record.rules);
  const [revision, setRevision] = useState(record.revision);
  const [stored, setStored] = useState(record.rules);
  const [save, { error, isLoading, reset: forget }] = useSaveHouseRulesMutation();
  const changed = rules !== stored;
  const newer = error === undefined ? undefined : (asProblem(error).current as HouseRulesRecord | undefined);

  useEffect(() => {
    if (!changed || error !== undefined) return;
    const timer = setTimeout(() => {
      save({ rules, revision })
        .unwrap()
        .then((saved) => {
          setRevision(saved.revision);
          setStored(rules);
        })
        .catch(() => undefined); // shown from the mutation's own error
    }, SAVE_AFTER_MS);
    return () => clearTimeout(timer);
  }, [rules, revision, changed, error, save]);

  const set = (change: Partial<HouseRules>, field: string) => {
    forget();
    edit({ ...rules, ...change }, field);
  };
  return (
    <main className="max-w-280 p-5">
      <header className="mb-3 flex items-start justify-between gap-6">
        <div>
          <h1 className="text-xl">House rules</h1>
          <p className="text-quiet">
            Policy of this workshop. Every shortlist follows at once; decisions already frozen keep the rules they were
            made under.
          </p>
        </div>
        <div className="flex shrink-0 items-center gap-2">
          <span role="status" className="text-xs text-quiet">
            {error !== undefined ? 'Not saved' : isLoading ? 'Saving …' : changed ? 'Waiting to save' : 'Saved'}
          </span>
          <Button look="quiet" disabled={!canUndo} onClick={undo}>
            Undo
          </Button>
          <Button look="quiet" disabled={!canRedo} onClick={redo}>
            Redo
          </Button>
          <Button onClick={() => set(defaultHouseRules, 'default')}>As in a new workshop</Button>
        </div>
      </header>
      {error !== undefined && (
        <ProblemNotice error={error}>
          {newer && (
            <Button
              className="mt-2"
              onClick={() => {
                forget();
                setRevision(newer.revision);
                setStored(newer.rules);
                reset(newer.rules);
              }}
            >
              Take the newer rules
            </Button>
          )}
        </ProblemNotice>
      )}
      <Panel title="Whose numbers lead" className="mb-4">
        <div role="radiogroup" aria-label="Whose numbers lead" className="grid grid-cols-3 gap-3">
          {SCHOOLS.map(({ id, title, means }) => (
            <label
              key={id}
              className={`block cursor-pointer rounded border p-3 ${rules.evidenceSchool === id ? 'border-ember bg-ember-ground' : 'border-line'}`}
            >
              <span className="flex items-center gap-2 font-semibold">
                <input
                  type="radio"
                  name="school"
                  className="accent-(--ember)"
                  checked={rules.evidenceSchool === id}
                  onChange={() => set({ evidenceSchool: id }, `school ${id}`)}
                />
                {title}
              </span>
              <span className="mt-1 block text-sm text-quiet">{means}</span>
            </label>
          ))}
        </div>
      </Panel>
      {GROUPS.map(({ title, rules: of }) => (
        <Panel key={title} title={title} className="mb-4">
          <div className="grid grid-cols-4 gap-4">
            {of.map(({ name, title: label, dimension, means }) => (
              <QuantityField
                key={name}
                label={label}
                dimension={dimension}
                value={rules[name]}
                bounds={schema.properties[name] as Bounds}
                hint={`${means}${rules[name] === defaultHouseRules[name] ? '' : ` (new workshop: ${defaultHouseRules[name]})`}`}
                onChange={(value) => set({ [name]: value }, name)}
              />
            ))}
          </div>
        </Panel>
      ))}
    </main>
  );
}
