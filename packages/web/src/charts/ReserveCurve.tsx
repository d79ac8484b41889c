import type { TemperaturePoint } from '@anvilstone/core/evaluation';
import { formatReserve } from '@anvilstone/core/foundations';
import { line, scaleLinear, scaleLog } from 'd3';
import { useAppSelector } from '../sync/store/store.ts';
import { amount } from '../ui/amount.ts';

const SIZE = { width: 660, height: 220, left: 44, right: 26, top: 14, bottom: 38 };
const TICKS = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20];

/** Minimum reserve over temperature, logarithmic in the reserve, with the asked temperatures and the part's own limit. */
export function ReserveCurve({
  points,
  marks,
  limitC,
}: {
  points: readonly TemperaturePoint[];
  marks: readonly { temperatureC: number; label: string }[];
  limitC: number;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const x = scaleLinear([points[0]!.temperatureC, points.at(-1)!.temperatureC], [SIZE.left, SIZE.width - SIZE.right]);
  const top = Math.min(20, Math.max(2, ...points.map((point) => point.reserve)));
  const y = scaleLog([0.1, top], [SIZE.height - SIZE.bottom, SIZE.top]).clamp(true);
  const path = line<TemperaturePoint>(
    (point) => x(point.temperatureC),
    (point) => y(Math.max(0.1, point.reserve)),
  );
  const [left, right] = x.range() as [number, number];
  const firsts = [...new Set(points.filter((point) => point.reserve < 5).map((point) => point.first))];
  return (
    <>
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="w-full"
        role="img"
        aria-label={`Minimum reserve over temperature; it reaches 1 at ${amount(limitC, '°C', units)}`}
      >
        <rect x={left} y={y(1)} width={right - left} height={y(0.1) - y(1)} className="fill-fail-ground" />
        {TICKS.filter((tick) => tick <= top).map((tick) => (
          <g key={tick}>
            <line
              x1={left}
              x2={right}
              y1={y(tick)}
              y2={y(tick)}
              className={tick === 1 ? 'stroke-ink' : 'stroke-line'}
            />
            <text x={left - 6} y={y(tick) + 4} textAnchor="end" className="fill-quiet text-[11px]">
              {tick}
            </text>
          </g>
        ))}
        {x.ticks(8).map((tick) => (
          <text key={tick} x={x(tick)} y={SIZE.height - 22} textAnchor="middle" className="fill-quiet text-[11px]">
            {amount(tick, '°C', units)}
          </text>
        ))}
        {marks.map(({ temperatureC, label }, index) => (
          <g key={label}>
            <line
              x1={x(temperatureC)}
              x2={x(temperatureC)}
              y1={SIZE.top}
              y2={SIZE.height - SIZE.bottom}
              className="stroke-quiet"
              strokeDasharray="4 3"
            />
            <text x={x(temperatureC) + 5} y={SIZE.top + 4 + 14 * index} className="fill-ink text-[11px]">
              {label}
            </text>
          </g>
        ))}
        <path d={path(points) ?? ''} className="fill-none stroke-ember stroke-[2.2]" />
        {limitC >= points[0]!.temperatureC && <circle cx={x(limitC)} cy={y(1)} r="4.5" className="fill-ember" />}
        <text x={left} y={SIZE.height - 5} className="fill-quiet text-[11px]">
          reserve factor over part temperature; gives out first: {firsts.join(', then ').toLowerCase() || 'nothing yet'}
        </text>
      </svg>
      <details className="text-sm">
        <summary className="text-quiet">Table of this curve</summary>
        <table className="mt-1">
          <tbody>
            {points
              .filter((_, index) => index % 4 === 0)
              .map((point) => (
                <tr key={point.temperatureC}>
                  <td className="pr-4 text-right">{amount(point.temperatureC, '°C', units)}</td>
                  <td className="pr-4 text-right">{formatReserve(point.reserve)}</td>
                  <td className="text-quiet">{point.first}</td>
                </tr>
              ))}
          </tbody>
        </table>
      </details>
    </>
  );
}
