import { findCheck } from '@anvilstone/core/checks';
import { findMethod } from '@anvilstone/core/evidence';
import { ORIENTATIONS } from '@anvilstone/schema';

import { useMemo } from 'react';
import { Link } from 'react-router';
import { useAddress } from '../../sync/address/useAddress.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { GradeChoice } from '../build/GradeChoice.tsx';
import { useBuildGrade } from '../build/useBuildGrade.ts';
import { usePartContext } from '../parts/partContext.ts';
import { amount, duration } from '../../ui/amount.ts';
import { buttonLook } from '../../ui/buttonLook.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { Choice } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { NoGrades } from '../parts/list/NoGrades.tsx';
import { Evidence, Reserve } from '../../ui/Reserve.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { useSay } from '../../ui/useSay.ts';
import type { ProposedTest } from '../../workers/evaluation.worker.ts';
import { useAnswer } from '../../workers/useAnswer.ts';
import { useCampaignsQuery } from './benchApi.ts';
import { CampaignsTable } from './BenchPage.tsx';
import { PredictedPanel } from './plan/PredictedPanel.tsx';
import { useGaugeCapacity } from './testing/useGaugeCapacity.ts';
import { orientationChoices } from '../../ui/orientationChoices.ts';
import { quantity, wayOf } from './words.ts';

/** Which tests this part’s answer would gain from most, and those that were made for it. */
export function BenchStage() {
  const { partId, brief, library } = usePartContext();
  const [search, set] = useAddress();
  const built = useBuildGrade();
  const grade = library.grades.find(({ id }) => id === built.gradeId);
  const orientation = ORIENTATIONS.find((one) => one === search.get('way')) ?? built.orientation;
  const { capacityN } = useGaugeCapacity();
  const { value: plan } = useAnswer(
    library,
    'testPlan',
    built.gradeId && orientation ? [brief, built.gradeId, orientation, capacityN] : undefined,
  );
  const { data: campaigns } = useCampaignsQuery();
  const gradeOf = useMemo(() => new Map(library.grades.map((one) => [one.id, one])), [library]);
  if (library.grades.length === 0) return <NoGrades />;
  if (!grade || !orientation) return <Loading what="the grades" />;
  const own = campaigns?.filter(({ campaign }) => campaign.partId === partId) ?? [];
  const others =
    campaigns?.filter(
      ({ campaign }) => campaign.partId !== partId && campaign.arms.some(({ gradeId }) => gradeId === grade.id),
    ) ?? [];
  return (
    <div className="flex flex-col gap-4">
      <div className="flex items-end gap-3">
        <p className="grow text-quiet">
          Most useful tests first: unknown values, then reserve factors close to 1 on weak evidence.
        </p>
        <div className="grid w-100 grid-cols-[1fr_8rem] gap-2">
          <GradeChoice {...built} />
          <Choice
            label="Build orientation"
            value={orientation}
            options={orientationChoices(brief.part)}
            onChange={(way) => set({ way })}
          />
        </div>
      </div>
      {!plan && <Loading what="the tests" />}
      {plan?.length === 0 && (
        <p className="rounded-md border border-line bg-surface p-4">
          No test would change much: every testable check passes or fails by a wide margin.
        </p>
      )}
      {plan && plan.length > 0 && <PlanTable plan={plan} partId={partId} gradeId={grade.id} />}
      {own.length > 0 && (
        <section aria-label="Campaigns for this part">
          <h2 className="mb-2 text-sm">Campaigns for this part</h2>
          <CampaignsTable campaigns={own} gradeOf={gradeOf} />
        </section>
      )}
      <PredictedPanel partId={partId} gradeOf={gradeOf} />
      {others.length > 0 && (
        <section aria-label={`Other campaigns with ${grade.name}`}>
          <h2 className="mb-2 text-sm">Other campaigns with {grade.name}</h2>
          <CampaignsTable campaigns={others} gradeOf={gradeOf} />
        </section>
      )}
      <Cautions place="bench" brief={brief} grade={grade} rules={library.rules} agents={library.agents} />
    </div>
  );
}

function PlanTable({ plan, partId, gradeId }: { plan: readonly ProposedTest[]; partId: string; gradeId: string }) {
  const say = useSay();
  const { part } = usePartContext().brief;
  const units = useAppSelector((state) => state.settings.units);
  return (
    <table className="w-full rounded-md border border-line bg-surface text-sm">
      <TableHead headings={['Resolves', 'Test', 'Expected', 'Specimens', 'Effort', '']} />
      <tbody>
        {plan.map((one) => {
          const method = findMethod(one.methodId)!;
          const [outcome] = method.outcomes;
          const address = new URLSearchParams({
            part: partId,
            method: one.methodId,
            grades: gradeId,
            way: one.orientation,
            check: one.checkId,
            each: String(one.perArm),
            ...(one.loadCaseId ? { load: one.loadCaseId } : {}),
            ...(one.setUp.temperatureC === undefined ? {} : { temperature: String(one.setUp.temperatureC) }),
          });
          return (
            <tr key={`${one.methodId} ${one.orientation}`} className="border-b border-line align-top last:border-0">
              <th scope="row" className="max-w-72 px-3 py-2 text-left">
                {findCheck(one.checkId)?.title}{' '}
                <span className="inline-flex items-center gap-1.5 align-middle font-normal">
                  <Reserve
                    reserve={one.reserve}
                    status={one.reserve === null ? 'unknown' : one.reserve < 1 ? 'fail' : 'pass'}
                  />{' '}
                  {one.evidence && <Evidence evidence={one.evidence} />}
                </span>
                <span className="block text-xs font-normal text-quiet">{say(one.why)}.</span>
              </th>
              <td className="px-3 py-2">
                {method.title}
                <span className="block text-xs text-quiet">{wayOf(method, one.orientation, part)}</span>
              </td>
              <td className="max-w-72 px-3 py-2">
                {one.predicted.known && outcome ? (
                  <>
                    {outcome.title} {quantity(one.predicted.value, outcome.dimension, units)}
                    {one.predicted.forceN !== undefined &&
                      outcome.dimension !== 'force' &&
                      `, at ${amount(one.predicted.forceN, 'N', units)}`}
                    <span className="block text-xs text-quiet">{one.predicted.place && say(one.predicted.place)}</span>
                  </>
                ) : (
                  <span className="text-unknown">
                    {one.predicted.known ? '' : `not known: ${one.predicted.gaps.map(say).join('; ')}`}
                  </span>
                )}
                {one.range && one.range.verdict !== 'fits' && (
                  <span className="block text-xs text-unknown">{say(one.range.text)}</span>
                )}
              </td>
              <td className="px-3 py-2">{one.perArm}</td>
              <td className="px-3 py-2 text-xs whitespace-nowrap">
                {one.effort ? (
                  <>
                    {amount(one.effort.filamentG, 'g', units)} of filament
                    <br />
                    {duration(one.effort.printH)} printing
                    <br />
                    {duration(one.effort.handsOnMin / 60)} at the rig
                  </>
                ) : (
                  'not known'
                )}
              </td>
              <td className="px-3 py-2">
                <Link
                  to={`/bench/new?${address.toString()}`}
                  className={buttonLook()}
                  aria-label={`Plan “${method.title}”, ${wayOf(method, one.orientation, part)}`}
                >
                  Plan test
                </Link>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
