import { comparisonCsv, FEWEST_FINALISTS } from '@anvilstone/core/decisions';
import { findRankingMethod, preferencesText } from '@anvilstone/core/evaluation';

import { useMemo } from 'react';
import { useAppSelector } from '../../sync/store/store.ts';
import { API } from '../../sync/address/place.ts';
import { saveFile } from '../../charts/saveFile.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Button } from '../../ui/Button.tsx';
import { buttonLook } from '../../ui/buttonLook.ts';
import { useSized } from '../shortlist/table/usePortions.ts';
import { usePreferences } from '../shortlist/ranking/usePreferences.ts';
import { Loading } from '../../ui/Loading.tsx';
import { NoGrades } from '../parts/list/NoGrades.tsx';
import { SavedViews } from '../../team/views/SavedViews.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';
import { BuysPanel } from './BuysPanel.tsx';
import { ChoiceWords } from './ChoiceWords.tsx';
import { ComparisonCharts } from './ComparisonCharts.tsx';
import { CostPanel } from './CostPanel.tsx';
import { FinalistCautions } from './FinalistCautions.tsx';
import { FinalistPicker } from './FinalistPicker.tsx';
import { FinalistsTable } from './FinalistsTable.tsx';
import { PropertiesTable } from './PropertiesTable.tsx';
import { SensitivityPanel } from './SensitivityPanel.tsx';
import { useFinalists } from './useFinalists.ts';

/** Which of these few: everything about them side by side, what the dearer one buys, and what would change the answer. */
export function CompareStage() {
  const { brief, library, partId, screening } = usePartContext();
  const preferences = usePreferences(library.rules);
  const { ids, choose } = useFinalists(preferences);
  const saving = useAppSelector((state) => state.draft.saving.state);
  const units = useAppSelector((state) => state.settings.units);
  const allIds = useMemo(() => library.grades.map(({ id }) => id), [library]);
  const { needsSizes = false } = findRankingMethod(preferences.schoolId);
  const sizes = useSized(brief, library, allIds, { wanted: needsSizes });
  const enough = ids !== undefined && ids.length >= FEWEST_FINALISTS;
  const { value: comparison } = useAnswer(library, 'compare', enough ? [brief, ids, units] : undefined);
  if (library.grades.length === 0) return <NoGrades />;
  if (ids === undefined) return <Loading what="the finalists" />;
  const current = enough && comparison?.finalists.map(({ gradeId }) => gradeId).join() === ids.join();
  return (
    <>
      <ChoiceWords preferences={preferences} sizedSoFar={sizes.rows.length} />
      <div className="mt-3 flex items-end gap-3 narrow:flex-wrap">
        <FinalistPicker ids={ids} onChoose={choose} />
        <span className="grow" />
        {enough && comparison && (
          <div role="group" aria-label="Add to comparison" className="flex gap-2 narrow:flex-wrap print:hidden">
            <Button
              onClick={() => saveFile('comparison.csv', 'text/csv;charset=utf-8', comparisonCsv(brief, comparison))}
            >
              CSV
            </Button>
            <a
              className={buttonLook('plain', saving === 'saved' ? '' : 'pointer-events-none opacity-50')}
              aria-disabled={saving !== 'saved'}
              href={`${API}/parts/${partId}/comparison.pdf?${new URLSearchParams({ ...preferencesText(preferences), grades: ids.join(','), units }).toString()}`}
              download="comparison.pdf"
            >
              PDF
            </a>
            <Button onClick={() => globalThis.print()}>Print</Button>
          </div>
        )}
        <SavedViews partId={partId} stage="compare" />
      </div>
      {screening.state === 'failed' && (
        <p role="alert" className="mt-3 text-fail">
          This comparison is from the last valid brief: {screening.message}
        </p>
      )}
      {!enough && (
        <p className="mt-3 rounded border border-line bg-surface p-4">
          {ids.length === 0
            ? 'No grade passes every check. Choose two to five grades above to see how they differ.'
            : 'Choose at least two grades to compare.'}
        </p>
      )}
      {enough && !comparison && <Loading what="the comparison" />}
      {enough && comparison && (
        <div className={`mt-3 flex flex-col gap-4 ${current ? '' : 'opacity-60'}`} aria-busy={!current}>
          <FinalistsTable comparison={comparison} onChoose={choose} />
          <div className="grid grid-cols-2 narrow:grid-cols-1 gap-4">
            <ComparisonCharts comparison={comparison} />
            <CostPanel comparison={comparison} />
            <BuysPanel comparison={comparison} wide={comparison.charts.length % 2 === 1} />
          </div>
          <SensitivityPanel preferences={preferences} />
          <PropertiesTable comparison={comparison} />
          <FinalistCautions comparison={comparison} />
          <p className="text-xs text-quiet">
            Calculated from the available evidence; this does not approve a part. Percentages are of{' '}
            {comparison.finalists[0]!.name}, the baseline.
          </p>
        </div>
      )}
    </>
  );
}
