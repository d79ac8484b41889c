import type { EvaluationEntry, FrozenSensitivity } from '@anvilstone/schema';
import { scaleLinear, scaleLog } from 'd3-scale';
import { findCheck } from '@anvilstone/core/checks';
import {
  type Drawing,
  type Mark,
  type Dimension,
  type UnitSystem,
  duration,
  formatNumber,
  formatQuantity,
  formatReserve,
} from '@anvilstone/core/foundations';

const WIDTH = 560;
const NAMES = 196;
const RIGHT = 62;
const ROW = 19;
const TOP = 10;
const BOTTOM = 26;
const LEAST = 0.2;
const MOST = 20;
const TICKS = [0.2, 0.5, 1, 2, 5, 10, 20];
const FINE_TICKS = [0.2, 0.3, 0.5, 0.7, 0.8, 0.9, 1, 1.1, 1.2, 1.3, 1.5, 1.75, 2, 2.5, 3, 4, 5, 7, 10, 15, 20];

const clamp = (reserve: number) => Math.min(MOST, Math.max(LEAST, reserve));
type Scale = (reserve: number) => number;
const reserveScale = (least = LEAST, most = MOST): Scale =>
  scaleLog()
    .domain([least, most])
    .range([NAMES, WIDTH - RIGHT])
    .clamp(true);

function reserveAxis(height: number, x: Scale, ticks: readonly number[] = TICKS): Mark[] {
  const bottom = height - BOTTOM;
  return [
    ...ticks.flatMap((tick): Mark[] => [
      { kind: 'path', role: tick === 1 ? 'limit' : 'grid', d: `M${x(tick)},${TOP - 4}V${bottom}` },
      {
        kind: 'text',
        role: tick === 1 ? 'limit' : 'axis',
        x: x(tick),
        y: bottom + 13,
        text: String(tick),
        anchor: 'middle',
      },
    ]),
    { kind: 'text', role: 'axis', x: WIDTH - RIGHT + 14, y: bottom + 13, text: 'reserve', anchor: 'start' },
  ];
}

/** A dot for each check’s reserve, the smallest first, on a logarithmic axis with the limit at 1. Unknown is named, not drawn. */
export function reserveDrawing({
  checks,
  governingCheckId,
}: Pick<EvaluationEntry, 'checks' | 'governingCheckId'>): Drawing {
  const shown = checks
    .filter(({ status }) => status !== 'not-loaded')
    .sort((a, b) => (a.reserve ?? -1) - (b.reserve ?? -1));
  const inside = reserveScale();
  const height = TOP + shown.length * ROW + BOTTOM;
  const rows = shown.flatMap(({ checkId, reserve, status }, i): Mark[] => {
    const y = TOP + i * ROW + ROW / 2;
    const name: Mark = {
      kind: 'text',
      role: checkId === governingCheckId ? 'limit' : 'axis',
      x: NAMES - 10,
      y: y + 4,
      text: findCheck(checkId)?.title ?? checkId,
      anchor: 'end',
      ...(checkId === governingCheckId ? { bold: true } : {}),
    };
    if (reserve === null)
      return [
        name,
        { kind: 'text', role: 'axis', x: NAMES, y: y + 4, text: status === 'pass' ? 'yes' : status, anchor: 'start' },
      ];
    const x = inside(clamp(reserve));
    return [
      name,
      { kind: 'path', role: 'mark', d: `M${inside(1)},${y}H${x}` },
      dot(x, y, checkId === governingCheckId ? 'limit' : 'series'),
      { kind: 'text', role: 'axis', x: WIDTH - RIGHT + 8, y: y + 4, text: formatReserve(reserve), anchor: 'start' },
    ];
  });
  return {
    id: 'reserves',
    title: 'Reserve of each check; right of the line passes',
    width: WIDTH,
    height,
    marks: [...reserveAxis(height, inside), ...rows],
  };
}

const dot = (x: number, y: number, role: 'limit' | 'series'): Mark => ({
  kind: 'path',
  role,
  d: `M${x - 3.5},${y}L${x},${y - 3.5}L${x + 3.5},${y}L${x},${y + 3.5}Z`,
});

/** From the reserve at one coefficient of variation down to that at one up, input by input, the widest first. */
export function sensitivityDrawing(inputs: readonly FrozenSensitivity[], units: UnitSystem): Drawing {
  const all = inputs.flatMap(({ low, high }) => [low.reserve ?? LEAST, high.reserve ?? LEAST].map(clamp));
  const [least, most] = [Math.min(0.8, ...all) / 1.05, Math.max(1.5, ...all) * 1.05];
  const inside = reserveScale(least, most);
  const ticks = FINE_TICKS.filter((tick) => tick >= least && tick <= most);
  const height = TOP + inputs.length * ROW + BOTTOM;
  const rows = inputs.flatMap(({ title, dimension, now, low, high }, i): Mark[] => {
    const y = TOP + i * ROW + ROW / 2;
    const [a, b] = [low.reserve, high.reserve].map((reserve) => inside(clamp(reserve ?? LEAST)));
    const value = inputWords(now, dimension, units);
    return [
      { kind: 'text', role: 'axis', x: NAMES - 10, y: y + 4, text: shortened(title), anchor: 'end' },
      { kind: 'path', role: 'series', d: `M${a},${y}H${b}` },
      { kind: 'path', role: 'mark', d: `M${a},${y - 4}V${y + 4}M${b},${y - 4}V${y + 4}` },
      { kind: 'text', role: 'axis', x: WIDTH - RIGHT + 8, y: y + 4, text: value, anchor: 'start' },
    ];
  });
  return {
    id: 'sensitivity',
    title: 'Minimum reserve as one input goes from one coefficient of variation down to one up',
    width: WIDTH,
    height,
    marks: [...reserveAxis(height, inside, ticks), ...rows],
  };
}

/** Times in the words that people use for them. */
export const inputWords = (value: number, dimension: string, units: UnitSystem): string =>
  dimension === 'time' ? duration(value) : formatQuantity(value, dimension as Dimension, units);

const MOST_LETTERS = 30;
const shortened = (text: string) => (text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS - 1)}…` : text);

export interface CandidatePoint {
  letter: string;
  costUsd: number | null;
  reserve: number | null;
  chosen: boolean;
}

const MAP_HEIGHT = 250;
const LEFT = 52;

/** Candidates by cost and minimum reserve. What has no price or no reserve is left out here and stands in the table. */
export function candidatesDrawing(points: readonly CandidatePoint[]): Drawing | undefined {
  const placed = points.filter(
    (one): one is CandidatePoint & { costUsd: number; reserve: number } => one.costUsd !== null && one.reserve !== null,
  );
  if (placed.length < 2) return undefined;
  const costs = placed.map(({ costUsd }) => costUsd);
  const reserves = placed.map(({ reserve }) => clamp(reserve));
  const [cheapest, dearest] = [Math.min(...costs), Math.max(...costs)];
  const margin = Math.max(0.5, 0.12 * (dearest - cheapest));
  const x = scaleLinear([Math.max(0, cheapest - margin), dearest + margin], [LEFT, WIDTH - 16]);
  const [least, most] = [Math.min(0.9, ...reserves) / 1.05, Math.max(1.3, ...reserves) * 1.08];
  const y = scaleLog([least, most], [MAP_HEIGHT - 40, TOP]).clamp(true);
  const ticks = FINE_TICKS.filter((tick) => tick >= least && tick <= most);
  const taken: { x: number; y: number }[] = [];
  const marks: Mark[] = [
    ...ticks.flatMap((tick): Mark[] => [
      { kind: 'path', role: tick === 1 ? 'limit' : 'grid', d: `M${LEFT},${y(tick)}H${WIDTH - 16}` },
      {
        kind: 'text',
        role: tick === 1 ? 'limit' : 'axis',
        x: LEFT - 8,
        y: y(tick) + 4,
        text: String(tick),
        anchor: 'end',
      },
    ]),
    ...x.ticks(6).map((tick): Mark => ({
      kind: 'text',
      role: 'axis',
      x: x(tick),
      y: MAP_HEIGHT - 24,
      text: formatNumber(tick),
      anchor: 'middle',
    })),
    {
      kind: 'text',
      role: 'axis',
      x: (LEFT + WIDTH) / 2,
      y: MAP_HEIGHT - 8,
      text: 'cost of one good part, USD',
      anchor: 'middle',
    },
    ...placed.flatMap(({ letter, costUsd, reserve, chosen }): Mark[] => {
      const at = { x: x(costUsd), y: y(clamp(reserve)) };
      const label = freePlace(at, taken);
      taken.push(label);
      return [
        dot(at.x, at.y, chosen ? 'limit' : 'series'),
        {
          kind: 'text',
          role: chosen ? 'limit' : 'axis',
          x: label.x,
          y: label.y,
          text: letter,
          anchor: 'middle',
          bold: chosen,
        },
      ];
    }),
  ];
  return {
    id: 'candidates',
    title: 'Candidates: minimum reserve over cost; above the line passes',
    width: WIDTH,
    height: MAP_HEIGHT,
    marks,
  };
}

interface Place {
  x: number;
  y: number;
}
/** Around its dot, where no other letter stands yet; where all is taken, above it. */
const AROUND: readonly Place[] = [
  { x: 0, y: -7 },
  { x: 0, y: 15 },
  { x: 11, y: 4 },
  { x: -11, y: 4 },
  { x: 11, y: -7 },
  { x: -11, y: -7 },
  { x: 11, y: 15 },
  { x: -11, y: 15 },
  { x: 0, y: -19 },
  { x: 0, y: 27 },
];
function freePlace(at: Place, taken: readonly Place[]): Place {
  const places = AROUND.map((by) => ({ x: at.x + by.x, y: at.y + by.y }));
  const free = (place: Place) => taken.every((one) => Math.abs(one.x - place.x) > 10 || Math.abs(one.y - place.y) > 11);
  return places.find(free) ?? places[0]!;
}
