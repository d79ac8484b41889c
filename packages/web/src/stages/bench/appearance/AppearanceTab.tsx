import { lastingOf, nextLook, type ArmLasting } from '@anvilstone/core/evidence';
import type { Campaign, Inspection } from '@anvilstone/schema';
import { useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { API } from '../../../sync/address/place.ts';
import { amount } from '../../../ui/amount.ts';
import { Button } from '../../../ui/Button.tsx';
import { buttonLook } from '../../../ui/buttonLook.ts';
import { Choice, TextField } from '../../../ui/fields.tsx';
import { freshId } from '../../../ui/freshId.ts';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { SaveOrCancel } from '../../../ui/SaveOrCancel.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import { Empty } from '../../../ui/Empty.tsx';
import { Attachments } from '../testing/Attachments.tsx';
import type { EditCampaign } from '../useSavedCampaign.ts';

const FOUND = { whole: '● whole', changed: '! changed', gone: '✕ gone' } as const;

/** Specimens left in a real place: looked at on dates, until each one goes. */
export function AppearanceTab({
  campaign,
  library,
  edit,
}: {
  campaign: Campaign;
  library: Workshop;
  edit: EditCampaign;
}) {
  const [looking, setLooking] = useState(false);
  const next = nextLook(campaign);
  const lasting = lastingOf(campaign);
  const nameOf = (gradeId: string) => library.grades.find(({ id }) => id === gradeId)?.name ?? gradeId;
  if (campaign.specimens.length === 0) return <Empty>No specimens yet: make them first.</Empty>;
  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-center gap-3">
        {campaign.begunAt ? (
          <p>
            Left {campaign.place ? `at ${campaign.place} ` : ''}on {campaign.begunAt.slice(0, 10)}.{' '}
            {next ? `Next inspection: ${next}.` : 'No further inspection is planned.'}
          </p>
        ) : (
          <Button look="primary" onClick={() => edit((now) => ({ ...now, begunAt: new Date().toISOString() }))}>
            Mark as exposed from now
          </Button>
        )}
        <span className="grow" />
        {campaign.inspectOn.length > 0 && (
          <a href={`${API}/campaigns/${campaign.id}/inspections.ics`} className={buttonLook()}>
            Dates (iCalendar)
          </a>
        )}
        {campaign.begunAt && !looking && (
          <Button look="primary" onClick={() => setLooking(true)}>
            Inspect
          </Button>
        )}
      </div>
      {looking && (
        <LookForm
          campaign={campaign}
          onSave={(look) => {
            edit((now) => ({ ...now, inspections: [...now.inspections, look] }));
            setLooking(false);
          }}
          onCancel={() => setLooking(false)}
        />
      )}
      {lasting && <Lasting lasting={lasting} nameOf={nameOf} />}
      <LooksDone campaign={campaign} />
    </div>
  );
}

function LookForm({
  campaign,
  onSave,
  onCancel,
}: {
  campaign: Campaign;
  onSave: (look: Inspection) => void;
  onCancel: () => void;
}) {
  const gone = new Set(
    campaign.inspections.flatMap(({ findings }) =>
      findings.filter(({ state }) => state === 'gone').map(({ specimenId }) => specimenId),
    ),
  );
  const left = campaign.specimens.filter(({ id }) => !gone.has(id));
  const [findings, setFindings] = useState<Inspection['findings']>(
    left.map(({ id }) => ({ specimenId: id, state: 'whole' })),
  );
  const [temperatureC, setTemperature] = useState<number>();
  const [note, setNote] = useState('');
  const change = (id: string, to: Partial<Inspection['findings'][number]>) =>
    setFindings(findings.map((one) => (one.specimenId === id ? { ...one, ...to } : one)));
  return (
    <Panel title="Observed today">
      <div className="grid grid-cols-3 narrow:grid-cols-2 gap-3">
        <QuantityField
          label="Highest temperature since the last inspection"
          dimension="temperature"
          value={temperatureC}
          onChange={setTemperature}
          onClear={() => setTemperature(undefined)}
        />
        <div className="col-span-2">
          <TextField label="Weather and events" value={note} maxLength={4000} onChange={setNote} />
        </div>
      </div>
      <ul className="mt-3">
        {findings.map((one) => (
          <li
            key={one.specimenId}
            className="grid grid-cols-[6rem_10rem_9rem_1fr] narrow:grid-cols-2 items-end gap-3 border-t border-line py-1.5"
          >
            <strong>{one.specimenId}</strong>
            <Choice
              label={<span className="sr-only">{one.specimenId} is</span>}
              value={one.state}
              options={[
                { value: 'whole', label: 'whole' },
                { value: 'changed', label: 'changed' },
                { value: 'gone', label: 'gone' },
              ]}
              onChange={(state) => change(one.specimenId, { state })}
            />
            <QuantityField
              label="Distortion"
              dimension="length"
              value={one.movedMm}
              bounds={{ minimum: 0, maximum: 5000 }}
              onChange={(movedMm) => change(one.specimenId, { movedMm })}
            />
            <TextField
              label="Seen"
              value={one.note ?? ''}
              maxLength={200}
              onChange={(seen) => change(one.specimenId, { note: seen })}
            />
          </li>
        ))}
      </ul>
      {left.length === 0 && <p className="text-quiet">All specimens have failed.</p>}
      <SaveOrCancel
        ready
        label="Save reading"
        onSave={() =>
          onSave({
            id: freshId(
              'look',
              campaign.inspections.map(({ id }) => id),
            ),
            at: new Date().toISOString(),
            ...(temperatureC === undefined ? {} : { temperatureC }),
            findings: findings.map(({ note: seen, ...rest }) => (seen ? { ...rest, note: seen } : rest)),
            ...(note.trim() === '' ? {} : { note: note.trim() }),
          })
        }
        onCancel={onCancel}
      />
    </Panel>
  );
}

const days = (value: number) => `${Math.round(value)} d`;

function Lasting({ lasting, nameOf }: { lasting: readonly ArmLasting[]; nameOf: (gradeId: string) => string }) {
  const units = useAppSelector((state) => state.settings.units);
  return (
    <Panel title="Service life of the specimens">
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={['Arm', 'Failed', 'Median life', 'Each specimen']} />
        <tbody>
          {lasting.map(({ arm, lasted, gone, medianD }) => (
            <tr key={arm.id} className="border-b border-line align-top last:border-0">
              <th scope="row" className="px-3 py-1.5 text-left">
                {arm.id} {nameOf(arm.gradeId)}
              </th>
              <td className="px-3 py-1.5">
                {gone} of {lasted.length}
              </td>
              <td className="px-3 py-1.5">
                {medianD ? (
                  `between ${days(medianD.from)} and ${days(medianD.to)}`
                ) : (
                  <span className="text-quiet">not yet: fewer than half have failed</span>
                )}
              </td>
              <td className="px-3 py-1.5">
                {lasted.map(({ specimenId, goneD, wholeD, changedD, movedMm }) => (
                  <span key={specimenId} className="block">
                    {specimenId}:{' '}
                    {goneD === null
                      ? `intact after ${days(wholeD)}${changedD === null ? '' : `, changed by ${days(changedD)}`}`
                      : `failed between ${days(wholeD)} and ${days(goneD)}`}
                    {movedMm !== null && `, ${amount(movedMm, 'mm', units)} out of shape`}
                  </span>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}

function LooksDone({ campaign }: { campaign: Campaign }) {
  const units = useAppSelector((state) => state.settings.units);
  if (campaign.inspections.length === 0) return null;
  return (
    <Panel title="Inspections so far">
      <ol className="text-sm">
        {[...campaign.inspections].reverse().map(({ id, at, temperatureC, findings, note }) => (
          <li key={id} className="border-b border-line py-1.5 last:border-0">
            <strong>{at.slice(0, 10)}</strong>
            {temperatureC !== undefined && `, to ${amount(temperatureC, '°C', units)}`}
            {note && `: ${note}`}
            <span className="block text-quiet">
              {findings
                .filter(({ state, note: seen }) => state !== 'whole' || seen)
                .map(({ specimenId, state, note: seen }) => `${specimenId} ${FOUND[state]}${seen ? `, ${seen}` : ''}`)
                .join('; ') || 'all intact'}
            </span>
            <details>
              <summary className="text-xs text-quiet">Photos and notes of that day</summary>
              <Attachments campaignId={campaign.id} aboutId={id} />
            </details>
          </li>
        ))}
      </ol>
    </Panel>
  );
}
