import type { LineChart } from '@anvilstone/core/foundations';
import type { CutSummary } from '@anvilstone/core/shapes';
import { ChartFigure } from '../../../charts/ChartFigure.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Progress } from '../../../ui/Progress.tsx';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';

/** Bending stress under the load from end to end, and the way to its largest. */
export function CutsChart({
  cuts,
  share,
  axis,
  atMm,
  under,
  worstMm,
  onWorst,
}: {
  cuts: readonly CutSummary[] | undefined;
  /** Of the cuts that are done; 1: all. */
  share: number;
  axis: string;
  atMm: number;
  under: { forceN: number; of: string };
  worstMm?: number;
  onWorst?: () => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  if (!cuts) return <Progress share={share} label="Cutting the part from end to end" />;
  const found = cuts.flatMap((one) => ('why' in one ? [] : [one]));
  const missed = cuts.length - found.length;
  const [reason] = cuts.flatMap((one) => ('why' in one ? [one.why] : []));
  if (found.length === 0)
    return (
      <p className="text-unknown">
        No valid cut along {axis}: {reason}
      </p>
    );
  const chart: LineChart = {
    id: 'stress-along-the-part',
    title: `Bending stress along the part, under ${under.of}`,
    notes: [
      'By the lever to the load and the section at each place; notches, holes across it and the build orientation come on top.',
      ...(missed > 0 ? [`${missed} of ${cuts.length} places could not be cut: ${reason}`] : []),
    ],
    x: { title: `Along ${axis}`, dimension: 'length' },
    y: { title: 'Bending stress', dimension: 'stress' },
    lines: [
      {
        letter: 'a',
        name: 'outer fibre',
        points: found.map((one) => ({ x: one.atMm, y: under.forceN * one.stressPerN })),
      },
    ],
    needs: [],
    limits: [],
    marks: [{ label: 'cut', x: atMm }],
  };
  return (
    <div aria-busy={share < 1}>
      {share < 1 && <Progress share={share} label="Cutting again" />}
      <ChartFigure chart={chart} />
      {onWorst && worstMm !== undefined && (
        <Button className="mt-2 print:hidden" onClick={onWorst}>
          Cut at the highest stress, at {amount(worstMm, 'mm', units)}
        </Button>
      )}
    </div>
  );
}
