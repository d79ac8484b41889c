import { orientationChoices } from '../../ui/orientationChoices.ts';
import { findCheck } from '@anvilstone/core/checks';
import { rejectionReasons, unknownRisks } from '@anvilstone/core/decisions';
import { findRankingMethod } from '@anvilstone/core/evaluation';
import { formatReserve, inSentence } from '@anvilstone/core/foundations';
import { type BuildOrientation, type EvaluationEntry } from '@anvilstone/schema';

import { useMemo, useState } from 'react';
import { useFreezeDecisionMutation } from '../../sync/api/api.ts';
import { refusedAt } from '../../sync/api/problem.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { useWholeAddress } from '../../sync/address/useAddress.ts';
import { usePartContext } from '../parts/partContext.ts';
import { useOwnName } from '../../sync/api/useOwnName.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, TextArea, TextField } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { NoGrades } from '../parts/list/NoGrades.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { Reserve, statusWord } from '../../ui/Reserve.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';
import { useSay } from '../../ui/useSay.ts';
import { usePreferences } from '../shortlist/ranking/usePreferences.ts';

/** Pick, reasons, open risks, freeze. What the calculation itself cannot vouch for is offered as open risks. */
export function ChoiceForm({ onFrozen }: { onFrozen: (id: string) => void }) {
  const { brief, library, partId } = usePartContext();
  const [search, write] = useWholeAddress();
  const { revision, saving } = useAppSelector((state) => state.draft);
  const [freeze, freezing] = useFreezeDecisionMutation();
  const [reasons, setReasons] = useState('');
  const [risks, setRisks] = useState('');
  const [limits, setLimits] = useState('');
  const [decidedBy, setDecidedBy] = useState(useOwnName());
  const preferences = usePreferences(library.rules);
  // Sizes are not worked out here: that ranking method is answered by the lowest cost as drawn.
  const rankingMethod = findRankingMethod(
    findRankingMethod(preferences.schoolId).needsSizes ? 'cheapest-that-passes' : preferences.schoolId,
  );
  const ranked = useAnswer(library, 'rankingBy', [brief, { ...preferences, schoolId: rankingMethod.id }]).value ?? [];
  const wanted = search.get('grade');
  const gradeId = (ranked.find((one) => one.gradeId === wanted) ?? ranked[0])?.gradeId;
  const { value: evaluated } = useAnswer(
    library,
    'evaluateGrades',
    gradeId === undefined ? undefined : [brief, [gradeId]],
  );
  const names = useMemo(() => new Map(library.grades.map((grade) => [grade.id, grade.name])), [library]);
  if (library.grades.length === 0) return <NoGrades />;
  const chosen = evaluated?.[0];
  if (!chosen || chosen.gradeId !== gradeId) return <Loading what="the candidates" />;

  const built = search.get('built');
  const entry = chosen.entries.find((one) => one.orientation === built) ?? chosen.best;
  const issueAt = refusedAt(freezing.error);
  const submit = async () => {
    const made = await freeze({
      partId,
      partRevision: revision,
      gradeId: chosen.gradeId,
      orientation: entry.orientation,
      reasons,
      openRisks: risks,
      limits,
      schoolId: rankingMethod.id,
      decidedBy,
    }).unwrap();
    onFrozen(made.id);
  };
  const pick = (gradeId: string, orientation?: BuildOrientation) =>
    write(
      new URLSearchParams({
        grade: gradeId,
        ...(orientation ? { built: orientation } : {}),
        ...(search.get('school') ? { school: rankingMethod.id } : {}),
      }),
    );
  return (
    <Panel title="Decide">
      <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,1fr)] narrow:grid-cols-1 gap-3">
        <Choice
          label={`Grade, by “${inSentence(rankingMethod.title)}”`}
          value={chosen.gradeId}
          options={ranked.map(({ gradeId, best }) => ({
            value: gradeId,
            label: `${names.get(gradeId)} · ${statusWord(best.status)}${best.minimumReserve === null ? '' : ` ${formatReserve(best.minimumReserve)}`}${best.costUsd === null ? '' : ` · ${best.costUsd.toFixed(2)} USD`}`,
          }))}
          onChange={(gradeId) => pick(gradeId)}
        />
        <Choice
          label="Printed"
          value={entry.orientation}
          options={orientationChoices(brief.part)
            .filter(({ value }) => chosen.entries.some(({ orientation }) => orientation === value))
            .map(({ value, label }) => ({
              value,
              label: value === chosen.best.orientation ? `${label} (best)` : label,
            }))}
          onChange={(orientation) => pick(chosen.gradeId, orientation)}
        />
      </div>
      <ChosenFacts entry={entry} />
      <div className="mt-3 flex flex-col gap-3">
        <TextArea
          label="Reason for this choice, and against the next best"
          value={reasons}
          onChange={setReasons}
          error={issueAt('/reasons')}
        />
        <UnknownRisks entry={entry} />
        <SuggestedRisks
          entry={entry}
          onTake={(text) => setRisks((before) => (before ? `${before}\n${text}` : text))}
          taken={risks}
        />
        <TextArea
          label="Open risks: what is unproven, and how it will be proved"
          value={risks}
          onChange={setRisks}
          error={issueAt('/openRisks')}
        />
        <TextArea
          label="Limits of use: intended use and exclusions"
          value={limits}
          onChange={setLimits}
          error={issueAt('/limits')}
          rows={2}
        />
        <div className="max-w-80">
          <TextField
            label="Decided by"
            value={decidedBy}
            maxLength={120}
            onChange={setDecidedBy}
            error={issueAt('/decidedBy')}
          />
        </div>
        {freezing.error !== undefined && <ProblemNotice error={freezing.error} />}
        <div className="flex items-center gap-3">
          <Button
            look="primary"
            disabled={freezing.isLoading || saving.state !== 'saved'}
            onClick={() => void submit().catch(() => undefined)}
          >
            Freeze the decision
          </Button>
          <p className="text-sm text-quiet">
            {saving.state === 'saved'
              ? 'Freezes brief, evidence, rules and results as of now. It records a judgement; it does not approve the part.'
              : 'Available once the brief is saved.'}
          </p>
        </div>
      </div>
    </Panel>
  );
}

function ChosenFacts({ entry }: { entry: EvaluationEntry }) {
  const say = useSay();
  const reasons = entry.status === 'pass' ? [] : rejectionReasons(entry).map(say);
  return (
    <div
      className={`mt-3 rounded border px-3 py-2 ${entry.status === 'pass' ? 'border-line' : 'border-fail bg-fail-ground'}`}
    >
      <p className="flex items-center gap-2">
        <Reserve reserve={entry.minimumReserve} status={entry.status} />
        {entry.governingCheckId && <span>governed by {inSentence(findCheck(entry.governingCheckId)?.title)}</span>}
      </p>
      {reasons.map((reason) => (
        <p key={reason} className="text-sm text-fail">
          {reason}
        </p>
      ))}
    </div>
  );
}

/** Checks that are not known: the record holds them as open risks whether they are written or not. */
function UnknownRisks({ entry }: { entry: EvaluationEntry }) {
  const say = useSay();
  const risks = unknownRisks(entry).map(say);
  if (risks.length === 0) return null;
  return (
    <section aria-label="Not known" className="text-sm">
      <p className="text-xs text-quiet">Unknown, added to the open risks automatically:</p>
      <ul className="list-disc pl-5 text-unknown">
        {risks.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </section>
  );
}

/** Checks that rest on estimates: named so that they are carried into the record, one click each. */
function SuggestedRisks({
  entry,
  onTake,
  taken,
}: {
  entry: EvaluationEntry;
  onTake: (text: string) => void;
  taken: string;
}) {
  const suggestions = entry.checks
    .filter(
      (check) => (check.evidence === 'D' || check.evidence === 'C') && check.reserve !== null && check.reserve < 2,
    )
    .sort((a, b) => a.reserve! - b.reserve!)
    .map(
      (check) =>
        `${findCheck(check.checkId)?.title}: reserve ${formatReserve(check.reserve!)} on evidence class ${check.evidence}; measure it.`,
    )
    .filter((text) => !taken.includes(text));
  if (suggestions.length === 0) return null;
  return (
    <div>
      <p className="text-xs text-quiet">Based on estimates; add to the open risks:</p>
      <div className="mt-1 flex flex-wrap gap-1.5">
        {suggestions.map((text) => (
          <Button key={text} onClick={() => onTake(text)}>
            + {text}
          </Button>
        ))}
      </div>
    </div>
  );
}
