import { findCheck } from '@anvilstone/core/checks';
import type { Chance } from '@anvilstone/core/evaluation';
import { formatNumber as f } from '@anvilstone/core/foundations';
import type { BuildOrientation } from '@anvilstone/schema';

import { usePartContext } from '../../parts/partContext.ts';

import { useAnswer } from '../../../workers/useAnswer.ts';
import { percent, percentRange } from '../confidence/percent.ts';

/** In how many of many printed parts every check would be met, which one is missed most, and what was taken to scatter. */
export function ChancePanel({ gradeId, orientation }: { gradeId: string; orientation: BuildOrientation }) {
  const { brief, library } = usePartContext();
  const { value } = useAnswer(library, 'chances', [brief, [`${gradeId} ${orientation}`]]);
  if (!value) return null;
  const chance = value[0];
  return (
    <section aria-label="Confidence" className="mt-4">
      <h3 className="text-base font-semibold">Confidence</h3>
      {chance ? (
        <Known chance={chance} />
      ) : (
        <p className="text-sm text-unknown">A check is unknown, so the probability is unknown.</p>
      )}
    </section>
  );
}

function Known({ chance }: { chance: Chance }) {
  const { scatter, byCheck } = chance;
  const missed = byCheck.filter(({ met }) => met < 0.9995).slice(0, 4);
  return (
    <>
      <p className="text-sm">
        All checks are met in <strong>{percent(chance.all)}</strong> of {chance.draws.toLocaleString('en')} draws (
        {percentRange(chance.low, chance.high)}, 95 %).
        {missed.length > 0 && ' Most often failed:'}
      </p>
      {missed.length > 0 && (
        <ul className="text-sm">
          {missed.map(({ checkId, met }) => (
            <li key={checkId} className="flex gap-2">
              <span className="w-14 text-right">{percent(met)}</span> {findCheck(checkId)?.title}
            </li>
          ))}
        </ul>
      )}
      <p className="text-xs text-quiet">
        Scatter: stiffness {f(100 * scatter.modulus)} %, strength {f(100 * scatter.strength)} %, across the layers{' '}
        {f(100 * scatter.across)} %, heat curve ±{f(scatter.heatK)} K, each load {f(100 * scatter.load)} %
        {scatter.strand === undefined ? '' : `, strands ${f(100 * scatter.strand)} %`}. Not included: print defects and
        unknown effects.
      </p>
    </>
  );
}
