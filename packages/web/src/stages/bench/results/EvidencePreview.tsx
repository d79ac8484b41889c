import { findCheck } from '@anvilstone/core/checks';
import { duration } from '@anvilstone/core/foundations';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import type { Observation } from '@anvilstone/schema';
import { Link } from 'react-router';
import { Reserve } from '../../../ui/Reserve.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import { useLibrary } from '../../../workers/useLibrary.ts';
import type { AcceptancePreview } from '../benchApi.ts';
import { CONDITIONING_WORDS, WAY_WORDS } from '../words.ts';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';

/** The observations that something would become, and what they move in every part. */
export function EvidencePreview({ preview: { observations, impact } }: { preview: AcceptancePreview }) {
  const { library } = useLibrary();
  const name = (id: string | null) =>
    id === null ? 'nobody' : (library?.grades.find((one) => one.id === id)?.name ?? id);
  const moved = impact.parts.filter(({ changes }) => changes.length > 0);
  return (
    <>
      <p className="text-sm">New value:</p>
      <ul className="text-sm">
        {observations.map((one) => (
          <li key={one.id}>
            <ObservationWords observation={one} />
          </li>
        ))}
      </ul>
      <h3 className="mt-3 text-sm">Parts affected</h3>
      {moved.length === 0 && (
        <p className="text-sm text-quiet">
          None of the {impact.parts.length} parts: rankings and verdicts stay the same.
        </p>
      )}
      {moved.length > 0 && (
        <table className="w-full text-sm">
          <TableHead headings={['Part', 'Leading now', 'Leading then', 'Pass', 'Change']} />
          <tbody>
            {moved.map(({ partId, title, now, then, changes }) => (
              <tr key={partId} className="border-b border-line align-top last:border-0">
                <th scope="row" className="px-3 py-1.5 text-left">
                  <Link to={`/parts/${partId}/shortlist`} className="hover:underline">
                    {title}
                  </Link>
                </th>
                {[now, then].map((leader, i) => (
                  <td
                    key={i === 0 ? 'now' : 'then'}
                    className={`px-3 py-1.5 ${i === 1 && leader.gradeId !== now.gradeId ? 'font-semibold' : ''}`}
                  >
                    {name(leader.gradeId)}
                    <span className="block text-xs font-normal text-quiet">
                      {leader.status && (
                        <Reserve reserve={leader.reserve} status={leader.status as 'pass' | 'fail' | 'unknown'} />
                      )}{' '}
                      {leader.governingCheckId && findCheck(leader.governingCheckId)?.title}
                    </span>
                  </td>
                ))}
                <td className="px-3 py-1.5 whitespace-nowrap">
                  {now.pass} → {then.pass}
                </td>
                <td className="px-3 py-1.5">
                  <ul>
                    {changes.map((change) => (
                      <li key={change}>{change}</li>
                    ))}
                  </ul>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

function ObservationWords({ observation }: { observation: Observation }) {
  const units = useAppSelector((state) => state.settings.units);
  const {
    property,
    value,
    unit,
    count,
    standardDeviation,
    orientation,
    conditioning,
    temperatureC,
    method,
    note,
    classValue,
  } = observation;
  return (
    <>
      <strong>
        {PROPERTY_DEFINITIONS[property].title} {classValue ?? `${value} ${unit}`}
      </strong>
      {observation.durationH !== undefined && ` after ${duration(observation.durationH)}`}
      {standardDeviation !== undefined && `, sd ${standardDeviation} ${unit}`}, n {count}
      {orientation && `, ${WAY_WORDS[orientation]}`}
      {conditioning && `, ${CONDITIONING_WORDS[conditioning]}`}, {amount(temperatureC ?? 23, '°C', units)}, printed;{' '}
      {method}. {note}
    </>
  );
}
