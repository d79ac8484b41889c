import { GROUPINGS, rankingSchools, type Grouping } from '@anvilstone/core';
import type { Remote } from 'comlink';
import { useCallback, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useBench } from '../parts/bench.ts';
import { Choice } from '../ui/fields.tsx';
import { Loading } from '../ui/Loading.tsx';
import { NoGrades } from '../ui/NoGrades.tsx';
import { Term } from '../ui/Term.tsx';
import { TERMS } from '../ui/terms.ts';
import type { Engine } from '../workers/evaluation.worker.ts';
import { useComputed } from '../workers/useComputed.ts';
import { FindField } from './FindField.tsx';
import { GradeDrawer } from './GradeDrawer.tsx';
import { ReservesMatrix } from './ReservesMatrix.tsx';
import { SizedTable } from './SizedTable.tsx';
import { useChances } from './useChances.ts';
import { useEvaluated } from './useEvaluated.ts';

const GROUP_WORDS: Record<Grouping, string> = {
  none: 'In one list',
  family: 'By family',
  rejected: 'By what decides',
};

/** What survives, what is first, and why. Everything that is set here lives in the address, so a view can be sent. */
export function ShortlistStage() {
  const { brief, standing, library } = useBench();
  const [search, setSearch] = useSearchParams();
  const school =
    rankingSchools.find((one) => one.id === (search.get('school') ?? library.rules.rankingSchool)) ??
    rankingSchools[0]!;
  const sortBy = search.get('sort');
  const descending = search.get('falling') !== null;
  const groupBy = GROUPINGS.find((one) => one === search.get('group')) ?? 'none';
  const sized = search.get('view') === 'sized';
  const find = search.get('find') ?? '';
  const pinned = search.get('pin') ?? '';
  const openId = search.get('grade');
  const ask = useCallback(
    (engine: Remote<Engine>) =>
      engine.shortlist(brief, {
        schoolId: school.id,
        groupBy,
        find,
        descending,
        pinnedIds: pinned.split(','),
        ...(sortBy === null ? {} : { sortBy }),
      }),
    [brief, school.id, sortBy, descending, groupBy, find, pinned],
  );
  const set = useCallback(
    (change: Record<string, string | null>, replace = false) =>
      setSearch(
        (before) => {
          const next = new URLSearchParams(before);
          for (const [key, value] of Object.entries(change)) {
            if (value === null || value === '') next.delete(key);
            else next.set(key, value);
          }
          return next;
        },
        { replace },
      ),
    [setSearch],
  );
  const narrow = useCallback((words: string) => set({ find: words }, true), [set]);
  const { value: shortlist } = useComputed(library, ask);
  const [inSight, setInSight] = useState<readonly string[]>([]);
  const look = useCallback((ids: readonly string[]) => setInSight(ids), []);
  const evaluations = useEvaluated(brief, library, openId === null ? inSight : [...inSight, openId]);
  const waysInSight = useMemo(
    () =>
      inSight.flatMap((gradeId) => {
        const best = evaluations.get(gradeId)?.best;
        return best ? [{ gradeId, orientation: best.orientation }] : [];
      }),
    [inSight, evaluations],
  );
  const chances = useChances(brief, library, waysInSight);
  if (library.grades.length === 0) return <NoGrades />;
  if (!shortlist) return <Loading what="the reserves" />;
  const pinnedIds = pinned.split(',').filter(Boolean);
  const open = openId === null ? undefined : evaluations.get(openId);
  const { counts } = shortlist;
  return (
    <>
      <div className="mb-3 flex items-end gap-3">
        <ViewSwitch sized={sized} onChange={(view) => set({ view })} />
        <div className="w-54">
          <Choice
            label="Ranked by"
            value={school.id}
            options={rankingSchools.map(({ id, title }) => ({ value: id, label: title }))}
            onChange={(id) => set({ school: id })}
          />
        </div>
        {!sized && (
          <div className="w-36">
            <Choice
              label="Grouped"
              value={groupBy}
              options={GROUPINGS.map((value) => ({ value, label: GROUP_WORDS[value] }))}
              onChange={(group) => set({ group: group === 'none' ? null : group })}
            />
          </div>
        )}
        <div className="w-40">
          <FindField value={find} onChange={narrow} />
        </div>
        <p className="grow pb-1 text-sm text-quiet">{school.sentence}</p>
        <p role="status" className="pb-1 whitespace-nowrap">
          <strong>{counts.pass}</strong> pass · <strong>{counts.unknown}</strong> unknown ·{' '}
          <strong>{counts.fail}</strong> fail
        </p>
      </div>
      {standing.state === 'failed' && (
        <p role="alert" className="mb-3 text-fail">
          These reserves are of the last usable brief: {standing.message}
        </p>
      )}
      {sized ? (
        <SizedTable ids={shortlist.ids} />
      ) : (
        <ReservesMatrix
          shortlist={shortlist}
          evaluations={evaluations}
          chances={chances}
          sort={sortBy === null ? null : { by: sortBy, descending }}
          pinnedIds={pinnedIds}
          openId={openId}
          onSort={(sort) => set({ sort: sort?.by ?? null, falling: sort?.descending ? 'yes' : null })}
          onPin={(id) =>
            set({
              pin: (pinnedIds.includes(id) ? pinnedIds.filter((one) => one !== id) : [...pinnedIds, id]).join(','),
            })
          }
          onOpen={(grade, check) => set({ grade, check: check ?? null, built: null })}
          onLook={look}
        />
      )}
      <p className="mt-3 flex flex-wrap gap-x-4 text-xs text-quiet">
        <Term means={TERMS.reserve}>Reserve factor</Term>
        <Term means={TERMS.governs}>Warm frame: governs</Term>
        <Term means={TERMS.evidence}>Letter: evidence class</Term>
        <Term means={TERMS.typical}>Thin tick: typical values only</Term>
        <Term means={TERMS.ownHeatLimit}>“to 80 °C”: own heat limit</Term>
        <Term means={TERMS.orientation}>XY, XZ, ZX</Term>
        <span>Calculated from the evidence at hand; this does not approve a part.</span>
      </p>
      {open && (
        <GradeDrawer
          evaluation={open}
          checkId={search.get('check') ?? open.best.governingCheckId ?? shortlist.checkIds[0]!}
          built={search.get('built')}
          onCheck={(check) => set({ check })}
          onBuilt={(built) => set({ built })}
          onClose={() => set({ grade: null, check: null, built: null })}
        />
      )}
    </>
  );
}

function ViewSwitch({ sized, onChange }: { sized: boolean; onChange: (view: string | null) => void }) {
  const views = [
    { value: null, title: 'As drawn' },
    { value: 'sized', title: 'Sized to pass' },
  ];
  return (
    <div role="group" aria-label="Parts shown" className="flex rounded border border-line-strong">
      {views.map(({ value, title }) => {
        const chosen = sized === (value === 'sized');
        return (
          <button
            key={title}
            type="button"
            aria-pressed={chosen}
            className={`px-3 py-1.5 text-sm whitespace-nowrap ${chosen ? 'bg-sunken font-semibold' : 'text-quiet hover:text-ink'}`}
            onClick={() => onChange(value)}
          >
            {title}
          </button>
        );
      })}
    </div>
  );
}
