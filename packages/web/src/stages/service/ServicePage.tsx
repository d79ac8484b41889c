import { findFailureMode, fleetOf } from '@anvilstone/core/evidence';
import type { FindingRecord, InstallationRecord, PartSummary } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useAddress } from '../../sync/address/useAddress.ts';
import { usePartsQuery } from '../../sync/api/api.ts';
import { API } from '../../sync/address/place.ts';
import { duration } from '../../ui/amount.ts';
import { controlLook, Field } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { PageHead } from '../../ui/PageHead.tsx';
import { Empty } from '../../ui/Empty.tsx';
import { dueWords } from './InspectionsDue.tsx';
import { ModePicture } from './ModePicture.tsx';
import { useFindingsQuery, useInstallationsQuery } from './serviceApi.ts';
import { useDue } from './useDue.ts';
import { day, STATE_WORDS } from './words.ts';

const MOST_DUE = 10;

/** Everything in service: what is due, which parts last, and what was learned. */
export function ServicePage() {
  const { data: installations, error } = useInstallationsQuery();
  const { data: findings, error: noFindings } = useFindingsQuery();
  const { data: parts } = usePartsQuery();
  const problem = error ?? noFindings;
  if (problem !== undefined)
    return (
      <main className="p-5">
        <ProblemNotice error={problem} />
      </main>
    );
  if (!installations || !findings || !parts) return <Loading what="what is in service" />;
  return (
    <main className="p-5">
      <PageHead title="Service" says="Parts in service, inspections due, and lessons.">
        <a
          className="rounded border border-line-strong px-2.5 py-1 text-sm font-medium hover:bg-sunken"
          href={`${API}/service/inspections.ics`}
          title="Calendar subscription address"
        >
          Inspection calendar
        </a>
      </PageHead>
      {installations.length === 0 ? (
        <Empty title="No parts in service yet">Commission the first one in a part’s Service stage.</Empty>
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] narrow:grid-cols-1 items-start gap-4">
          <div className="flex flex-col gap-4">
            <DuePanel parts={parts} />
            <FleetsPanel parts={parts} installations={installations} findings={findings} />
          </div>
          <LessonsPanel parts={parts} installations={installations} findings={findings} />
        </div>
      )}
    </main>
  );
}

const titleOf = (parts: readonly PartSummary[], id: string) =>
  parts.find((one) => one.id === id)?.brief.title ?? 'a part';

function DuePanel({ parts }: { parts: readonly PartSummary[] }) {
  const due = useDue() ?? [];
  return (
    <Panel title="Inspections due">
      {due.length === 0 && <p className="text-quiet">None.</p>}
      {due.length > 0 && (
        <table className="w-full text-sm">
          <TableHead headings={['When', 'What', 'Where', 'Inspect for']} />
          <tbody>
            {due.slice(0, MOST_DUE).map(({ installation, planned, inDays }) => (
              <tr key={`${installation.id} ${planned.on}`} className="border-b border-line align-top last:border-0">
                <td className={`px-3 py-1 whitespace-nowrap ${inDays < 0 ? 'font-semibold text-fail' : ''}`}>
                  {planned.on}
                  <span className="block text-xs font-normal">{dueWords(inDays)}</span>
                </td>
                <th scope="row" className="px-3 py-1 text-left font-normal">
                  <Link
                    className="font-semibold underline underline-offset-2"
                    to={`/parts/${installation.partId}/service?at=${installation.id}`}
                  >
                    {installation.mark}
                  </Link>
                  <span className="block text-xs text-quiet">{titleOf(parts, installation.partId)}</span>
                </th>
                <td className="px-3 py-1">{installation.place}</td>
                <td className="px-3 py-1">
                  {planned.modeIds.map((id) => findFailureMode(id)?.lookFor.split(',')[0] ?? id).join('; ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {due.length > MOST_DUE && <p className="text-sm text-quiet">and {due.length - MOST_DUE} later</p>}
    </Panel>
  );
}

interface Known {
  parts: readonly PartSummary[];
  installations: readonly InstallationRecord[];
  findings: readonly FindingRecord[];
}

function FleetsPanel({ parts, installations, findings }: Known) {
  const [now] = useState(() => new Date().toISOString());
  const rows = useMemo(() => {
    const ids = [...new Set(installations.map(({ installation }) => installation.partId))];
    return ids.map((partId) => ({
      partId,
      fleet: fleetOf(
        installations.map(({ installation }) => installation).filter((one) => one.partId === partId),
        findings.map(({ finding }) => finding),
        now,
      ),
    }));
  }, [installations, findings, now]);
  return (
    <Panel title="Service life by part">
      <table className="w-full text-sm">
        <TableHead headings={['Part', 'Start', 'Failed', 'Total time']} />
        <tbody>
          {rows.map(({ partId, fleet }) => (
            <tr key={partId} className="border-b border-line last:border-0">
              <th scope="row" className="px-3 py-1 text-left font-normal">
                <Link className="font-semibold underline underline-offset-2" to={`/parts/${partId}/service`}>
                  {titleOf(parts, partId)}
                </Link>
              </th>
              <td className="px-3 py-1">{fleet.members.length}</td>
              <td className={`px-3 py-1 ${fleet.failures > 0 ? 'font-semibold text-fail' : ''}`}>{fleet.failures}</td>
              <td className="px-3 py-1">{duration(fleet.partHours)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}

/** What was learned, newest first, and found again by any of its words. */
function LessonsPanel({ parts, installations, findings }: Known) {
  const [search, set] = useAddress();
  const find = search.get('find') ?? '';
  const shown = useMemo(() => {
    const places = new Map(installations.map(({ installation }) => [installation.id, installation]));
    const words = find.toLowerCase().split(/\s+/).filter(Boolean);
    return findings
      .map(({ finding }) => finding)
      .filter(({ lesson, state }) => lesson !== undefined || state === 'failed')
      .map((finding) => {
        const installation = places.get(finding.installationId)!;
        return { finding, installation, title: titleOf(parts, installation.partId) };
      })
      .filter(({ finding, installation, title }) => {
        const mode = finding.modeId === undefined ? '' : (findFailureMode(finding.modeId)?.title ?? '');
        const text =
          `${title} ${installation.mark} ${installation.place} ${installation.gradeId} ${mode} ${finding.text} ${finding.lesson ?? ''}`.toLowerCase();
        return words.every((word) => text.includes(word));
      })
      .sort((a, b) => (a.finding.at < b.finding.at ? 1 : -1));
  }, [installations, findings, parts, find]);
  return (
    <Panel title="Failures and lessons">
      <Field label="Search findings and lessons">
        {(ids) => (
          <input
            {...ids}
            className={controlLook}
            value={find}
            onChange={(event) => set({ find: event.target.value }, true)}
          />
        )}
      </Field>
      {shown.length === 0 && <p className="mt-2 text-quiet">{find === '' ? 'No failures yet.' : 'No match.'}</p>}
      <ul className="mt-2 flex flex-col gap-2">
        {shown.map(({ finding, installation, title }) => (
          <li key={finding.id} className="flex gap-3 rounded border border-line p-2">
            {finding.modeId && <ModePicture modeId={finding.modeId} className="h-11 w-16 shrink-0" />}
            <div className="min-w-0">
              <p>
                <Link
                  className="font-semibold underline underline-offset-2"
                  to={`/parts/${installation.partId}/service?at=${installation.id}`}
                >
                  {installation.mark}, {title}
                </Link>{' '}
                <span className={STATE_WORDS[finding.state].look}>{STATE_WORDS[finding.state].word.toLowerCase()}</span>
                <span className="text-xs text-quiet"> {day(finding.at)}</span>
              </p>
              {finding.lesson && <p className="font-semibold">{finding.lesson}</p>}
              <p className="text-sm text-quiet">{finding.text}</p>
            </div>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
