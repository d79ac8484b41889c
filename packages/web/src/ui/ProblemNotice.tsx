import type { ReactNode } from 'react';
import { asProblem, issueTexts } from '../sync/api/problem.ts';

/** A failed request, said beside what it belongs to, with what would help. */
export function ProblemNotice({ error, children }: { error: unknown; children?: ReactNode }) {
  const problem = asProblem(error);
  // Kept, and not lost: no failure, but it is not where the others can see it.
  const look =
    problem.type === 'kept' ? 'border-unknown bg-unknown-ground text-unknown' : 'border-fail bg-fail-ground text-fail';
  return (
    <div role="alert" className={`rounded border px-3 py-2 ${look}`}>
      <p className="font-semibold">{problem.title}</p>
      <p>{problem.detail}</p>
      {issueTexts(problem).length > 1 && (
        <ul className="mt-1 list-disc pl-5">
          {issueTexts(problem).map((text) => (
            <li key={text}>{text}</li>
          ))}
        </ul>
      )}
      {children}
    </div>
  );
}
