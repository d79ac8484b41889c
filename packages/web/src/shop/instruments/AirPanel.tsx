import { READING_HOLDS_MS } from '@anvilstone/core/making';
import type { AirReading, Instrument } from '@anvilstone/schema';
import { line, scaleLinear, scaleTime, timeFormat } from 'd3';
import { useMemo } from 'react';
import { acrossOf, AxisFrame, ticksAt, upOf } from '../../charts/AxisFrame.tsx';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { Panel } from '../../ui/Panel.tsx';
import { moment } from '../../ui/when.ts';
import { useAirQuery } from './instrumentsApi.ts';

const BOX = { width: 1120, height: 190, left: 40, right: 8, top: 10, bottom: 22 };

/** What a logger saw in two weeks: humidity over time, with the gaps that make a spool’s clock assume the worst. */
export function AirPanel({ logger }: { logger: Instrument }) {
  const units = useAppSelector((state) => state.settings.units);
  const { data: readings } = useAirQuery(logger.id);
  const pieces = useMemo(() => withoutGaps(readings ?? []), [readings]);
  const last = readings?.at(-1);
  const gaps = pieces.slice(1).map((piece, i) => [pieces[i]!.at(-1)!, piece[0]!] as const);
  return (
    <Panel
      title={
        last
          ? `${logger.name}: ${Math.round(last.humidityPct)} %, ${amount(last.temperatureC, '°C', units)} ${moment(Date.parse(last.at))}`
          : logger.name
      }
    >
      {!last && (
        <p className="text-quiet">No readings yet. Spools at this location are assumed to be at its usual humidity.</p>
      )}
      {last && (
        <>
          <Chart pieces={pieces} gaps={gaps} />
          <p className="text-xs text-quiet">
            {readings!.length} quarter hours of the last two weeks
            {gaps.length === 0
              ? ', without a gap.'
              : `; ${gaps.length} gap${gaps.length === 1 ? '' : 's'}, each counted at the higher of the neighbouring readings and the usual value: ${gaps
                  .map(([from, to]) => `${moment(Date.parse(from.at))} to ${moment(Date.parse(to.at))}`)
                  .join('; ')}.`}
          </p>
        </>
      )}
    </Panel>
  );
}

function withoutGaps(readings: readonly AirReading[]): AirReading[][] {
  const pieces: AirReading[][] = [];
  let beforeMs = -Infinity;
  for (const reading of readings) {
    const ms = Date.parse(reading.at);
    if (ms - beforeMs > READING_HOLDS_MS) pieces.push([]);
    pieces.at(-1)!.push(reading);
    beforeMs = ms;
  }
  return pieces;
}

function Chart({
  pieces,
  gaps,
}: {
  pieces: readonly (readonly AirReading[])[];
  gaps: readonly (readonly [AirReading, AirReading])[];
}) {
  const at = (reading: AirReading) => Date.parse(reading.at);
  const all = pieces.flat();
  const x = scaleTime([at(all[0]!), at(all.at(-1)!)], acrossOf(BOX));
  const most = Math.max(70, ...all.map(({ humidityPct }) => humidityPct));
  const y = scaleLinear([20, most], upOf(BOX)).nice();
  const curve = line<AirReading>()
    .x((one) => x(at(one)))
    .y(({ humidityPct }) => y(humidityPct));
  const humidity = all.map((one) => one.humidityPct);
  return (
    <svg
      viewBox={`0 0 ${BOX.width} ${BOX.height}`}
      className="w-full"
      role="img"
      aria-label={`Relative humidity from ${Math.round(Math.min(...humidity))} to ${Math.round(Math.max(...humidity))} % over the last two weeks`}
    >
      <AxisFrame
        box={BOX}
        x={ticksAt(x.ticks(8), x, timeFormat('%d %b'))}
        y={ticksAt(y.ticks(4), y, (tick) => `${tick} %`)}
      />
      {gaps.map(([from, to]) => (
        <rect
          key={from.at}
          x={x(at(from))}
          width={Math.max(1, x(at(to)) - x(at(from)))}
          y={BOX.top}
          height={BOX.height - BOX.top - BOX.bottom}
          className="fill-unknown-ground"
        />
      ))}
      {pieces.map((piece) => (
        <path
          key={piece[0]!.at}
          d={curve(piece as AirReading[]) ?? ''}
          className="fill-none stroke-ink"
          strokeWidth={1.4}
        />
      ))}
    </svg>
  );
}
