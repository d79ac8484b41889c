import { findCheck } from '@anvilstone/core/checks';
import type { Measurement, RankingPreferences } from '@anvilstone/core/evaluation';
import { formatNumber as f, inSentence } from '@anvilstone/core/foundations';

import { Link } from 'react-router';
import { usePartContext } from '../parts/partContext.ts';
import { percent } from '../shortlist/confidence/percent.ts';

import { useAnswer } from '../../workers/useAnswer.ts';

const WHAT: Record<Exclude<Measurement['of'], 'unknown'>, string> = {
  modulus: 'the modulus in plane',
  strength: 'the in-plane strength',
  across: 'the interlayer strength',
  heat: 'the heat deflection temperature',
};

/** Which one test would most likely change the choice. */
export function MeasurementsList({ preferences }: { preferences: RankingPreferences }) {
  const { partId, brief, library } = usePartContext();
  const { value } = useAnswer(library, 'measurements', [brief, preferences]);
  const nameOf = (id: string | null) => (id === null ? 'nobody' : library.grades.find((one) => one.id === id)?.name);
  return (
    <section aria-label="Most useful measurement" className="mt-4">
      <h3 className="text-sm">Most useful measurement</h3>
      {!value && <p className="text-sm text-quiet">Calculating the value of each measurement …</p>}
      {value?.length === 0 && (
        <p className="text-sm text-quiet">None: no single measurement would change the choice within its scatter.</p>
      )}
      {value && value.length > 0 && (
        <ol className="list-decimal pl-5 text-sm">
          {value.map((one) => (
            <li key={`${one.gradeId} ${one.of}`} className="py-0.5">
              {one.of === 'unknown' ? (
                <>
                  {nameOf(one.gradeId)}: {inSentence(findCheck(one.checkId)?.title)} is not known. If it passes, this
                  grade wins; the probability is unknown.
                </>
              ) : (
                <>
                  Measure {WHAT[one.of]} of <strong>{nameOf(one.gradeId)}</strong> (
                  {one.of === 'heat' ? `now ±${f(one.scatter ?? 0)} K` : `now ±${f(100 * (one.scatter ?? 0))} %`}):{' '}
                  <strong>{percent(one.changes ?? 0)}</strong> probability that the choice changes, then to{' '}
                  {nameOf(one.thenId)}; it affects {inSentence(findCheck(one.checkId)?.title)}.
                </>
              )}{' '}
              <Link to={`/parts/${partId}/bench?grade=${one.gradeId}`} className="underline print:hidden">
                Plan a test
              </Link>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
