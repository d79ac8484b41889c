import { definitionOf, formatNumber, fromCanonical } from '@anvilstone/core/foundations';
import type { Axis, GradeCurve, MarkedPoint } from '@anvilstone/core/materials';
import { line, scaleLinear, scaleLog, type ScaleContinuousNumeric } from 'd3';
import { useAppSelector } from '../sync/store/store.ts';
import { acrossOf, AxisFrame, ticksAt, upOf } from './AxisFrame.tsx';
import { StrokeSample } from './StrokeSample.tsx';
import { strokeOf } from './strokes.ts';
import { Evidence } from '../ui/Reserve.tsx';
import { useSay } from '../ui/useSay.ts';

const SIZE = { width: 390, height: 220, left: 48, right: 14, top: 10, bottom: 40 };
type Scale = ScaleContinuousNumeric<number, number>;

const KIND: Record<MarkedPoint['kind'], { word: string; shape: (x: number, y: number) => string; look: string }> = {
  measured: {
    word: 'measured',
    look: 'fill-ember stroke-ember',
    shape: (x, y) => `M${x - 4} ${y}a4 4 0 1 0 8 0a4 4 0 1 0 -8 0`,
  },
  reported: { word: 'reported', look: 'fill-surface stroke-ink', shape: (x, y) => `M${x - 4} ${y - 4}h8v8h-8z` },
  typical: {
    word: 'typical of the family',
    look: 'fill-none stroke-quiet',
    shape: (x, y) => `M${x - 4} ${y - 4}l8 8m0 -8l-8 8`,
  },
};

/** One diagram of how a grade behaves. What was measured, reported or only typical has a shape of its own. */
export function BehaviourChart({ curve }: { curve: GradeCurve }) {
  const say = useSay();
  const units = useAppSelector((state) => state.settings.units);
  const convert = (axis: Axis) => {
    const unit = definitionOf(axis.dimension)[units];
    return (value: number) => (unit === '' ? value : fromCanonical(value, unit, axis.dimension));
  };
  const [toX, toY] = [convert(curve.x), convert(curve.y)];
  const points = [...curve.lines.flatMap(({ points: all }) => all), ...curve.marks];
  const x = scaleOf(
    points.map((point) => toX(point.x)),
    curve.x,
    acrossOf(SIZE),
  );
  const y = scaleOf(
    points.map((point) => toY(point.y)),
    curve.y,
    upOf(SIZE),
  );
  const path = line<{ x: number; y: number }>(
    (point) => x(toX(point.x)),
    (point) => y(toY(point.y)),
  );
  const kinds = [...new Set(curve.marks.map(({ kind }) => kind))];
  return (
    <figure className="rounded-md border border-line bg-surface p-3">
      <figcaption className="flex items-center justify-between gap-2">
        <span className="text-sm font-semibold">{curve.title}</span>
        <Evidence evidence={curve.evidence} />
      </figcaption>
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="mt-1 w-full"
        role="img"
        aria-label={`${curve.title}; the table below holds its numbers`}
      >
        <AxisFrame
          box={SIZE}
          x={ticksAt(ticksOf(x, curve.x, 6), x, tickText)}
          y={ticksAt(ticksOf(y, curve.y, 5), y, tickText)}
          xTitle={axisText(curve.x, units)}
          yTitle={axisText(curve.y, units)}
        />
        {curve.lines.map(({ label, points: of }, i) => (
          <path
            key={say(label)}
            d={path(of) ?? ''}
            strokeDasharray={strokeOf(i)}
            className={`fill-none stroke-2 ${i === 0 ? 'stroke-ember' : 'stroke-quiet'}`}
          />
        ))}
        {curve.marks.map(({ kind, label, ...point }, i) => (
          <path
            key={i}
            d={KIND[kind].shape(x(toX(point.x)), y(toY(point.y)))}
            className={`stroke-[1.6] ${KIND[kind].look}`}
          >
            <title>
              {KIND[kind].word}: {say(label)}, {formatNumber(toY(point.y))}
            </title>
          </path>
        ))}
      </svg>
      <p className="flex flex-wrap gap-x-3 text-xs text-quiet">
        {curve.lines.length > 1 &&
          curve.lines.map(({ label }, i) => (
            <span key={say(label)} className="inline-flex items-center gap-1">
              <StrokeSample dash={strokeOf(i)} look={i === 0 ? 'stroke-ember' : 'stroke-quiet'} />
              {say(label)}
            </span>
          ))}
        {kinds.map((kind) => (
          <span key={kind} className="inline-flex items-center gap-1">
            <svg width="12" height="12" aria-hidden="true">
              <path d={KIND[kind].shape(6, 6)} className={`stroke-[1.6] ${KIND[kind].look}`} />
            </svg>
            {KIND[kind].word}
          </span>
        ))}
      </p>
      {curve.notes.map((note) => (
        <p key={say(note)} className="text-xs text-quiet">
          {say(note)}
        </p>
      ))}
      <CurveTable curve={curve} toX={toX} toY={toY} units={units} />
    </figure>
  );
}

const ROWS = 12;

function CurveTable({
  curve,
  toX,
  toY,
  units,
}: {
  curve: GradeCurve;
  toX: (v: number) => number;
  toY: (v: number) => number;
  units: 'metric' | 'inchPound';
}) {
  const say = useSay();
  const first = curve.lines[0]?.points ?? [];
  const step = Math.max(1, Math.floor(first.length / ROWS));
  return (
    <details className="mt-1 text-xs">
      <summary className="text-quiet">Numbers</summary>
      <table className="mt-1 w-full">
        <thead>
          <tr className="text-left text-quiet">
            <th className="pr-3 font-normal">{axisText(curve.x, units)}</th>
            {curve.lines.map(({ label }) => (
              <th key={say(label)} className="pr-3 text-right font-normal">
                {say(label)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {first
            .filter((_, i) => i % step === 0)
            .map((point) => (
              <tr key={point.x} className="border-t border-line">
                <td className="pr-3">{formatNumber(toX(point.x))}</td>
                {curve.lines.map(({ label, points }) => {
                  const same = points.find((other) => other.x === point.x);
                  return (
                    <td key={say(label)} className="pr-3 text-right">
                      {same ? formatNumber(toY(same.y)) : '–'}
                    </td>
                  );
                })}
              </tr>
            ))}
          {curve.marks.map(({ x, y, kind, label }, i) => (
            <tr key={i} className="border-t border-line text-quiet">
              <td className="pr-3">{formatNumber(toX(x))}</td>
              <td className="pr-3 text-right text-ink">{formatNumber(toY(y))}</td>
              <td colSpan={Math.max(1, curve.lines.length - 1)}>
                {KIND[kind].word}: {say(label)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

function scaleOf(values: readonly number[], axis: Axis, range: [number, number]): Scale {
  const [least, most] = [Math.min(...values), Math.max(...values)];
  if (axis.logarithmic) return scaleLog([Math.max(least, most / 1e8), most * 1.1], range).clamp(true);
  return scaleLinear([Math.min(0, least), most === least ? most + 1 : most], range).nice();
}

/** A logarithmic axis has too many ticks for its labels: whole decades where there are enough of them. */
function ticksOf(scale: Scale, axis: Axis, count: number): number[] {
  const ticks = scale.ticks(count);
  if (!axis.logarithmic) return ticks;
  const decades = ticks.filter((tick) => Number.isInteger(Math.log10(tick)));
  if (decades.length > count + 2) return decades.filter((_, i) => i % 2 === 0);
  if (decades.length >= 3) return decades;
  const round = ticks.filter((tick) =>
    [1, 2, 5].includes(Number((tick / 10 ** Math.floor(Math.log10(tick))).toPrecision(3))),
  );
  return round.length >= 3 ? round : ticks;
}

const tickText = (tick: number) =>
  Math.abs(tick) >= 1e5 || (tick !== 0 && Math.abs(tick) < 1e-3)
    ? tick.toExponential(0).replace('e+', 'e').replace('e-', 'e−')
    : formatNumber(tick);

function axisText({ title, dimension }: Axis, units: 'metric' | 'inchPound'): string {
  const unit = definitionOf(dimension)[units];
  return unit === '' || unit === 'cycles' ? title : `${title}, ${unit}`;
}
