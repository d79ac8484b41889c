import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { useSketch } from './SketchContext.ts';

/** A drag moves a dimension in steps that a drawing would use. */
function rounded(mm: number): number {
  const step = mm >= 100 ? 1 : mm >= 20 ? 0.5 : mm >= 2 ? 0.1 : 0.05;
  return Number(Math.max(step, Math.round(mm / step) * step).toFixed(3));
}

/** Every drag of this page is a step of its own to undo. */
let gestures = 0;

/**
 * A dimension line that can be dragged at its second end, or moved with the arrow keys. `pointer` is the dimension’s place
 * within the part; `perMm` how many drawing units a millimetre is.
 */
export function Dimension({
  pointer,
  name,
  mm,
  from,
  to,
  perMm,
  text,
  side = 1,
}: {
  pointer?: string | undefined;
  name: string;
  mm: number;
  from: readonly [number, number];
  to: readonly [number, number];
  perMm: number;
  text?: string;
  /** Which side of the line the number stands on. */
  side?: 1 | -1;
}) {
  const { bare, label, onDimension } = useSketch();
  const grabbed = useRef<{ clientX: number; clientY: number; mm: number; unitsPerPx: number; id: string } | null>(null);
  if (bare) return null;
  const upright = Math.abs(to[1] - from[1]) > Math.abs(to[0] - from[0]);
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const direction = [(to[0] - from[0]) / length, (to[1] - from[1]) / length] as const;
  const middle = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2] as const;
  const change = pointer === undefined ? undefined : onDimension;

  const grab = (event: PointerEvent<SVGElement>) => {
    const svg = event.currentTarget.closest('svg')!;
    event.currentTarget.setPointerCapture(event.pointerId);
    // The drawing is fitted anew while it is dragged: the scale at the start of the drag stays in force.
    const unitsPerPx = svg.viewBox.baseVal.width / svg.getBoundingClientRect().width;
    grabbed.current = { clientX: event.clientX, clientY: event.clientY, mm, unitsPerPx, id: `drag ${(gestures += 1)}` };
  };
  const drag = (event: PointerEvent<SVGElement>) => {
    const start = grabbed.current;
    if (!start || !change) return;
    const along = (event.clientX - start.clientX) * direction[0] + (event.clientY - start.clientY) * direction[1];
    change(pointer!, rounded(start.mm + (along * start.unitsPerPx) / perMm), start.id);
  };
  const press = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (by === undefined || !change) return;
    event.preventDefault();
    change(pointer!, rounded(mm + by * (mm >= 20 ? 1 : mm >= 2 ? 0.2 : 0.05) * (event.shiftKey ? 10 : 1)), 'keys');
  };
  const tick = (at: readonly [number, number]) => (
    <line
      x1={at[0] - 5 * direction[1]}
      y1={at[1] - 5 * direction[0]}
      x2={at[0] + 5 * direction[1]}
      y2={at[1] + 5 * direction[0]}
    />
  );
  return (
    <g className="stroke-quiet">
      <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} />
      {tick(from)}
      {tick(to)}
      <text
        x={middle[0] + (upright ? 8 * side : 0)}
        y={middle[1] + (upright ? 4 : side === 1 ? -5 : 15)}
        textAnchor={upright ? (side === 1 ? 'start' : 'end') : 'middle'}
        className="fill-ink stroke-none text-[13px]"
      >
        {text ?? label(mm)}
      </text>
      {change && (
        <circle
          cx={to[0]}
          cy={to[1]}
          r="6"
          role="slider"
          tabIndex={0}
          aria-label={`${name}: drag, or use the arrow keys`}
          aria-valuenow={mm}
          aria-valuetext={`${label(mm)}`}
          className={`fill-surface stroke-ink stroke-[1.5] hover:fill-ember focus-visible:fill-ember focus-visible:outline-2 focus-visible:outline-ember ${upright ? 'cursor-ns-resize' : 'cursor-ew-resize'}`}
          style={{ touchAction: 'none' }}
          onPointerDown={grab}
          onPointerMove={drag}
          onPointerUp={() => (grabbed.current = null)}
          onKeyDown={press}
        />
      )}
    </g>
  );
}
