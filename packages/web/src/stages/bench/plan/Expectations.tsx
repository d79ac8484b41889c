import { effortOf, findMethod, predictArm, rangeOf, type Predicted } from '@anvilstone/core/evidence';
import type { Brief, Campaign, Grade, RigSetUp } from '@anvilstone/schema';
import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo } from 'react';
import { usePartQuery } from '../../../sync/api/api.ts';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount, duration } from '../../../ui/amount.ts';
import { Button } from '../../../ui/Button.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import { MethodCautions } from './MethodCard.tsx';
import { RigSketch } from '../testing/RigSketch.tsx';
import type { EditCampaign } from '../useSavedCampaign.ts';
import { quantity } from '../words.ts';
import { useSay } from '../../../ui/useSay.ts';

const VERDICTS = {
  fits: { mark: '●', look: 'text-pass' },
  small: { mark: '!', look: 'text-unknown' },
  over: { mark: '✕', look: 'text-fail' },
  rig: { mark: '✕', look: 'text-fail font-semibold' },
  unknown: { mark: '?', look: 'text-unknown' },
} as const;

/** Brief of the part that is tested; undefined: none, or not here yet. */
export function useBriefOf({ partId }: Pick<Campaign, 'partId'>): Brief | undefined {
  return usePartQuery(partId ?? skipToken).currentData?.brief;
}

/** What each arm is expected to do, whether gauge and rig bear it, what it takes, and what can hurt. */
export function Expectations({
  campaign,
  library,
  edit,
}: {
  campaign: Campaign;
  library: Workshop;
  edit: EditCampaign;
}) {
  const brief = useBriefOf(campaign);
  const method = findMethod(campaign.methodId);
  const gradeOf = useMemo(() => new Map(library.grades.map((grade) => [grade.id, grade])), [library]);
  const expected = useMemo(
    () =>
      campaign.arms.map((arm) => {
        const grade = gradeOf.get(arm.gradeId);
        const predicted: Predicted = grade
          ? predictArm(campaign, arm, { grade, rules: library.rules, library, brief })
          : { known: false, gaps: ['The grade is not in the library'] };
        return { arm, grade, predicted };
      }),
    [campaign, gradeOf, library, brief],
  );
  if (!method) return null;
  return (
    <div className="flex flex-col gap-4">
      <Panel title="Prediction">
        <ul className="text-sm">
          {expected.map(({ arm, grade, predicted }) => (
            <li key={arm.id} className="border-b border-line py-2 first:pt-0 last:border-0">
              <p className="font-semibold">
                {arm.id} {grade?.name ?? arm.gradeId}
              </p>
              <Expected campaign={campaign} predicted={predicted} edit={edit} />
            </li>
          ))}
        </ul>
        <Effort campaign={campaign} library={library} grades={expected.map(({ grade }) => grade)} />
      </Panel>
      <Panel title="The rig">
        <RigSketch rig={method.rig} />
        <div className="mt-2">
          <MethodCautions method={method} />
        </div>
      </Panel>
    </div>
  );
}

function Expected({ campaign, predicted, edit }: { campaign: Campaign; predicted: Predicted; edit: EditCampaign }) {
  const say = useSay();
  const units = useAppSelector((state) => state.settings.units);
  const method = findMethod(campaign.methodId)!;
  if (!predicted.known) return <p className="text-unknown">Not predicted: {predicted.gaps.map(say).join('; ')}</p>;
  const [outcome] = method.outcomes;
  const range =
    predicted.forceN === undefined || method.capture !== 'force'
      ? undefined
      : rangeOf({ forceN: predicted.forceN, cov: predicted.cov }, campaign.setUp, method.resize);
  const apply = (setUp: Partial<RigSetUp>) => edit((now) => ({ ...now, setUp: { ...now.setUp, ...setUp } }));
  return (
    <>
      <p>
        {outcome && `${outcome.title} ${quantity(predicted.value, outcome.dimension, units)}`}
        {predicted.forceN !== undefined &&
          outcome?.dimension !== 'force' &&
          `, at ${amount(predicted.forceN, 'N', units)}`}{' '}
        <span className="text-quiet">
          ± {Math.round(100 * predicted.cov)} %, {say(predicted.place)}
        </span>
      </p>
      {range && (
        <p className={VERDICTS[range.verdict].look}>
          <span aria-hidden="true">{VERDICTS[range.verdict].mark} </span>
          {say(range.text)}
        </p>
      )}
      {range?.remedies.map(({ text, setUp }) => (
        <Button key={say(text)} className="mt-1 mr-1 text-left" onClick={() => apply(setUp)}>
          Use {say(text)}
        </Button>
      ))}
    </>
  );
}

function Effort({
  campaign,
  library,
  grades,
}: {
  campaign: Campaign;
  library: Workshop;
  grades: readonly (Grade | undefined)[];
}) {
  const units = useAppSelector((state) => state.settings.units);
  const method = findMethod(campaign.methodId)!;
  const efforts = grades.map(
    (grade) => grade && effortOf(method, campaign.setUp, campaign.perArm, grade, library, library.rules, null),
  );
  const known = efforts.filter((one) => one !== undefined);
  const handsMin = campaign.arms.length * campaign.perArm * method.handsOnMin;
  if (known.length < efforts.length)
    return (
      <p className="mt-2 border-t border-line pt-2 text-sm text-quiet">
        {campaign.arms.length * campaign.perArm} specimens, {duration(handsMin / 60)} at the rig. Filament: as much as
        the parts take.
      </p>
    );
  const sum = (of: (one: (typeof known)[number]) => number) => known.reduce((total, one) => total + of(one), 0);
  return (
    <p className="mt-2 border-t border-line pt-2 text-sm">
      {campaign.arms.length * campaign.perArm} specimens:{' '}
      {amount(
        sum(({ filamentG }) => filamentG),
        'g',
        units,
      )}{' '}
      of filament, {duration(sum(({ printH }) => printH))} on a machine, {duration(handsMin / 60)} at the rig.
    </p>
  );
}
