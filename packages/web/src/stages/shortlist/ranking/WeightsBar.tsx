import { EQUAL_WEIGHTS, MERIT_CRITERIA, type MeritWeights } from '@anvilstone/core/evaluation';
import { inSentence } from '@anvilstone/core/foundations';
import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { Button } from '../../../ui/Button.tsx';

const GROUNDS = ['bg-sunken', 'bg-ground', 'bg-sunken', 'bg-ground', 'bg-sunken'];
const KEY_STEP: Record<string, number> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowDown: -1,
  ArrowUp: 1,
  PageDown: -10,
  PageUp: 10,
};

/** One bar of a hundred parts: dragging a joint gives weight from one criterion to its neighbour. */
export function WeightsBar({
  weights,
  onChange,
}: {
  weights: MeritWeights;
  onChange: (weights: MeritWeights) => void;
}) {
  const bar = useRef<HTMLDivElement>(null);
  const total = MERIT_CRITERIA.reduce((sum, { id }) => sum + weights[id], 0);
  const widths = MERIT_CRITERIA.map(({ id }) => weights[id]);
  const upTo = (index: number) => widths.slice(0, index + 1).reduce((sum, one) => sum + one, 0);
  const moveJoint = (index: number, to: number) => {
    const from = upTo(index - 1);
    const until = upTo(index + 1);
    const at = Math.min(until, Math.max(from, Math.round(to)));
    const [left, right] = [MERIT_CRITERIA[index]!.id, MERIT_CRITERIA[index + 1]!.id];
    if (at - from !== weights[left]) onChange({ ...weights, [left]: at - from, [right]: until - at });
  };
  const drag = (index: number) => (event: PointerEvent<HTMLDivElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId) || !bar.current) return;
    const box = bar.current.getBoundingClientRect();
    moveJoint(index, ((event.clientX - box.left) / box.width) * total);
  };
  const press = (index: number) => (event: KeyboardEvent) => {
    const step = KEY_STEP[event.key];
    if (step === undefined) return;
    event.preventDefault();
    moveJoint(index, upTo(index) + step);
  };
  return (
    <div className="mb-3 flex items-center gap-3 text-sm">
      <div
        ref={bar}
        role="group"
        aria-label="Weights"
        className="relative flex h-11 grow rounded border border-line-strong select-none"
      >
        {MERIT_CRITERIA.map(({ id, title, asks }, i) => (
          <div
            key={id}
            title={asks}
            style={{ width: `${(100 * weights[id]) / total}%` }}
            className={`flex min-w-0 flex-col justify-center overflow-hidden px-2 ${GROUNDS[i]}`}
          >
            <span className="truncate text-xs">{title}</span>
            <strong className="truncate">{Math.round((100 * weights[id]) / total)} %</strong>
          </div>
        ))}
        {MERIT_CRITERIA.slice(0, -1).map(({ id, title }, i) => (
          <div
            key={id}
            role="slider"
            tabIndex={0}
            aria-label={`Weight of ${inSentence(title)} against ${inSentence(MERIT_CRITERIA[i + 1]!.title)}`}
            aria-valuemin={0}
            aria-valuemax={weights[id] + weights[MERIT_CRITERIA[i + 1]!.id]}
            aria-valuenow={weights[id]}
            aria-valuetext={`${title} ${weights[id]}, ${MERIT_CRITERIA[i + 1]!.title} ${weights[MERIT_CRITERIA[i + 1]!.id]}`}
            style={{ left: `calc(${(100 * upTo(i)) / total}% - 6px)` }}
            className="absolute -inset-y-px w-3 cursor-col-resize touch-none rounded-sm border border-line-strong bg-surface hover:border-ink"
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={drag(i)}
            onKeyDown={press(i)}
          />
        ))}
      </div>
      <Button look="quiet" onClick={() => onChange(EQUAL_WEIGHTS)}>
        Reset
      </Button>
    </div>
  );
}
