import { scaleLog } from 'd3';

const WIDTH = 200;
const HEIGHT = 14;

/** From one reserve to another on a common logarithmic scale, with the line to pass at 1. */
export function ReserveSpan({
  low,
  high,
  range,
}: {
  low: number | null;
  high: number | null;
  range: { least: number; most: number };
}) {
  if (low === null || high === null || low <= 0 || high <= 0) return <span className="text-unknown">unknown</span>;
  const x = scaleLog([Math.max(0.05, range.least) / 1.05, range.most * 1.05], [0, WIDTH]).clamp(true);
  const [left, right] = [Math.min(x(low), x(high)), Math.max(x(low), x(high))];
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="h-3.5 w-50" aria-hidden="true">
      <line x1="0" x2={WIDTH} y1={HEIGHT / 2} y2={HEIGHT / 2} className="stroke-line" />
      <rect x={left} y={3} width={Math.max(3, right - left)} height={HEIGHT - 6} className="fill-line-strong" />
      <line x1={x(1)} x2={x(1)} y1="0" y2={HEIGHT} className="stroke-ember stroke-2" />
    </svg>
  );
}
