import type { Comparison } from '@anvilstone/core/decisions';
import { ChartFigure } from '../../charts/ChartFigure.tsx';

/** The finalists over temperature, time and build angle, with what this part needs drawn in. */
export function ComparisonCharts({ comparison }: { comparison: Comparison }) {
  return (
    <>
      {comparison.charts.map((chart) => (
        <ChartFigure key={chart.id} chart={chart} />
      ))}
    </>
  );
}
