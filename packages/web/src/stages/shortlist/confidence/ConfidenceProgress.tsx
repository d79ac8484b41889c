import { Button } from '../../../ui/Button.tsx';
import { Progress } from '../../../ui/Progress.tsx';
import type { ChancesProgress } from './useAllChances.ts';

/** How far the draws for the asked confidence are; a grade whose chance is not known yet does not count as sure. */
export function ConfidenceProgress({
  progress,
  leastChance,
  typicalReserve,
}: {
  progress: ChancesProgress;
  leastChance: number;
  typicalReserve: number | undefined;
}) {
  const { done, of, stopped, onStopped } = progress;
  if (of > 0 && done >= of)
    return (
      <p className="mb-2 text-sm text-quiet">
        First: grades that meet every check in at least {100 * leastChance} % of the draws
        {typicalReserve === undefined ? '' : `, with a reserve of ${typicalReserve} on typical values`}; then the other
        passing grades.
      </p>
    );
  return (
    <div className="mb-2 flex items-center gap-3 text-sm">
      <Progress share={of === 0 ? 0 : done / of} label={`Probabilities of ${done} of ${of} passing grades`} />
      <Button onClick={() => onStopped(!stopped)}>{stopped ? 'Continue' : 'Stop'}</Button>
    </div>
  );
}
