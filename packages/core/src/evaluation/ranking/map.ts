import type { Brief } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import { valueBy } from './arrange.ts';
import type { RankedCandidate } from './rankedCandidate.ts';
import type { Screening } from '../evaluating/screen.ts';

/** Something that grades can be held against each other by. */
export interface MapAxis {
  id: string;
  title: string;
  /** Canonical unit; empty for a reserve factor. */
  unit: '' | 'USD' | 'g' | 'h' | '°C';
  better: 'higher' | 'lower';
  /** On this side of it, that value included, the axis is passed; undefined: nothing is asked. */
  passAt?: number;
  /** Ratios are read on a logarithmic scale. */
  logarithmic: boolean;
}

export interface MapPoint {
  gradeId: string;
  x: number;
  y: number;
  status: RankedCandidate['best']['status'];
  /** No other grade that passes is at least as good in both and better in one. */
  undominated: boolean;
}

export interface GradeMap {
  x: MapAxis;
  y: MapAxis;
  points: readonly MapPoint[];
  /** Grades without a number for one of the two. */
  withoutNumber: readonly string[];
}

/** Everything a map of this brief may be drawn over: minimum reserve, the brief’s checks, then money, mass, time and heat. */
export function mapAxes(brief: Brief, checkIds: readonly string[]): MapAxis[] {
  const { maxCostUsd, maxMassG } = brief.asks;
  const reserve = (id: string, title: string): MapAxis => ({
    id,
    title,
    unit: '',
    better: 'higher',
    passAt: 1,
    logarithmic: true,
  });
  const passAt = (limit: number | undefined) => (limit === undefined ? {} : { passAt: limit });
  return [
    reserve('reserve', 'Minimum reserve'),
    { id: 'cost', title: 'Cost of one part', unit: 'USD', better: 'lower', logarithmic: true, ...passAt(maxCostUsd) },
    { id: 'mass', title: 'Mass', unit: 'g', better: 'lower', logarithmic: true, ...passAt(maxMassG) },
    { id: 'time', title: 'Print time', unit: 'h', better: 'lower', logarithmic: true },
    { id: 'heat', title: 'Service temperature limit', unit: '°C', better: 'higher', logarithmic: false },
    ...checkIds.map((id) => reserve(id, findCheck(id)?.title ?? id)),
  ];
}

/**
 * Where each grade’s best build orientation lies between two axes, and which of those that pass are not dominated.
 * An axis that the brief does not have is replaced by the first two of the list.
 */
export function mapOf(brief: Brief, screening: Screening, xId: string | undefined, yId: string | undefined): GradeMap {
  const axes = mapAxes(brief, screening.checkIds);
  const x = axes.find(({ id }) => id === xId) ?? axes.find(({ id }) => id === 'cost')!;
  const y = axes.find(({ id }) => id === yId) ?? axes[0]!;
  const [toX, toY] = [valueBy(screening, x.id), valueBy(screening, y.id)];
  const drawable = (axis: MapAxis, value: number) => Number.isFinite(value) && (!axis.logarithmic || value > 0);
  const points: MapPoint[] = [];
  const withoutNumber: string[] = [];
  for (const one of screening.grades) {
    const [atX, atY] = [toX(one), toY(one)];
    if (drawable(x, atX) && drawable(y, atY))
      points.push({ gradeId: one.gradeId, x: atX, y: atY, status: one.best.status, undominated: false });
    else withoutNumber.push(one.gradeId);
  }
  markUndominated(points, x, y);
  return { x, y, points, withoutNumber };
}

/** Sweeps once in the order of x: whoever is better in y than all before is undominated. */
function markUndominated(points: readonly MapPoint[], x: MapAxis, y: MapAxis): void {
  const cost = (axis: MapAxis, value: number) => (axis.better === 'lower' ? value : -value);
  const inOrder = points
    .filter(({ status }) => status === 'pass')
    .sort((a, b) => cost(x, a.x) - cost(x, b.x) || cost(y, a.y) - cost(y, b.y));
  let bestY = Infinity;
  let bestX = Infinity;
  for (const point of inOrder) {
    const [atX, atY] = [cost(x, point.x), cost(y, point.y)];
    // A twin of an undominated grade is not dominated by it.
    if (atY < bestY || (atY === bestY && atX === bestX)) {
      point.undominated = true;
      [bestX, bestY] = [atX, atY];
    }
  }
}
