import { practiceCases } from '@anvilstone/core/education';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { Button } from '../ui/Button.tsx';
import { PageHead } from '../ui/PageHead.tsx';
import { CaseView } from './CaseView.tsx';
import { keepMarks, keptMarks, type PracticeMark, type PracticeMarks } from './progress.ts';

/** Eight short cases: which would you choose, and what governs? */
export function TrainingPage() {
  const { caseId } = useParams();
  const [marks, setMarks] = useState<PracticeMarks>(keptMarks);
  const change = (next: PracticeMarks) => {
    setMarks(next);
    keepMarks(next);
  };
  const at = practiceCases.findIndex(({ id }) => id === caseId);
  const answered = practiceCases.filter(({ id }) => marks[id]);
  const right = answered.filter(({ id }) => marks[id]!.right);
  const chosen = practiceCases[at];
  return (
    <main className="p-5">
      <PageHead
        title="Training"
        says="Which grade would you choose, and what governs? Choose first: the answer is computed and explained."
      >
        {answered.length > 0 && (
          <>
            <p role="status" className="self-center">
              {right.length} of {answered.length} right
            </p>
            <Button look="quiet" onClick={() => change({})}>
              Restart
            </Button>
          </>
        )}
      </PageHead>
      <nav aria-label="Cases" className="mb-4">
        <ol className={chosen ? 'flex flex-wrap gap-1' : 'grid max-w-2xl gap-1'}>
          {practiceCases.map(({ id, title }, index) => (
            <li key={id}>
              <Link
                to={`/training/${id}`}
                title={title}
                aria-current={id === caseId ? 'page' : undefined}
                className={`flex gap-2 rounded border px-3 py-1.5 ${id === caseId ? 'border-ember bg-surface font-semibold' : 'border-line hover:bg-sunken'}`}
              >
                <span className="text-quiet">{index + 1}</span>
                <span className={chosen && id !== caseId ? 'sr-only' : 'grow'}>{title}</span>
                <CaseMark mark={marks[id]} brief={chosen !== undefined} />
              </Link>
            </li>
          ))}
        </ol>
      </nav>
      {chosen ? (
        <CaseView
          key={chosen.id}
          practiceCase={chosen}
          mark={marks[chosen.id]}
          next={practiceCases[at + 1]?.id}
          onAnswer={(mark) => change({ ...marks, [chosen.id]: mark })}
        />
      ) : (
        <section className="rounded-md border border-line bg-surface p-5">
          <h2 className="text-base">Eight training cases</h2>
          <p className="mt-1 mb-4 max-w-2xl text-quiet">
            Each case has a part and four grades of the sample library; one passes at the lowest cost. Most errors come
            from a number that looks good on a data sheet. About a minute each; nothing is saved in your workspace.
          </p>
          <Link
            to={`/training/${(practiceCases.find(({ id }) => !marks[id]) ?? practiceCases[0]!).id}`}
            className="inline-block rounded border border-ember bg-ember px-3 py-1 font-medium text-surface"
          >
            {answered.length === 0 ? 'Begin' : answered.length < practiceCases.length ? 'Continue' : 'Review'}
          </Link>
          {caseId !== undefined && <p className="mt-4 text-fail">There is no case of this name. Choose one above.</p>}
        </section>
      )}
    </main>
  );
}

function CaseMark({ mark, brief }: { mark: PracticeMark | undefined; brief: boolean }) {
  if (!mark) return null;
  const word = mark.right ? 'right' : 'read';
  return (
    <span className={mark.right ? 'text-pass' : 'text-quiet'}>
      {mark.right ? '✓' : '·'} <span className={brief ? 'sr-only' : ''}>{word}</span>
    </span>
  );
}
