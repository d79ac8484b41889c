import { findFailureMode, findMethod } from '@anvilstone/core/evidence';
import { formatQuantity, formatReserve, inSentence } from '@anvilstone/core/foundations';
import type { FindingRecord, Installation } from '@anvilstone/schema';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { API } from '../../sync/address/place.ts';
import { TakeEvidence } from '../bench/results/TakeEvidence.tsx';
import { HistoryButton } from '../../team/history/HistoryButton.tsx';
import { usePartContext } from '../parts/partContext.ts';
import { Button } from '../../ui/Button.tsx';
import { duration } from '../../ui/amount.ts';
import { ConfirmRemoval } from '../../ui/ConfirmRemoval.tsx';
import { Photos } from '../../ui/Photos.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { FindingForm } from './FindingForm.tsx';
import { ModePicture } from './ModePicture.tsx';
import {
  useAddPhotoMutation,
  usePhotosQuery,
  usePreviewFindingEvidenceMutation,
  useReadingQuery,
  useRemoveFindingMutation,
  useRemovePhotoMutation,
  useReplaceMutation,
  useTakeFindingEvidenceMutation,
  type FindingReading,
  type Proposal,
} from './serviceApi.ts';
import { day, MEASURES, STATE_WORDS } from './words.ts';
import { useSay } from '../../ui/useSay.ts';

/** One finding: what was seen, beside what was predicted, and what it may change. */
export function FindingCard({ record, installation }: { record: FindingRecord; installation: Installation }) {
  const { finding, revision } = record;
  const { brief } = usePartContext();
  const [remove, removing] = useRemoveFindingMutation();
  const [correcting, setCorrecting] = useState(false);
  const units = useAppSelector((state) => state.settings.units);
  const { currentData: reading, error } = useReadingQuery(finding.id);
  const mode = finding.modeId === undefined ? undefined : findFailureMode(finding.modeId);
  const { mark, word, look } = STATE_WORDS[finding.state];
  const measured = MEASURES.filter(({ id }) => finding.measured[id] !== undefined).map(
    ({ id, title, dimension }) => `${inSentence(title)} ${formatQuantity(finding.measured[id]!, dimension, units)}`,
  );
  if (correcting)
    return (
      <FindingForm installation={installation} brief={brief} record={record} onDone={() => setCorrecting(false)} />
    );
  return (
    <article
      aria-label={`Finding of ${day(finding.at)}`}
      className={`rounded border p-3 ${finding.state === 'failed' ? 'border-fail' : 'border-line'}`}
    >
      <header className="flex items-start gap-3">
        {mode && <ModePicture modeId={mode.id} className="h-11 w-16 shrink-0" />}
        <div className="min-w-0 grow">
          <p className={`font-semibold ${look}`}>
            {mark} {word}
            {mode && `: ${inSentence(mode.title)}`}
          </p>
          <p className="text-xs text-quiet">
            {day(finding.at)}, {finding.by}
            {reading?.comparison && `, after ${duration(reading.comparison.hoursInService)} in service`}
            {finding.forDate && `, inspection due ${finding.forDate}`}
          </p>
          {measured.length > 0 && <p className="text-sm">{measured.join(', ')}</p>}
          {finding.text && <p className="mt-1 whitespace-pre-line">{finding.text}</p>}
          {finding.lesson && (
            <p className="mt-1 border-l-3 border-ember pl-2">
              <span className="text-xs text-quiet">Lesson </span>
              {finding.lesson}
            </p>
          )}
        </div>
        {finding.taken.length === 0 && (
          <div className="no-print flex shrink-0 gap-1">
            <Button look="quiet" onClick={() => setCorrecting(true)}>
              Correct …
            </Button>
            <HistoryButton kind="service_findings" record={finding.id} title={`finding of ${day(finding.at)}`} />
            <ConfirmRemoval
              name={`finding of ${day(finding.at)}`}
              error={removing.error}
              onRemove={() => void remove({ id: finding.id, revision })}
            >
              Its photos go with it. What was seen once is worth keeping: put it right instead, if it is wrong.
            </ConfirmRemoval>
          </div>
        )}
      </header>
      {error !== undefined && <ProblemNotice error={error} />}
      {reading?.comparison && <Compared reading={reading} />}
      {finding.taken.map(({ at, by }) => (
        <p key={at} className="mt-2 text-sm text-pass">
          ✓ Added to the evidence on {day(at)} by {by}.
        </p>
      ))}
      {reading && reading.proposals.length > 0 && (
        <Proposals record={{ finding, revision }} proposals={reading.proposals} />
      )}
      {finding.state === 'failed' && <Replace findingId={finding.id} />}
      <FindingPhotos findingId={finding.id} />
    </article>
  );
}

function Compared({ reading: { comparison, decisionNumber } }: { reading: FindingReading }) {
  const units = useAppSelector((state) => state.settings.units);
  const { rows, checks, says, verdict } = comparison!;
  const bad = verdict === 'beyond-brief' || verdict === 'worse-than-predicted';
  return (
    <section aria-label="Against the prediction" className="mt-3">
      <p className={bad ? 'font-semibold text-unknown' : 'text-quiet'}>{says}</p>
      {rows.length > 0 && (
        <table className="mt-1 w-full text-sm">
          <TableHead
            headings={[
              '',
              decisionNumber === null ? 'Predicted from today’s evidence' : `Predicted, decision ${decisionNumber}`,
              'Observed',
              '',
            ]}
          />
          <tbody>
            {rows.map(({ id, title, dimension, predicted, found, asked, beyond }) => {
              const said = (value: number) =>
                id === 'time' ? duration(value) : formatQuantity(value, dimension, units);
              return (
                <tr key={id} className="border-t border-line">
                  <th scope="row" className="px-3 py-1 text-left font-normal">
                    {title}
                  </th>
                  <td className="px-3 py-1">
                    {predicted === null ? 'not predicted' : `${said(predicted)}${asked ? ' required' : ''}`}
                  </td>
                  <td className={`px-3 py-1 ${beyond ? 'font-semibold' : ''}`}>{said(found)}</td>
                  <td className="px-3 py-1 text-unknown">
                    {beyond && (asked ? '! beyond the requirement' : '! beyond the prediction')}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
      {checks.length > 0 && (
        <p className="mt-1 text-sm text-quiet">
          Should have predicted it:{' '}
          {checks
            .map(
              ({ title, reserve, status }) =>
                `${inSentence(title)} ${reserve === null ? status : formatReserve(reserve)}`,
            )
            .join(', ')}
          .
        </p>
      )}
    </section>
  );
}

function Proposals({ record, proposals }: { record: FindingRecord; proposals: readonly Proposal[] }) {
  const { partId } = usePartContext();
  const [taking, setTaking] = useState(false);
  const say = useSay();
  return (
    <section aria-label="Possible changes" className="mt-3">
      <h4 className="text-sm font-semibold">Possible changes</h4>
      <ul className="mt-1 flex flex-col gap-1.5">
        {proposals.map((one) => (
          <li key={say(one.says)} className="text-sm">
            <span className="mr-1.5 rounded bg-sunken px-1.5 text-xs text-quiet">{KIND_WORDS[one.kind]}</span>
            {say(one.says)}{' '}
            {one.kind === 'evidence' && (
              <>
                {one.checks && one.checks.length > 0 ? (
                  <span className="text-quiet">
                    With it:{' '}
                    {one.checks
                      .map(({ title, before, after }) => `${inSentence(title)} ${shown(before)} → ${shown(after)}`)
                      .join(', ')}
                    .{' '}
                  </span>
                ) : (
                  <span className="text-quiet">It affects no check by itself. </span>
                )}
                {record.finding.taken.length === 0 && !taking && (
                  <Button onClick={() => setTaking(true)}>Add to the evidence …</Button>
                )}
              </>
            )}
            {one.kind === 'rule' && (
              <Link className="text-ember underline" to={`/company-rules?try=${one.ruleId}&value=${one.value}`}>
                Try it in the company rules
              </Link>
            )}
            {one.kind === 'test' && (
              <Link className="text-ember underline" to={`/bench/new?part=${partId}&method=${one.methodId}`}>
                {findMethod(one.methodId)?.title ?? 'Plan test'}
              </Link>
            )}
          </li>
        ))}
      </ul>
      {taking && <TakeFinding record={record} onClose={() => setTaking(false)} />}
    </section>
  );
}

const KIND_WORDS: Record<Proposal['kind'], string> = {
  evidence: 'evidence',
  rule: 'company rule',
  brief: 'brief',
  test: 'test',
};
const shown = (reserve: number | null) => (reserve === null ? 'unknown' : formatReserve(reserve));

function TakeFinding({ record: { finding, revision }, onClose }: { record: FindingRecord; onClose: () => void }) {
  const [look, { data: preview, error: refused }] = usePreviewFindingEvidenceMutation();
  const [take, { error, isLoading }] = useTakeFindingEvidenceMutation();
  useEffect(() => {
    void look(finding.id).catch(() => undefined);
  }, [look, finding.id]);
  return (
    <TakeEvidence
      title="Add to the evidence"
      preview={preview}
      refused={refused}
      error={error}
      busy={isLoading}
      onTake={(by, gradeRevision) => take({ id: finding.id, by, findingRevision: revision, gradeRevision }).unwrap()}
      onClose={onClose}
    />
  );
}

function Replace({ findingId }: { findingId: string }) {
  const [replace, { error, isLoading }] = useReplaceMutation();
  const navigate = useNavigate();
  return (
    <div className="no-print mt-3">
      <Button
        look="primary"
        disabled={isLoading}
        onClick={() =>
          void replace(findingId)
            .unwrap()
            .then(({ id }) => navigate(`/parts/${id}/brief`))
            .catch(() => undefined)
        }
      >
        New brief from this finding
      </Button>
      {error !== undefined && <ProblemNotice error={error} />}
    </div>
  );
}

function FindingPhotos({ findingId }: { findingId: string }) {
  const { data } = usePhotosQuery(findingId);
  const [add, { error, isLoading }] = useAddPhotoMutation();
  const [remove] = useRemovePhotoMutation();
  return (
    <div className="mt-3">
      <Photos
        photos={data ?? []}
        hrefOf={(id) => `${API}/finding-photos/${id}`}
        busy={isLoading}
        onAdd={(file) => void add({ id: findingId, file }).catch(() => undefined)}
        onRemove={(id) => void remove(id)}
      />
      {error !== undefined && <ProblemNotice error={error} />}
    </div>
  );
}
