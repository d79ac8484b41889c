import {
  defaultCompanyRules,
  ruleChanges,
  RULE_GROUPS,
  ruleMeanings,
  ruleValue,
  type RuleId,
} from '@anvilstone/core/materials';
import type { CompanyRules, CompanyRulesRecord } from '@anvilstone/schema';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { useCompanyRulesQuery, usePartsQuery } from '../../sync/api/api.ts';
import { asProblem } from '../../sync/api/problem.ts';
import { useOwnName } from '../../sync/api/useOwnName.ts';
import { Button } from '../../ui/Button.tsx';
import { TextField } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useUndoable } from '../../ui/useUndoable.ts';
import { useLibrary } from '../../workers/useLibrary.ts';
import { PageHead } from '../../ui/PageHead.tsx';
import { ImpactPanel } from './ImpactPanel.tsx';
import { RuleField } from './RuleField.tsx';
import { RulesHistory } from './RulesHistory.tsx';
import { useSaveCompanyRulesMutation } from './rulesApi.ts';

/**
 * The workshop's policy: every value with its reason. Changing one shows at once which parts' answers it would move; only
 * putting it in force, with a name to it, makes it count.
 */
export function CompanyRulesPage() {
  const { data: record, error } = useCompanyRulesQuery();
  if (error) {
    return (
      <main className="p-5">
        <ProblemNotice error={error} />
      </main>
    );
  }
  return record ? <RulesForm record={record} /> : <Loading what="the company rules" />;
}

/** A campaign found strengths other than expected: the knock-down that would have told them, to be tried before it counts. */
function MeasuredScale({ rules, onTry }: { rules: CompanyRules; onTry: (value: number) => void }) {
  const [search] = useSearchParams();
  const scale = Number(search.get('scale') ?? NaN);
  if (!(scale > 0)) return null;
  const value = Number(Math.min(1, Math.max(0.05, rules.datasheetStrengthFactor * scale)).toFixed(3));
  return (
    <p className="mb-3 rounded border border-line bg-surface px-3 py-2 text-sm">
      On the bench strength came out × {scale.toFixed(2)} of what was expected. A knock-down of {value} on data sheets’
      strength would have told it. One grade does not make a rule: try it and see the effect.{' '}
      <Button onClick={() => onTry(value)}>Try {value}</Button>
    </p>
  );
}

/** A part in service found a rule too kind: a value that would have told it, to be tried before it counts. */
function SuggestedRule({ rules, onTry }: { rules: CompanyRules; onTry: (id: RuleId, value: number) => void }) {
  const [search] = useSearchParams();
  const meaning = ruleMeanings.find(({ id }) => id === search.get('try'));
  const value = Number(search.get('value') ?? NaN);
  if (!meaning || !Number.isFinite(value)) return null;
  return (
    <p className="mb-3 rounded border border-line bg-surface px-3 py-2 text-sm">
      What was found in service would have been predicted with “{meaning.title}” at {ruleValue(meaning, value)} in place
      of {ruleValue(meaning, rules[meaning.id])}. One part does not make a rule: try it and see the effect.{' '}
      <Button onClick={() => onTry(meaning.id, value)}>Try {ruleValue(meaning, value)}</Button>
    </p>
  );
}

function RulesForm({ record }: { record: CompanyRulesRecord }) {
  const [inForce, setInForce] = useState(record);
  const { now: rules, edit, undo, redo, reset, canUndo, canRedo } = useUndoable<CompanyRules>(record.rules);
  const changes = ruleChanges(inForce.rules, rules);
  const take = (newer: CompanyRulesRecord) => {
    setInForce(newer);
    reset(newer.rules);
  };
  const set = (id: RuleId, value: number | string | undefined) => {
    const { [id]: _was, ...rest } = rules;
    edit((value === undefined ? rest : { ...rest, [id]: value }) as CompanyRules, id);
  };
  return (
    <main className="p-5">
      <PageHead
        title="Company rules"
        says="Policy values, each with its reason. Changes apply once put into force; frozen decisions keep the rules they were made under."
      >
        <Button look="quiet" disabled={!canUndo} onClick={undo}>
          Undo
        </Button>
        <Button look="quiet" disabled={!canRedo} onClick={redo}>
          Redo
        </Button>
        <Button onClick={() => edit(defaultCompanyRules, 'default')}>Reset to defaults</Button>
      </PageHead>
      <MeasuredScale rules={rules} onTry={(value) => set('datasheetStrengthFactor', value)} />
      <SuggestedRule rules={rules} onTry={(id, value) => set(id, value)} />
      <div className="grid grid-cols-[minmax(0,1fr)_27rem] narrow:grid-cols-1 items-start gap-4">
        <div className="flex flex-col gap-4">
          {RULE_GROUPS.map((group) => (
            <Panel key={group} title={group}>
              <div className="-my-4">
                {ruleMeanings
                  .filter((meaning) => meaning.group === group)
                  .map((meaning) => (
                    <RuleField
                      key={meaning.id}
                      meaning={meaning}
                      rules={rules}
                      onChange={(value) => set(meaning.id, value)}
                      onClear={meaning.id === 'machineHourUsd' ? () => set(meaning.id, undefined) : undefined}
                    />
                  ))}
              </div>
            </Panel>
          ))}
        </div>
        <div className="sticky top-4 flex max-h-[calc(100vh-2rem)] flex-col gap-4 overflow-y-auto">
          {changes.length > 0 && (
            <Pending rules={rules} inForce={inForce} onTake={take} onDrop={() => reset(inForce.rules)} />
          )}
          <RulesHistory onTake={(earlier) => edit(earlier, 'earlier')} />
        </div>
      </div>
    </main>
  );
}

/** What is changed and not yet in force, what it would move, and the signature. */
function Pending({
  rules,
  inForce,
  onTake,
  onDrop,
}: {
  rules: CompanyRules;
  inForce: CompanyRulesRecord;
  onTake: (record: CompanyRulesRecord) => void;
  onDrop: () => void;
}) {
  const [who, setWho] = useState(useOwnName());
  const [why, setWhy] = useState('');
  const [save, { error, isLoading, reset: forget }] = useSaveCompanyRulesMutation();
  const { data: parts } = usePartsQuery();
  const { library } = useLibrary();
  const newer = error === undefined ? undefined : (asProblem(error).current as CompanyRulesRecord | undefined);
  const changes = ruleChanges(inForce.rules, rules);
  return (
    <>
      <Panel title="Changed, not yet in force">
        <ul className="mb-3 text-sm">
          {changes.map(({ meaning, from, to }) => (
            <li key={meaning.id}>
              {meaning.title}: {ruleValue(meaning, from)} → <strong>{ruleValue(meaning, to)}</strong>
            </li>
          ))}
        </ul>
        <form
          className="flex flex-col gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            save({ rules, revision: inForce.revision, changedBy: who.trim(), why: why.trim() })
              .unwrap()
              .then((saved) => {
                setWhy('');
                onTake({ ...saved, rules });
              })
              .catch(() => undefined); // shown from the mutation's own error
          }}
        >
          <TextField label="Your name" value={who} maxLength={120} onChange={setWho} />
          <TextField label="Reason" value={why} maxLength={1000} onChange={setWhy} />
          <div className="flex gap-2">
            <Button look="primary" type="submit" disabled={who.trim() === '' || isLoading}>
              Put into force
            </Button>
            <Button look="quiet" type="button" onClick={onDrop}>
              Discard changes
            </Button>
          </div>
          {who.trim() === '' && <p className="text-xs text-quiet">Changes are signed: enter your name.</p>}
        </form>
        {error !== undefined && (
          <ProblemNotice error={error}>
            {newer && (
              <Button
                className="mt-2"
                onClick={() => {
                  forget();
                  onTake(newer);
                }}
              >
                Use the newer rules
              </Button>
            )}
          </ProblemNotice>
        )}
      </Panel>
      {parts && library && <ImpactPanel rules={rules} parts={parts} library={library} />}
    </>
  );
}
