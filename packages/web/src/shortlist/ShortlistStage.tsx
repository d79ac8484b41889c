import { rankingSchools } from '@anvilstone/core';
import type { Remote } from 'comlink';
import { useCallback, useState } from 'react';
import { useSearchParams } from 'react-router';
import { useBench } from '../parts/bench.ts';
import { Choice } from '../ui/fields.tsx';
import { Loading } from '../ui/Loading.tsx';
import { NoGrades } from '../ui/NoGrades.tsx';
import { Term } from '../ui/Term.tsx';
import { TERMS } from '../ui/terms.ts';
import { GradeDrawer } from './GradeDrawer.tsx';
import { MORE_ROWS, ReservesMatrix } from './ReservesMatrix.tsx';
import type { Engine } from '../workers/evaluation.worker.ts';
import { useComputed } from '../workers/useComputed.ts';

/** What survives, what is first, and why. The school, the grade and the check shown live in the address. */
export function ShortlistStage() {
  const { brief, standing, library } = useBench();
  const [search, setSearch] = useSearchParams();
  const school =
    rankingSchools.find((one) => one.id === (search.get('school') ?? library.rules.rankingSchool)) ??
    rankingSchools[0]!;
  const [shownRows, setShownRows] = useState(MORE_ROWS);
  const openId = search.get('grade');
  const ask = useCallback(
    (engine: Remote<Engine>) => engine.shortlist(brief, school.id, shownRows, openId),
    [brief, school.id, shownRows, openId],
  );
  const { value: result } = useComputed(library, ask);
  if (library.grades.length === 0) return <NoGrades />;
  if (!result) return <Loading what="the reserves" />;
  const set = (change: Record<string, string | null>) =>
    setSearch((before) => {
      const next = new URLSearchParams(before);
      for (const [key, value] of Object.entries(change)) {
        if (value === null) next.delete(key);
        else next.set(key, value);
      }
      return next;
    });
  const open = result.open?.gradeId === openId ? result.open : undefined;
  return (
    <>
      <div className="mb-3 flex items-end gap-4">
        <div className="w-60">
          <Choice
            label="Ranked by"
            value={school.id}
            options={rankingSchools.map(({ id, title }) => ({ value: id, label: title }))}
            onChange={(id) => set({ school: id })}
          />
        </div>
        <p className="pb-1 text-quiet">{school.sentence}</p>
        <div className="grow" />
        <p role="status" className="pb-1 whitespace-nowrap">
          <strong>{result.counts.pass}</strong> pass · <strong>{result.counts.unknown}</strong> unknown ·{' '}
          <strong>{result.counts.fail}</strong> fail
        </p>
      </div>
      {standing.state === 'failed' && (
        <p role="alert" className="mb-3 text-fail">
          These reserves are of the last usable brief: {standing.message}
        </p>
      )}
      <ReservesMatrix
        checkIds={result.checkIds}
        rows={result.rows}
        total={result.total}
        onMore={() => setShownRows(shownRows + MORE_ROWS)}
        library={library}
        openId={openId}
        onOpen={(grade, check) => set({ grade, check: check ?? null, built: null })}
      />
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
          checkId={search.get('check') ?? open.best.governingCheckId ?? result.checkIds[0]!}
          built={search.get('built')}
          onCheck={(check) => set({ check })}
          onBuilt={(built) => set({ built })}
          onClose={() => set({ grade: null, check: null, built: null })}
        />
      )}
    </>
  );
}
