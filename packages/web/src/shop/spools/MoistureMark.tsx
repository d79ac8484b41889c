import type { MoistureClock } from '@anvilstone/schema';
import { duration } from '../../ui/amount.ts';

const LOOK = {
  dry: { mark: '●', look: 'text-pass' },
  'use-within': { mark: '◐', look: 'text-pass' },
  wet: { mark: '✕', look: 'text-fail' },
  unknown: { mark: '?', look: 'text-unknown' },
} as const;

/** How a spool’s clock stands, in a few words with a shape: dry, how long still, how long to dry, or not known. */
export function MoistureMark({ clock }: { clock: MoistureClock | null }) {
  if (!clock)
    return (
      <span className="text-unknown">
        <span aria-hidden="true">? </span>unknown: family unknown
      </span>
    );
  const { mark, look } = LOOK[clock.state];
  return (
    <span className={look}>
      <span aria-hidden="true">{mark} </span>
      <span className="font-semibold">{moistureWords(clock)}</span>
    </span>
  );
}

function moistureWords({ state, useWithinH, needsDryingH, startedAs }: MoistureClock): string {
  if (state === 'unknown') return `sealed, moisture unknown: dry ${duration(needsDryingH)}`;
  if (state === 'wet')
    return `${startedAs === 'not dried yet' ? 'never dried' : 'too moist'}: dry ${duration(needsDryingH)}`;
  const last = useWithinH === null ? 'stays dry where it is' : `use within ${duration(useWithinH)}`;
  return state === 'dry' ? `dry, ${last}` : last;
}
