import { drawBarChart } from './barChart.ts';
import type { Mark } from './drawing.ts';
import { drawLineChart, type LineChart } from './lineChart.ts';
import { drawingSvg } from './svg.ts';

const chart: LineChart = {
  id: 'c',
  title: 'Modulus <of> "A & B"',
  notes: [],
  x: { title: 'Temperature', dimension: 'temperature' },
  y: { title: 'Modulus', dimension: 'stress', logarithmic: true },
  lines: [
    {
      letter: 'A',
      name: 'a',
      points: [
        { x: 0, y: 1000 },
        { x: 100, y: 10 },
      ],
    },
    {
      letter: 'B',
      name: 'b',
      points: [
        { x: 0, y: 2000 },
        { x: 100, y: 10.1 },
      ],
    },
  ],
  needs: [{ label: 'need', x: 50, y: 100 }],
  limits: [],
  marks: [{ label: 'here', x: 50 }],
};
const texts = (marks: readonly Mark[]) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark] : []));
const need = (marks: readonly Mark[]) =>
  marks.flatMap((mark) => (mark.kind === 'rect' && mark.role === 'need' ? [mark] : []))[0]!;

test('a need is the field under its value, from the left edge to where it ends', () => {
  const drawing = drawLineChart(chart, 'metric');
  const field = need(drawing.marks);
  const line = drawing.marks.find((mark) => mark.kind === 'path' && mark.role === 'mark') as Extract<
    Mark,
    { kind: 'path' }
  >;
  expect(field.x + field.width).toBeCloseTo(Number(/M([\d.]+)/.exec(line.d)![1]), 0);
  // 100 MPa lies halfway between 10 and 1000 on a logarithmic axis; the axis ends at 2300.
  const share = Math.log(100 / 10) / Math.log(2300 / 10);
  const height = drawing.height - 44 - 14;
  expect(field.height / height).toBeCloseTo(share, 2);
});

test('letters of lines that end together are moved apart', () => {
  const letters = texts(drawLineChart(chart, 'metric').marks).filter(({ bold }) => bold);
  expect(letters.map(({ text }) => text).sort()).toEqual(['A', 'B']);
  expect(Math.abs(letters[0]!.y - letters[1]!.y)).toBeGreaterThanOrEqual(12);
});

test('the user’s units: the same picture with other numbers at its axes', () => {
  const words = (units: 'metric' | 'inchPound') => texts(drawLineChart(chart, units).marks).map(({ text }) => text);
  expect(words('metric')).toContain('Temperature, °C');
  expect(words('inchPound')).toContain('Temperature, °F');
  expect(words('inchPound')).toContain('↑ Modulus, psi');
});

test('nothing to draw is an empty frame, not a failure', () => {
  const empty = drawLineChart(
    { ...chart, lines: [{ letter: 'A', name: 'a', points: [] }], needs: [], marks: [] },
    'metric',
  );
  expect(drawingSvg(empty)).not.toMatch(/NaN|Infinity|undefined/);
});

test('bars are as long as their numbers, and an unknown one says so', () => {
  const { marks } = drawBarChart({
    id: 'b',
    title: 'Cost',
    unit: 'USD',
    parts: ['Filament', 'Labour'],
    bars: [
      { letter: 'A', name: 'a', values: [3, 1] },
      { letter: 'B', name: 'b', values: [6, 2] },
      { letter: 'C', name: 'c', values: [] },
    ],
  });
  const widths = marks.flatMap((mark) => (mark.kind === 'rect' && mark.title ? [mark.width] : []));
  expect(widths[2]! / widths[0]!).toBeCloseTo(2, 9);
  expect(widths[0]! / widths[1]!).toBeCloseTo(3, 9);
  expect(texts(marks).map(({ text }) => text)).toEqual(expect.arrayContaining(['4.00 USD', '8.00 USD', 'unknown']));
});

test('a file of its own: well formed whatever the names, and without anything from outside', () => {
  const svg = drawingSvg(drawLineChart(chart, 'metric'));
  expect(svg).toContain('<title>Modulus &lt;of&gt; &quot;A &amp; B&quot;</title>');
  expect(svg).not.toMatch(/href|url\(|<script|NaN/);
  expect(svg.match(/<svg/g)).toHaveLength(1);
});
