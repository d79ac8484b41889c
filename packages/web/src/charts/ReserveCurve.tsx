import type { TemperaturePoint } from '@anvilstone/core/evaluation';
import { formatReserve } from '@anvilstone/core/foundations';
import { line, scaleLinear, scaleLog } from 'd3';
import { useAppSelector } from '../sync/store/store.ts';
import { amount } from '../ui/amount.ts';
import { acrossOf, AxisFrame, ticksAt, upOf } from './AxisFrame.tsx';

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
  const x = scaleLinear([points[0]!.temperatureC, points.at(-1)!.temperatureC], acrossOf(SIZE));
  const top = Math.min(20, Math.max(2, ...points.map((point) => point.reserve)));
  const y = scaleLog([0.1, top], upOf(SIZE)).clamp(true);
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
        <AxisFrame
          box={SIZE}
          x={ticksAt(x.ticks(8), x, (tick) => amount(tick, '°C', units))}
          y={TICKS.filter((tick) => tick <= top).map((tick) => ({
            at: y(tick),
            text: String(tick),
            strong: tick === 1,
          }))}
          xTitle="part temperature"
          yTitle="reserve factor (logarithmic)"
        />
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
      </svg>
      <p className="text-xs text-quiet">Fails first: {firsts.join(', then ').toLowerCase() || 'nothing yet'}</p>
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
