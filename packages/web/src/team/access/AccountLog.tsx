import { useState } from 'react';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { moment } from '../../ui/when.ts';
import { useAccountEventsQuery } from '../../sync/api/accessApi.ts';

/** What was done with accounts and workspaces. */
export function AccountLog() {
  const { data: events, error } = useAccountEventsQuery();
  const [nowMs] = useState(() => Date.now());
  return (
    <Panel title="Account log">
      {error !== undefined && <ProblemNotice error={error} />}
      <ul className="max-h-72 overflow-auto text-sm" tabIndex={0} aria-label="Account log">
        {events?.map(({ at, who, what, about }) => (
          <li key={`${at}${what}${about}`} className="flex gap-3 border-b border-line py-1 last:border-0">
            <span className="grow">
              <strong>{who}</strong> {what}
              {about && <span className="text-quiet"> · {about}</span>}
            </span>
            <span className="shrink-0 text-quiet">{moment(Date.parse(at), nowMs)}</span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
