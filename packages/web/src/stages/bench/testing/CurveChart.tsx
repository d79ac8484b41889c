import { definitionOf, formatNumber as f, fromCanonical, type UnitSystem } from '@anvilstone/core/foundations';
import type { Findings, TrialCurve } from '@anvilstone/schema';
import { extent, line, scaleLinear, scaleLog } from 'd3';
import { useMemo } from 'react';
import { acrossOf, AxisFrame, ticksAt, upOf } from '../../../charts/AxisFrame.tsx';
import { strokeOf } from '../../../charts/strokes.ts';
import { useAppSelector } from '../../../sync/store/store.ts';

const SIZE = { width: 640, height: 300, left: 56, right: 18, top: 16, bottom: 40 };

export interface DrawnCurve {
  id: string;
  curve: TrialCurve;
  found?: Findings;
}

/**
 * Force over movement, or movement over time on a logarithmic axis. Of one curve the first give, the peak and the straight part are marked;
 * what was past the gauge’s range is drawn hollow. Gaps in the readings are gaps in the line.
 */
export function CurveChart({
  curves,
  kind,
  capacityN,
}: {
  curves: readonly DrawnCurve[];
  kind: 'force' | 'time';
  /** Largest force that can be read at the specimen, N. */
  capacityN?: number | undefined;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const drawn = useMemo(
    () => curves.map((one) => ({ ...one, points: pointsOf(one.curve, kind, units) })),
    [curves, kind, units],
  );
  const all = drawn.flatMap(({ points }) => points.filter((point) => point !== null));
  const bounds = (of: (point: Point) => number) => extent(all, of) as [number, number] | [undefined, undefined];
  const [, mostX = 1] = bounds(({ x }) => x);
  const [leastX = 1] = bounds(({ x }) => x);
  const [, mostY = 1] = bounds(({ y }) => y);
  const toForce = (n: number) => inUnits(n, 'force', units);
  const topY = Math.max(mostY * 1.08, 1e-6);
  const x =
    kind === 'time'
      ? scaleLog([Math.max(1, leastX), Math.max(10, mostX)], acrossOf(SIZE)).clamp(true)
      : scaleLinear([0, Math.max(mostX, 1e-6)], acrossOf(SIZE));
  const y = scaleLinear([0, topY], upOf(SIZE));
  const path = line<Point | null>(
    (point) => x(point!.x),
    (point) => y(point!.y),
  ).defined((point) => point !== null);
  const [xUnit, yUnit] =
    kind === 'force' ? [unitOf('length', units), unitOf('force', units)] : ['', unitOf('length', units)];
  return (
    <figure>
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="w-full max-w-[52rem]"
        role="img"
        aria-label={
          kind === 'force'
            ? 'Force over movement; the table below has the numbers'
            : 'Movement over time; the table below has the numbers'
        }
      >
        <AxisFrame
          box={SIZE}
          x={
            kind === 'time'
              ? TIME_TICKS.filter(({ s }) => s >= leastX * 0.99 && s <= mostX * 1.01).map(({ s, label }) => ({
                  at: x(s),
                  text: label,
                }))
              : ticksAt(x.ticks(8), x, (tick) => f(tick))
          }
          y={ticksAt(y.ticks(6), y, (tick) => f(tick))}
          xTitle={kind === 'force' ? `movement, ${xUnit}` : 'time under load (logarithmic)'}
          yTitle={kind === 'force' ? `force, ${yUnit}` : `movement, ${yUnit}`}
        />
        {capacityN !== undefined && toForce(capacityN) < topY && kind === 'force' && (
          <g>
            <line
              x1={SIZE.left}
              x2={SIZE.width - SIZE.right}
              y1={y(toForce(capacityN))}
              y2={y(toForce(capacityN))}
              className="stroke-fail"
              strokeDasharray="6 3"
            />
            <text
              x={SIZE.width - SIZE.right}
              y={y(toForce(capacityN)) - 4}
              textAnchor="end"
              className="fill-fail text-[11px]"
            >
              end of the gauge’s range
            </text>
          </g>
        )}
        {drawn.map(({ id, points }, i) => (
          <g key={id}>
            <path
              d={path(points) ?? ''}
              className={curves.length === 1 ? 'stroke-ink' : 'stroke-quiet'}
              fill="none"
              strokeWidth={1.6}
              strokeDasharray={strokeOf(i)}
            />
            {kind === 'time' &&
              points.map(
                (point, j) =>
                  point && (
                    <circle
                      key={j}
                      cx={x(point.x)}
                      cy={y(point.y)}
                      r={points.length > 60 ? 0 : 3}
                      className="fill-ink"
                    />
                  ),
              )}
            {points
              .filter((point) => point?.over)
              .filter((_, j) => j % 6 === 0)
              .map((point) => (
                <circle key={point!.x} cx={x(point!.x)} cy={y(point!.y)} r={3.5} className="fill-surface stroke-fail" />
              ))}
          </g>
        ))}
        {kind === 'force' && drawn.length === 1 && drawn[0]!.found && (
          <Marks points={drawn[0]!.points} found={drawn[0]!.found} x={x} y={y} units={units} />
        )}
      </svg>
      <CurveNumbers curves={curves} units={units} />
    </figure>
  );
}

interface Point {
  x: number;
  y: number;
  over: boolean;
}
const TIME_TICKS = [
  { s: 1, label: '1 s' },
  { s: 10, label: '10 s' },
  { s: 60, label: '1 min' },
  { s: 600, label: '10 min' },
  { s: 3600, label: '1 h' },
  { s: 36_000, label: '10 h' },
  { s: 172_800, label: '2 d' },
  { s: 604_800, label: '7 d' },
];

const unitOf = (dimension: 'force' | 'length', units: UnitSystem) => definitionOf(dimension)[units];
const inUnits = (value: number, dimension: 'force' | 'length', units: UnitSystem) =>
  fromCanonical(value, unitOf(dimension, units), dimension);

/** Null: nothing was read there. Without a movement the force is drawn over the time. */
function pointsOf(
  { timeS, forceN, movedMm, over }: TrialCurve,
  kind: 'force' | 'time',
  units: UnitSystem,
): (Point | null)[] {
  const noMovement = kind === 'force' && movedMm.every((value) => value === null);
  return timeS.map((s, i) => {
    const [moved, force] = [movedMm[i] ?? null, forceN[i] ?? null];
    if (kind === 'time')
      return s === null || moved === null || s < 1 ? null : { x: s, y: inUnits(moved, 'length', units), over: false };
    const along = noMovement ? s : moved;
    if (along === null || force === null) return null;
    return {
      x: noMovement ? along : inUnits(along, 'length', units),
      y: inUnits(force, 'force', units),
      over: over[i] ?? false,
    };
  });
}

function Marks({
  points,
  found,
  x,
  y,
  units,
}: {
  points: readonly (Point | null)[];
  found: Findings;
  x: (value: number) => number;
  y: (value: number) => number;
  units: UnitSystem;
}) {
  const nearest = (forceN: number | undefined) => {
    if (forceN === undefined) return undefined;
    const wanted = inUnits(forceN, 'force', units);
    return points.reduce<Point | undefined>(
      (best, point) => (point && (!best || Math.abs(point.y - wanted) < Math.abs(best.y - wanted)) ? point : best),
      undefined,
    );
  };
  const marks = [
    { point: nearest(found.peakN), label: 'peak', above: true },
    { point: nearest(found.firstCrackN), label: 'first crack', above: false },
  ];
  return (
    <g>
      {marks.map(
        ({ point, label, above }) =>
          point && (
            <g key={label}>
              <path d={`M${x(point.x)} ${y(point.y) - 5}l5 5l-5 5l-5 -5z`} className="fill-ember" />
              <text
                x={x(point.x) - 9}
                y={y(point.y) + (above ? 4 : 14)}
                textAnchor="end"
                className="fill-ember text-[11px]"
              >
                {label}
              </text>
            </g>
          ),
      )}
    </g>
  );
}

const ROWS = 12;

function CurveNumbers({ curves, units }: { curves: readonly DrawnCurve[]; units: UnitSystem }) {
  const [first] = curves;
  if (!first || first.curve.timeS.length === 0) return null;
  const { curve } = first;
  const step = Math.max(1, Math.floor(curve.timeS.length / ROWS));
  const rows = curve.timeS.map((_, i) => i).filter((i) => i % step === 0);
  const show = (value: number | null | undefined, dimension: 'force' | 'length') =>
    value === null || value === undefined ? '–' : f(inUnits(value, dimension, units));
  return (
    <details className="mt-1 text-xs print:hidden">
      <summary className="text-quiet">
        Numbers of {first.id}: {curve.readings} readings
      </summary>
      <table className="mt-1">
        <thead>
          <tr className="text-left text-quiet">
            {['time, s', `force, ${unitOf('force', units)}`, `movement, ${unitOf('length', units)}`].map((title) => (
              <th key={title} scope="col" className="pr-6 font-normal">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((i) => (
            <tr key={i} className="border-t border-line">
              <td className="pr-6">{curve.timeS[i] === null ? '–' : f(curve.timeS[i]!)}</td>
              <td className="pr-6">
                {show(curve.forceN[i], 'force')}
                {curve.over[i] ? ', past the range' : ''}
              </td>
              <td className="pr-6">{show(curve.movedMm[i], 'length')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
