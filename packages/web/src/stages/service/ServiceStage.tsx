import { dueInspections, fleetOf, type Fleet } from '@anvilstone/core/evidence';
import { formatNumber } from '@anvilstone/core/foundations';
import { useState } from 'react';
import { useDecisionsQuery } from '../../sync/api/api.ts';
import { API } from '../../sync/address/place.ts';
import { useAddress } from '../../sync/address/useAddress.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Button } from '../../ui/Button.tsx';
import { duration } from '../../ui/amount.ts';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { FleetTimeline } from './FleetTimeline.tsx';
import { InstallationPanel } from './InstallationPanel.tsx';
import { InstallForm } from './InstallForm.tsx';
import { useFindingsOfPartQuery, useInstallationsOfPartQuery } from './serviceApi.ts';
import { STATE_WORDS } from './words.ts';

/** Did it last: every sister in service, looks that are due, what was found, and what that changes. */
export function ServiceStage() {
  const { partId } = usePartContext();
  const { data: installations, error } = useInstallationsOfPartQuery(partId);
  const { data: findings, error: noFindings } = useFindingsOfPartQuery(partId);
  const { data: decisions } = useDecisionsQuery(partId);
  const [search, set] = useAddress();
  const [adding, setAdding] = useState(false);
  const [now] = useState(() => new Date());
  const problem = error ?? noFindings;
  if (problem !== undefined) return <ProblemNotice error={problem} />;
  if (!installations || !findings || !decisions) return <Loading what="what is in service" />;
  const fleet = fleetOf(
    installations.map(({ installation }) => installation),
    findings.map(({ finding }) => finding),
    now.toISOString(),
  );
  const due = dueInspections(
    installations.map(({ installation }) => installation),
    findings.map(({ finding }) => finding),
    now.toISOString(),
  );
  const wanted = search.get('at') ?? due[0]?.installation.id;
  const shown = installations.find(({ installation }) => installation.id === wanted) ?? installations[0];
  const show = (id: string) => set({ at: id });
  const form = (
    <InstallForm
      decisions={decisions}
      marks={installations.map(({ installation }) => installation.mark)}
      onDone={(id) => {
        setAdding(false);
        if (id) show(id);
      }}
    />
  );
  if (installations.length === 0)
    return adding ? (
      form
    ) : (
      <Panel title="Not in service yet">
        <p className="mb-2 max-w-2xl">
          Commission a part with place, date and person. The inspection plan follows from the governing checks; findings
          then correct the evidence.
        </p>
        <Button look="primary" onClick={() => setAdding(true)}>
          Commission …
        </Button>
        {decisions.length === 0 && (
          <p className="mt-2 text-sm text-quiet">No decision yet; the part can be commissioned all the same.</p>
        )}
      </Panel>
    );
  return (
    <div className="flex flex-col gap-4">
      <Panel
        title="Parts in service"
        aside={
          <span className="no-print flex gap-2">
            <a
              className="rounded border border-line-strong px-2.5 py-1 text-sm font-medium hover:bg-sunken"
              href={`${API}/service/inspections.ics?part=${partId}`}
            >
              Inspection calendar
            </a>
            {!adding && <Button onClick={() => setAdding(true)}>Commission …</Button>}
          </span>
        }
      >
        <FleetWords fleet={fleet} />
        <FleetTimeline
          fleet={fleet}
          findings={findings}
          nowMs={now.getTime()}
          shownId={shown?.installation.id}
          onShow={show}
        />
        <FleetTable fleet={fleet} due={due} shownId={shown?.installation.id} onShow={show} />
      </Panel>
      {adding && form}
      {shown && !adding && (
        <InstallationPanel
          key={shown.installation.id}
          record={shown}
          findings={findings.filter(({ finding }) => finding.installationId === shown.installation.id)}
          today={now.toISOString().slice(0, 10)}
        />
      )}
    </div>
  );
}

function FleetWords({ fleet: { members, failures, partHours, failuresPerYearAtMost, survival } }: { fleet: Fleet }) {
  const serving = members.filter(({ failed, installation }) => !failed && !installation.removed).length;
  const last = survival.at(-1);
  return (
    <p className="mb-2">
      {serving} in service, {failures} failed, {duration(partHours)} altogether.
      {failuresPerYearAtMost !== null && failuresPerYearAtMost < 1000 && (
        <span className="text-quiet">
          {' '}
          Consistent with at most {formatNumber(failuresPerYearAtMost, 2)} failures per part and year (95 %, constant
          failure rate).
        </span>
      )}
      {last && (
        <span className="text-quiet">
          {' '}
          {formatNumber(100 * last.survive, 2)} % lasted longer than {duration(last.hours)} (Kaplan–Meier, {last.atRisk}{' '}
          at risk then).
        </span>
      )}
    </p>
  );
}

function FleetTable({
  fleet: { members },
  due,
  shownId,
  onShow,
}: {
  fleet: Fleet;
  due: ReturnType<typeof dueInspections>;
  shownId: string | undefined;
  onShow: (id: string) => void;
}) {
  return (
    <table className="mt-2 w-full text-sm">
      <TableHead headings={['Mark', 'Where', 'Time in service', 'State', 'Next inspection']} />
      <tbody>
        {members.map(({ installation, hours, state }) => {
          const next = due.find((one) => one.installation.id === installation.id);
          const words = state === 'not inspected' ? undefined : STATE_WORDS[state];
          return (
            <tr
              key={installation.id}
              className={`border-b border-line last:border-0 ${installation.id === shownId ? 'bg-sunken' : ''}`}
            >
              <th scope="row" className="px-3 py-1 text-left">
                <button type="button" className="underline underline-offset-2" onClick={() => onShow(installation.id)}>
                  {installation.mark}
                </button>
              </th>
              <td className="px-3 py-1">{installation.place}</td>
              <td className="px-3 py-1">{duration(hours)}</td>
              <td className={`px-3 py-1 ${words?.look ?? 'text-quiet'}`}>
                {words ? `${words.mark} ${words.word}` : 'not inspected yet'}
                {installation.removed && ', taken out'}
              </td>
              <td className={`px-3 py-1 ${next && next.inDays < 0 ? 'font-semibold text-fail' : ''}`}>
                {next ? `${next.planned.on}${next.inDays < 0 ? ', overdue' : ''}` : ''}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
