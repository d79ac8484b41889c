import type { ArmResult } from '@anvilstone/core/evidence';
import { definitionOf, formatNumber as f, fromCanonical, inSentence } from '@anvilstone/core/foundations';
import { scaleLinear, scaleLog } from 'd3';
import { acrossOf, AxisFrame, ticksAt, upOf } from '../../../charts/AxisFrame.tsx';
import { strokeOf } from '../../../charts/strokes.ts';
import { StrokeSample } from '../../../charts/StrokeSample.tsx';
import { useAppSelector } from '../../../sync/store/store.ts';
import { Panel } from '../../../ui/Panel.tsx';

const SIZE = { width: 640, height: 280, left: 56, right: 20, top: 12, bottom: 38 };
const SHARES = [0.01, 0.05, 0.1, 0.2, 0.5, 0.632, 0.9, 0.99];
/** ln(−ln(1 − F)): a Weibull distribution is a straight line over the logarithm of the value. */
const height = (share: number) => Math.log(-Math.log(1 - share));

/** Shares that have failed over the reading, so scaled that a Weibull distribution is a straight line. */
export function WeibullChart({
  results,
  nameOf,
}: {
  results: readonly ArmResult[];
  nameOf: (armId: string) => string;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const drawn = results.filter(({ weibull, claim }) => weibull && claim !== 'none');
  const { dimension, title } = drawn[0]!.outcome;
  const unit = definitionOf(dimension)[units];
  const show = (value: number) => (unit === '' ? value : fromCanonical(value, unit, dimension));
  const values = drawn.flatMap(({ weibull }) => weibull!.points.map(({ value }) => show(value)));
  const x = scaleLog([Math.min(...values) * 0.8, Math.max(...values) * 1.15], acrossOf(SIZE)).clamp(true);
  const y = scaleLinear([height(0.01), height(0.99)], upOf(SIZE));
  const [left, right] = x.domain() as [number, number];
  return (
    <Panel title="Weibull plot">
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="w-full max-w-180"
        role="img"
        aria-label={`Share that failed over ${inSentence(title)}; the table below has the numbers`}
      >
        <AxisFrame
          box={SIZE}
          x={ticksAt(x.ticks(6), x, (tick) => f(tick))}
          y={SHARES.map((share) => ({ at: y(height(share)), text: `${f(100 * share)} %` }))}
          xTitle={`${inSentence(title)}, ${unit} (logarithmic)`}
          yTitle="cumulative failures"
        />
        {drawn.map(({ weibull, arm }, i) => {
          const line = (value: number) => weibull!.shape * Math.log(value / show(weibull!.scale));
          const ends = [left, right].map(
            (value) => [value, Math.min(height(0.99), Math.max(height(0.01), line(value)))] as const,
          );
          const at = (level: number) => show(weibull!.scale) * Math.exp(level / weibull!.shape);
          return (
            <g key={arm.id}>
              <path
                d={`M${ends.map(([, level]) => `${x(at(level))} ${y(level)}`).join('L')}`}
                className="stroke-ink"
                fill="none"
                strokeDasharray={strokeOf(i)}
              />
              {weibull!.points.map(({ value, failedShare }, j) => (
                <circle key={j} cx={x(show(value))} cy={y(height(failedShare))} r={3.2} className="fill-ember" />
              ))}
            </g>
          );
        })}
      </svg>
      <table className="mt-1 text-sm">
        <tbody>
          {drawn.map(({ weibull, arm, values: all }, i) => (
            <tr key={arm.id}>
              <td className="pr-2">
                <StrokeSample dash={strokeOf(i)} />
              </td>
              <th scope="row" className="pr-4 text-left">
                {nameOf(arm.id)}
              </th>
              <td className="pr-4">shape {f(weibull!.shape)}</td>
              <td className="pr-4">
                63 % below {f(show(weibull!.scale))} {unit}
              </td>
              <td className="text-quiet">
                {all.length < 6 ? `of ${all.length}: the shape comes out too large from so few` : ''}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Panel>
  );
}
