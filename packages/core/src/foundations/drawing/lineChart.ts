import { scaleLinear, scaleLog, type ScaleContinuousNumeric } from 'd3-scale';
import { line } from 'd3-shape';
import { fromCanonical } from '../units/convert.ts';
import { definitionOf, type Dimension, type UnitSystem } from '../units/dimensions.ts';
import { formatNumber } from '../units/formatQuantity.ts';
import type { Drawing, Mark } from './drawing.ts';

export interface ChartAxis {
  title: string;
  dimension: Dimension;
  logarithmic?: boolean;
}

export interface ChartPoint {
  x: number;
  y: number;
}

/** Lines over a common axis, and what the part needs of them. Values in canonical units. */
export interface LineChart {
  id: string;
  title: string;
  /** What it shows, and what was left out, one sentence each. */
  notes: readonly string[];
  x: ChartAxis;
  y: ChartAxis;
  lines: readonly { letter: string; name: string; points: readonly ChartPoint[] }[];
  /** From the left edge to `x`, a line has to stay above `y`. */
  needs: readonly { label: string; x: number; y: number }[];
  /** A line that none may rise above. */
  limits: readonly { label: string; y: number }[];
  /** Places on the x-axis that matter for this part. */
  marks: readonly { label: string; x: number }[];
}

const SIZE = { width: 560, height: 300, left: 58, right: 26, top: 14, bottom: 44 };
/** Lines are told apart by their stroke and by the letter at their end, so that print without colour will do. */
export const DASHES = ['', '8 3', '2 3', '10 3 2 3', '5 5'];
/** A logarithmic axis shows at most so many decades below its top. */
const MOST_DECADES = 5;

type Scale = ScaleContinuousNumeric<number, number>;

/** Lays a chart out in the user's units. */
export function drawLineChart(chart: LineChart, units: UnitSystem): Drawing {
  const toX = inUnits(chart.x, units);
  const toY = inUnits(chart.y, units);
  const right = SIZE.width - SIZE.right;
  const bottom = SIZE.height - SIZE.bottom;
  const points = chart.lines.flatMap((one) => one.points);
  const x = scaleOf(
    chart.x,
    [...points.map((p) => toX(p.x)), ...chart.needs.map((one) => toX(one.x))],
    [SIZE.left, right],
  );
  const y = scaleOf(
    chart.y,
    [...points, ...chart.needs, ...chart.limits].map((one) => toY(one.y)),
    [bottom, SIZE.top],
  );
  const marks: Mark[] = [];
  for (const need of chart.needs) {
    const [atX, atY] = [x(toX(need.x)), y(toY(need.y))];
    marks.push({
      kind: 'rect',
      role: 'need',
      x: SIZE.left,
      y: atY,
      width: Math.max(0, atX - SIZE.left),
      height: bottom - atY,
      title: need.label,
    });
  }
  for (const tick of ticksOf(y, chart.y, 6)) {
    marks.push({ kind: 'path', role: 'grid', d: `M${SIZE.left} ${round(y(tick))}H${right}` });
    marks.push({
      kind: 'text',
      role: 'axis',
      x: SIZE.left - 6,
      y: round(y(tick)) + 4,
      text: tickText(tick),
      anchor: 'end',
    });
  }
  for (const tick of ticksOf(x, chart.x, 8))
    marks.push({
      kind: 'text',
      role: 'axis',
      x: round(x(tick)),
      y: bottom + 16,
      text: tickText(tick),
      anchor: 'middle',
    });
  marks.push({ kind: 'path', role: 'grid', d: `M${SIZE.left} ${bottom}H${right}` });
  marks.push({
    kind: 'text',
    role: 'axis',
    x: right,
    y: SIZE.height - 8,
    text: axisText(chart.x, units),
    anchor: 'end',
  });
  marks.push({
    kind: 'text',
    role: 'axis',
    x: 4,
    y: SIZE.height - 8,
    text: `↑ ${axisText(chart.y, units)}`,
    anchor: 'start',
  });
  // Labels of needs that lie close together are stacked upwards.
  let freeAbove = Infinity;
  for (const need of [...chart.needs].sort((a, b) => a.y - b.y)) {
    const [atX, atY] = [round(x(toX(need.x))), round(y(toY(need.y)))];
    const labelY = Math.min(atY - 5, freeAbove);
    freeAbove = labelY - 13;
    marks.push({ kind: 'path', role: 'need-line', d: `M${SIZE.left} ${atY}H${atX}V${bottom}` });
    marks.push({
      kind: 'text',
      role: 'need-line',
      x: SIZE.left + 6,
      y: Math.max(SIZE.top + 8, labelY),
      text: need.label,
      anchor: 'start',
    });
  }
  for (const limit of chart.limits) {
    const atY = round(y(toY(limit.y)));
    marks.push({ kind: 'path', role: 'limit', d: `M${SIZE.left} ${atY}H${right}` });
    marks.push({ kind: 'text', role: 'limit', x: SIZE.left + 6, y: atY - 5, text: limit.label, anchor: 'start' });
  }
  for (const { label, x: at } of chart.marks) {
    const atX = round(x(toX(at)));
    const onTheLeft = atX > SIZE.width * 0.8;
    marks.push({ kind: 'path', role: 'mark', d: `M${atX} ${SIZE.top}V${bottom}`, dash: '2 4' });
    marks.push({
      kind: 'text',
      role: 'mark',
      x: atX + (onTheLeft ? -4 : 4),
      y: SIZE.top + 10,
      text: label,
      anchor: onTheLeft ? 'end' : 'start',
    });
  }
  const path = line<ChartPoint>(
    (point) => round(x(toX(point.x))),
    (point) => round(y(toY(point.y))),
  );
  const ends: { letter: string; y: number }[] = [];
  chart.lines.forEach(({ letter, points: of }, i) => {
    const dash = DASHES[i % DASHES.length]!;
    marks.push({
      kind: 'path',
      role: 'series',
      d: path(of.filter((p) => Number.isFinite(p.y))) ?? '',
      ...(dash ? { dash } : {}),
    });
    const last = of.filter((p) => Number.isFinite(p.y)).at(-1);
    if (last) ends.push({ letter, y: y(toY(last.y)) });
  });
  for (const { letter, y: at } of spread(ends))
    marks.push({
      kind: 'text',
      role: 'series',
      x: right + 8,
      y: round(at) + 4,
      text: letter,
      anchor: 'start',
      bold: true,
    });
  return { id: chart.id, title: chart.title, width: SIZE.width, height: SIZE.height, marks };
}

/** Letters at the ends of lines that meet are moved apart. */
function spread(ends: { letter: string; y: number }[]): { letter: string; y: number }[] {
  const sorted = [...ends].sort((a, b) => a.y - b.y);
  for (let i = 1; i < sorted.length; i++) sorted[i]!.y = Math.max(sorted[i]!.y, sorted[i - 1]!.y + 13);
  const over = (sorted.at(-1)?.y ?? 0) - (SIZE.height - SIZE.bottom);
  return over > 0 ? sorted.map(({ letter, y }) => ({ letter, y: y - over })) : sorted;
}

function inUnits(axis: ChartAxis, units: UnitSystem): (value: number) => number {
  const unit = definitionOf(axis.dimension)[units];
  return (value) => (unit === '' ? value : fromCanonical(value, unit, axis.dimension));
}

function scaleOf(axis: ChartAxis, values: readonly number[], range: [number, number]): Scale {
  const usable = values.filter((value) => Number.isFinite(value) && (!axis.logarithmic || value > 0));
  if (usable.length === 0) return scaleLinear([0, 1], range);
  const [least, most] = [Math.min(...usable), Math.max(...usable)];
  if (axis.logarithmic)
    return scaleLog([Math.max(least, most / 10 ** MOST_DECADES), Math.max(most * 1.15, least * 1.3)], range).clamp(
      true,
    );
  return scaleLinear([Math.min(0, least), most > least ? most * 1.05 : least + 1], range).clamp(true);
}

function ticksOf(scale: Scale, axis: ChartAxis, count: number): number[] {
  const ticks = scale.ticks(count);
  if (!axis.logarithmic) return ticks;
  const decades = ticks.filter((tick) => Number.isInteger(Math.log10(tick)));
  if (decades.length >= 3) return decades;
  return ticks.filter((tick) =>
    [1, 2, 5].includes(Number((tick / 10 ** Math.floor(Math.log10(tick) + 1e-9)).toPrecision(3))),
  );
}

const tickText = (tick: number) =>
  Math.abs(tick) >= 1e5 || (tick !== 0 && Math.abs(tick) < 1e-3)
    ? tick.toExponential(0).replace('e+', 'e').replace('e-', 'e−')
    : formatNumber(tick);

/** The axis with its unit. */
export function axisText({ title, dimension }: ChartAxis, units: UnitSystem): string {
  const unit = definitionOf(dimension)[units];
  return unit === '' || unit === 'cycles' ? title : `${title}, ${unit}`;
}

const round = (value: number) => Math.round(value * 10) / 10;
