import {
  axisText,
  DASHES,
  definitionOf,
  drawingSvg,
  drawLineChart,
  formatNumber,
  fromCanonical,
  type ChartAxis,
  type LineChart,
  type UnitSystem,
} from '@anvilstone/core/foundations';
import { useAppSelector } from '../sync/store/store.ts';
import { Button } from '../ui/Button.tsx';
import { DrawingView } from './DrawingView.tsx';
import { saveFile } from './saveFile.ts';
import { StrokeSample } from './StrokeSample.tsx';

/** A chart with its key, what was left out, its numbers, and a way to take it along. */
export function ChartFigure({ chart }: { chart: LineChart }) {
  const units = useAppSelector((state) => state.settings.units);
  const isEmpty = chart.lines.every(({ points }) => points.length === 0);
  const drawing = drawLineChart(chart, units);
  return (
    <figure className="rounded-md border border-line bg-surface p-3 print:break-inside-avoid">
      <figcaption className="flex items-center justify-between gap-2">
        <span className="text-sm font-semibold">{chart.title}</span>
        {!isEmpty && (
          <Button
            look="quiet"
            className="print:hidden"
            aria-label={`Save “${chart.title}” as SVG`}
            onClick={() => saveFile(`${chart.id}.svg`, 'image/svg+xml', drawingSvg(drawing))}
          >
            SVG
          </Button>
        )}
      </figcaption>
      {isEmpty ? <p className="text-sm text-quiet">No data to draw.</p> : <DrawingView drawing={drawing} />}
      <p className="flex flex-wrap gap-x-3 text-xs text-quiet">
        {chart.lines.map(({ letter, name }, i) => (
          <span key={letter} className="inline-flex items-center gap-1">
            <StrokeSample dash={DASHES[i % DASHES.length]} />
            {letter} {name}
          </span>
        ))}
      </p>
      {chart.notes.map((note) => (
        <p key={note} className="text-xs text-quiet">
          {note}
        </p>
      ))}
      {!isEmpty && <ChartNumbers chart={chart} units={units} />}
    </figure>
  );
}

const ROWS = 10;

function ChartNumbers({ chart, units }: { chart: LineChart; units: UnitSystem }) {
  const longest = chart.lines.reduce((a, b) => (b.points.length > a.points.length ? b : a)).points;
  const step = Math.max(1, Math.floor(longest.length / ROWS));
  const shown = (axis: ChartAxis, value: number) => {
    const unit = definitionOf(axis.dimension)[units];
    return formatNumber(unit === '' ? value : fromCanonical(value, unit, axis.dimension));
  };
  return (
    <details className="mt-1 text-xs print:hidden">
      <summary className="text-quiet">Numbers</summary>
      <table className="mt-1 w-full">
        <thead>
          <tr className="text-left text-quiet">
            <th scope="col" className="font-normal">
              {axisText(chart.x, units)}
            </th>
            {chart.lines.map(({ letter }) => (
              <th key={letter} scope="col" className="text-right font-normal">
                {letter}, {axisText(chart.y, units)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {longest
            .filter((_, i) => i % step === 0 || i === longest.length - 1)
            .map(({ x }) => (
              <tr key={x} className="border-t border-line">
                <td>{shown(chart.x, x)}</td>
                {chart.lines.map(({ letter, points }) => {
                  const point = points.find((one) => one.x === x);
                  return (
                    <td key={letter} className="text-right">
                      {point ? shown(chart.y, point.y) : '–'}
                    </td>
                  );
                })}
              </tr>
            ))}
          {[...chart.needs.map(({ label }) => label), ...chart.limits.map(({ label }) => label)].map((label) => (
            <tr key={label} className="border-t border-line text-quiet">
              <td colSpan={chart.lines.length + 1}>Needed: {label}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
