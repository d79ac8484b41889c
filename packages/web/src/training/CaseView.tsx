import { findCheck } from '@anvilstone/core/checks';
import { answerOf, type PracticeCase } from '@anvilstone/core/education';
import { sampleLibrary } from '@anvilstone/core/education/sample';
import { inSentence } from '@anvilstone/core/foundations';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { PartSketch } from '../stages/brief/sketch/PartSketch.tsx';
import { useStartPart } from '../stages/parts/new/useStartPart.ts';
import { Button } from '../ui/Button.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';
import { AnswerTable } from './AnswerTable.tsx';
import { GradeFacts } from './GradeFacts.tsx';
import type { PracticeMark } from './progress.ts';

const titleOf = (checkId: string) => findCheck(checkId)?.title ?? checkId;

/** One case: the part, four grades by their data sheets, two questions; and once they are answered, the reckoning. */
export function CaseView({
  practiceCase,
  mark,
  next,
  onAnswer,
}: {
  practiceCase: PracticeCase;
  mark: PracticeMark | undefined;
  next: string | undefined;
  onAnswer: (mark: PracticeMark) => void;
}) {
  const { title, story, brief, gradeIds, checkIds, remarks, lesson } = practiceCase;
  const answer = useMemo(() => answerOf(practiceCase), [practiceCase]);
  const [gradeId, setGradeId] = useState<string | null>(mark?.gradeId ?? null);
  const [checkId, setCheckId] = useState<string | null>(mark?.checkId ?? null);
  const [again, setAgain] = useState(false);
  const shown = mark !== undefined && !again;
  const result = useRef<HTMLHeadingElement>(null);
  const { start, error } = useStartPart();
  const grades = gradeIds.map((id) => sampleLibrary.grades.find((grade) => grade.id === id)!);
  const best = grades.find(({ id }) => id === answer.best.gradeId)!;

  const settle = () => {
    if (!gradeId || !checkId) return;
    onAnswer({ gradeId, checkId, right: gradeId === best.id && checkId === answer.governingCheckId });
    setAgain(false);
    requestAnimationFrame(() => result.current?.focus());
  };
  return (
    <article className="rounded-md border border-line bg-surface p-5">
      <div className="grid grid-cols-[minmax(0,1fr)_16rem] narrow:grid-cols-1 gap-5 max-md:grid-cols-1">
        <div>
          <h2 className="text-lg">{title}</h2>
          <p className="mt-1 text-base">{story}</p>
        </div>
        <div className="h-32 overflow-hidden" aria-hidden="true">
          <PartSketch bare part={brief.part} orientation="XZ" title="" />
        </div>
      </div>
      <fieldset className="mt-4" disabled={shown}>
        <legend className="mb-1 font-semibold">
          Which grade would you choose? Wanted: the lowest cost that passes every check.
        </legend>
        <div className="grid grid-cols-4 narrow:grid-cols-2 gap-3 max-xl:grid-cols-2">
          {grades.map((grade) => (
            <label key={grade.id} className={choiceLook(gradeId === grade.id)}>
              <span className="flex gap-2">
                <input
                  type="radio"
                  name="grade"
                  className="mt-1 accent-ember"
                  checked={gradeId === grade.id}
                  onChange={() => setGradeId(grade.id)}
                />
                <span className="font-semibold">{grade.name}</span>
              </span>
              <GradeFacts grade={grade} />
            </label>
          ))}
        </div>
      </fieldset>
      <fieldset className="mt-4" disabled={shown}>
        <legend className="mb-1 font-semibold">What governs your choice?</legend>
        <div className="flex flex-wrap gap-3">
          {checkIds.map((id) => (
            <label key={id} className={`flex gap-2 ${choiceLook(checkId === id)}`}>
              <input
                type="radio"
                name="check"
                className="accent-ember"
                checked={checkId === id}
                onChange={() => setCheckId(id)}
              />
              <span>{titleOf(id)}</span>
            </label>
          ))}
        </div>
      </fieldset>
      {!shown && (
        <div className="mt-4 flex items-center gap-3">
          <Button look="primary" disabled={!gradeId || !checkId} onClick={settle}>
            Submit answer
          </Button>
          {(!gradeId || !checkId) && <p className="text-sm text-quiet">Choose a grade and a check first.</p>}
        </div>
      )}
      {shown && (
        <section aria-label="Result" className="mt-5 border-t border-line pt-4">
          <h3 ref={result} tabIndex={-1} className="text-base outline-none">
            {mark.right
              ? `Right: ${best.name}, governed by ${inSentence(titleOf(answer.governingCheckId))}.`
              : `It is ${best.name}, governed by ${inSentence(titleOf(answer.governingCheckId))}.`}
          </h3>
          {!mark.right && <p className="mt-1 text-quiet">{whatWasMissed(mark, best.id)}</p>}
          <AnswerTable answer={answer} grades={grades} remarks={remarks} chosen={mark.gradeId} />
          <p className="mt-3 max-w-3xl border-l-3 border-ember pl-3 text-base">{lesson}</p>
          <div className="mt-4 flex flex-wrap items-center gap-2">
            {next && (
              <Link
                to={`/training/${next}`}
                className="inline-block rounded border border-ember bg-ember px-3 py-1 font-medium text-surface"
              >
                Next case
              </Link>
            )}
            <Button onClick={() => setAgain(true)}>Try again</Button>
            <Button onClick={() => start(brief)}>Open as a new part</Button>
          </div>
          {error !== undefined && <ProblemNotice error={error} />}
        </section>
      )}
    </article>
  );
}

const choiceLook = (chosen: boolean) =>
  `block cursor-pointer rounded-md border p-3 has-focus-visible:outline-2 has-focus-visible:outline-focus ${chosen ? 'border-ink bg-ember-ground' : 'border-line bg-surface hover:border-line-strong'}`;

function whatWasMissed(mark: PracticeMark, bestId: string): string {
  return mark.gradeId === bestId
    ? `You chose the right grade. What decides its reserve is not ${inSentence(titleOf(mark.checkId))}.`
    : 'Your choice is listed below.';
}
