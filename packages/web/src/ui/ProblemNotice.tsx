import type { ReactNode } from 'react';
import { asProblem, issueTexts } from '../app/problem.ts';

/** A failed request, said beside what it belongs to, with what would help. */
export function ProblemNotice({ error, children }: { error: unknown; children?: ReactNode }) {
  const problem = asProblem(error);
  return (
    <div role="alert" className="rounded border border-fail bg-fail-ground px-3 py-2 text-fail">
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
