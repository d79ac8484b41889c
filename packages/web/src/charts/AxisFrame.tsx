/** Outer size of a drawing and the room left round its plot, in its own units. */
export interface ChartBox {
  width: number;
  height: number;
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Where a mark of an axis lies, already scaled, and what it says. */
export interface Tick {
  at: number;
  text: string;
  /** The one line that decides, as reserve factor 1. */
  strong?: boolean;
}

/** Turns the ticks of a scale into marks of an axis. */
export const ticksAt = <T extends number | Date>(
  values: readonly T[],
  scale: (value: T) => number,
  text: (value: T) => string,
): Tick[] => values.map((value) => ({ at: scale(value), text: text(value) }));

/** The range of a scale across the plot, and from its foot up. */
export const acrossOf = ({ left, width, right }: ChartBox): [number, number] => [left, width - right];
export const upOf = ({ top, height, bottom }: ChartBox): [number, number] => [height - bottom, top];

/** The frame that all diagrams of the pages share: lines across at the marks of the upright axis, marks along the foot, and what both measure. */
export function AxisFrame({
  box,
  x,
  y,
  xTitle,
  yTitle,
  upright = false,
}: {
  box: ChartBox;
  x: readonly Tick[];
  y: readonly Tick[];
  xTitle?: string | undefined;
  yTitle?: string | undefined;
  /** Lines stand on the marks of the foot: for rows that are read across. */
  upright?: boolean;
}) {
  const [left, right] = acrossOf(box);
  const [foot, head] = upOf(box);
  const line = (strong: boolean | undefined) => (strong ? 'stroke-ink' : 'stroke-line');
  return (
    <g className="text-[11px]">
      {y.map(({ at, text, strong }) => (
        <g key={at}>
          <line x1={left} x2={right} y1={at} y2={at} className={line(strong)} />
          <text x={left - 6} y={at + 4} textAnchor="end" className="fill-quiet">
            {text}
          </text>
        </g>
      ))}
      {withRoom(x, right).map(({ at, text, strong }) => (
        <g key={at}>
          {upright && <line x1={at} x2={at} y1={head} y2={foot} className={line(strong)} />}
          <text x={at} y={foot + 16} textAnchor={isLast(at, right) ? 'end' : 'middle'} className="fill-quiet">
            {text}
          </text>
        </g>
      ))}
      {xTitle && (
        <text x={right} y={box.height - 5} textAnchor="end" className="fill-quiet">
          {xTitle}
        </text>
      )}
      {yTitle && (
        <text x={4} y={box.height - 5} className="fill-quiet">
          ↑ {yTitle}
        </text>
      )}
    </g>
  );
}

/** A letter of 11 px is this wide on average. */
const LETTER = 6.2;
const GAP = 6;
/** The mark at the very end is written to the left of it, so that nothing is cut off. */
const isLast = (at: number, right: number) => at > right - 12;

/** Marks whose words have room beside each other; of two that collide the further one stays. */
function withRoom(ticks: readonly Tick[], right: number): Tick[] {
  let free = Infinity;
  const kept: Tick[] = [];
  for (const tick of [...ticks].sort((a, b) => b.at - a.at)) {
    const width = tick.text.length * LETTER;
    const end = isLast(tick.at, right) ? tick.at : tick.at + width / 2;
    if (end > free) continue;
    kept.unshift(tick);
    free = end - width - GAP;
  }
  return kept;
}
