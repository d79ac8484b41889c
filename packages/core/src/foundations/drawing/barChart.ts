import type { Drawing, Mark, Role } from './drawing.ts';

/** Stacked bars that lie: one a grade, one part of it for each thing it is made of. */
export interface BarChart {
  id: string;
  title: string;
  unit: string;
  parts: readonly string[];
  bars: readonly { letter: string; name: string; values: readonly number[] }[];
}

const WIDTH = 560;
const LEFT = 26;
const RIGHT = 78;
const BAR = 24;
const GAP = 12;
const TOP = 8;
const LEGEND = 26;
const ROLES: readonly Role[] = ['part-0', 'part-1', 'part-2', 'part-3'];

/** Lays the bars out; a bar without numbers says that they are unknown. */
export function drawBarChart(chart: BarChart): Drawing {
  const totals = chart.bars.map(({ values }) => values.reduce((sum, one) => sum + one, 0));
  const most = Math.max(1e-9, ...totals.filter((total) => Number.isFinite(total)));
  const scale = (WIDTH - LEFT - RIGHT) / most;
  const marks: Mark[] = [];
  chart.bars.forEach(({ letter, values }, row) => {
    const y = TOP + row * (BAR + GAP);
    const baseline = y + BAR / 2 + 4;
    marks.push({ kind: 'text', role: 'series', x: 6, y: baseline, text: letter, anchor: 'start', bold: true });
    const total = totals[row]!;
    if (!Number.isFinite(total) || values.length === 0) {
      marks.push({ kind: 'text', role: 'axis', x: LEFT, y: baseline, text: 'unknown', anchor: 'start' });
      return;
    }
    let x = LEFT;
    values.forEach((value, part) => {
      const width = value * scale;
      marks.push({
        kind: 'rect',
        role: ROLES[part % ROLES.length]!,
        x,
        y,
        width,
        height: BAR,
        title: `${chart.parts[part]}: ${value.toFixed(2)} ${chart.unit}`,
      });
      x += width;
    });
    marks.push({
      kind: 'text',
      role: 'axis',
      x: x + 6,
      y: baseline,
      text: `${total.toFixed(2)} ${chart.unit}`,
      anchor: 'start',
    });
  });
  const legendY = TOP + chart.bars.length * (BAR + GAP) + 4;
  chart.parts.forEach((title, part) => {
    const x = LEFT + part * 128;
    marks.push({ kind: 'rect', role: ROLES[part % ROLES.length]!, x, y: legendY, width: 14, height: 10 });
    marks.push({ kind: 'text', role: 'axis', x: x + 19, y: legendY + 9, text: title, anchor: 'start' });
  });
  return { id: chart.id, title: chart.title, width: WIDTH, height: legendY + LEGEND - 8, marks };
}
