import type { ArmResult } from '@anvilstone/core/evidence';
import { definitionOf, formatNumber as f } from '@anvilstone/core/foundations';
import type { Campaign } from '@anvilstone/schema';
import { useState } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { Button } from '../../../ui/Button.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import { AcceptPanel } from '../results/AcceptPanel.tsx';
import { outcomeText, WAY_WORDS } from '../words.ts';
import { FactList } from '../../../ui/FactList.tsx';

/** One arm: every reading, what may be said on so many, and how it compares with what was expected. */
export function ArmPanel({
  campaign,
  revision,
  result,
  name,
}: {
  campaign: Campaign;
  revision: number;
  result: ArmResult;
  name: string;
}) {
  const { arm, outcome, replicates, summary, claim, says, outliers } = result;
  const units = useAppSelector((state) => state.settings.units);
  const [accepting, setAccepting] = useState(false);
  const show = (value: number) => outcomeText(value, outcome, units);
  const accepted = campaign.accepted.find((one) => one.armId === arm.id && one.outcomeId === outcome.id);
  const flagged = new Map(outliers.map((one) => [one.specimenId, one]));
  return (
    <Panel
      title={`${name}, ${WAY_WORDS[arm.orientation]}`}
      aside={
        outcome.property && !accepting ? (
          <Button look={accepted ? 'plain' : 'primary'} disabled={claim === 'none'} onClick={() => setAccepting(true)}>
            {accepted ? 'Accept again' : 'Add to library'}
          </Button>
        ) : undefined
      }
    >
      <div className="grid grid-cols-[minmax(0,1fr)_24rem] narrow:grid-cols-1 items-start gap-6">
        <table className="w-full text-sm">
          <TableHead headings={['Specimen', outcome.title, 'Counts', 'Broke']} />
          <tbody>
            {replicates.map(({ trial, specimen, value, counts, whyNot }) => (
              <tr key={trial.id} className={`border-b border-line last:border-0 ${counts ? '' : 'text-quiet'}`}>
                <th scope="row" className="px-3 py-1 text-left">
                  <Link to={`?show=capture&specimen=${specimen.id}`} className="hover:underline">
                    {specimen.id}
                  </Link>
                </th>
                <td className={`px-3 py-1 ${counts ? '' : 'line-through decoration-1'}`}>
                  {value === undefined ? '–' : show(value)}
                  {trial.overRange && !trial.corrected && ' or more'}
                  {trial.corrected && <span className="text-xs text-unknown no-underline"> corrected</span>}
                </td>
                <td className="px-3 py-1">
                  {counts ? 'yes' : `no: ${whyNot}`}
                  {flagged.has(specimen.id) && (
                    <span className="block text-xs text-unknown">
                      lies {f(flagged.get(specimen.id)!.normedResidual)} sd off, more than the{' '}
                      {f(flagged.get(specimen.id)!.critical)} that scatter explains; it counts unless excluded with a
                      reason
                    </span>
                  )}
                </td>
                <td className="px-3 py-1">{trial.broke ?? '–'}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <div className="text-sm">
          <p className={claim === 'none' || claim === 'hint' ? 'font-semibold text-unknown' : 'font-semibold'}>
            {says}
          </p>
          {summary && <Numbers result={result} show={show} />}
          <CalibrationWords result={result} show={show} />
          {accepted && (
            <p className="mt-2 text-pass">
              ● In the library since {accepted.at.slice(0, 10)}, by {accepted.by}:{' '}
              <Link to={`/grades/${arm.gradeId}`} className="underline">
                its evidence
              </Link>
            </p>
          )}
        </div>
      </div>
      {accepting && (
        <AcceptPanel campaign={campaign} revision={revision} result={result} onClose={() => setAccepting(false)} />
      )}
    </Panel>
  );
}

function Numbers({
  result: { summary, claim, weibull, outcome },
  show,
}: {
  result: ArmResult;
  show: (value: number) => string;
}) {
  const { n, mean, sd, cov, meanInterval, bBasis } = summary!;
  const units = useAppSelector((state) => state.settings.units);
  const plain = (value: number) => (definitionOf(outcome.dimension)[units] === '' ? f(value) : show(value));
  const rows: [string, string][] = [
    ['Valid readings', String(n)],
    ['Mean', show(mean)],
    ...(sd === null
      ? []
      : ([['Standard deviation', `${plain(sd)}${cov === null ? '' : `, CoV ${f(100 * cov)} %`}`]] as [
          string,
          string,
        ][])),
    ...(meanInterval && claim !== 'none'
      ? ([['Mean lies within, 95 %', `${show(meanInterval.low)} … ${show(meanInterval.high)}`]] as [string, string][])
      : []),
    ...(bBasis !== null && claim === 'basis'
      ? ([['B-basis: nine of ten reach', show(bBasis)]] as [string, string][])
      : []),
    ...(weibull && outcome.breaks && claim === 'basis'
      ? ([['Weibull shape', f(weibull.shape)]] as [string, string][])
      : []),
  ];
  return <FactList className="mt-2" rows={rows} />;
}

/** Measured against expected, and what that may mean. */
function CalibrationWords({
  result: { calibration, claim, arm, outcome },
  show,
}: {
  result: ArmResult;
  show: (value: number) => string;
}) {
  if (!calibration) return null;
  const { factor, interval, agrees, predicted } = calibration;
  return (
    <p className="mt-2 border-t border-line pt-2">
      Expected {show(predicted)}: measured × <strong>{factor.toFixed(2)}</strong> of that, between{' '}
      {interval.low.toFixed(2)} and {interval.high.toFixed(2)}.{' '}
      {claim === 'none'
        ? 'Too few readings to tell.'
        : agrees
          ? 'The prediction may be right.'
          : factor < 1
            ? 'Prediction was optimistic.'
            : 'Prediction was conservative.'}
      {!agrees && claim !== 'none' && outcome.property === 'tensileStrength' && (
        <span className="block text-xs text-quiet">
          {arm.orientation === 'ZX'
            ? 'Add as evidence for this grade'
            : 'One grade does not make a rule: if others agree, change the knock-down'}
          {arm.orientation !== 'ZX' && (
            <>
              {' '}
              in the{' '}
              <Link to={`/company-rules?scale=${factor.toFixed(3)}`} className="underline">
                company rules
              </Link>
              , which show the effect before the change is saved
            </>
          )}
          .
        </span>
      )}
    </p>
  );
}
