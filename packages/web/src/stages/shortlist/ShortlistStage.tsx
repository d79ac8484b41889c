import {
  GROUPINGS,
  CONFIDENCE_LEVELS,
  weightsText,
  preferencesText,
  type Grouping,
  type RankingPreferences,
} from '@anvilstone/core/evaluation';

import { useCallback, useEffect, useMemo } from 'react';
import { Link } from 'react-router';
import { usePartContext } from '../parts/partContext.ts';
import { buttonLook } from '../../ui/buttonLook.ts';
import { Choice } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { NoGrades } from '../parts/list/NoGrades.tsx';
import { rememberPins, usePreferred } from '../parts/usePreferred.ts';
import { Term } from '../../ui/Term.tsx';
import { TERMS } from '../../ui/terms.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { SavedViews } from '../../team/views/SavedViews.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';
import { EvaluatedMatrix } from './table/EvaluatedMatrix.tsx';
import { EqualMassTable } from './sized/EqualMassTable.tsx';
import { FindField } from './table/FindField.tsx';
import { GradeDrawer } from './grade/GradeDrawer.tsx';
import { MapView } from './map/MapView.tsx';
import { MovedLine } from './table/MovedLine.tsx';
import { RankingMethodStrip } from './ranking/RankingMethodStrip.tsx';
import { readShortlistAddress, useShortlistAddress } from './shortlistAddress.ts';
import { usePreferences } from './ranking/usePreferences.ts';
import { SizedTable } from './sized/SizedTable.tsx';
import { ConfidenceProgress } from './confidence/ConfidenceProgress.tsx';
import { useAllChances } from './confidence/useAllChances.ts';
import { useEvaluated } from './table/useEvaluated.ts';
import { useSized } from './table/usePortions.ts';
import { useDraggedWeights } from './ranking/useDraggedWeights.ts';
import { ViewSwitch } from './ViewSwitch.tsx';
import { WeightsBar } from './ranking/WeightsBar.tsx';

const GROUP_WORDS: Record<Grouping, string> = {
  none: 'One list',
  family: 'By family',
  rejected: 'By governing check',
};

/** So many grades are sized without being asked, so that every ranking method can name its first. */
const SIZED_UNASKED = 300;

/** The comparison chooses as the shortlist does. */
function compareSearch(preferences: RankingPreferences, finalists: readonly string[]): string {
  const search = new URLSearchParams(preferencesText(preferences));
  if (finalists.length > 0) search.set('grades', finalists.join(','));
  return search.toString();
}

/** What survives, what is first, and why. Everything that is set here lives in the address, so a view can be sent. */
export function ShortlistStage() {
  const { brief, screening, library, partId } = usePartContext();
  const [address, set] = useShortlistAddress(library.rules);
  const { rankingMethod, view, groupBy, sort, find, openId, leastChance, previousSchoolId, pinnedIds } = address;
  const preferences = usePreferences(library.rules);
  const units = useAppSelector((state) => state.settings.units);
  const pinned = pinnedIds.join(',');
  const [weights, drag] = useDraggedWeights(
    address.weights,
    useCallback((next) => set({ weights: weightsText(next) }, true), [set]),
  );
  const allIds = useMemo(() => library.grades.map(({ id }) => id), [library]);

  const wantSizes =
    rankingMethod.needsSizes === true || previousSchoolId === 'lightest-when-sized' || allIds.length <= SIZED_UNASKED;
  const sizes = useSized(brief, library, allIds, { wanted: wantSizes });
  // Only where the order shows it is every portion of sizes worth a new one; else who leads is told at the end.
  const sizedSoFar =
    rankingMethod.needsSizes || previousSchoolId === 'lightest-when-sized' ? sizes.rows.length : Number(sizes.done);
  const sure = useAllChances(brief, library, leastChance !== undefined && rankingMethod.id === 'cheapest-that-passes');
  const shares = [...new Set([...CONFIDENCE_LEVELS, ...(leastChance === undefined ? [] : [leastChance])])].sort();

  useEffect(() => rememberPins(partId, pinned.split(',').filter(Boolean)), [partId, pinned]);
  const { preferred } = usePreferred();
  const pin = useCallback(
    (id: string) =>
      set((newest) => {
        const { pinnedIds: before } = readShortlistAddress(newest);
        return { pin: (before.includes(id) ? before.filter((one) => one !== id) : [...before, id]).join(',') };
      }),
    [set],
  );
  const openGrade = useCallback(
    (grade: string, check?: string) => set({ grade, check: check ?? null, built: null }),
    [set],
  );
  const narrow = useCallback((words: string) => set({ find: words }, true), [set]);
  const computed = useAnswer(
    library,
    'shortlist',
    [
      brief,
      {
        schoolId: rankingMethod.id,
        groupBy,
        find,
        pinnedIds: pinned.split(','),
        ...(sort === null ? {} : { sortBy: sort.by, descending: sort.descending }),
        ...(previousSchoolId === undefined ? {} : { comparedWith: previousSchoolId }),
      },
      { ...preferences, schoolId: rankingMethod.id, weights },
    ],
    // Asked again when more grades have been sized or made sure of.
    `${sizedSoFar} ${sure.done}`,
  );
  const shortlist = computed.value;
  const openOnly = useMemo(() => (openId === null ? [] : [openId]), [openId]);
  const evaluations = useEvaluated(brief, library, openOnly);
  const grades = useMemo(() => new Map(library.grades.map((grade) => [grade.id, grade])), [library]);
  if (library.grades.length === 0) return <NoGrades />;
  if (!shortlist && computed.state === 'failed')
    return (
      <p role="alert" className="rounded border border-line bg-surface p-4 text-fail">
        The reserve factors cannot be calculated: {computed.message}
      </p>
    );
  if (!shortlist) return <Loading what="the reserves" />;
  const open = openId === null ? undefined : evaluations.get(openId);
  const { counts } = shortlist;
  const leader = shortlist.leaders.find(({ schoolId }) => schoolId === rankingMethod.id)?.first;
  const finalists = pinnedIds.length >= 2 ? pinnedIds.slice(0, 5) : [];
  return (
    <>
      <RankingMethodStrip
        chosen={rankingMethod}
        leaders={shortlist.leaders}
        grades={grades}
        sizing={wantSizes && !sizes.impossible ? sizes.rows.length / allIds.length : undefined}
        onChange={(id) => set({ school: id, was: rankingMethod.id })}
      />
      <MovedLine sentence={rankingMethod.sentence} shortlist={shortlist} grades={grades} />
      {rankingMethod.id === 'weighted-merit' && <WeightsBar weights={weights} onChange={drag} />}
      <div className="mb-2 flex flex-wrap items-end gap-2">
        <ViewSwitch view={view} onChange={(next) => set({ view: next === 'drawn' ? null : next })} />
        {view === 'drawn' && (
          <div className="w-32">
            <Choice
              label="Group by"
              value={groupBy}
              options={GROUPINGS.map((value) => ({ value, label: GROUP_WORDS[value] }))}
              onChange={(group) => set({ group: group === 'none' ? null : group })}
            />
          </div>
        )}
        {rankingMethod.id === 'cheapest-that-passes' && (
          <div className="w-24">
            <Choice
              label="Confidence"
              value={String(leastChance ?? 0)}
              options={[
                { value: '0', label: 'expected' },
                ...shares.map((share) => ({ value: String(share), label: `${100 * share} %` })),
              ]}
              onChange={(share) => set({ sure: share })}
            />
          </div>
        )}
        <div className="w-30">
          <FindField value={find} onChange={narrow} />
        </div>
        <span className="grow" />
        <p role="status" className="pb-1 whitespace-nowrap">
          <strong>{counts.pass}</strong> pass · <strong>{counts.unknown}</strong> unknown ·{' '}
          <strong>{counts.fail}</strong> fail
        </p>
        <Link
          to={{ pathname: '../compare', search: compareSearch(preferences, finalists) }}
          relative="path"
          className={buttonLook('plain', 'whitespace-nowrap print:hidden')}
        >
          {finalists.length > 0 ? `Compare these ${finalists.length}` : 'Compare top candidates'}
        </Link>
        <SavedViews partId={partId} stage="shortlist" />
      </div>
      {leastChance !== undefined && rankingMethod.id === 'cheapest-that-passes' && (
        <ConfidenceProgress progress={sure} leastChance={leastChance} typicalReserve={preferences.typicalReserve} />
      )}
      {screening.state === 'failed' && (
        <p role="alert" className="mb-3 text-fail">
          These reserves are from the last valid brief: {screening.message}
        </p>
      )}
      {view === 'sized' && <SizedTable ids={shortlist.ids} />}
      {view === 'equal-mass' && (
        <EqualMassTable
          ids={shortlist.ids}
          massG={address.massG ?? leader?.best.massG ?? undefined}
          onMass={(massG) => set({ mass: String(Number(massG.toPrecision(6))) })}
        />
      )}
      {view === 'map' && (
        <MapView
          ids={shortlist.ids}
          checkIds={shortlist.checkIds}
          xId={address.x}
          yId={address.y}
          pinnedIds={pinnedIds}
          onAxes={set}
          onOpen={(grade) => set({ grade, check: null, built: null })}
          onPin={(ids) =>
            set((newest) => ({ pin: [...new Set([...readShortlistAddress(newest).pinnedIds, ...ids])].join(',') }))
          }
        />
      )}
      {view === 'drawn' && (
        <EvaluatedMatrix
          shortlist={shortlist}
          sort={sort}
          pinnedIds={pinnedIds}
          decidedId={preferred?.because === 'decided' ? preferred.gradeId : undefined}
          openId={openId}
          onSort={(next) => set({ sort: next?.by ?? null, falling: next?.descending ? 'yes' : null })}
          onPin={pin}
          onOpen={openGrade}
        />
      )}
      <p className="mt-3 flex flex-wrap gap-x-4 text-xs text-quiet">
        <Term means={TERMS.reserve}>Reserve factor</Term>
        <Term means={TERMS.governs}>Warm frame: governing</Term>
        <Term means={TERMS.evidence}>Letter: evidence class</Term>
        <Term means={TERMS.typical}>Thin tick: typical values only</Term>
        <Term means={TERMS.ownHeatLimit}>
          “limit {amount(80, '°C', units)}, form”: limit under load, and which of the three it is
        </Term>
        <Term means={TERMS.orientation}>XY, XZ, ZX</Term>
        <span>Calculated from the available evidence; this does not approve a part.</span>
      </p>
      {open && (
        <GradeDrawer
          evaluation={open}
          checkId={address.checkId ?? open.best.governingCheckId ?? shortlist.checkIds[0]!}
          built={address.built}
          onCheck={(check) => set({ check })}
          onBuilt={(built) => set({ built })}
          onClose={() => set({ grade: null, check: null, built: null })}
        />
      )}
    </>
  );
}
