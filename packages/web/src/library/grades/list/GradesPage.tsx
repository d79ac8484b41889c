import type { Sort } from '../../../ui/table/tableColumn.ts';
import { useDeferredValue, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { useWholeAddress } from '../../../sync/address/useAddress.ts';
import { Button } from '../../../ui/Button.tsx';
import { TextField } from '../../../ui/fields.tsx';
import { Loading } from '../../../ui/Loading.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';

import { useAnswer } from '../../../workers/useAnswer.ts';
import { useLibrary } from '../../../workers/useLibrary.ts';
import { SampleOffer } from '../../../team/data/SampleOffer.tsx';
import { Empty } from '../../../ui/Empty.tsx';
import { PageHead } from '../../../ui/PageHead.tsx';
import { ColumnChooser } from './ColumnChooser.tsx';
import { ConditionChooser } from '../comparing/ConditionChooser.tsx';
import { FacetPanel } from './FacetPanel.tsx';
import { readAddress, writeAddress } from './filterAddress.ts';
import { filterGrades, indexGrades, sortGrades, type Facet, type GradeFilter } from './gradeFilter.ts';
import { GradesTable } from './GradesTable.tsx';
import { LibraryActions } from './LibraryActions.tsx';
import { RangeFilters } from './RangeFilters.tsx';

/** What do we know: every grade, narrowed down and ordered by anything it resolves to. */
export function GradesPage() {
  const { library, error } = useLibrary();
  const [address, write] = useWholeAddress();
  const { filter, sort } = useMemo(() => readAddress(address), [address]);
  const { columnIds, at } = useAppSelector((state) => state.gradesView);
  const [chosenIds, setChosenIds] = useState<readonly string[]>([]);
  const navigate = useNavigate();

  // Ranges need their column resolved, shown or not.
  const wantedIds = [...new Set([...columnIds, ...filter.ranges.map((range) => range.columnId)])].join(' ');
  const wanted = useMemo(() => wantedIds.split(' ').filter(Boolean), [wantedIds]);
  const { value: table, state, ...failed } = useAnswer(library, 'libraryTable', [{ columnIds: wanted, at }]);

  const index = useMemo(() => library && indexGrades(library.grades), [library]);
  // Typing stays quick even where filtering takes longer than a frame.
  const deferred = useDeferredValue(filter);
  const filtered = useMemo(
    () => (index && table && table.overall.length === index.length ? filterGrades(index, table, deferred) : undefined),
    [index, table, deferred],
  );
  const rows = useMemo(() => filtered && table && sortGrades(filtered.rows, table, sort), [filtered, table, sort]);

  const show = (next: GradeFilter, order: Sort) => write(writeAddress(next, order), true);
  const change = (next: Partial<GradeFilter>, order: Sort = sort) => show({ ...filter, ...next }, order);
  const choose = (facet: Facet, values: readonly string[]) => change({ chosen: { ...filter.chosen, [facet]: values } });
  const narrowed = address.size > (address.has('sort') ? 1 : 0);

  return (
    <main className="flex h-screen flex-col p-5 narrow:h-auto">
      <PageHead
        title="Grades"
        says="Resolved values with their evidence: A and B measured at this condition, C adjusted, D typical of the family."
      >
        <LibraryActions chosenIds={chosenIds} />
      </PageHead>
      {error !== undefined && <ProblemNotice error={error} />}
      {'message' in failed && (
        <p role="alert" className="text-fail">
          {failed.message}
        </p>
      )}
      {!library && !error && <Loading what="the grades" />}
      {library?.grades.length === 0 && <NothingYet />}
      {library && library.grades.length > 0 && (
        <div className="flex min-h-0 grow gap-4 narrow:flex-col">
          <aside
            aria-label="Filter"
            className="flex w-56 shrink-0 narrow:max-h-56 narrow:w-full flex-col gap-2 overflow-y-auto pr-1"
          >
            <TextField
              label="Search name, colour, source, note"
              value={filter.words}
              onChange={(words) => change({ words })}
            />
            <QuantityField
              label="Price, at most"
              dimension="price"
              value={filter.priceAtMost}
              onChange={(priceAtMost) => change({ priceAtMost })}
              onClear={() => {
                const { priceAtMost: _gone, ...rest } = filter;
                show(rest, sort);
              }}
            />
            <RangeFilters
              ranges={filter.ranges}
              unknown={filtered?.unknown ?? 0}
              onChange={(ranges) => change({ ranges })}
            />
            {filtered && <FacetPanel filter={filter} counts={filtered.counts} onChoose={choose} />}
          </aside>
          <div className="flex min-w-0 grow flex-col gap-2">
            <div className="flex items-end justify-between gap-3 narrow:flex-wrap">
              <ConditionChooser />
              <div className="flex items-center gap-2 narrow:flex-wrap">
                {chosenIds.length > 0 && (
                  <Button look="quiet" onClick={() => setChosenIds([])}>
                    Clear selection
                  </Button>
                )}
                <Button
                  disabled={chosenIds.length !== 2}
                  title="Choose two grades to compare"
                  onClick={() => void navigate(`/grades/compare?first=${chosenIds[0]}&second=${chosenIds[1]}`)}
                >
                  Compare two
                </Button>
                <ColumnChooser />
              </div>
            </div>
            <p role="status" className="text-xs text-quiet">
              {rows ? `${rows.length} of ${library.grades.length} grades` : 'Resolving …'}
              {state === 'pending' && rows && ' · resolving …'}
              {narrowed && (
                <Button
                  look="quiet"
                  className="ml-2 px-1 py-0 text-xs"
                  onClick={() => show({ words: '', chosen: {}, ranges: [] }, sort)}
                >
                  Clear filters
                </Button>
              )}
            </p>
            {rows && table && (
              <GradesTable
                rows={rows}
                table={table}
                sort={sort}
                chosenIds={chosenIds}
                onSort={(order) => change({}, order)}
                onChoose={(id, on) =>
                  setChosenIds((before) => (on ? [...before, id] : before.filter((one) => one !== id)))
                }
              />
            )}
            {rows?.length === 0 && (
              <p className="text-quiet">No grade matches. Remove a filter, or clear all filters.</p>
            )}
          </div>
        </div>
      )}
    </main>
  );
}

function NothingYet() {
  return (
    <Empty title="The library is empty">
      <p>
        Import a maker’s table with{' '}
        <Link to="/grades/import" className="underline">
          Import
        </Link>
        , add the first grade with{' '}
        <Link to="/grades/new" className="underline">
          New grade
        </Link>
        , or start with the sample grades.
      </p>
      <div className="mt-3">
        <SampleOffer withParts={false}>Add sample grades and machines</SampleOffer>
      </div>
    </Empty>
  );
}
