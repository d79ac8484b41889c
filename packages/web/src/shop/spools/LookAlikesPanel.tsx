import type { LookAlikes } from '@anvilstone/core/making';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { useSay } from '../../ui/useSay.ts';
import { Panel } from '../../ui/Panel.tsx';

const FEW = 4;

/** Pairs of spools that the eye takes for each other, what that would do, and how to tell them apart. */
export function LookAlikesPanel({ pairs }: { pairs: readonly LookAlikes[] }) {
  const say = useSay();
  const [all, setAll] = useState(false);
  const shown = all ? pairs : pairs.slice(0, FEW);
  return (
    <Panel title={`${pairs.length} pair${pairs.length === 1 ? '' : 's'} of spools look alike`} className="mt-4">
      <ul className="flex flex-col gap-1 text-sm">
        {shown.map(({ spoolIds, risk, tellApart }) => (
          <li key={spoolIds.join()}>
            <strong className="text-unknown">
              ≈ {spoolIds[0]} and {spoolIds[1]}
            </strong>
            : {say(risk)}. Distinguish them: {say(tellApart)}.
          </li>
        ))}
      </ul>
      {pairs.length > FEW && !all && (
        <Button look="quiet" className="mt-1" onClick={() => setAll(true)}>
          {pairs.length - FEW} more
        </Button>
      )}
    </Panel>
  );
}
