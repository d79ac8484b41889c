import { runTimes, type DryerLoad, type ScheduleConflict } from '@anvilstone/core/making';
import type { DryerAtHand, DryerSchedule, ScheduledRun } from '@anvilstone/schema';
import { scaleTime, timeFormat } from 'd3';
import { useState, type KeyboardEvent, type PointerEvent } from 'react';
import { moment } from '../../ui/when.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { fitting } from './fitting.ts';
import { startNear } from './scheduleEdits.ts';

const WIDTH = 1120;
const LEFT = 130;
const ROW = 58;
const TOP = 26;
const HOUR_MS = 3600e3;
const LEAST_SPAN_H = 48;
const STEP_MS = 15 * 60e3;

interface Dragged {
  id: string;
  fromX: number;
  fromY: number;
  /** Where it was taken from and where it is now. */
  from: Spot;
  now: Spot;
}
interface Spot {
  startMs: number;
  row: number;
}

/**
 * What runs where and when. A run is dragged along to another time and across to another dryer; with the arrow keys it goes by a
 * quarter of an hour, with Shift by two hours. Flags stand where somebody waits.
 */
export function Timeline({
  schedule,
  loads,
  dryers,
  conflicts,
  nowMs,
  onMove,
}: {
  schedule: DryerSchedule;
  loads: ReadonlyMap<string, DryerLoad>;
  dryers: readonly DryerAtHand[];
  conflicts: readonly ScheduleConflict[];
  nowMs: number;
  onMove: (runId: string, startMs: number, dryerId: string) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const [dragged, setDragged] = useState<Dragged>();
  const times = schedule.runs.map((run) => runTimes(run, loads));
  const needs = schedule.runs.flatMap((run) => run.loads.flatMap((id) => loads.get(id)?.needMs ?? []));
  const firstMs = Math.min(nowMs, ...times.map(({ startMs }) => startMs)) - HOUR_MS;
  const lastMs = Math.max(nowMs + LEAST_SPAN_H * HOUR_MS, ...times.map(({ endMs }) => endMs), ...needs) + HOUR_MS;
  const x = scaleTime([firstMs, lastMs], [LEFT, WIDTH - 8]);
  const rowOf = (dryerId: string) => dryers.findIndex(({ id }) => id === dryerId);
  const height = TOP + Math.max(1, dryers.length) * ROW + 8;
  const bad = new Map(conflicts.flatMap(({ kind, runIds }) => runIds.map((id) => [id, kind] as const)).reverse());

  const drag = (event: PointerEvent<SVGGElement>) => {
    if (!dragged) return;
    const scale = WIDTH / event.currentTarget.ownerSVGElement!.getBoundingClientRect().width;
    const byMs = x.invert(LEFT + (event.clientX - dragged.fromX) * scale).getTime() - firstMs;
    const row = dragged.from.row + Math.round(((event.clientY - dragged.fromY) * scale) / ROW);
    const now = {
      startMs: dragged.from.startMs + byMs,
      row: Math.min(dryers.length - 1, Math.max(0, row)),
    };
    setDragged({ ...dragged, now });
  };
  const drop = () => {
    const { id, from, now } = dragged ?? {};
    setDragged(undefined);
    if (id === undefined || !from || !now || (now.startMs === from.startMs && now.row === from.row)) return;
    const dryerId = dryers[now.row]!.id;
    const others = times.filter((_, i) => schedule.runs[i]!.id !== id && schedule.runs[i]!.dryerId === dryerId);
    const ends = others.map(({ endMs }) => endMs);
    onMove(id, startNear(now.startMs, ends), dryerId);
  };
  const byKey = (run: ScheduledRun) => (event: KeyboardEvent) => {
    const step = event.shiftKey ? 2 * HOUR_MS : STEP_MS;
    const along = { ArrowLeft: -step, ArrowRight: step }[event.key];
    const across = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (along === undefined && across === undefined) return;
    event.preventDefault();
    const dryer = dryers[rowOf(run.dryerId) + (across ?? 0)];
    if (dryer) onMove(run.id, Date.parse(run.start) + (along ?? 0), dryer.id);
  };

  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full touch-none select-none"
      role="group"
      aria-label="Dryers over time; the table below holds the same data"
    >
      {x.ticks(10).map((tick) => (
        <g key={tick.getTime()} transform={`translate(${x(tick)},0)`}>
          <line y1={TOP - 6} y2={height} className="stroke-line" />
          <text y={14} textAnchor="middle" className="fill-quiet text-[11px]">
            {tick.getHours() === 0 ? timeFormat('%a %d %b')(tick) : timeFormat('%H:%M')(tick)}
          </text>
        </g>
      ))}
      {dryers.map((dryer, row) => (
        <g key={dryer.id} transform={`translate(0,${TOP + row * ROW})`}>
          <line x2={WIDTH} className="stroke-line" />
          <text y={22} className="fill-ink text-[12px] font-semibold">
            {dryer.name}
          </text>
          <text y={38} className="fill-quiet text-[11px]">
            {dryer.slots} slots, to {amount(dryer.maximumC, '°C', units)}
          </text>
        </g>
      ))}
      <line x1={x(nowMs)} x2={x(nowMs)} y1={TOP - 8} y2={height} className="stroke-ember" strokeWidth={1.5} />
      {schedule.runs.map((run, i) => {
        const spot = dragged?.id === run.id ? dragged.now : undefined;
        const row = spot?.row ?? rowOf(run.dryerId);
        if (row < 0) return null;
        const { startMs, endMs, loads: timed } = times[i]!;
        const left = x(spot?.startMs ?? startMs);
        const width = Math.max(6, x(endMs) - x(startMs));
        const kind = bad.get(run.id);
        // A spool goes by its short name; parts by their whole title.
        const nameOf = (id: string) => (loads.get(id)?.purpose === 'conditioning' ? loads.get(id)!.title : id);
        const label = `${amount(run.temperatureC, '°C', units)}: ${run.loads.map(nameOf).join(', ')}`;
        return (
          <g
            key={run.id}
            role="button"
            tabIndex={0}
            aria-label={`${dryers[row]!.name}, ${label}, from ${moment(startMs, nowMs)} to ${moment(endMs, nowMs)}${kind ? ', in conflict' : ''}. Arrow keys move it.`}
            className="cursor-grab focus-visible:outline-none [&:focus-visible>rect]:stroke-(--focus) [&:focus-visible>rect]:stroke-3"
            onKeyDown={byKey(run)}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              const from = { startMs, row };
              setDragged({ id: run.id, fromX: event.clientX, fromY: event.clientY, from, now: from });
            }}
            onPointerMove={drag}
            onPointerUp={drop}
            onPointerCancel={() => setDragged(undefined)}
          >
            <rect
              x={left}
              y={TOP + row * ROW + 7}
              width={width}
              height={ROW - 22}
              rx={3}
              className={
                kind === 'stop'
                  ? 'fill-fail-ground stroke-fail'
                  : kind === 'late'
                    ? 'fill-unknown-ground stroke-unknown'
                    : 'fill-sunken stroke-line-strong'
              }
              strokeWidth={1.5}
              strokeDasharray={kind ? '5 3' : undefined}
            />
            <svg x={left} y={TOP + row * ROW + 7} width={width} height={ROW - 22} className="pointer-events-none">
              <text x={5} y={15} className="fill-ink text-[11px] font-semibold">
                {kind === 'stop' ? '✕ ' : kind === 'late' ? '! ' : ''}
                {amount(run.temperatureC, '°C', units)}
              </text>
              <text x={5} y={29} className="fill-ink text-[11px]">
                {fitting(run.loads.map(nameOf), width - 8)}
              </text>
            </svg>
            {timed.map(({ id, readyMs, lateH }) => {
              const { needMs } = loads.get(id) ?? {};
              return needMs === undefined ? null : (
                <g key={id} className={lateH > 0 ? 'stroke-fail' : 'stroke-pass'} aria-hidden="true">
                  <title>{`${nameOf(id)} is needed ${moment(needMs, nowMs)}, ready ${moment(readyMs, nowMs)}`}</title>
                  <path d={`M${x(needMs)} ${TOP + row * ROW + ROW - 2}v-11l7 3l-7 3`} fill="none" strokeWidth={1.8} />
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}
