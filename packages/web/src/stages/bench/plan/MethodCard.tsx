import { findCheck } from '@anvilstone/core/checks';
import type { TestMethod } from '@anvilstone/core/evidence';
import { inSentence } from '@anvilstone/core/foundations';
import { RigSketch } from '../testing/RigSketch.tsx';
import { useSay } from '../../../ui/useSay.ts';

/** How a test is done, so that it is done the same way next month. */
export function MethodCard({ method }: { method: TestMethod }) {
  const say = useSay();
  return (
    <div className="grid grid-cols-[18rem_1fr] narrow:grid-cols-1 gap-5">
      <div>
        <RigSketch rig={method.rig} />
        {method.after && <p className="mt-1 text-xs text-quiet">Follows {method.after}.</p>}
        <p className="mt-1 text-xs">
          {method.moves.length > 0
            ? `Once in the library, its result is used in: ${method.moves.map((id) => inSentence(findCheck(id)?.title)).join(', ')}.`
            : 'For information only: the result is stored and compared; no check uses it.'}
        </p>
        <h3 className="mt-2 text-sm">Equipment</h3>
        <ul className="list-disc pl-5 text-sm">
          {method.needs.map((need) => (
            <li key={say(need)}>{say(need)}</li>
          ))}
        </ul>
      </div>
      <div>
        <p className="mb-2">{method.settles}</p>
        <MethodCautions method={method} />
        <ol className="mt-2 list-decimal pl-5 text-sm [&>li]:py-0.5">
          {method.steps.map((step) => (
            <li key={say(step)}>{say(step)}</li>
          ))}
        </ol>
      </div>
    </div>
  );
}

export function MethodCautions({ method }: { method: TestMethod }) {
  const say = useSay();
  if (method.cautions.length === 0) return null;
  return (
    <section
      aria-label="Cautions of this test"
      className="rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown"
    >
      <ul className="list-disc pl-4 font-medium">
        {method.cautions.map((caution) => (
          <li key={caution}>{say(caution)}</li>
        ))}
      </ul>
      <p className="mt-1 text-xs">
        Your own rig needs your own risk assessment: local rules and the person responsible for the test area come
        first.
      </p>
    </section>
  );
}
