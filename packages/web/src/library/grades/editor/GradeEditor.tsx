import { PageHeading } from '../../../ui/PageHeading.tsx';
import { gradeIssues } from '@anvilstone/core/materials';
import type { Grade, GradeRecord, ProblemIssue } from '@anvilstone/schema';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { asProblem, issueIn } from '../../../sync/api/problem.ts';
import { Button } from '../../../ui/Button.tsx';
import { buttonLook } from '../../../ui/buttonLook.ts';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { useUndoable } from '../../../ui/useUndoable.ts';
import { useCreateGradeMutation, useSaveGradeMutation } from '../gradesApi.ts';
import { ClaimsEditor } from './ClaimsEditor.tsx';
import { IdentityEditor } from './IdentityEditor.tsx';
import { ObservationsEditor } from './ObservationsEditor.tsx';
import { ProcessEditor } from './ProcessEditor.tsx';
import type { Section } from './section.ts';
import { findUnsavedGrade, forgetUnsavedGrade, storeUnsavedGrade } from './unsavedGrade.ts';

/**
 * Evidence is a record, so a change is saved on purpose and once, as one line of the history. Until then every edit is kept
 * on this computer and can be undone.
 */
export function GradeEditor({ stored, revision }: { stored: Grade; revision: number | null }) {
  const [kept] = useState(() => findUnsavedGrade(stored.id));
  const { now: grade, edit, undo, redo, reset, canUndo, canRedo } = useUndoable<Grade>(kept?.grade ?? stored);
  // What the edits were made from: an edit kept from an earlier visit may be older than what is stored now.
  const [base, setBase] = useState(kept ? kept.revision : revision);
  const [create, creation] = useCreateGradeMutation();
  const [save, saving] = useSaveGradeMutation();
  const navigate = useNavigate();
  const isNew = stored.id === '';
  const changed = grade !== stored;
  const error = isNew ? creation.error : saving.error;
  const problem = error === undefined ? undefined : asProblem(error);
  const newer = problem?.status === 409 && problem.current ? (problem.current as GradeRecord) : undefined;

  useEffect(() => {
    if (changed) storeUnsavedGrade(stored.id, { grade, revision: base });
  }, [grade, changed, base, stored.id]);

  const issues = [...requiredIssues(grade), ...gradeIssues(grade), ...serverIssues(problem?.errors)];
  const issueAt = issueIn(issues);
  const section: Section = { grade, issueAt, edit: (change, field) => edit({ ...grade, ...change }, field) };
  const blocked = requiredIssues(grade).length + gradeIssues(grade).length > 0;

  const store = async (from: number | null) => {
    const sent = isNew ? { ...grade, id: idFor(grade) } : grade;
    try {
      const saved = isNew ? await create(sent).unwrap() : await save({ grade: sent, revision: from! }).unwrap();
      forgetUnsavedGrade(stored.id);
      await navigate(`/grades/${saved.grade.id}`);
    } catch {
      // Shown from the mutation's own error.
    }
  };

  return (
    <main className="p-5">
      <header className="sticky top-0 z-20 -mx-5 mb-3 flex items-center justify-between gap-4 narrow:static narrow:flex-wrap border-b border-line bg-ground px-5 py-2">
        <div>
          <PageHeading className="text-lg">{isNew ? 'New grade' : `Edit ${stored.name}`}</PageHeading>
          <p role="status" className={`text-xs ${blocked && changed ? 'text-fail' : 'text-quiet'}`}>
            {statusText(changed, blocked, issues.length)}
          </p>
        </div>
        <div className="flex gap-2 narrow:flex-wrap">
          <Button look="quiet" disabled={!canUndo} onClick={undo}>
            Undo
          </Button>
          <Button look="quiet" disabled={!canRedo} onClick={redo}>
            Redo
          </Button>
          {changed && !isNew && (
            <Button
              look="quiet"
              onClick={() => {
                forgetUnsavedGrade(stored.id);
                setBase(revision);
                reset(stored);
              }}
            >
              Discard changes
            </Button>
          )}
          <Link to={isNew ? '/grades' : `/grades/${stored.id}`} className={buttonLook('plain')}>
            Leave
          </Link>
          <Button
            look="primary"
            disabled={!changed || blocked || saving.isLoading || creation.isLoading}
            onClick={() => void store(base)}
          >
            Save
          </Button>
        </div>
      </header>
      {kept && (
        <p className="mb-3 rounded border border-line bg-surface px-3 py-2 text-sm">
          Unsaved edits from an earlier session. “Discard changes” loads the stored grade.
        </p>
      )}
      {problem && (
        <div className="mb-3">
          <ProblemNotice error={error}>
            {newer && (
              <p className="mt-2 flex gap-2">
                <Button
                  onClick={() => {
                    setBase(newer.revision);
                    void store(newer.revision);
                  }}
                >
                  Save mine over revision {newer.revision}
                </Button>
                <Button
                  onClick={() => {
                    setBase(newer.revision);
                    edit(newer.grade, 'newer');
                  }}
                >
                  Use the newer version (undo restores mine)
                </Button>
              </p>
            )}
          </ProblemNotice>
        </div>
      )}
      <div className="flex flex-col gap-4">
        <div className="grid grid-cols-2 narrow:grid-cols-1 gap-4">
          <IdentityEditor {...section} />
          <ProcessEditor {...section} />
        </div>
        <ObservationsEditor {...section} />
        <ClaimsEditor {...section} />
      </div>
    </main>
  );
}

function statusText(changed: boolean, blocked: boolean, count: number): string {
  if (blocked && changed)
    return `Not saved: ${count} ${count === 1 ? 'field has' : 'fields have'} to be corrected. Kept on this computer until then.`;
  return changed ? 'Not saved yet; stored on this computer.' : 'Saved.';
}

/** What a grade cannot be stored without. */
function requiredIssues(grade: Grade): ProblemIssue[] {
  const issues: ProblemIssue[] = [];
  if (grade.name.trim() === '') issues.push({ pointer: '/name', detail: 'A grade needs a name' });
  if (grade.maker.trim() === '') issues.push({ pointer: '/maker', detail: 'The maker is missing' });
  grade.observations.forEach((one, i) => {
    if (one.reference.trim() === '')
      issues.push({ pointer: `/observations/${i}/reference`, detail: 'Say where the number comes from' });
  });
  (grade.claims ?? []).forEach((one, i) => {
    if (one.statement.trim() === '') issues.push({ pointer: `/claims/${i}/statement`, detail: 'Say what is claimed' });
    if (one.reference.trim() === '')
      issues.push({ pointer: `/claims/${i}/reference`, detail: 'Say where it is stated' });
  });
  return issues;
}

const serverIssues = (errors: readonly ProblemIssue[] = []): ProblemIssue[] =>
  errors.map((issue) => ({ ...issue, pointer: issue.pointer.replace(/^\/grade/, '') }));

function idFor({ maker, name }: Grade): string {
  const slug = (text: string) =>
    text
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '');
  return `${slug(maker).split('-')[0]}-${slug(name)}`.slice(0, 70);
}
